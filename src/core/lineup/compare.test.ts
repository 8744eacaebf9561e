import fc from "fast-check";
import { differenceEffect, differenceText, titlesFrom } from "../messages/differences";
import { hex } from "../testing/roster";
import { compareFacts, type Difference } from "./compare";
import { fingerprintOf, type FingerprintFacts } from "./fingerprint";

const mod = (id: string, changed: Partial<FingerprintFacts["mods"][number]> = {}) => ({
  id,
  version: "1.0",
  content: hex(id),
  options: {},
  components: [],
  hidden: [],
  ...changed,
});
const plugin = (name: string, sha256 = hex(name)) => ({ name, sha256 });
const wanted: FingerprintFacts = {
  game: { id: "pond", version: "1.2" },
  expansions: ["island"],
  baseOff: ["Extra.keel"],
  mods: [mod("reeds"), mod("lamps"), mod("boats"), mod("ducks")],
  plugins: [plugin("Reeds.plank"), plugin("Lamps.plank"), plugin("Boats.plank")],
  launch: { windowed: true, language: "en" },
};
const titleOf = titlesFrom([
  { id: "reeds", name: "Taller Reeds" },
  { id: "lamps", name: "Old Lamps" },
  { id: "lamps", name: "Warm Lamps" },
  { id: "boats", name: "Slow Boats" },
  { id: "ducks", name: "More Ducks" },
  { id: "island", name: "The Island" },
]);

test.each<[string, Partial<FingerprintFacts>, readonly (readonly [Difference["kind"], string])[]]>([
  [
    "another version of the game",
    { game: { id: "pond", version: "1.3" } },
    [["game-version", "The game is pond 1.3; the lineup was made for pond 1.2."]],
  ],
  [
    "an expansion less and one more",
    { expansions: ["harbour"] },
    [
      ["expansion-missing", "The expansion The Island is not owned or not on here."],
      ["expansion-extra", "The expansion harbour is on here and not in the lineup."],
    ],
  ],
  [
    "plugins of the game itself, off here and off there",
    { baseOff: ["Other.keel"] },
    [
      ["base-missing", "Other.keel of the game itself is off here."],
      ["base-extra", "Extra.keel of the game itself is on here and off in the lineup."],
    ],
  ],
  [
    "a mod less and one more",
    { mods: [mod("reeds"), mod("boats"), mod("ducks"), mod("geese", { version: "3" })] },
    [
      ["mod-missing", "Warm Lamps 1.0 is missing or off here."],
      ["mod-extra", "geese 3 is on here and not in the lineup."],
    ],
  ],
  [
    "another version, whose contents are told by it",
    { mods: [mod("reeds", { version: "1.1", content: hex("new") }), ...wanted.mods.slice(1)] },
    [["mod-version", "Taller Reeds is 1.1 here; the lineup has 1.0."]],
  ],
  [
    "other contents under the same version",
    { mods: [mod("reeds", { content: hex("new") }), ...wanted.mods.slice(1)] },
    [["mod-contents", "Taller Reeds 1.0 has other contents here, under the same version."]],
  ],
  [
    "other parts, and another version besides",
    { mods: [mod("reeds", { version: "2", components: ["cattails"] }), ...wanted.mods.slice(1)] },
    [
      ["mod-version", "Taller Reeds is 2 here; the lineup has 1.0."],
      ["mod-parts", "Of Taller Reeds other parts are chosen here."],
    ],
  ],
  [
    "one mod that moved to the end, and no other",
    { mods: [mod("lamps"), mod("boats"), mod("ducks"), mod("reeds")] },
    [["mod-moved", "Taller Reeds stands after More Ducks here; in the lineup first."]],
  ],
  [
    "one mod that moved to the front",
    { mods: [mod("ducks"), mod("reeds"), mod("lamps"), mod("boats")] },
    [["mod-moved", "More Ducks stands first here; in the lineup after Slow Boats."]],
  ],
  [
    "plugins: one less, one more, another file, another place",
    { plugins: [plugin("Boats.plank"), plugin("Reeds.plank", hex("other")), plugin("Geese.plank")] },
    [
      ["plugin-contents", "Reeds.plank is another file here."],
      ["plugin-missing", "Lamps.plank does not load here."],
      ["plugin-extra", "Geese.plank loads here and not in the lineup."],
      ["plugin-moved", "Boats.plank stands first here; in the lineup after Lamps.plank."],
    ],
  ],
  [
    "launch settings, changed, gone and new",
    { launch: { windowed: false, depth: 3 } },
    [
      ["launch", "The launch setting depth is 3 here; in the lineup not set."],
      ["launch", "The launch setting language is not set here; in the lineup en."],
      ["launch", "The launch setting windowed is false here; in the lineup true."],
    ],
  ],
  [
    "only the order of what has none",
    { expansions: [...wanted.expansions], mods: wanted.mods.map((each) => mod(each.id, { options: {} })) },
    [],
  ],
])("%s: told line by line, each with what it may do", (_, changed, told) => {
  const found = compareFacts(wanted, { ...wanted, ...changed });
  expect(found.map((each) => [each.kind, differenceText(each, titleOf)])).toEqual(told);
  for (const each of found) expect(differenceEffect(each)).toMatch(/^[A-Z].*\.$/);
});

test("options count by what they hold, not by the order in which they were chosen", () => {
  const chosen = (look: string[], size: string[]) => ({
    ...wanted,
    mods: [mod("reeds", { options: { look, size } })],
  });
  const other = { ...wanted, mods: [mod("reeds", { options: { size: ["s"], look: ["b", "a"] } })] };
  expect(compareFacts(chosen(["a", "b"], ["s"]), other)).toEqual([]);
  expect(compareFacts(chosen(["a"], ["s"]), other).map(({ kind }) => kind)).toEqual(["mod-parts"]);
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
  const turned: Partial<Record<string, string>> = { missing: "extra", extra: "missing" };
  const kindsOf = (differences: readonly Difference[]) => differences.map(({ kind }) => kind).sort();
  const turn = (kind: string) => kind.replace(/[^-]+$/, (word) => turned[word] ?? word);
  fc.assert(
    fc.property(someFacts, someFacts, (a, b) => {
      expect(kindsOf(compareFacts(a, b)).map(turn).sort()).toEqual(kindsOf(compareFacts(b, a)));
    }),
  );
});
