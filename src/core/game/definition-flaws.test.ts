import { brinehollow } from "@/standin/brinehollow/definition";
import { kitefall } from "@/standin/kitefall/definition";
import { millwright } from "@/standin/millwright/definition";
import { blankDefinition, readDefinition } from "./definition-flaws";

const needed = { id: "a", name: "A", file: "a", purpose: "", source: "" };
const flawsOf = (change: object) => readDefinition({ ...brinehollow, ...change }).flaws;

test.each([brinehollow, kitefall, millwright])("$name, which ships, has no flaw", (definition) => {
  expect(readDefinition(definition)).toEqual({ definition, flaws: [] });
});

test("a blank one lacks only what its user has to say", () => {
  expect(readDefinition(blankDefinition).flaws.map(({ path }) => path)).toEqual(["id", "name", "sign"]);
  const named = { ...blankDefinition, id: "pond", name: "Pond", sign: "pond.exe" };
  expect(readDefinition(named).flaws).toEqual([]);
});

test.each([
  [{ id: "Deep Sea" }, "id"],
  [{ name: " " }, "name"],
  [{ name: 5 }, "name"],
  [{ lists: ["plugins"] }, "lists"],
  [{ pluginLayout: undefined }, "pluginLayout"],
  [{ pluginLayout: { container: "riff", formType: "TOOLONG" } }, "pluginLayout.formType"],
  [{ pluginExtensions: ["keel"] }, "pluginExtensions.0"],
  [{ loadRanks: brinehollow.loadRanks.slice(0, 2) }, "loadRanks.1"],
  [{ loadRanks: [...brinehollow.loadRanks, brinehollow.loadRanks[2]] }, "loadRanks.3.id"],
  [
    {
      counting: [
        { id: "a", label: "A", cap: 1 },
        { id: "b", label: "B", cap: 1 },
      ],
    },
    "counting.1",
  ],
  [{ builtIn: ["Readme.txt"] }, "builtIn.0"],
  [{ sections: [{ id: "x", name: "X", rank: "third", guidance: "" }] }, "sections.0.rank"],
  [{ sections: [...brinehollow.sections].reverse() }, "sections"],
  [{ sign: "../other/game.exe" }, "sign"],
  [{ orderFile: { path: "/etc/order", dialect: "lines" } }, "orderFile.path"],
  [{ holdsFile: "a\\b" }, "holdsFile"],
  [{ orderFile: { path: brinehollow.sign.toUpperCase(), dialect: "lines" } }, "orderFile.path"],
  [{ holdsFile: brinehollow.orderFile.path }, "holdsFile"],
  [{ holdsFile: `${brinehollow.sign}/holds.json` }, "holdsFile"],
  [{ settings: [{ id: "a", label: "A", path: brinehollow.holdsFile, format: "json" }] }, "settings.0.path"],
  [{ settings: [{ id: "a", label: "A", path: "../x.ini", format: "ini" }] }, "settings.0.path"],
  [{ prerequisites: [needed, needed] }, "prerequisites.1.id"],
  [{ builtIn: ["../saves/x.keel"] }, "builtIn.0"],
  [{ expansions: [{ id: "x", name: "X", folder: "x", plugins: ["a/b.keel"] }] }, "expansions.0.plugins.0"],
  [{ further: true }, ""],
])("%j is flawed at %s", (change, path) => {
  const found = flawsOf(change).map((flaw) => flaw.path);
  expect(found.some((each) => each === path || each.startsWith(`${path}.`))).toBe(true);
});
