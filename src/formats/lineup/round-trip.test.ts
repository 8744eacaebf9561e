import fc from "fast-check";
import { knownMods } from "@/core/lineup/known";
import { makeLineup } from "@/core/lineup/make-lineup";
import { matchLines } from "@/core/lineup/match-lines";
import { plainName } from "@/core/lineup/names";
import { rowColumns, rowsOf, type LineupRow } from "@/core/lineup/rows";
import { Lineup } from "@/core/model/lineup";
import type { ListLine } from "@/core/model/listing";
import { cellOf } from "@/core/testing/rows";
import { testGame } from "@/core/testing/game";
import { shelfMod, testRoster } from "@/core/testing/roster";
import { formatOf } from "./all";
import { readList, type ListIn } from "./read";

const made = makeLineup(
  testRoster([
    { name: "Core.keel" },
    { name: "b.plank", masters: ["core.keel"] },
    { name: "a.plank", on: false },
    { name: "off.skiff", modOn: false },
    { name: "p.plank", section: "patches" },
  ]),
  { title: "Pond", author: "reed", note: "", listVersion: "1", date: "2026-11-01" },
);

/** Signs that mean something to one of the formats, and words around which their readers decide. */
const pieces = [
  ..."\"'`*_[]<>|&#~=+-@:;,.()!\\{}%$/^",
  ..."aZ09 äß漢🦆\u00a0\u200b\u0301",
  " v1.0 ",
  "1. ",
  "- ",
  "[x] ",
  "needs ",
  "<!--",
  "]]>",
  "&amp;",
  "http://a.b",
  "www.a.b",
  "a@b.cd",
  "name",
  "mods",
  "on",
  "null",
  "__proto__",
];
const text = fc.string({ unit: fc.constantFrom(...pieces), minLength: 1, maxLength: 8 });
/** What a name may be; blanks at its ends are no part of it, and one blank in it is as good as several. */
const line = text.map((each) => each.replace(/\s+/g, " ").trim()).filter((each) => each !== "");
const prose = fc.array(text, { maxLength: 4 }).map((lines) => lines.join("\n"));

const someLineup = fc
  .record({
    title: line,
    author: line,
    note: prose,
    readMe: prose,
    names: fc.array(line, { minLength: 5, maxLength: 5 }),
    versions: fc.array(line, { minLength: 5, maxLength: 5 }),
    sections: fc.array(line, { minLength: 9, maxLength: 9 }),
  })
  .map(({ title, author, note, readMe, names, versions, sections }) =>
    Lineup.parse({
      ...made,
      title,
      author,
      note,
      readMe,
      mods: made.mods.map((mod, at) => ({
        ...mod,
        name: names[at]!,
        version: versions[at]!,
        note: names.at(-at)!,
      })),
      sections: made.sections.map((section, at) => ({ ...section, name: `${at} ${sections[at % 9]!}` })),
    }),
  );

function read(id: string, lineup: Lineup): ListIn {
  const bytes = new TextEncoder().encode(formatOf(id)!.write(lineup, testGame));
  const list = readList(bytes, "x", testGame);
  if (!list.ok) throw new Error(JSON.stringify(list.refusal));
  return list.value;
}
function linesOf(id: string, lineup: Lineup): readonly ListLine[] {
  const list = read(id, lineup);
  if (list.kind !== "listing") throw new Error(list.kind);
  return list.listing.lines.filter(({ aside }) => !aside);
}

const columnsOf = (columns: readonly (typeof rowColumns)[number][]) => ({
  ofLine: (line: ListLine) => columns.map((column) => cellOf(line, column)),
  ofRow: (row: LineupRow) => columns.map((column) => row[column]),
});

describe("whatever words a list is made of, what is written is read back", () => {
  test.each(["lineup", "yaml", "page"])("%s: the whole lineup", (id) => {
    fc.assert(
      fc.property(someLineup, (lineup) => {
        expect(read(id, lineup)).toMatchObject({ kind: "lineup", lineup });
      }),
    );
  });

  test.each(["csv", "xml", "bom"])("%s: every cell of every row", (id) => {
    const { ofLine, ofRow } = columnsOf(rowColumns);
    fc.assert(
      fc.property(someLineup, (lineup) => {
        expect(linesOf(id, lineup).map(ofLine)).toEqual(rowsOf(lineup).map(ofRow));
      }),
    );
  });

  test.each(["markdown-list", "markdown-table"])("%s: names, versions, sections, on and off", (id) => {
    const { ofLine, ofRow } = columnsOf(["list", "name", "version", "section", "on"]);
    fc.assert(
      fc.property(someLineup, (lineup) => {
        expect(linesOf(id, lineup).map(ofLine)).toEqual(rowsOf(lineup).map(ofRow));
      }),
    );
  });
});

/** Words of which names are made that look like numbering, versions, marks and remarks. */
const words = [
  ..."Old Lamps Warm Ducks Reeds".split(" "),
  ..."– — - -- // # & + = * , : ; < >".split(" "),
  ..."1. 2) 3 1.5 v2 v1.0.0 2024 #1 B2".split(" "),
  ..."(optional) (Winter) [HD] [v3] [x] needs requires needed: No. Lamps.zip “Warm” `Reeds` __Old__".split(
    " ",
  ),
];
const oddName = fc
  .array(fc.constantFrom(...words), { minLength: 1, maxLength: 5 })
  .map((parts) => parts.join(" "))
  .filter((name) => /[A-Z][a-z]/.test(name));
const oddLineup = fc
  .tuple(
    fc.uniqueArray(oddName, { minLength: 5, maxLength: 5, selector: plainName }),
    fc.array(fc.constantFrom("1.0.0", "7", "0.9b", "v8", ""), { minLength: 5, maxLength: 5 }),
  )
  .map(([names, versions]) => ({
    ...made,
    mods: made.mods.map((mod, at) => ({ ...mod, name: names[at]!, version: versions[at]! })),
  }));

describe("whatever a mod is called, its line means it and no other", () => {
  test.each(["marked", "lines", "keyed", "markdown-list", "markdown-table"])("%s", (id) => {
    fc.assert(
      fc.property(oddLineup, (lineup) => {
        const shelf = lineup.mods.map((mod) => ({ ...shelfMod(mod.id, [], mod.version), name: mod.name }));
        // The ids of others need not be ours.
        const lines = linesOf(id, lineup).map(({ id: _, ...each }) => each);
        const matches = matchLines(testGame, lines, knownMods(shelf, []))
          .filter(({ line: { list } }) => list === "mods")
          .map(({ known, line: { on } }) => [known?.mod.id, on]);
        const wanted = lineup.mods.filter(({ on }) => on || id !== "lines").map(({ id: of, on }) => [of, on]);
        expect(matches).toEqual(wanted);
      }),
      { numRuns: 300 },
    );
  });
});
