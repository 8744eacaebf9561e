"use client";

import { useState } from "react";
import { inputLook } from "./field";

/** A text that is stored once it is left, or with Enter: every change is an edit that can be undone. */
export function TypedField({
  label,
  value,
  most,
  onStore,
  className = "",
}: {
  label: string;
  value: string;
  /** Letters that it holds. */
  most: number;
  onStore: (text: string) => void;
  className?: string;
}) {
  const [draft, setDraft] = useState(value);
  const store = () => onStore(draft.trim());
  return (
    <input
      aria-label={label}
      value={draft}
      maxLength={most}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={store}
      onKeyDown={(event) => event.key === "Enter" && store()}
      className={`${inputLook} font-mono ${className}`}
    />
  );
}
