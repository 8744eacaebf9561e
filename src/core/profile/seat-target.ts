import { done, refuse, type Outcome } from "../model/outcome";
import type { Roster } from "./roster";
import { letterOf } from "./seats";

/** Where a typed seat is: the gap among the other items, and the section. */
export interface SeatTarget {
  readonly gap: number;
  readonly section: string;
}

/**
 * The place at which items come to sit at `C12` once they are taken out; a number past the section's end means its
 * end, and a letter alone too. Refused where the text is no seat or there is no such section.
 */
export function findSeat(roster: Roster, text: string, ids: readonly string[]): Outcome<SeatTarget> {
  const match = /^\s*([a-z]{1,2})\s*(\d{1,6})?\s*$/i.exec(text);
  const { sections } = roster.profile.state.plugins;
  const letters = match?.[1]?.toUpperCase();
  const at = sections.findIndex((_, index) => letterOf(index) === letters);
  if (at === -1)
    return refuse("no-seat", {
      seat: text.trim().slice(0, 20),
      last: letterOf(Math.max(0, sections.length - 1)),
    });
  const rest = roster.plugins.filter((plugin) => !ids.includes(plugin.id));
  const place = new Map(sections.map((section, index) => [section.id as string | null, index]));
  const before = rest.filter((plugin) => place.get(plugin.entry.section)! < at).length;
  const inside = rest.filter((plugin) => place.get(plugin.entry.section) === at).length;
  const number = match![2] === undefined ? Infinity : Number(match![2]);
  return done({ gap: before + Math.min(Math.max(number - 1, 0), inside), section: sections[at]!.id });
}
