import { done, refuse, type Outcome } from "../model/outcome";
import { seatsOfNumbers } from "../order/tiers";
import { findItems } from "./find-items";
import type { SeatedList } from "./roster";
import { letterOf } from "./seats";
import { numbersOf, standardAfter, tiersOfSheet } from "./sheet";

/** Where a typed seat is: the gap among the other items, and the section. */
interface SeatTarget {
  readonly gap: number;
  readonly section: string;
}

/**
 * Where a phrase sends items: "C12", "after Tidal Core", "before C4", "start of C", "end of C", or a number as people
 * keep it in sheets: 31.5 is in the tier that begins at 30.
 */
export function findTarget(list: SeatedList, text: string, ids: readonly string[]): Outcome<SeatTarget> {
  const beside = /^\s*(after|before)\s+(.+)$/i.exec(text);
  if (beside) return besideItem(list, beside[2]!, beside[1]!.toLowerCase() === "after", ids);
  const end = /^\s*(start|end)\s+of\s+([a-z]{1,2})\s*$/i.exec(text);
  if (end) return findSeat(list, end[1]!.toLowerCase() === "start" ? `${end[2]}1` : end[2]!, ids);
  const number = /^\s*\d+(\.\d+)?\s*$/.test(text) ? Number(text) : null;
  return number === null ? findSeat(list, text, ids) : findNumber(list, number, ids);
}

function besideItem(
  list: SeatedList,
  text: string,
  isAfter: boolean,
  ids: readonly string[],
): Outcome<SeatTarget> {
  const found = findItems(list, text).filter((item) => !ids.includes(item.id));
  if (found.length === 0) return refuse("no-such-item", { text: text.slice(0, 60) });
  if (found.length > 1)
    return refuse("many-such-items", { text: text.slice(0, 60), count: found.length, item: found[0]!.id });
  const rest = list.items.filter((item) => !ids.includes(item.id));
  const at = rest.indexOf(found[0]!);
  return done({ gap: isAfter ? at + 1 : at, section: found[0]!.entry.section ?? "" });
}

/** The seat that the first of the items comes to have there. */
export function seatAtTarget(
  { sections, items }: SeatedList,
  { gap, section }: SeatTarget,
  ids: readonly string[],
): string {
  const before = items.filter((item) => !ids.includes(item.id)).slice(0, gap);
  const inside = before.filter((item) => item.entry.section === section).length;
  return `${letterOf(sections.findIndex((each) => each.id === section))}${inside + 1}`;
}

function findNumber(list: SeatedList, number: number, ids: readonly string[]): Outcome<SeatTarget> {
  const tiers = tiersOfSheet(list);
  const [seat] = seatsOfNumbers(tiers, [{ id: "", number }]);
  const highest = numbersOf(list).at(-1)?.number ?? 0;
  const last = Math.max(standardAfter(tiers.at(-1)!.value), standardAfter(highest));
  if (!seat?.section || number >= last)
    return refuse("no-number", { number, first: tiers[0]!.value, last: tiers.at(-1)!.value });
  const gap = numbersOf(list, ids).filter((each) => each.number < number).length;
  return done({ gap, section: seat.section });
}

/**
 * The place at which items come to sit at `C12` once they are taken out; a number past the section's end means its
 * end, and a letter alone too. Refused where the text is no seat or there is no such section.
 */
export function findSeat(list: SeatedList, text: string, ids: readonly string[]): Outcome<SeatTarget> {
  const match = /^\s*([a-z]{1,2})\s*(\d{1,6})?\s*$/i.exec(text);
  const { sections } = list;
  const letters = match?.[1]?.toUpperCase();
  const at = sections.findIndex((_, index) => letterOf(index) === letters);
  if (at === -1)
    return refuse("no-seat", {
      seat: text.trim().slice(0, 20),
      last: letterOf(Math.max(0, sections.length - 1)),
    });
  const rest = list.items.filter((item) => !ids.includes(item.id));
  const place = new Map(sections.map((section, index) => [section.id as string | null, index]));
  const before = rest.filter((item) => place.get(item.entry.section)! < at).length;
  const inside = rest.filter((item) => place.get(item.entry.section) === at).length;
  const number = match![2] === undefined ? Infinity : Number(match![2]);
  return done({ gap: before + Math.min(Math.max(number - 1, 0), inside), section: sections[at]!.id });
}
