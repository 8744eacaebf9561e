"use client";

import { useSyncExternalStore } from "react";
import { z } from "zod";
import { Kept } from "../kit/kept";

type Theme = "light" | "dark";

/** What its user has chosen; a page shows it before it is drawn (server/theme-script). */
export const themeChosen = new Kept("seating-theme", z.enum(["system", "light", "dark"]), "system");

let media: MediaQueryList | undefined;
const systemIsDark = () => (media ??= matchMedia("(prefers-color-scheme: dark)"));

const read = (): Theme => (document.documentElement.dataset.theme === "dark" ? "dark" : "light");

function show(): void {
  const chosen = themeChosen.get();
  const theme = chosen === "system" ? (systemIsDark().matches ? "dark" : "light") : chosen;
  document.documentElement.dataset.theme = theme;
}

export const turnTheme = (): void => themeChosen.set(read() === "dark" ? "light" : "dark");

function subscribe(listener: () => void): () => void {
  const onChange = () => {
    show();
    listener();
  };
  const forget = themeChosen.subscribe(onChange);
  systemIsDark().addEventListener("change", onChange);
  return () => {
    forget();
    systemIsDark().removeEventListener("change", onChange);
  };
}

/** What is shown now. */
export const useTheme = (): Theme => useSyncExternalStore(subscribe, read, () => "light");
