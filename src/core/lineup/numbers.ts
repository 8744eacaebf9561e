import { MODS_RANK } from "../model/game";
import type { Lineup } from "../model/lineup";
import type { ListLine } from "../model/listing";
import type { ListName, SheetNumber } from "../model/profile";
import { numbersGiven, numbersOf, round, tiersOfSheet, type Sheet } from "../roster/sheet";

/** What a sheet says of an item: its number, and where its curator gave them, the own number of its tier and a weight that lasts. */
interface SheetCells {
  readonly number: string;
  readonly tier: string;
  readonly weight: string;
}

/** The cells of the mods in order, then of the plugins in order. */
export const sheetCellsOf = (lineup: Lineup): SheetCells[] => [
  ...cellsOf(lineup, "mods"),
  ...cellsOf(lineup, "plugins"),
];

function cellsOf(lineup: Lineup, name: ListName): SheetCells[] {
  const sections = lineup.sections.filter(({ rank }) => (rank === MODS_RANK) === (name === "mods"));
  const listed =
    name === "mods"
      ? lineup.mods.map(({ id, section }) => ({ id, section }))
      : lineup.plugins.map(({ name: id, section }) => ({ id, section }));
  let last = sections[0]?.id ?? null;
  // One of which no section is told joins the one before it.
  const items = listed.map(({ id, section }) => ({ id, entry: { section: (last = section ?? last) } }));
  const sheet: Sheet = { name, sections, items, numbers: lineup.numbers ?? [] };
  const tierOf = new Map(tiersOfSheet(sheet).map((tier) => [tier.section, tier]));
  const numberOf = new Map(numbersOf(sheet).map(({ id, number }) => [id, number]));
  const weights = numbersGiven(sheet, "item");
  return items.map(({ id, entry }) => {
    const number = numberOf.get(id)!;
    const tier = entry.section === null ? undefined : tierOf.get(entry.section);
    const weight = weights.get(id);
    // One that the order contradicts is none of this sheet.
    const holds = tier !== undefined && weight !== undefined && round(tier.value + weight) === number;
    return {
      number: String(number),
      tier: tier?.isOwn ? String(tier.value) : "",
      weight: holds ? String(weight) : "",
    };
  });
}

/** A line of a sheet, as it was understood: what stands in which section. */
interface SeatedLine {
  readonly id: string;
  readonly section: string | null;
  readonly line: Pick<ListLine, "tier" | "weight"> | null;
}

/** The numbers that a sheet gives tiers and items for good. */
export function numbersSaid(
  list: ListName,
  sections: readonly { readonly id: string }[],
  seated: readonly SeatedLine[],
): SheetNumber[] {
  const tierOf = new Map(
    seated.flatMap(({ section, line }) =>
      section !== null && line?.tier !== undefined ? [[section, line.tier] as const] : [],
    ),
  );
  const tiers = sections.flatMap(({ id }): SheetNumber[] => {
    const number = tierOf.get(id);
    return number === undefined ? [] : [{ list, of: "section", id, number }];
  });
  const weights = seated.flatMap(({ id, line }): SheetNumber[] =>
    line?.weight === undefined ? [] : [{ list, of: "item", id, number: line.weight }],
  );
  return [...tiers, ...weights];
}

/** What the three cells of a row say of its tier and its weight; where the number was changed, that is what counts. */
export function sheetLine(
  row: Readonly<Partial<Record<string, string>>>,
  numberIn: (cell: string) => number | null,
): Pick<ListLine, "tier" | "weight"> {
  const cell = (column: string) => (Object.hasOwn(row, column) ? numberIn(row[column] ?? "") : null);
  const [number, tier, said] = [cell("number"), cell("tier"), cell("weight")];
  const weight = said !== null && number !== null && tier !== null ? round(number - tier) : said;
  return {
    ...(tier !== null && { tier }),
    ...(weight !== null && { weight }),
  };
}
