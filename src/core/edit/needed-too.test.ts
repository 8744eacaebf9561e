import fc from "fast-check";
import { missingMaster } from "../check/missing-master";
import { masterOff } from "../check/master-off";
import { expansionOff, modsClash, requiredOff } from "../check/requirements";
import type { Check } from "../check/check";
import type { ShelfMod } from "../model/shelf";
import { makeRoster, type Roster } from "../roster/roster";
import { pluginFile, shelfMod, testRoster, withState, type TestPlugin } from "../testing/roster";
import { countNeeded, neededToo, switchOnWithNeeds } from "./needed-too";
import { applySteps } from "./steps";

interface Saying {
  readonly requires?: readonly { mod: string; versions?: string }[];
  readonly clashes?: readonly { mod: string }[];
  readonly expansions?: readonly string[];
}

function saying(mod: ShelfMod, { requires = [], clashes = [], expansions = [] }: Saying): ShelfMod {
  const { id, name, version } = mod;
  const manifest = { format: "seating-mod/1" as const, id, name, version };
  return {
    ...mod,
    manifest: { ...manifest, requires: [...requires], clashes: [...clashes], expansions: [...expansions] },
  };
}

/** A roster of plugins and of mods that only lie on the shelf, of which some say more. */
function rosterOf(
  plugins: readonly TestPlugin[],
  spare: readonly ShelfMod[] = [],
  says: Readonly<Record<string, Saying>> = {},
): Roster {
  const base = testRoster(plugins);
  const shelf = [...base.stock.shelf, ...spare].map((mod) => saying(mod, says[mod.id] ?? {}));
  return makeRoster(base.game, base.profile, { ...base.stock, shelf, owned: ["island"] });
}

const find = (roster: Roster, id: string) => roster.stock.shelf.find((mod) => mod.id === id)!;

function switched(roster: Roster, ids: readonly string[]): Roster {
  const edit = switchOnWithNeeds(
    roster,
    ids.map((id) => find(roster, id)),
  );
  const applied = applySteps(roster.profile.state, edit?.steps ?? []);
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusal));
  return withState(roster, applied.value.state);
}

const onIn = (roster: Roster) => roster.mods.filter(({ loads }) => loads).map(({ id }) => id as string);

test("what advice says that a mod needs comes along, of the curator’s own and by the id of a mod", () => {
  const plain = rosterOf([{ name: "a.plank", modOn: false }], [shelfMod("c"), shelfMod("d")]);
  const roster = withState(plain, {
    ...plain.profile.state,
    advice: [
      { kind: "needs", on: { mod: "a" }, other: { mod: "c" } },
      { kind: "clashes", on: { mod: "a" }, other: { mod: "d" } },
    ],
  });
  expect(neededToo(roster, [find(roster, "a")]).mods.map(({ id }) => id)).toEqual(["c"]);
  expect(onIn(switched(roster, ["a"]))).toEqual(["a", "c"]);
});

test("a mod comes on with what it needs, and with what that needs", () => {
  const roster = rosterOf(
    [
      { name: "a.plank", modOn: false, masters: ["b.plank"] },
      { name: "b.plank", on: false, masters: ["c.plank"] },
    ],
    [
      shelfMod("c", [pluginFile("c.plank", ["d.plank"])]),
      shelfMod("d", [pluginFile("d.plank")]),
      shelfMod("e"),
    ],
    { a: { requires: [{ mod: "e" }], expansions: ["island"] } },
  );
  const too = neededToo(roster, [find(roster, "a")]);
  expect(too.mods.map(({ id }) => id)).toEqual(["e", "c", "d"]);
  expect(too.plugins).toEqual(["b.plank"]);
  expect(too.expansions).toEqual(["island"]);
  expect(countNeeded(roster, too)).toBe(5);
  const next = switched(roster, ["a"]);
  expect(next.plugins.every(({ loads }) => loads)).toBe(true);
  expect(onIn(next).sort()).toEqual(["a", "b", "c", "d", "e"]);
  expect(neededToo(next, [find(next, "a")])).toEqual({
    mods: [],
    plugins: [],
    expansions: [],
    missing: [],
    clashes: [],
  });
});

test("plugins of a mod that are off by themselves need nothing", () => {
  const roster = rosterOf([
    { name: "a.plank", modOn: false, on: false, masters: ["b.plank"] },
    { name: "b.plank", modOn: false },
  ]);
  expect(neededToo(roster, [find(roster, "a")]).mods).toEqual([]);
});

test("what nothing here meets is named, and what clashes on either side's word", () => {
  const roster = rosterOf(
    [
      { name: "a.plank", modOn: false, masters: ["gone.plank"] },
      { name: "b.plank" },
      { name: "c.plank" },
      { name: "d.plank", modOn: false },
    ],
    [],
    {
      a: {
        requires: [{ mod: "nowhere" }, { mod: "b", versions: ">=9" }],
        clashes: [{ mod: "c" }, { mod: "d" }],
      },
      b: { clashes: [{ mod: "a" }, { mod: "c" }] },
    },
  );
  const { missing, clashes, mods } = neededToo(roster, [find(roster, "a")]);
  expect(missing).toEqual(["nowhere", "b", "gone.plank"]);
  expect(clashes).toEqual([
    ["b", "a"],
    ["a", "c"],
  ]);
  expect(mods).toEqual([]);
});

const names = ["a", "b", "c", "d", "e", "f", "g", "h"];

const arbitrarySet = fc.record({
  masters: fc.array(fc.uniqueArray(fc.constantFrom(...names, "gone"), { maxLength: 2 }), {
    minLength: 8,
    maxLength: 8,
  }),
  requires: fc.array(fc.uniqueArray(fc.constantFrom(...names, "gone"), { maxLength: 1 }), {
    minLength: 8,
    maxLength: 8,
  }),
  clashes: fc.array(fc.uniqueArray(fc.constantFrom(...names), { maxLength: 1 }), {
    minLength: 8,
    maxLength: 8,
  }),
  place: fc.array(fc.constantFrom("on", "off", "plugin-off", "shelf"), { minLength: 8, maxLength: 8 }),
  islanders: fc.uniqueArray(fc.constantFrom(...names), { maxLength: 2 }),
});

type Values = typeof arbitrarySet extends fc.Arbitrary<infer T> ? T : never;

/** Eight mods with a plugin each. */
function eight({ masters, requires, clashes, place, islanders }: Values): Roster {
  const of = (at: number) => masters[at]!.filter((name) => name !== names[at]).map((name) => `${name}.plank`);
  const seated = names.flatMap((name, at) =>
    place[at] === "shelf"
      ? []
      : [
          {
            name: `${name}.plank`,
            masters: of(at),
            modOn: place[at] !== "off",
            on: place[at] !== "plugin-off",
          },
        ],
  );
  const spare = names.flatMap((name, at) =>
    place[at] === "shelf" ? [shelfMod(name, [pluginFile(`${name}.plank`, of(at))])] : [],
  );
  const says = Object.fromEntries(
    names.map((name, at) => [
      name,
      {
        requires: requires[at]!.filter((other) => other !== name).map((mod) => ({ mod })),
        clashes: clashes[at]!.filter((other) => other !== name).map((mod) => ({ mod })),
        expansions: islanders.includes(name) ? ["island"] : [],
      },
    ]),
  );
  return rosterOf(seated, spare, says);
}

const needChecks: readonly Check[] = [missingMaster, masterOff, requiredOff, expansionOff];
const findingsOf = (roster: Roster, checks: readonly Check[]) =>
  checks.flatMap(({ find: run }) => run({ roster } as Parameters<Check["find"]>[0]));

/** What the checks would still have switched on, but for what it was off before and has nothing to do with the wanted. */
const waysOn = (roster: Roster) =>
  findingsOf(roster, needChecks).flatMap(({ subjects, fixes }) =>
    fixes
      .filter(({ does }) => does.act === "switch-on" || does.act === "switch-on-expansion")
      .map((fix) => ({ by: subjects[0]!.id, fix })),
  );

test("the checks are the oracle: with what is needed too, nothing that came on lacks anything that is here; without any one of it, something does", () => {
  fc.assert(
    fc.property(arbitrarySet, fc.constantFrom(...names), (values, wanted) => {
      const roster = eight(values);
      const too = neededToo(roster, [find(roster, wanted)]);
      const next = switched(roster, [wanted]);
      const came = new Set([wanted, ...too.mods.map(({ id }) => id as string)]);
      const ofCame = (by: string) => came.has(by.replace(".plank", ""));
      expect(waysOn(next).filter(({ by }) => ofCame(by))).toEqual([]);
      for (const { id } of too.mods) {
        const without = withoutMod(next, id);
        expect(findingsOf(without, needChecks).some(({ data }) => JSON.stringify(data).includes(id))).toBe(
          true,
        );
      }
      const clashing = findingsOf(next, [modsClash]).map(({ subjects }) => subjects.map(({ id }) => id));
      const told = too.clashes.map((pair) => [...pair]);
      expect(told.sort()).toEqual(clashing.filter((pair) => pair.some((id) => came.has(id))).sort());
    }),
    { numRuns: 500 },
  );
});

function withoutMod(roster: Roster, id: string): Roster {
  const { state } = roster.profile;
  const entries = state.mods.entries.map((entry) => (entry.id === id ? { ...entry, on: false } : entry));
  return withState(roster, { ...state, mods: { ...state.mods, entries } });
}
