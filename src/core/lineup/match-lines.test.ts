import type { ListLine } from "../model/listing";
import { testGame } from "../testing/game";
import { hex, pluginFile, shelfMod } from "../testing/roster";
import { knownMods } from "./known";
import { matchLines, type Answers } from "./match-lines";
import { likeness, NameIndex, plainName } from "./names";

const shelf = [
  { ...shelfMod("tidal-core", [pluginFile("Tidal Core.keel")], "2.1.0"), name: "Tidal Core" },
  { ...shelfMod("tidal-core", [pluginFile("Tidal Core.keel")], "2.0.0"), name: "Tidal Core" },
  { ...shelfMod("glass-tides", [pluginFile("Glass.plank")]), name: "The Glass Tides" },
  { ...shelfMod("lamps-two"), name: "Lamps 2" },
  { ...shelfMod("twin-a", [pluginFile("Twin.plank")]), name: "Twin" },
  { ...shelfMod("twin-b", [pluginFile("twin.plank")]), name: "Twin" },
];
const depot = [
  { ...shelfMod("tidal-core", [], "3.0.0"), name: "Tidal Core" },
  { ...shelfMod("far-shore"), name: "Fär Shore" },
];
const known = knownMods(shelf, depot);
const lineFor = (name: string, more: Partial<ListLine> = {}): ListLine => ({
  text: name,
  list: null,
  name,
  on: true,
  ...more,
});
const match = (line: ListLine, answers: Answers = {}) => matchLines(testGame, [line], known, answers)[0]!;
const told = (line: ListLine, answers?: Answers) => {
  const { how, known: found, sure } = match(line, answers);
  return [how, found && `${found.mod.id} ${found.mod.version} ${found.from}`, sure];
};

test.each<[string, ListLine, unknown[]]>([
  [
    "contents above all",
    lineFor("nonsense", { content: hex("glass-tides1.0.0") }),
    ["content", "glass-tides 1.0.0 shelf", true],
  ],
  [
    "the archive",
    lineFor("nonsense", { sha256: hex("1.0.0far-shore") }),
    ["archive", "far-shore 1.0.0 depot", true],
  ],
  [
    "the id, in the version that is asked for",
    lineFor("x", { id: "tidal-core", version: "2.0" }),
    ["id", "tidal-core 2.0.0 shelf", true],
  ],
  [
    "a version that only the depot has",
    lineFor("Tidal Core", { version: "3.0.0" }),
    ["name-version", "tidal-core 3.0.0 depot", true],
  ],
  [
    "a version that nobody has: the newest of the shelf",
    lineFor("tidal core", { version: "9" }),
    ["name", "tidal-core 2.1.0 shelf", true],
  ],
  ["a plugin by its file", lineFor("tidal core.KEEL"), ["plugin", "tidal-core 2.1.0 shelf", true]],
  ["a plugin of the game itself", lineFor("pond.keel"), ["game", null, true]],
  ["case, accents and articles do not count", lineFor("far SHORE"), ["name", "far-shore 1.0.0 depot", true]],
  [
    "a number that belongs to the name",
    lineFor("Lamps", { version: "2" }),
    ["name", "lamps-two 1.0.0 shelf", true],
  ],
  ["slips are proposed and asked for", lineFor("Glas Tids"), ["similar", "glass-tides 1.0.0 shelf", false]],
  ["two of one name are asked for", lineFor("Twin"), ["name", "twin-a 1.0.0 shelf", false]],
  ["nothing like it", lineFor("Quartz Orchard"), ["none", null, false]],
  ["talk", lineFor("Thank you all for reading this far, have fun!"), ["talk", null, true]],
])("%s", (_, line, wanted) => {
  expect(told(line)).toEqual(wanted);
});

test("what was answered before holds, by the plain name", () => {
  const answers = { [plainName("Quartz Orchard")]: "far-shore", [plainName("Twin")]: null };
  expect(told(lineFor("The quartz ORCHARD"), answers)).toEqual(["answer", "far-shore 1.0.0 depot", true]);
  expect(told(lineFor("Twin"), answers)).toEqual(["answer", null, true]);
  expect(told(lineFor("constructor"), answers)[0]).toBe("none");
});

test("the others that could be meant are offered, each mod once", () => {
  expect(match(lineFor("Twin")).others.map(({ mod }) => mod.id)).toEqual(["twin-b"]);
  expect(match(lineFor("Tidl Coar")).known?.mod.id).toBe("tidal-core");
});

// The examples of Wagner and Fischer's problem as they are commonly given; values from memory.
test.each([
  ["kitten", "sitting", 3],
  ["saturday", "sunday", 3],
  ["flaw", "lawn", 2],
  ["", "abc", 3],
])("Levenshtein's distance of %s and %s is %i", (a, b, distance) => {
  expect(likeness(a, b)).toBeCloseTo(1 - distance / Math.max(a.length, b.length));
});

test("of many names the most alike come first", () => {
  const names = Array.from({ length: 3000 }, (_, at) => plainName(`Name number ${at} of the ${at % 7} seas`));
  const index = new NameIndex([...names, "winterglass harbour"]);
  expect(index.nearest("winterglas harbor", 3, 0.5)[0]?.name).toBe("winterglass harbour");
  expect(index.nearest("zzzz", 3, 0.5)).toEqual([]);
});
