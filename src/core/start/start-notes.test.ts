import { compareStates } from "../compare/states";
import { dropStartNote, writeStartNote } from "../edit/start-notes";
import { applySteps } from "../edit/steps";
import type { StartNote, StartNoteKind } from "../model/start-note";
import type { ShelfMod } from "../model/shelf";
import type { Roster } from "../roster/roster";
import { withStock } from "../testing/check-cases";
import { testRoster, withState } from "../testing/roster";
import { openConditions, startNotesOf, startNotesOfKind } from "./start-notes";

const note = (id: string, kind: StartNoteKind, more: Partial<StartNote> = {}): StartNote => ({
  id,
  kind,
  text: `text of ${id}`,
  ...more,
});

const saying = (mod: ShelfMod, notes: readonly StartNote[]): ShelfMod => ({
  ...mod,
  manifest: {
    format: "seating-mod/1",
    id: mod.id,
    name: mod.name,
    version: "1",
    startNotes: notes.map((each) => ({ ...each, unknown: 1 })),
  },
});

/** Two mods that say something, and one that is off. */
const roster: Roster = (() => {
  const bare = testRoster([{ name: "a.plank" }, { name: "b.plank" }, { name: "off.plank", modOn: false }]);
  const shelf = bare.stock.shelf.map((mod) => saying(mod, [note(`look-${mod.id}`, "look")]));
  const whole = withStock(
    { ...bare, game: { ...bare.game, startNotes: [note("dark", "normal"), note("clock", "condition")] } },
    { shelf },
  );
  const { state } = whole.profile;
  return withState(whole, {
    ...state,
    startNotes: [note("mail", "condition", { keeps: true }), note("quay", "look", { how: "go there" })],
  });
})();
const ids = (told: ReturnType<typeof startNotesOf>) => told.map(({ note: { id } }) => id);

test("the game, the list and the mods that load say what is to be known, in this order", () => {
  expect(ids(startNotesOf(roster, null))).toEqual(["dark", "clock", "mail", "quay", "look-a", "look-b"]);
  expect(startNotesOf(roster, null).map(({ from }) => from.kind)).toEqual([
    ...["game", "game", "list", "list"],
    ...["mod", "mod"],
  ]);
});

test("what a mod wants looked at comes first where that mod was changed since it ran well", () => {
  const { state } = roster.profile;
  const looks = (since: typeof state | null) =>
    startNotesOfKind(startNotesOf(roster, since && compareStates(since, state)), "look").map((told) => [
      told.note.id,
      told.isChanged,
    ]);
  expect(looks(state)).toEqual([
    ["quay", false],
    ["look-a", false],
    ["look-b", false],
  ]);
  const off = state.mods.entries.map((entry) => (entry.id === "b" ? { ...entry, on: false } : entry));
  expect(looks({ ...state, mods: { ...state.mods, entries: off } })[0]).toEqual(["look-b", true]);
  expect(looks({ ...state, leftOut: [{ mod: "a" as never, path: "x" }] })[0]).toEqual(["look-a", true]);
  expect(looks(null)).toEqual(looks(state));
});

test("a condition is open until it is ticked as it is worded now", () => {
  const told = startNotesOf(roster, null);
  expect(ids(openConditions(told, new Set()))).toEqual(["clock", "mail"]);
  const [clock] = openConditions(told, new Set());
  expect(ids(openConditions(told, new Set([clock!.key])))).toEqual(["mail"]);
  // Under another name it is the same profile.
  const renamed = { ...roster, profile: { ...roster.profile, name: "Renamed" } };
  const [, mail] = openConditions(told, new Set());
  expect(ids(openConditions(startNotesOf(renamed, null), new Set([mail!.key])))).toEqual(["clock"]);
  const worded = {
    ...roster,
    game: { ...roster.game, startNotes: [note("clock", "condition", { text: "another text" })] },
  };
  expect(ids(openConditions(startNotesOf(worded, null), new Set([clock!.key])))).toEqual(["clock", "mail"]);
});

test("notes are written, written anew and taken away by edits", () => {
  const { state } = roster.profile;
  const written = applySteps(state, writeStartNote(note("quay", "normal")).steps);
  expect(written.ok && written.value.state.startNotes.map(({ id, kind }) => [id, kind])).toEqual([
    ["mail", "condition"],
    ["quay", "normal"],
  ]);
  const dropped = applySteps(state, dropStartNote(note("mail", "condition")).steps);
  expect(dropped.ok && dropped.value.state.startNotes.map(({ id }) => id)).toEqual(["quay"]);
});
