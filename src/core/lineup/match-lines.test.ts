import type { ListLine } from "../model/listing";
import { testGame } from "../testing/game";
import { hex, pluginFile, shelfMod } from "../testing/roster";
import { knownMods } from "./known";
import { basesOf, matchLines, type Answers } from "./match-lines";
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

test.each<[string, ListLine, unknown[]]>([
  [
    "a remark that is called like a mod is a question",
    lineFor("Twin", { aside: true }),
    ["name", "twin-a 1.0.0 shelf", false],
  ],
  ["one that is only similar is talk", lineFor("Glas Tids", { aside: true }), ["talk", null, true]],
  ["one like nothing is talk, however short", lineFor("Quartz", { aside: true }), ["talk", null, true]],
  ["a short line that ends like a sentence is talk", lineFor("Quartz it is."), ["talk", null, true]],
  ["eight words may be a name", lineFor("one two three four five six seven eight"), ["none", null, false]],
  ["nine words are none", lineFor("one two three four five six seven eight nine"), ["talk", null, true]],
  [
    "a plugin is never talk",
    lineFor("What a wonder this is, would you believe it.plank"),
    ["none", null, false],
  ],
  [
    "another id than that of what it names is asked for",
    lineFor("Tidal Core", { id: "other" }),
    ["name", "tidal-core 2.1.0 shelf", false],
  ],
  [
    "a mere number is somebody's numbering",
    lineFor("Tidal Core", { id: "12" }),
    ["name", "tidal-core 2.1.0 shelf", true],
  ],
  [
    "with a word beside it it is none",
    lineFor("Tidal Core", { id: "12a" }),
    ["name", "tidal-core 2.1.0 shelf", false],
  ],
  [
    "an id of nothing that is known says nothing of what is not known, either",
    lineFor("Quartz Orchard", { id: "x" }),
    ["none", null, false],
  ],
  ["the game's own under another's id", lineFor("pond.keel", { id: "x" }), ["game", null, false]],
  ["an expansion's plugin is the game's own", lineFor("Island.keel"), ["game", null, true]],
  [
    "where it speaks of mods, a name with an extension is a mod's",
    lineFor("glass.plank", { list: "mods" }),
    ["none", null, false],
  ],
  [
    "of several that bring a plugin, the one with its id",
    lineFor("twin.plank", { id: "twin-b" }),
    ["plugin", "twin-b 1.0.0 shelf", false],
  ],
  ["of several without, one is asked for", lineFor("twin.plank"), ["plugin", "twin-a 1.0.0 shelf", false]],
  [
    "a plugin by its hash, whatever it is called",
    lineFor("Renamed.plank", { sha256: hex("Glass.plank") }),
    ["plugin", "glass-tides 1.0.0 shelf", true],
  ],
  [
    "its hash above its name",
    lineFor("Glass.plank", { sha256: hex("twin.plank") }),
    ["plugin", "twin-b 1.0.0 shelf", true],
  ],
  [
    "the uncut name above the one that was cut",
    lineFor("Lamps", { uncut: [{ name: "Lamps 2" }] }),
    ["name", "lamps-two 1.0.0 shelf", true],
  ],
  [
    "a number behind a name is a version where no name has it",
    lineFor("Tidal Core 3"),
    ["name", "tidal-core 3.0.0 depot", true],
  ],
])("%s", (_, line, wanted) => {
  expect(told(line)).toEqual(wanted);
});

test("what was answered: by the id in the version that is asked for, or nothing; an id that is known no more is no answer", () => {
  const line = lineFor("That One", { version: "2.0.0", id: "other" });
  const key = plainName("That One");
  expect(told(line, { [key]: "tidal-core" })).toEqual(["answer", "tidal-core 2.0.0 shelf", true]);
  expect(told(line, { [key]: null })).toEqual(["answer", null, true]);
  expect(told(lineFor("Glas Tids"), { [plainName("Glas Tids")]: "gone" })).toEqual([
    "similar",
    "glass-tides 1.0.0 shelf",
    false,
  ]);
  expect(told(lineFor("constructor"))).toEqual(["none", null, false]);
});

test("of a plugin its own spelling is told, and the others that bring it, of each mod one", () => {
  const found = match(lineFor("TWIN.PLANK"));
  expect([found.plugin, found.others.map(({ mod }) => mod.id)]).toEqual(["Twin.plank", ["twin-b"]]);
  expect(match(lineFor("tidal core.keel")).others).toEqual([]);
  expect(match(lineFor("POND.keel")).plugin).toBe("Pond.keel");
  expect(match(lineFor("Glass Tides"))).toMatchObject({ plugin: null, likeness: 1, others: [] });
});

test("by how much a list names each mod: contents, name with version, or name", () => {
  const lines = [
    lineFor("Glass Tides", { content: hex("glass-tides1.0.0") }),
    lineFor("Tidal Core", { version: "2.0.0" }),
    lineFor("Fär Shore"),
    lineFor("twin.plank", { id: "twin-b", content: hex("twin-b1.0.0") }),
    lineFor("nonsense", { sha256: hex("1.0.0lamps-two") }),
    // What comes later of a mod that was named says nothing more.
    lineFor("Fär Shore", { version: "1.0.0" }),
    lineFor("Glass.plank"),
    lineFor("Quartz Orchard"),
  ];
  expect([...basesOf(matchLines(testGame, lines, known))]).toEqual([
    ["glass-tides", "contents"],
    ["tidal-core", "name-version"],
    ["far-shore", "name"],
    ["lamps-two", "contents"],
    ["twin-b", "name"],
  ]);
});
