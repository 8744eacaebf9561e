import canonicalize from "canonicalize";
import type { Edit, EditLabel } from "../model/edit";
import type { Section } from "../model/game";
import { done, refuse, type Outcome } from "../model/outcome";
import type { Entry } from "../model/profile";
import type { Roster } from "./roster";
import { label } from "./steps";

/** The plugins with other sections; entries follow the order of their sections and keep their own inside. */
function arrange(
  roster: Roster,
  id: EditLabel["id"],
  name: string,
  sections: readonly Section[],
  entries: readonly Entry[] = roster.profile.state.plugins.entries,
): Edit {
  const rankOf = new Map(sections.map((section, at) => [section.id as string | null, at]));
  const sorted = [...entries].sort((a, b) => rankOf.get(a.section)! - rankOf.get(b.section)!);
  return {
    label: label(id, { name }),
    steps: [{ kind: "arrange", list: "plugins", entries: sorted, sections: [...sections] }],
  };
}

/** A new section right behind another one, of the same load rank. */
export function addSection(roster: Roster, behind: string, section: Omit<Section, "rank">): Edit {
  const { sections } = roster.profile.state.plugins;
  const at = sections.findIndex((each) => each.id === behind);
  const added = { ...section, rank: sections[at]!.rank };
  return arrange(roster, "add-section", section.name, [
    ...sections.slice(0, at + 1),
    added,
    ...sections.slice(at + 1),
  ]);
}

/** Another name, guidance, colour or other tags; null where nothing is different. */
export function changeSection(roster: Roster, section: Section): Edit | null {
  const { sections } = roster.profile.state.plugins;
  const old = sections.find((each) => each.id === section.id);
  if (!old || canonicalize({ ...section }) === canonicalize({ ...old })) return null;
  return arrange(
    roster,
    "change-section",
    section.name,
    sections.map((each) => (each === old ? section : each)),
  );
}

/** Changes places with its neighbour, and its items with it. Null where that one is of another load rank, or none. */
export function moveSection(roster: Roster, id: string, by: -1 | 1): Edit | null {
  const sections = [...roster.profile.state.plugins.sections];
  const at = sections.findIndex((section) => section.id === id);
  const [own, other] = [sections[at], sections[at + by]];
  if (!own || !other || own.rank !== other.rank) return null;
  sections[at] = other;
  sections[at + by] = own;
  return arrange(roster, "move-section", own.name, sections);
}

/** Its items go to the end of the section before it of their load rank, or to the start of the next. */
export function dropSection(roster: Roster, id: string): Outcome<Edit> {
  const { sections, entries } = roster.profile.state.plugins;
  const at = sections.findIndex((section) => section.id === id);
  const own = sections[at]!;
  const heir = [sections[at - 1], sections[at + 1]].find((section) => section?.rank === own.rank);
  if (!heir) return refuse("only-section", { name: own.name });
  const inherit = (entry: Entry): Entry => {
    const { home, ...rest } = entry;
    const kept = home === undefined || home === id ? rest : { ...rest, home };
    return entry.section === id ? { ...kept, section: heir.id } : kept;
  };
  return done(
    arrange(
      roster,
      "drop-section",
      own.name,
      sections.filter((section) => section !== own),
      entries.map(inherit),
    ),
  );
}
