import { sectionHue } from "./hues";

/** A colour that something was given; a hollow square where it was given none. */
export function Swatch({ hue }: { hue: number | null | undefined }) {
  const given = hue !== null && hue !== undefined;
  return (
    <span
      aria-hidden
      className={`forced-color-adjust-none inline-block h-3.5 w-3.5 shrink-0 rounded-[3px] border ${given ? "border-transparent" : "border-ink3"}`}
      style={given ? { background: sectionHue(hue).fill } : undefined}
    />
  );
}
