import type { Lineup, LineupMod } from "../model/lineup";
import type { Note } from "../model/profile";
import { notesOf } from "../profile/notes";
import type { Roster, SeatedMod } from "../profile/roster";
import { creditsOf } from "./credits";
import { factsOfRoster, fingerprintOf } from "./fingerprint";

export interface LineupFacts {
  readonly title: string;
  readonly author: string;
  readonly note: string;
  readonly listVersion: string;
  readonly date: string;
}

/** The whole profile as a lineup. Mods that lie nowhere on the shelf have no content to name and are left out. */
export function makeLineup(roster: Roster, facts: LineupFacts): Lineup {
  const { game, profile } = roster;
  const notes = notesOf(roster, "mods");
  return {
    format: "seating-lineup/1",
    game: { id: game.id, version: game.version },
    ...facts,
    sections: [...profile.state.plugins.sections, ...profile.state.mods.sections],
    mods: roster.mods.filter((each) => each.mod?.content).map((mod) => lineupMod(mod, notes.get(mod.id))),
    plugins: roster.plugins.map(({ id, entry, fixed, file, mod }) => ({
      name: id,
      sha256: file?.sha256 ?? null,
      on: fixed || entry.on,
      section: entry.section,
      ...(entry.home === undefined ? {} : { home: entry.home }),
      mod: mod?.id ?? null,
    })),
    rules: [...profile.state.rules],
    launch: { ...profile.state.launch },
    expansions: [...profile.state.expansions],
    baseOff: [...(profile.state.baseOff ?? [])],
    followUps: [],
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
  };
}
