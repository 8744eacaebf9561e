import type { ComponentProps } from "react";

/** On or off: the block stands right and filled, or left and hollow. `half`: on, but held back by something else. */
export function Toggle({
  on,
  half = false,
  locked = false,
  label,
  ...rest
}: Omit<ComponentProps<"button">, "onChange"> & {
  on: boolean;
  half?: boolean;
  locked?: boolean;
  label: string;
}) {
  const filled = on && !half;
  return (
    <button
      type="button"
      role="switch"
      aria-checked={on}
      aria-label={label}
      aria-disabled={locked || undefined}
      title={label}
      className={`flex h-6 w-7 shrink-0 items-center justify-center rounded ${locked ? "cursor-default opacity-60" : ""}`}
      {...rest}
    >
      <span
        className={`relative block h-3.5 w-6 rounded-[4px] border ${filled ? "border-pine bg-pine forced-colors:bg-[Highlight]" : "border-ink3 bg-surface"}`}
      >
        <span
          className={`absolute top-[2px] h-2 w-2 rounded-[2px] ${on ? "right-[3px]" : "left-[3px]"} ${filled ? "bg-on-pine forced-colors:bg-[HighlightText]" : "bg-ink3 forced-colors:bg-[CanvasText]"}`}
        />
      </span>
    </button>
  );
}
