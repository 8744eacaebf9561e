/**
 * The order as people keep it in sheets: each section is a tier with a number, and an item's number is that of its tier and a
 * weight inside it. What a curator has given lasts; the rest is worked out.
 */
import type { ListName, SheetNumber } from "../model/profile";
import { numbersOfSeats, type Numbered } from "../order/tiers";
import { numberKey } from "../state/facets";

/** A section as a tier. */
interface SheetTier {
  readonly section: string;
  readonly value: number;
  /** Of the next tier; no number of this one reaches it. */
  readonly end: number;
  readonly isOwn: boolean;
}

/** What of an order there is to number. */
export interface Sheet {
  readonly name: ListName;
  readonly sections: readonly { readonly id: string }[];
  readonly items: readonly { readonly id: string; readonly entry: { readonly section: string | null } }[];
  readonly numbers: readonly SheetNumber[];
}

const gap = 10;

/** The next round number above the tier before: ten, twenty, thirty. */
export const standardAfter = (value: number): number => Math.floor(value / gap) * gap + gap;

/** The numbers that a curator gave sections, or items, of a list, by their ids. */
export const numbersGiven = ({ name, numbers }: Pick<Sheet, "name" | "numbers">, of: SheetNumber["of"]) =>
  new Map(
    numbers.filter((each) => each.list === name && each.of === of).map(({ id, number }) => [id, number]),
  );

/** The tiers of the sections. An own number that does not rise above the one before does not count until it does. */
export function tiersOfSheet(sheet: Sheet): SheetTier[] {
  const own = numbersGiven(sheet, "section");
  const tiers: { section: string; value: number; isOwn: boolean }[] = [];
  let before = 0;
  for (const { id } of sheet.sections) {
    const wanted = own.get(id);
    const isOwn = wanted !== undefined && wanted > before;
    before = isOwn ? wanted : standardAfter(before);
    tiers.push({ section: id, value: before, isOwn });
  }
  return tiers.map((tier, at) => ({ ...tier, end: tiers[at + 1]?.value ?? Infinity }));
}

/** The number of every item but the given ones; weights that the order contradicts, or that leave their tier, give way. */
export function numbersOf(sheet: Sheet, without: readonly string[] = []): Numbered[] {
  const tiers = tiersOfSheet(sheet);
  const weights = numbersGiven(sheet, "item");
  const valueOf = new Map(tiers.map(({ section, value }) => [section as string | null, value]));
  const gone = new Set(without);
  return numbersOfSeats(
    tiers,
    sheet.items
      .filter(({ id }) => !gone.has(id))
      .map(({ id, entry: { section } }) => {
        const weight = weights.get(id);
        const tier = valueOf.get(section);
        return weight === undefined || tier === undefined
          ? { id, section }
          : { id, section, number: round(tier + weight) };
      }),
  );
}

/** Free of what adding and subtracting decimals leaves behind. */
export const round = (number: number): number => Number(number.toPrecision(12));

/** The tiers that hold more than there are whole numbers in them, or an item whose weight leads past their end. */
export function outgrown(sheet: Sheet): SheetTier[] {
  const weights = numbersGiven(sheet, "item");
  return tiersOfSheet(sheet).filter(({ section, value, end }) => {
    const items = sheet.items.filter(({ entry }) => entry.section === section);
    return items.length > end - value || items.some(({ id }) => value + (weights.get(id) ?? 0) >= end);
  });
}

/** The sheet anew, with room in every tier. */
interface Renumbering {
  readonly tiers: readonly { readonly section: string; readonly from: number; readonly to: number }[];
  /** What a curator then keeps of the list: all tiers, and the weights of what had one, whole and in the order of now. */
  readonly numbers: readonly SheetNumber[];
}

/** Tiers a power of ten apart that leaves room for twice as many as the fullest holds. */
export function renumbered(sheet: Sheet): Renumbering {
  const { name: list, sections, items } = sheet;
  const inSection = (id: string) => items.filter(({ entry }) => entry.section === id);
  const most = Math.max(0, ...sections.map(({ id }) => inSection(id).length));
  let apart = gap;
  while (apart < 2 * most) apart *= 10;
  const now = tiersOfSheet(sheet);
  const tiers = now.map(({ section, value }, at) => ({ section, from: value, to: (at + 1) * apart }));
  const weighed = numbersGiven(sheet, "item");
  const weights = sections.flatMap(({ id }) =>
    inSection(id).flatMap((item, at): SheetNumber[] =>
      weighed.has(item.id) ? [{ list, of: "item", id: item.id, number: at + 1 }] : [],
    ),
  );
  return {
    tiers,
    numbers: [
      ...tiers.map(({ section, to }): SheetNumber => ({ list, of: "section", id: section, number: to })),
      ...weights,
    ],
  };
}

/** The same numbers but for those of one list, by their keys. */
export const withNumbersOf = (
  all: readonly SheetNumber[],
  list: ListName,
  numbers: readonly SheetNumber[],
): SheetNumber[] =>
  [...all.filter((each) => each.list !== list), ...numbers].sort((a, b) =>
    numberKey(a) < numberKey(b) ? -1 : 1,
  );
