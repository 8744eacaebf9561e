import fc from "fast-check";
import { differenceEffect, differenceText, titlesFrom } from "../messages/differences";
import { hex } from "../testing/roster";
import { compareFacts, type SetupDifference } from "./compare";
import { fingerprintOf, type FingerprintFacts } from "./fingerprint";
import { aMod, aPlugin } from "../testing/ids";

const mod = (id: string, changed: Partial<FingerprintFacts["mods"][number]> = {}) => ({
  id: aMod(id),
  version: "1.0",
  content: hex(id),
  options: {},
  components: [],
  hidden: [],
  ...changed,
});
const plugin = (name: string, sha256 = hex(name)) => ({ name: aPlugin(name), sha256 });
const wanted: FingerprintFacts = {
  game: { id: "pond", version: "1.2" },
  expansions: ["island"],
  baseOff: ["Extra.keel"],
  mods: [mod("reeds"), mod("lamps"), mod("boats"), mod("ducks")],
  plugins: [plugin("Reeds.plank"), plugin("Lamps.plank"), plugin("Boats.plank")],
  launch: { windowed: true, language: "en" },
  settings: [],
};
const titleOf = titlesFrom([
  { id: "reeds", name: "Taller Reeds" },
  { id: "lamps", name: "Old Lamps" },
  { id: "lamps", name: "Warm Lamps" },
  { id: "boats", name: "Slow Boats" },
  { id: "ducks", name: "More Ducks" },
  { id: "island", name: "The Island" },
]);

test.each<[string, Partial<FingerprintFacts>, readonly (readonly [string, string])[]]>([
  [
    "another version of the game",
    { game: { id: "pond", version: "1.3" } },
    [["game changed", "The game is pond 1.3; the lineup was made for pond 1.2."]],
  ],
  [
    "an expansion less and one more",
    { expansions: ["harbour"] },
    [
      ["expansions only-there", "The expansion The Island is not owned or not on here."],
      ["expansions only-here", "The expansion harbour is on here and not in the lineup."],
    ],
  ],
  [
    "plugins of the game itself, off here and off there",
    { baseOff: ["Other.keel"] },
    [
      ["baseOff only-here", "Other.keel of the game itself is off here."],
      ["baseOff only-there", "Extra.keel of the game itself is on here and off in the lineup."],
    ],
  ],
  [
    "a mod less and one more",
    { mods: [mod("reeds"), mod("boats"), mod("ducks"), mod("geese", { version: "3" })] },
    [
      ["mods only-there", "Warm Lamps 1.0 is missing or off here."],
      ["mods only-here", "geese 3 is on here and not in the lineup."],
    ],
  ],
  [
    "another version, whose contents are told by it",
    { mods: [mod("reeds", { version: "1.1", content: hex("new") }), ...wanted.mods.slice(1)] },
    [["mods content", "Taller Reeds is 1.1 here; the lineup has 1.0."]],
  ],
  [
    "other contents under the same version",
    { mods: [mod("reeds", { content: hex("new") }), ...wanted.mods.slice(1)] },
    [["mods content", "Taller Reeds 1.0 has other contents here, under the same version."]],
  ],
  [
    "other parts, and another version besides",
    { mods: [mod("reeds", { version: "2", components: ["cattails"] }), ...wanted.mods.slice(1)] },
    [
      ["mods content", "Taller Reeds is 2 here; the lineup has 1.0."],
      ["choices only-here", "Of Taller Reeds other parts are chosen here."],
    ],
  ],
  [
    "one mod that moved to the end, and no other",
    { mods: [mod("lamps"), mod("boats"), mod("ducks"), mod("reeds")] },
    [["mods place", "Taller Reeds is after More Ducks here; in the lineup first."]],
  ],
  [
    "one mod that moved to the front",
    { mods: [mod("ducks"), mod("reeds"), mod("lamps"), mod("boats")] },
    [["mods place", "More Ducks is first here; in the lineup after Slow Boats."]],
  ],
  [
    "plugins: one less, one more, another file, another place",
    { plugins: [plugin("Boats.plank"), plugin("Reeds.plank", hex("other")), plugin("Geese.plank")] },
    [
      ["plugins content", "Reeds.plank is another file here."],
      ["plugins only-there", "Lamps.plank does not load here."],
      ["plugins only-here", "Geese.plank loads here and not in the lineup."],
      ["plugins place", "Reeds.plank is after Boats.plank here; in the lineup first."],
    ],
  ],
  [
    "launch settings, changed, gone and new",
    { launch: { windowed: false, depth: 3 } },
    [
      ["launch only-here", "The launch setting depth is 3 here; in the lineup not set."],
      ["launch only-there", "The launch setting language is not set here; in the lineup en."],
      ["launch changed", "The launch setting windowed is false here; in the lineup true."],
    ],
  ],
  [
    "only the order of what has none",
    { expansions: [...wanted.expansions], mods: wanted.mods.map((each) => mod(each.id, { options: {} })) },
    [],
  ],
])("%s: told line by line, each with what it may do", (_, changed, told) => {
  const here = { ...wanted, ...changed };
  const found = compareFacts(wanted, here);
  const lines = found.map((each) => [
    `${each.facet} ${each.kind}`,
    differenceText(each, { wanted, here, titleOf }),
  ]);
  expect(lines.sort()).toEqual(told.map((line) => [...line]).sort());
  for (const each of found) expect(differenceEffect(each)).toMatch(/^[A-Z].*\.$/);
});

test("options count by what they hold, not by the order in which they were chosen", () => {
  const chosen = (look: string[], size: string[]) => ({
    ...wanted,
    mods: [mod("reeds", { options: { look, size } })],
  });
  const other = { ...wanted, mods: [mod("reeds", { options: { size: ["s"], look: ["b", "a"] } })] };
  expect(compareFacts(chosen(["a", "b"], ["s"]), other)).toEqual([]);
  expect(compareFacts(chosen(["a"], ["s"]), other).map(({ kind }) => kind)).toEqual(["changed"]);
});

const someFacts = fc.record({
  game: fc.constantFrom(wanted.game, { id: "pond", version: "1.3" }),
  expansions: fc.shuffledSubarray(["island", "harbour"]),
  baseOff: fc.shuffledSubarray(["Extra.keel", "Other.keel"]),
  mods: fc
    .shuffledSubarray(["reeds", "lamps", "boats", "ducks"])
    .chain((ids) =>
      fc.tuple(
        ...ids.map((id) =>
          fc
            .record({ version: fc.constantFrom("1", "2"), components: fc.shuffledSubarray(["x", "y"]) })
            .map((changed) => mod(id, changed)),
        ),
      ),
    ),
  plugins: fc.shuffledSubarray(wanted.plugins.map((each) => each)),
  launch: fc.constantFrom<FingerprintFacts["launch"]>({}, { windowed: true }, { windowed: false }),
  settings: fc.constantFrom<FingerprintFacts["settings"]>(
    [],
    [{ file: "options", at: "fog", value: 1 }],
    [{ file: "options", at: "fog", value: null }],
  ),
});

test("two setups have no difference just where their fingerprints are equal, whatever they hold", () => {
  fc.assert(
    fc.property(someFacts, someFacts, (a, b) => {
      expect(compareFacts(a, b).length === 0).toBe(fingerprintOf(a) === fingerprintOf(b));
    }),
    { numRuns: 1000 },
  );
});

test("the other way round what was missing is extra, and as much moved", () => {
  const turned: Partial<Record<string, string>> = { "only-here": "only-there", "only-there": "only-here" };
  const kindsOf = (differences: readonly SetupDifference[]) => differences.map(({ kind }) => kind).sort();
  const turn = (kind: string) => turned[kind] ?? kind;
  fc.assert(
    fc.property(someFacts, someFacts, (a, b) => {
      expect(kindsOf(compareFacts(a, b)).map(turn).sort()).toEqual(kindsOf(compareFacts(b, a)));
    }),
  );
});
