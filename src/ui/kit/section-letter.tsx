import { letterOf } from "@/core/roster/seats";
import { sectionHue } from "./hues";

/** The letter block of a section, by its place among the sections, in the colour that it was given. */
export function SectionLetter({ index, hue: given }: { index: number; hue?: number | undefined }) {
  const hue = sectionHue(given ?? index);
  return (
    <span
      className={`forced-color-adjust-none inline-flex h-[18px] min-w-5 items-center justify-center rounded-[3px] px-1 font-mono text-sm font-bold ${hue.again ? "outline-1 outline-offset-1" : ""}`}
      style={{ background: hue.fill, color: hue.ink, outlineColor: hue.again ? hue.fill : undefined }}
    >
      {letterOf(index)}
    </span>
  );
}
