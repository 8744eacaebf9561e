import { lineOfText, readText } from "./text";

const nameAndMore = (raw: string) => {
  const line = lineOfText(raw);
  if (!line) return null;
  const { name, version, on, needs, source } = line;
  return [
    name,
    version ?? "",
    ...(on ? [] : ["off"]),
    ...(needs ? [`needs ${needs}`] : []),
    ...(source ? [source] : []),
  ];
};

test.each<[string, string[] | null]>([
  ["Tidal Core", ["Tidal Core", ""]],
  ["1. Tidal Core", ["Tidal Core", ""]],
  ["  12) Tidal Core v2.1.0", ["Tidal Core", "2.1.0"]],
  ["- Tidal Core 2.1", ["Tidal Core", "2.1"]],
  ["* [x] **Tidal Core** (2.1.0b)", ["Tidal Core", "2.1.0b"]],
  ["• [ ] Tidal Core", ["Tidal Core", "", "off"]],
  ["☑ Tidal Core", ["Tidal Core", ""]],
  ["❌ Tidal Core", ["Tidal Core", "", "off"]],
  ["> - Tidal Core", ["Tidal Core", ""]],
  ["C12 Tidal Core", ["Tidal Core", ""]],
  ["Tidal_Core-2.1.0.zip", ["Tidal_Core", "2.1.0"]],
  ["Tidal Core [v3]", ["Tidal Core", "3"]],
  ["Tidal Core v3", ["Tidal Core", "3"]],
  ["Seven Sails 7", ["Seven Sails 7", ""]],
  ["7 Sails", ["7 Sails", ""]],
  ["Tidal Core - needs Abyss Library", ["Tidal Core", "", "needs Abyss Library"]],
  ["Tidal Core 2.1 (requires Abyss Library 3)", ["Tidal Core", "2.1", "needs Abyss Library 3"]],
  ["Tidal Core (disabled)", ["Tidal Core", "", "off"]],
  ["Tidal Core=0", ["Tidal Core", "", "off"]],
  ["Tidal Core=1", ["Tidal Core", ""]],
  ["Tidal Core  # the big one", ["Tidal Core", ""]],
  ["Tidal Core // put it early", ["Tidal Core", ""]],
  ["Tidal Core — my favourite", ["Tidal Core", ""]],
  ["[Tidal Core](depot:tidal-core) 2.1.0", ["Tidal Core", "2.1.0", "depot:tidal-core"]],
  ["“Tidal Core”,", ["Tidal Core", ""]],
  ["Tides & Lamps' Patch", ["Tides & Lamps' Patch", ""]],
  ["Tidal\u200B Core", ["Tidal  Core", ""]],
  ["Tidal Core.keel", ["Tidal Core.keel", ""]],
  ["[02] Tidal Core", ["Tidal Core", ""]],
  ["**Tidal Core** (v3.2.0)", ["Tidal Core", "3.2.0"]],
  ["Tidal Core - needed by Abyss Library", ["Tidal Core", ""]],
  ["Tidal Core 2.1.0 | Status: disabled", ["Tidal Core", "2.1.0", "off"]],
  ["Tidal Core (status: active)", ["Tidal Core", ""]],
  ["----", null],
  ["***", null],
  ["", null],
])("%j", (raw, wanted) => {
  expect(nameAndMore(raw)).toEqual(wanted);
});

const entries = (text: string) => readText(text).lines.flatMap(({ name, aside }) => (aside ? [] : [name]));

test("what is left of boards' and pages' markup goes, and each entry in it is a line", () => {
  const board =
    "[quote=Reed]\n[b]My list[/b]\n[list][*]Tidal Core[*][url=http://a.example/1]Abyss Library[/url] 3.2[/list]\n[/quote]";
  expect(entries(board)).toEqual(["My list", "Tidal Core", "Abyss Library"]);
  const page =
    "<ul><li><b>Tidal Core</b> 2.1.0</li><li>Tides &amp; Lamps</li></ul>Small&nbsp;Fry<br>Honest Prices";
  expect(entries(page)).toEqual(["Tidal Core", "Tides & Lamps", "Small Fry", "Honest Prices"]);
  expect(entries("```text\nTidal Core\n```")).toEqual(["Tidal Core"]);
  expect(entries("> Tidal Core\n>> 2) Small Fry")).toEqual(["Tidal Core", "Small Fry"]);
  // What only looks like markup is a name.
  expect(entries("a < b > c\n[Reeds] Tall & thin")).toEqual(["a < b > c", "[Reeds] Tall & thin"]);
});

test("no line of words vanishes: each is a name, a heading, the title, or stands beside", () => {
  const told = readText(
    "Hello!\n-- Tidal Core\n// Small Fry\n; Honest Prices\n# Winter\n# Reeds\n# Mods\nTall Reeds\n[Some words]\n",
  );
  expect(told.title).toBe("");
  expect(told.lines.map(({ name, aside = false }) => [name, aside])).toEqual([
    ["Hello!", false],
    ["Tidal Core", true],
    ["Small Fry", true],
    ["Honest Prices", true],
    ["Winter", true],
    ["Reeds", true],
    ["Tall Reeds", false],
    ["Some words", true],
  ]);
  // Behind the first entry a heading is no title.
  expect(readText("Tall Reeds\n# Small Fry").title).toBe("");
});

test("a number behind # counts the line, and makes no comment of it", () => {
  const { title, lines } = readText(
    "# 3 ponds\n#1 Tidal Core\n#2. Abyss Library 3.2\n#3) Small Fry\n#4th of them\n",
  );
  expect(title).toBe("3 ponds");
  expect(lines.filter(({ aside }) => !aside).map(({ name, version }) => [name, version])).toEqual([
    ["Tidal Core", undefined],
    ["Abyss Library", "3.2"],
    ["Small Fry", undefined],
  ]);
});

test("comments and headings name the game, the list and the title, and are no lines of it", () => {
  const listing = readText(
    "# Winter list\n# Game: brinehollow 1.4.2\n\n# Mods\nTidal Core 2\n; a comment\n\nPlugins in load order:\r\nTidal Core.keel\n[mods]\nSmall Fry",
  );
  expect(listing.title).toBe("Winter list");
  expect(listing.game).toEqual({ id: "brinehollow", version: "1.4.2" });
  expect(listing.lines.map(({ name, list, aside }) => [name, list, ...(aside ? ["aside"] : [])])).toEqual([
    ["Tidal Core 2", "mods"],
    ["a comment", "mods", "aside"],
    ["Tidal Core.keel", "plugins"],
    ["Small Fry", "mods"],
  ]);
});
