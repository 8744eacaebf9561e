import type { Difference } from "../compare/states";
import { StartNote, type StartNoteKind } from "../model/start-note";
import type { Roster } from "../roster/roster";

/** Something to know at the start, and who says it. */
export interface ToldAtStart {
  /** The list: what its curator noted, or whoever the profile came from. */
  readonly from: { readonly kind: "game" | "list" | "mod"; readonly name: string };
  readonly note: StartNote;
  /** By which it is ticked: what is worded anew is to be done anew. */
  readonly key: string;
  /** Its mod was changed since the game ran well. */
  readonly isChanged: boolean;
}

/** What is to be known at the start of a profile; of conditions which are ticked, by their keys. */
export interface StartNotes {
  readonly told: readonly ToldAtStart[];
  readonly ticked: readonly string[];
}

/** Facets of which a key names a mod, so that what changed there changed that mod. */
const ofMods: ReadonlySet<string> = new Set(["mods", "choices"]);

/**
 * What is to be known at the start of a profile: what the game says, then its list, then its mods that load, in their order. `since`: what
 * was changed since it ran well, null where it never did.
 */
export function startNotesOf(roster: Roster, since: readonly Difference[] | null): ToldAtStart[] {
  const { game, profile, mods } = roster;
  const changed = since && changedMods(since);
  // Names may change, and what is ticked stays.
  const said = (from: ToldAtStart["from"], by: string, notes: readonly StartNote[], isChanged = false) =>
    notes.map((note) => ({ from, note, isChanged, key: JSON.stringify([from.kind, by, note]) }));
  return [
    ...said({ kind: "game", name: game.name }, "", game.startNotes ?? []),
    ...said({ kind: "list", name: profile.name }, "", profile.state.startNotes),
    ...mods
      .filter(({ loads, gone }) => loads && !gone)
      .flatMap(({ id, mod }) =>
        said(
          { kind: "mod", name: mod!.name },
          id,
          (mod!.manifest?.startNotes ?? []).map(({ id: note, kind, text, how, keeps }) =>
            StartNote.parse({ id: note, kind, text, ...(how && { how }), ...(keeps && { keeps }) }),
          ),
          changed?.has(id) === true,
        ),
      ),
  ];
}

function changedMods(since: readonly Difference[]): ReadonlySet<string> {
  const ids = since.flatMap(({ facet, key }) => (ofMods.has(facet) ? [key] : []));
  const leftOut = since.flatMap(({ facet, key }) => (facet === "leftOut" ? [key.split(" ", 1)[0]!] : []));
  return new Set([...ids, ...leftOut]);
}

/** Of one kind; what its mod's change made worth a look comes first. */
export function startNotesOfKind(told: readonly ToldAtStart[], kind: StartNoteKind): ToldAtStart[] {
  const all = told.filter(({ note }) => note.kind === kind);
  return kind === "look"
    ? [...all.filter(({ isChanged }) => isChanged), ...all.filter(({ isChanged }) => !isChanged)]
    : all;
}

/** Conditions that nobody has ticked, in the order in which they are to be met. */
export const openConditions = (told: readonly ToldAtStart[], ticked: ReadonlySet<string>): ToldAtStart[] =>
  startNotesOfKind(told, "condition").filter(({ key }) => !ticked.has(key));
