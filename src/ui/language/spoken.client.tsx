"use client";

import { useState, type ReactNode } from "react";
import type { Language } from "@/core/language/say";
import { beginSpeaking } from "./spoken";

/** Lets a window speak what the server has drawn it in; null: the standard language. */
export function Spoken({ language, children }: { language: Language | null; children: ReactNode }) {
  useState(() => {
    if (language && typeof window !== "undefined") beginSpeaking(language);
    return null;
  });
  return children;
}
