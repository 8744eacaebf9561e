import { done, refuse, type Outcome } from "../model/outcome";
import { seatsOfNumbers } from "../order/tiers";
import { findItems } from "./find-items";
import type { SeatedItem, SeatedList } from "./roster";
import { letterOf } from "./seats";
import { numbersOf, standardAfter, tiersOfSheet } from "./sheet";

/** Where a typed seat is: the gap among the other items, and the section. */
interface SeatTarget {
  readonly gap: number;
  readonly section: string;
}

/**
 * Where a phrase sends items: "C12", "after Tidal Core", "before C4", "start of C", "end of C", "120" as the place in
 * the whole list, counted from 1, or "number 31" and "31.5" as people keep it in sheets: in the tier that begins at 30.
 */
export function findTarget(list: SeatedList, text: string, ids: readonly string[]): Outcome<SeatTarget> {
  const beside = /^\s*(after|before)\s+(.+)$/i.exec(text);
  if (beside) return besideItem(list, beside[2]!, beside[1]!.toLowerCase() === "after", ids);
  const end = /^\s*(start|end)\s+of\s+([a-z]{1,2})\s*$/i.exec(text);
  if (end) return findSeat(list, end[1]!.toLowerCase() === "start" ? `${end[2]}1` : end[2]!, ids);
  const figure = /^\s*(number\s+)?(\d+(?:\.\d+)?)\s*$/i.exec(text);
  if (!figure) return findSeat(list, text, ids);
  const isOfSheet = figure[1] !== undefined || figure[2]!.includes(".");
  return isOfSheet ? findNumber(list, Number(figure[2]), ids) : findPlace(list, Number(figure[2]), ids);
}

/** A place past the last one means the end. On a border items stay in their own section if it lies there. */
function findPlace(
  { items, sections }: SeatedList,
  place: number,
  ids: readonly string[],
): Outcome<SeatTarget> {
  const rest = items.filter((item) => !ids.includes(item.id));
  if (place < 1) return refuse("no-place", { place, last: items.length });
  const gap = Math.min(place - 1, rest.length);
  const at = (item: SeatedItem | undefined, none: number) =>
    item ? sections.findIndex(({ id }) => id === item.entry.section) : none;
  const own = at(
    items.find(({ id }) => ids.includes(id)),
    0,
  );
  const [above, below] = [at(rest[gap - 1], 0), at(rest[gap], sections.length - 1)];
  const isOwnThere = above <= own && own <= below;
  const section = isOwnThere ? own : rest[gap] ? below : above;
  return done({ gap, section: sections[section]!.id });
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
