"use client";

import { say } from "@/core/language/say";
import { useId, useState } from "react";
import { inputLook } from "./field";

interface Props {
  readonly label: string;
  readonly id?: string;
  readonly value: number | null;
  readonly placeholder?: string;
  readonly least?: number;
  readonly most?: number;
  /** It must hold a number: what is emptied is put back. */
  readonly isNeeded?: boolean;
  /** What is typed is stored at once, as far as it is a number in range; for what is no edit of its own. */
  readonly isLive?: boolean;
  readonly describedBy?: string | undefined;
  readonly onStore: (value: number | null) => void;
  readonly className?: string;
}

/**
 * A number; stored when the field is left or Enter is pressed. What is no number is put back, and what is out of range becomes
 * the nearest that is not; both are said below it.
 */
export function NumberField(props: Props) {
  const {
    label,
    id,
    value,
    placeholder,
    least,
    most,
    isNeeded = false,
    isLive = false,
    onStore,
    className = "",
  } = props;
  const own = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const [said, say] = useState("");
  const shown = value === null ? "" : String(value);
  /** Answers whether it was taken as it was typed. */
  const store = (): boolean => {
    if (typed === null) return true;
    setTyped(null);
    const taken = takenNumber(typed, { least, most, isNeeded });
    say(
      taken.said === ""
        ? ""
        : `${taken.said}${taken.value === undefined ? `: ${shown || "nothing"} stays` : ""}.`,
    );
    if (taken.value !== undefined && taken.value !== value) onStore(taken.value);
    return taken.said === "";
  };
  return (
    <span className={`inline-flex flex-col ${className}`}>
      <input
        id={id}
        aria-label={id ? undefined : label}
        aria-describedby={[props.describedBy, said && own].filter(Boolean).join(" ") || undefined}
        inputMode="decimal"
        value={typed ?? shown}
        placeholder={placeholder}
        onChange={(event) => {
          setTyped(event.target.value);
          say("");
          const taken = takenNumber(event.target.value, { least, most, isNeeded });
          if (isLive && taken.said === "" && taken.value !== undefined) onStore(taken.value);
        }}
        onBlur={store}
        onKeyDown={(event) => {
          // What became of it is read before a form is sent with it.
          if (event.key === "Enter" && !store()) event.preventDefault();
          if (event.key === "Escape" && typed !== null) {
            // It puts back what was typed, and closes nothing.
            event.stopPropagation();
            setTyped(null);
          }
        }}
        className={`${inputLook} !h-7 text-right font-mono`}
      />
      <span id={own} role="status" className="text-saffron text-sm empty:hidden">
        {said}
      </span>
    </span>
  );
}

interface Range {
  readonly least: number | undefined;
  readonly most: number | undefined;
  readonly isNeeded: boolean;
}

/** What a typed number is taken as, undefined where it can't be, and what has to be said of it. A comma is a point. */
export function takenNumber(
  typed: string,
  { least = -Infinity, most = Infinity, isNeeded }: Range,
): { readonly value: number | null | undefined; readonly said: string } {
  const text = typed.trim().replace(",", ".");
  if (text === "")
    return isNeeded ? { value: undefined, said: say("kit.aNumberIsNeeded") } : { value: null, said: "" };
  const number = Number(text);
  if (!Number.isFinite(number))
    return { value: undefined, said: say("kit.isNoNumber", { typed: typed.trim() }) };
  if (number < least) return { value: least, said: say("kit.isTooSmallIsTheLeast", { number, least }) };
  if (number > most) return { value: most, said: say("kit.isTooLargeIsTheMost", { number, most }) };
  return { value: number, said: "" };
}
