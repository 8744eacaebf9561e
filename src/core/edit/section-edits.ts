import canonicalize from "canonicalize";
import type { Edit } from "../model/edit";
import type { Section } from "../model/game";
import { done, refuse, type Outcome } from "../model/outcome";
import type { Entry } from "../model/profile";
import type { SeatedList } from "../roster/roster";
import { label } from "./steps";

/**
 * The items under other sections, of which the blocks go to the ends of their ranks; entries follow the order of their
 * sections and keep their own inside.
 */
function arrange(
  list: SeatedList,
  id: `${"add" | "change" | "drop" | "move"}-section`,
  name: string,
  wanted: readonly Section[],
  entries: readonly Entry[] = list.items.map((item) => item.entry),
): Edit {
  const sections = withBlocksAtEnds(wanted);
  const placeOf = new Map(sections.map((section, at) => [section.id as string | null, at]));
  const sorted = [...entries].sort((a, b) => placeOf.get(a.section)! - placeOf.get(b.section)!);
  return {
    label: label(id, { name }),
    steps: [{ kind: "arrange", list: list.name, entries: sorted, sections }],
  };
}

function withBlocksAtEnds(sections: readonly Section[]): Section[] {
  const ranks = [...new Set(sections.map((section) => section.rank))];
  const end = ({ block }: Section) => (block === "top" ? 0 : block === "bottom" ? 2 : 1);
  return ranks.flatMap((rank) =>
    sections.filter((section) => section.rank === rank).sort((a, b) => end(a) - end(b)),
  );
}

/** A new section right behind another one, of the same load rank. */
export function addSection(list: SeatedList, behind: string, section: Omit<Section, "rank">): Edit {
  const { sections } = list;
  const at = sections.findIndex((each) => each.id === behind);
  const added = { ...section, rank: sections[at]!.rank };
  return arrange(list, "add-section", section.name, [
    ...sections.slice(0, at + 1),
    added,
    ...sections.slice(at + 1),
  ]);
}

/** Other facts of a section; null where nothing is different. One that becomes a block goes to its end of the rank. */
export function changeSection(list: SeatedList, section: Section): Edit | null {
  const { sections } = list;
  const old = sections.find((each) => each.id === section.id);
  if (!old || canonicalize({ ...section }) === canonicalize({ ...old })) return null;
  return arrange(
    list,
    "change-section",
    section.name,
    sections.map((each) => (each === old ? section : each)),
  );
}

/** Says where arrivals of a rank wait: in this section and in no other of the rank; `on` false: in none. */
export function seatArrivalsLater(list: SeatedList, section: Section, on: boolean): Edit {
  const without = ({ unseated: _, ...rest }: Section): Section => rest;
  return arrange(
    list,
    "change-section",
    section.name,
    list.sections.map((each) => {
      if (each.id === section.id) return on ? { ...each, unseated: true } : without(each);
      return each.rank === section.rank ? without(each) : each;
    }),
  );
}

/** Goes up or down past so many others, and its items with it. Refused past the end of its load rank, and past a block. */
export function moveSection(list: SeatedList, id: string, by: number): Outcome<Edit> {
  const sections = [...list.sections];
  const at = sections.findIndex((section) => section.id === id);
  const own = sections[at]!;
  const passed = by < 0 ? sections.slice(Math.max(0, at + by), at) : sections.slice(at + 1, at + 1 + by);
  if (passed.length < Math.abs(by) || passed.some(({ rank }) => rank !== own.rank))
    return refuse("rank-ends", { name: own.name });
  const block = passed.find((each) => each.block !== own.block);
  if (block) return refuse("past-block", { name: own.name, other: block.name });
  sections.splice(at + by, 0, ...sections.splice(at, 1));
  return done(arrange(list, "move-section", own.name, sections));
}

/** Its items go to the end of the section before it of their load rank, or to the start of the next. */
export function dropSection(list: SeatedList, id: string): Outcome<Edit> {
  const { sections, items } = list;
  const at = sections.findIndex((section) => section.id === id);
  const own = sections[at]!;
  const heir = [sections[at - 1], sections[at + 1]].find((section) => section?.rank === own.rank);
  if (!heir) return refuse("only-section", { name: own.name });
  const inherit = ({ entry }: { readonly entry: Entry }): Entry => {
    const { home, ...rest } = entry;
    const kept = home === undefined || home === id ? rest : { ...rest, home };
    return entry.section === id ? { ...kept, section: heir.id } : kept;
  };
  return done(
    arrange(
      list,
      "drop-section",
      own.name,
      sections.filter((section) => section !== own),
      items.map(inherit),
    ),
  );
}
