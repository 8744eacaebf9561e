"use client";

import { useState } from "react";
import { inputLook } from "../kit/field";

/** A number that may be left out; stored when the field is left or Enter is pressed, and put back where it is none. */
export function NumberField({
  label,
  value,
  placeholder,
  onStore,
}: {
  label: string;
  value: number | null;
  placeholder: string;
  onStore: (value: number | null) => void;
}) {
  const shown = value === null ? "" : String(value);
  const [typed, setTyped] = useState<string | null>(null);
  const store = () => {
    if (typed === null) return;
    const text = typed.trim().replace(",", ".");
    setTyped(null);
    const number = text === "" ? null : Number(text);
    if (number !== value && (number === null || Number.isFinite(number))) onStore(number);
  };
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      value={typed ?? shown}
      placeholder={placeholder}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={store}
      onKeyDown={(event) => {
        if (event.key === "Enter") store();
        if (event.key === "Escape") setTyped(null);
      }}
      className={`${inputLook} !h-6 !w-20 text-right font-mono`}
    />
  );
}
