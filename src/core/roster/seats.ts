import type { Order } from "../model/profile";

/** A, B, … Z, AA, AB, … for 0, 1, … */
export function letterOf(index: number): string {
  const before = Math.floor(index / 26);
  return (before > 0 ? letterOf(before - 1) : "") + String.fromCharCode(65 + (index % 26));
}

/** The seat of every item, `C12`: the letter of the section in which it stands and its number there. */
export function seatsOf({
  sections,
  entries,
}: Readonly<{
  sections: Order["sections"];
  entries: readonly { readonly id: string; readonly section: string | null }[];
}>): Map<string, string> {
  const letters = new Map(sections.map((section, at) => [section.id as string | null, letterOf(at)]));
  const counts = new Map<string | null, number>();
  return new Map(
    entries.map((entry) => {
      const number = (counts.get(entry.section) ?? 0) + 1;
      counts.set(entry.section, number);
      return [entry.id, (letters.get(entry.section) ?? "") + number];
    }),
  );
}
