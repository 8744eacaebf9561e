import { testRoster, withState } from "../testing/roster";
import { noFilter, filterItems } from "../roster/plan-filter";
import { dropNote, writeNote } from "./notes";
import { notesOf } from "../roster/notes";
import { applySteps } from "./steps";
import { aMod, aPlugin } from "../testing/ids";

const roster = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
const note = {
  list: "plugins",
  item: aPlugin("a.plank"),
  text: "Fog first",
  author: "inkfathom",
  at: "2026-11-02",
} as const;

const apply = (from: typeof roster, edit: ReturnType<typeof writeNote>) => {
  const applied = applySteps(from.profile.state, edit.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  return applied.value;
};

test("a note is written, changed in its place and taken away, each with a way back", () => {
  const first = apply(roster, writeNote(note));
  expect(first.state.notes).toEqual([note]);
  const noted = withState(roster, first.state);
  const other = apply(noted, writeNote({ ...note, list: "mods", item: aMod("a") }));
  const changed = apply(withState(roster, other.state), writeNote({ ...note, text: "Light first" }));
  expect(changed.state.notes.map(({ list, text }) => [list, text])).toEqual([
    ["mods", "Fog first"],
    ["plugins", "Light first"],
  ]);
  const back = applySteps(changed.state, changed.inverse);
  expect(back.ok && back.value.state).toEqual(other.state);
  const gone = apply(noted, dropNote(note));
  expect(gone.state).toEqual(roster.profile.state);
  expect(gone.state.notes).toEqual([]);
});

test("the same words again change nothing", () => {
  const { state } = apply(roster, writeNote(note));
  expect(apply(withState(roster, state), writeNote({ ...note, at: "2026-12-24" })).state).toBe(state);
});

test("items are found by having a note, and by what it says", () => {
  const noted = withState(roster, apply(roster, writeNote(note)).state);
  const shown = (part: object) => [...filterItems(noted, noted.lists.plugins, [], { ...noFilter, ...part })];
  expect(shown({ noted: true })).toEqual(["a.plank"]);
  expect(shown({ noted: false })).toEqual(["Pond.keel", "b.plank"]);
  expect(shown({ text: "fog" })).toEqual(["a.plank"]);
  expect(notesOf(noted, "mods").size).toBe(0);
});
