"use client";

import { useSyncExternalStore } from "react";

type Theme = "light" | "dark";

const read = (): Theme => (document.documentElement.dataset.theme === "dark" ? "dark" : "light");

export function turnTheme(): void {
  const next = read() === "dark" ? "light" : "dark";
  document.documentElement.dataset.theme = next;
  localStorage.setItem("theme", next);
  window.dispatchEvent(new Event("theme"));
}

const subscribe = (listener: () => void) => {
  window.addEventListener("theme", listener);
  return () => window.removeEventListener("theme", listener);
};

export const useTheme = (): Theme => useSyncExternalStore(subscribe, read, () => "light");
