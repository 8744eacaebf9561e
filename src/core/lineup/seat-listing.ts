import { MODS_RANK, type GameDefinition, type Section } from "../model/game";
import type { SectionId } from "../model/ids";
import type { ListName } from "../model/profile";
import { longestIncreasing } from "../graph/longest-increasing";
import { arrivalSection, sectionsOf } from "../roster/laws";
import type { MatchedLine } from "./match-lines";

/** Something that is to take its seat: in which section a list says, and which would take it as an arrival. */
export interface ToSeat {
  readonly said: string | null;
  readonly rank: string;
  readonly tags: readonly string[];
  /** The list itself says where it stands. */
  readonly stated: boolean;
}

interface Seated<T> {
  readonly sections: Section[];
  /** `home` is the section to which it belongs, where the list has it stand in another one. */
  readonly seated: readonly {
    readonly item: T;
    readonly section: SectionId;
    readonly home?: SectionId;
  }[];
}

/**
 * Seats items in sections. An order that the list states stays as it is, in the sections that it names, else in those that take
 * arrivals (`byTags`: as far as they can, without any being moved), else in one for each load rank; what stands among others in it
 * does so here. What it does not state comes as an arrival would, behind it.
 */
export function seat<T extends ToSeat>(
  game: GameDefinition,
  list: ListName,
  items: readonly T[],
  byTags = false,
): Seated<T> {
  const told = seatStated(
    game,
    sectionsOf(game, list),
    items.filter(({ stated }) => stated),
    byTags,
  );
  const rest = items
    .filter(({ stated }) => !stated)
    .map((item) => ({ item, section: arriving(told.sections, item.rank, item.tags) }));
  const all = [...told.seated, ...rest];
  return {
    sections: told.sections,
    seated: told.sections.flatMap(({ id }) => all.filter(({ section }) => section === id)),
  };
}

const arriving = (sections: readonly Section[], rank: string, tags: readonly string[]): SectionId =>
  (
    arrivalSection(sections, rank, tags) ??
    sections.findLast((each) => each.rank === rank) ??
    sections.at(-1)!
  ).id;

function seatStated<T extends ToSeat>(
  game: GameDefinition,
  own: readonly Section[],
  items: readonly T[],
  byTags: boolean,
): Seated<T> {
  const told = saidSections(game, own, items);
  if (told) return told;
  if (byTags)
    return asStated(
      own,
      items,
      items.map(({ rank, tags }) => ownByTags(own, rank, tags)),
    );
  const arrivals = items.map(({ rank, tags }) => arriving(own, rank, tags));
  if (inOrder(own, arrivals)) return asStated(own, items, arrivals);
  return asStated(
    own,
    items,
    items.map(({ rank }) => arriving(own, rank, [])),
  );
}

function inOrder(sections: readonly Section[], ids: readonly SectionId[]): boolean {
  const placeOf = new Map(sections.map(({ id }, at) => [id, at]));
  return ids.every((id, at) => at === 0 || placeOf.get(ids[at - 1]!)! <= placeOf.get(id)!);
}

/** The section that takes such arrivals; null where they only wait there to be seated, so that they may stand in any. */
function ownByTags(sections: readonly Section[], rank: string, tags: readonly string[]): SectionId | null {
  const section = arrivalSection(sections, rank, tags);
  return section && !section.unseated ? section.id : null;
}

/** Stable: of one section the items stand as they did. */
function bySection<T>(
  sections: readonly Section[],
  items: readonly T[],
  ids: readonly SectionId[],
): Seated<T> {
  const seated = items.map((item, at) => ({ item, section: ids[at]! }));
  return {
    sections: [...sections],
    seated: sections.flatMap(({ id }) => seated.filter(({ section }) => section === id)),
  };
}

/**
 * In the order in which they come: as few as can be stand in another section than their own, that of the item before them, as does
 * what has none of its own.
 */
function asStated<T extends ToSeat>(
  sections: readonly Section[],
  items: readonly T[],
  ids: readonly (SectionId | null)[],
): Seated<T> {
  const placeOf = new Map(sections.map(({ id }, at) => [id, at]));
  const rankOf = new Map(sections.map(({ id, rank }) => [id, rank]));
  const owned = ids.flatMap((id, place) => (id === null ? [] : [{ id, place }]));
  const stay = longestIncreasing(owned.map(({ id, place }) => placeOf.get(id)! * ids.length + place));
  const home = new Map(stay.map((at) => [owned[at]!.place, owned[at]!.id]));
  let section = [...home.values()][0] ?? sections[0]?.id;
  const seated = items.map((item, place) => {
    const own = ids[place]!;
    section = home.get(place) ?? (own === null ? sectionAfter(section, item.rank) : section);
    return { item, section: section!, ...(own === null || own === section ? {} : { home: own }) };
  });
  return { sections: [...sections], seated };

  /** The section that an item of the rank joins which has none of its own. */
  function sectionAfter(last: SectionId | undefined, rank: string): SectionId {
    if (last !== undefined && rankOf.get(last) === rank) return last;
    const start = arriving(sections, rank, []);
    return last !== undefined && placeOf.get(start)! < placeOf.get(last)! ? last : start;
  }
}

/** Items by the names of their sections; null where some name none, or a list comes back to a name: those are no sections. */
function blocksOf<T extends Pick<ToSeat, "said">>(
  items: readonly T[],
): { name: string; items: T[] }[] | null {
  if (items.length === 0 || items.some(({ said }) => said === null)) return null;
  const blocks: { name: string; items: T[] }[] = [];
  for (const item of items) {
    if (blocks.at(-1)?.name !== item.said) blocks.push({ name: item.said!, items: [] });
    blocks.at(-1)!.items.push(item);
  }
  return new Set(blocks.map(({ name }) => name)).size < blocks.length ? null : blocks;
}

/** Whether a list says in which sections its items stand, in each order that it names. */
export function namesSections(matches: readonly MatchedLine[]): boolean {
  const known = matches.filter((match) => match.known !== null);
  const saidIn = (some: readonly MatchedLine[]) =>
    some.length === 0 || blocksOf(some.map(({ line }) => ({ said: line.section ?? null }))) !== null;
  const isMod = ({ plugin }: MatchedLine) => plugin === null;
  return known.length > 0 && saidIn(known.filter(isMod)) && saidIn(known.filter((match) => !isMod(match)));
}

/** The sections of the list by their names, new ones where the game has none of a name; null where they are no blocks. */
function saidSections<T extends ToSeat>(
  game: GameDefinition,
  own: readonly Section[],
  items: readonly T[],
): Seated<T> | null {
  const blocks = blocksOf(items);
  if (!blocks) return null;
  const told = toldSections(game, own, blocks);
  const ids = blocks.flatMap(({ items: members }, at) => members.map(() => told[at]!.id));
  return bySection(withOthers(rankOrder(game), own, told), items, ids);
}

const rankOrder = ({ loadRanks }: GameDefinition): ReadonlyMap<string, number> =>
  new Map([...loadRanks.map(({ id }) => id), MODS_RANK].map((id, at) => [id, at]));

/** Each of the game's own of that name, else a new one of the rank that most in it have; none is of an earlier rank than one before it. */
function toldSections(
  game: GameDefinition,
  own: readonly Section[],
  blocks: readonly { readonly name: string; readonly items: readonly ToSeat[] }[],
): Section[] {
  const placeOf = rankOrder(game);
  let least = "";
  const isLater = (rank: string) => least === "" || placeOf.get(rank)! >= placeOf.get(least)!;
  return blocks.map(({ name, items }, at): Section => {
    const most = mostCommon(items.map(({ rank }) => rank));
    const section = own.find((each) => each.name === name && isLater(each.rank)) ?? {
      id: `list-${at + 1}` as SectionId,
      name: name.slice(0, 80),
      rank: isLater(most) ? most : least,
      guidance: "",
    };
    least = section.rank;
    return section;
  });
}

function mostCommon(ranks: readonly string[]): string {
  const count = (rank: string) => ranks.filter((each) => each === rank).length;
  return ranks.reduce((best, rank) => (count(rank) > count(best) ? rank : best));
}

/** The game's sections that the list does not name among those that it names: before what follows them in the game, or has a later rank. */
function withOthers(
  placeOf: ReadonlyMap<string, number>,
  own: readonly Section[],
  told: readonly Section[],
): Section[] {
  const named = new Set(told.map(({ id }) => id));
  const inGame = new Map(own.map(({ id }, at) => [id, at]));
  const waiting = own.filter(({ id }) => !named.has(id));
  const isBefore = (section: Section, other: Section) => {
    const byRank = placeOf.get(section.rank)! - placeOf.get(other.rank)!;
    if (byRank !== 0) return byRank < 0;
    const at = inGame.get(other.id);
    return at !== undefined && inGame.get(section.id)! < at;
  };
  const whole = told.flatMap((section) => {
    const before: Section[] = [];
    while (waiting.length > 0 && isBefore(waiting[0]!, section)) before.push(waiting.shift()!);
    return [...before, section];
  });
  return [...whole, ...waiting].sort((a, b) => placeOf.get(a.rank)! - placeOf.get(b.rank)!);
}
