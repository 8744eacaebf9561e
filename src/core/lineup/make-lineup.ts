import type { Lineup, LineupMod, LineupRole, LineupTerms } from "../model/lineup";
import type { Note } from "../model/profile";
import { notesOf } from "../roster/notes";
import type { Roster, SeatedMod } from "../roster/roster";
import { creditsOf } from "./credits";
import { factsOfRoster, fingerprintOf } from "./fingerprint";

/** What a curator says of a list: of the whole, and of single mods by their ids. */
export interface LineupFacts extends Pick<
  Lineup,
  | "title"
  | "author"
  | "note"
  | "listVersion"
  | "date"
  | "list"
  | "keys"
  | "readMe"
  | "pictures"
  | "changelog"
  | "open"
> {
  readonly roles?: Readonly<Record<string, LineupRole>>;
  readonly terms?: Readonly<Record<string, LineupTerms>>;
}

/** The whole profile as a lineup. Mods that lie nowhere on the shelf have no content to name and are left out. */
export function makeLineup(roster: Roster, { roles = {}, terms = {}, ...facts }: LineupFacts): Lineup {
  const { game, profile } = roster;
  const notes = notesOf(roster, "mods");
  return {
    format: "seating-lineup/1",
    game: { id: game.id, version: game.version },
    ...facts,
    sections: [...profile.state.plugins.sections, ...profile.state.mods.sections],
    mods: roster.mods
      .filter((each) => each.mod?.content)
      .map((mod) => ({
        ...lineupMod(mod, notes.get(mod.id)),
        ...(roles[mod.id] ? { role: roles[mod.id] } : {}),
        ...(terms[mod.id] ? { terms: terms[mod.id] } : {}),
      })),
    plugins: roster.plugins.map(({ id, entry, fixed, file, mod, partOff }) => ({
      name: id,
      sha256: file?.sha256 ?? null,
      // Whoever reads the list knows nothing of the package: what no chosen part brings does not load there either.
      on: fixed || (entry.on && !partOff),
      section: entry.section,
      ...(entry.home === undefined ? {} : { home: entry.home }),
      mod: mod?.id ?? null,
      ...(file?.header?.masters.length ? { masters: file.header.masters } : {}),
    })),
    rules: [...profile.state.rules],
    launch: { ...profile.state.launch },
    expansions: [...profile.state.expansions],
    baseOff: [...(profile.state.baseOff ?? [])],
    followUps: roster.mods.filter(({ id }) => roles[id] === "once").map(({ id }) => id),
    credits: creditsOf(roster),
    fingerprint: fingerprintOf(factsOfRoster(roster)),
  };
}

function lineupMod({ id, entry, loads, mod, choice }: SeatedMod, note: Note | undefined): LineupMod {
  return {
    id,
    name: mod!.name,
    version: mod!.version,
    source: mod!.manifest?.page ?? "local",
    size: mod!.size,
    content: mod!.content!,
    archive: mod!.archiveSha256,
    on: loads,
    section: entry.section,
    ...(entry.home === undefined ? {} : { home: entry.home }),
    options: choice.options,
    components: choice.components,
    hidden: [],
    note: note?.text ?? "",
    ...(mod!.manifest?.requires?.length ? { requires: mod!.manifest.requires.map((each) => each.mod) } : {}),
  };
}
