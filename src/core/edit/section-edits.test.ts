import type { Edit } from "../model/edit";
import type { Section } from "../model/game";
import { orderOf, testRoster, withState } from "../testing/roster";
import { prepareEdit } from "./prepare-edit";
import { addSection, changeSection, dropSection, moveSection, seatArrivalsLater } from "./section-edits";
import { applySteps } from "./steps";
import { indexTies } from "../roster/ties";
import { aSection } from "../testing/ids";

const roster = testRoster([
  { name: "Core.keel" },
  { name: "a.plank" },
  { name: "b.plank" },
  { name: "p.plank", section: "patches", home: "world" },
]);

/** The roster after the edit, which the laws must allow and undo must take back. */
function after(edit: Edit) {
  const prepared = prepareEdit(roster, () => indexTies(roster, "plugins"), edit);
  if (!prepared.ok) throw new Error(prepared.refusal.code);
  const { state, inverse } = prepared.value;
  const back = applySteps(state, inverse);
  expect(back.ok && back.value.state).toEqual(roster.profile.state);
  return withState(roster, state);
}
const stateAfter = (of: typeof roster, edit: Edit) => {
  const applied = applySteps(of.profile.state, edit.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  return applied.value.state;
};
const sections = ({ profile }: typeof roster) => profile.state.plugins.sections.map((section) => section.id);
const world = roster.profile.state.plugins.sections.find((section) => section.id === "world")!;

test("a section is added behind another one, of its load rank", () => {
  const next = after(
    addSection(roster.lists.plugins, "world", { id: aSection("new"), name: "Reefs", guidance: "" }),
  );
  expect(sections(next)).toEqual(["game", "base", "world", "new", "patches"]);
  expect(next.profile.state.plugins.sections[3]!.rank).toBe("ordinary");
  expect(next.pluginOf.get("p.plank")!.seat).toBe("E1");
});

test("its name, guidance and colour are changed; nothing different is no edit", () => {
  const next = after(changeSection(roster.lists.plugins, { ...world, name: "Sea", hue: 4 })!);
  expect(next.pluginOf.get("a.plank")!.section).toMatchObject({ name: "Sea", hue: 4 });
  expect(changeSection(roster.lists.plugins, { ...world })).toBeNull();
  expect(changeSection(roster.lists.plugins, { ...world, id: aSection("nobody") })).toBeNull();
});

test("sections change places with their items, within their load rank", () => {
  const move = (id: string, by: number, list = roster.lists.plugins) => moveSection(list, id, by);
  const moved = move("patches", -1);
  if (!moved.ok) throw new Error(moved.refusal.code);
  const next = after(moved.value);
  expect(orderOf(next)).toEqual(["Pond.keel", "Core.keel", "p.plank", "a.plank", "b.plank"]);
  expect(move("world", -1)).toMatchObject({ ok: false, refusal: { code: "rank-ends" } });
  expect(move("patches", 1)).toMatchObject({ ok: false, refusal: { code: "rank-ends" } });
});

test("a section goes past several at once, as one step at a time would lead; past none that bars it", () => {
  let next = roster;
  for (const id of ["one", "two"])
    next = withState(
      next,
      stateAfter(next, addSection(next.lists.plugins, "world", { id: aSection(id), name: id, guidance: "" })),
    );
  expect(sections(next)).toEqual(["game", "base", "world", "two", "one", "patches"]);
  const far = moveSection(next.lists.plugins, "patches", -3);
  if (!far.ok) throw new Error(far.refusal.code);
  let stepped = next;
  for (let step = 0; step < 3; step++) {
    const one = moveSection(stepped.lists.plugins, "patches", -1);
    if (!one.ok) throw new Error(one.refusal.code);
    stepped = withState(stepped, stateAfter(stepped, one.value));
  }
  expect(stateAfter(next, far.value)).toEqual(stepped.profile.state);
  expect(moveSection(next.lists.plugins, "patches", -4)).toMatchObject({ refusal: { code: "rank-ends" } });
  expect(moveSection(next.lists.plugins, "world", 4)).toMatchObject({ refusal: { code: "rank-ends" } });
  const blocked = changeSection(next.lists.plugins, {
    ...next.profile.state.plugins.sections[3]!,
    block: "top",
  })!;
  const last = withState(next, stateAfter(next, blocked));
  expect(moveSection(last.lists.plugins, "patches", -3)).toMatchObject({ refusal: { code: "past-block" } });
});

test("what a removed section held goes to its neighbour; the only one of a load rank stays", () => {
  const dropped = dropSection(roster.lists.plugins, "world");
  if (!dropped.ok) throw new Error(dropped.refusal.code);
  const next = after(dropped.value);
  expect(sections(next)).toEqual(["game", "base", "patches"]);
  expect(orderOf(next)).toEqual(orderOf(roster));
  expect(next.profile.state.plugins.entries.at(-1)).toEqual({ id: "p.plank", on: true, section: "patches" });
  expect(dropSection(roster.lists.plugins, "base")).toMatchObject({
    ok: false,
    refusal: { code: "only-section" },
  });
});

test("a section that refers to no item is left as it is", () => {
  const bare: Section = { ...world, guidance: "The sea itself" };
  expect(after(changeSection(roster.lists.plugins, bare)!).plugins[2]!.section!.guidance).toBe(
    "The sea itself",
  );
});

describe("a block at an end of its load rank", () => {
  const { lists } = roster;
  const bottom = changeSection(lists.plugins, { ...world, block: "bottom" })!;

  test("goes there with its items, and nothing is moved or added past it", () => {
    const next = after(bottom);
    expect(sections(next)).toEqual(["game", "base", "patches", "world"]);
    expect(orderOf(next).at(-1)).toBe("b.plank");
    const move = moveSection(next.lists.plugins, "patches", 1);
    expect(move).toMatchObject({ ok: false, refusal: { code: "past-block" } });
    const added = addSection(next.lists.plugins, "world", {
      id: aSection("new"),
      name: "Reefs",
      guidance: "",
    });
    expect(added.steps[0]).toMatchObject({
      sections: ["game", "base", "patches", "new", "world"].map((id) => ({ id })),
    });
  });

  test("at the top comes before all others of its rank only", () => {
    const patches = lists.plugins.sections.find((section) => section.id === "patches")!;
    const next = after(changeSection(lists.plugins, { ...patches, block: "top" })!);
    expect(sections(next)).toEqual(["game", "base", "patches", "world"]);
  });
});

test("arrivals of a load rank wait in one section", () => {
  const one = after(seatArrivalsLater(roster.lists.plugins, world, true));
  const unseated = (from: typeof roster) =>
    from.lists.plugins.sections.filter((section) => section.unseated).map(({ id }) => id);
  expect(unseated(one)).toEqual(["world"]);
  const patches = one.lists.plugins.sections.find((section) => section.id === "patches")!;
  const applied = applySteps(one.profile.state, seatArrivalsLater(one.lists.plugins, patches, true).steps);
  const two = withState(roster, applied.ok ? applied.value.state : one.profile.state);
  expect(unseated(two)).toEqual(["patches"]);
  const none = seatArrivalsLater(two.lists.plugins, { ...patches, unseated: true }, false);
  const back = applySteps(two.profile.state, none.steps);
  expect(back.ok && unseated(withState(roster, back.value.state))).toEqual([]);
});
