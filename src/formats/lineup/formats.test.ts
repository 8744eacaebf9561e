import { DOMParser } from "@xmldom/xmldom";
import { parse as parseCsv } from "csv-parse/sync";
import { parse as parseYaml } from "yaml";
import { base32, base64urlnopad } from "@scure/base";
import { Spec, Validation } from "@cyclonedx/cyclonedx-library";
import { makeLineup } from "@/core/lineup/make-lineup";
import { shareSetup } from "@/core/lineup/share";
import { sheetCellsOf } from "@/core/lineup/numbers";
import { rowColumns, rowsOf, type LineupRow } from "@/core/lineup/rows";
import type { Lineup } from "@/core/model/lineup";
import { settingsText } from "@/core/lineup/table";
import { cellOf } from "@/core/testing/rows";
import { testGame } from "@/core/testing/game";
import { testRoster, withState } from "@/core/testing/roster";
import { knownMods } from "@/core/lineup/known";
import { lossesOf } from "@/core/lineup/losses";
import { lineupFormats, formatOf } from "./all";
import { readCode, writeCode } from "./code";
import { guardCell, readCells, unguardCell } from "./csv";
import { readList, type ListIn } from "./read";
import { resolveList } from "./resolve";

const roster = testRoster([
  { name: "Core.keel" },
  { name: "b, the second.plank", masters: ["core.keel"] },
  { name: "a.plank", on: false },
  { name: "off.skiff", modOn: false },
  { name: "p.plank", section: "patches" },
]);
const made = makeLineup(roster, {
  title: "Quiet <pond> & reeds",
  author: "reed",
  note: "Calm.",
  listVersion: "1.2",
  date: "2026-11-01",
});
const lineup: Lineup = {
  ...made,
  mods: made.mods.map((mod, at) => ({
    ...mod,
    name: ["Core", '=SUM("x")', "Ä | pipe", "Off", "*Star* [y](z)"][at]!,
  })),
};

const bytes = (text: string) => new TextEncoder().encode(text);
const written = (id: string, of = lineup) => formatOf(id)!.write(of, testGame);
function read(text: string): ListIn {
  const outcome = readList(bytes(text), "x", testGame);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  return outcome.value;
}
const linesOf = (text: string) => {
  const list = read(text);
  if (list.kind !== "listing") throw new Error(list.kind);
  return list.listing.lines.filter(({ aside }) => !aside);
};

describe("the numbers that a curator keeps", () => {
  const numbers = [
    { list: "mods" as const, of: "item" as const, id: "a", number: 4.5 },
    { list: "plugins" as const, of: "section" as const, id: "world", number: 300 },
    { list: "plugins" as const, of: "item" as const, id: "a.plank", number: 7 },
  ];
  const numbered = makeLineup(withState(roster, { ...roster.profile.state, numbers }), {
    title: "Numbered",
    author: "",
    note: "",
    listVersion: "",
    date: "2026-11-01",
  });
  const resolved = (text: string) =>
    resolveList(read(text), testGame, knownMods(roster.stock.shelf, []), roster.stock, "x");
  /** A section of the game's is known by its name, whatever id it had. */
  const said = ({ sections, numbers: all = [] }: Lineup) =>
    all.map(
      ({ of, id, number }) =>
        `${of === "section" ? sections.find((each) => each.id === id)!.name : id} ${number}`,
    );

  test("come back from a table, also when a spreadsheet has sorted it and somebody renumbered it", () => {
    const { lineup: back, claim } = resolved(written("csv", numbered));
    expect(said(back).sort()).toEqual(said(numbered).sort());
    expect(claim.beside).not.toContain("numbers");
    const rows = written("csv", numbered).trim().split("\r\n");
    const [head, ...others] = rows;
    // a.plank goes before b: by its number alone, which its weight follows.
    const changed = others
      .map((row) => row.replace(/^307,300,7,(plugins,.*a\.plank)/, "300.5,300,7,$1"))
      .reverse();
    const after = resolved([head, ...changed].join("\r\n")).lineup;
    expect(after.plugins.findIndex(({ name }) => name === "a.plank")).toBeLessThan(
      after.plugins.findIndex(({ name }) => name === "off.skiff"),
    );
    expect(said(after)).toContain("a.plank 0.5");
  });

  test("are left behind by the other lists, which is told on both sides; a whole lineup carries them", () => {
    for (const { id, carries } of lineupFormats) {
      const isTold = lossesOf(numbered, testGame, carries).some(({ aspect }) => aspect === "numbers");
      const { lineup: back, claim } = resolved(written(id, numbered));
      expect([id, claim.beside.includes("numbers")]).toEqual([id, isTold]);
      expect([id, (back.numbers ?? []).length]).toEqual([id, isTold ? 0 : 3]);
    }
  });
});

describe("a sheet is in the order of its numbers", () => {
  const names = (text: string) => linesOf(text).map(({ name }) => name);
  test.each([
    [
      "a column at the left, with gaps and decimals",
      "number,name\n3010,Weir\n1000.5,Mill\n1000,Reeds\n20,Ferry\n",
    ],
    [
      "a column at the right, of a spreadsheet that writes commas",
      "name;nr\nWeir;3010\nMill;1000,5\nReeds;1000\nFerry;20\n",
    ],
    ["tabs", "#\tname\n4\tWeir\n3\tMill\n2\tReeds\n1\tFerry"],
    ["a tier and a weight", "tier,weight,name\n3000,10,Weir\n1000,5,Mill\n1000,,Reeds\n,20,Ferry\n"],
    ["no header, numbers at the left", "3010,Weir\n1000.5,Mill\n1000,Reeds\n20,Ferry\n"],
    ["no header, numbers at the right", "Weir\t3010\nMill\t1001\nReeds\t1000\nFerry\t20\n"],
    [
      "a table of Markdown",
      "| number | name |\n| --- | --- |\n| 3010 | Weir |\n| 1001 | Mill |\n| 1000 | Reeds |\n| 20 | Ferry |\n",
    ],
  ])("%s", (_, text) => {
    expect(names(text)).toEqual(["Ferry", "Reeds", "Mill", "Weir"]);
  });

  test("rows without a number stay behind the one before them, equal ones as they stand", () => {
    expect(names("number,name\n5,Weir\n,Mill\n1,Reeds\n1,Ferry\n")).toEqual([
      "Reeds",
      "Ferry",
      "Weir",
      "Mill",
    ]);
  });

  test("versions at the end are no numbers of rows", () => {
    expect(names("Weir,2.1\nMill,1.0\nReeds,3.0\n")).toEqual(
      ["Weir", "Mill", "Reeds"].map((name, at) => `${name},${["2.1", "1.0", "3.0"][at]!}`),
    );
  });
});

describe("a share code", () => {
  const code = writeCode(
    shareSetup(
      lineup,
      testGame,
      () => null,
      () => true,
    ),
  );

  test("is found broken over lines, quoted, within a greeting, and before more words", () => {
    const lines = code.match(/.{1,40}/g)!;
    for (const words of [
      lines.join("\n"),
      lines.map((line) => `> ${line}`).join("\r\n"),
      `Hi all, here is mine: ${code} enjoy it everybody!`,
      `My list (see http://a.example/#code=${code})\nHave fun`,
      `I said S2-nothing before.\n${lines.join("\n  ")}\nand more words`,
    ])
      expect(read(words)).toMatchObject({ kind: "code", format: "share code" });
  });

  test("is none where its own sum tells nothing of it", () => {
    expect(read(`Tidal Core\nS2-nothing to see\nSmall Fry`).kind).toBe("listing");
    const cut = readList(new TextEncoder().encode(`see ${code.slice(0, -6)}`), "x", testGame);
    expect(cut).toMatchObject({ ok: false, refusal: { code: "code-cut" } });
  });
});

test("what looks like Markdown in places is read as words where Markdown would lose lines", () => {
  const words = "1. **Tall Reeds** 1.0\nThe Ferry\nThe Weir\n\n2. **The Mill**";
  const list = read(words);
  expect(list.format).toBe("text");
  expect(linesOf(words).map(({ name }) => name)).toEqual(["Tall Reeds", "The Ferry", "The Weir", "The Mill"]);
  expect(read("1. **Tall Reeds** 1.0\n2. **The Mill**").format).toBe("Markdown");
});

describe("what is written is read back", () => {
  test.each(["lineup", "yaml", "page"])("%s: the whole lineup", (id) => {
    expect(read(written(id))).toMatchObject({ kind: "lineup", lineup });
  });

  test.each(["csv", "xml", "bom"])("%s: every row", (id) => {
    const cells = linesOf(written(id)).map((line) =>
      Object.fromEntries(rowColumns.map((column) => [column, cellOf(line, column)])),
    );
    expect(cells).toEqual(rowsOf(lineup));
  });

  test.each(["markdown-list", "markdown-table"])("%s: names, versions, ids, sections, on and off", (id) => {
    const told = linesOf(written(id)).map(({ list, name, version = "", id: of = "", section, on }) => [
      list,
      name,
      version,
      list === "plugins" && id === "markdown-list" ? "" : of,
      section,
      on,
    ]);
    expect(told).toEqual(
      rowsOf(lineup).map((row) => [
        row.list,
        row.name,
        row.version,
        row.list === "plugins" && id === "markdown-list" ? "" : row.id,
        row.section,
        row.on === "on",
      ]),
    );
  });

  test.each(["marked", "lines", "keyed"])("%s: names in order, of both lists", (id) => {
    const lines = linesOf(written(id, made));
    const isOff = (row: LineupRow) => row.on !== "on" || row.id === "off";
    const wanted = rowsOf(made).filter((row) => id !== "lines" || !isOff(row));
    expect(lines.map(({ list, name, on }) => [list, name, on])).toEqual(
      wanted.map(({ list, name, on }) => [list, name, on === "on"]),
    );
  });

  test("the game's own order file: the plugins that load", () => {
    expect(linesOf(written("order-file")).map(({ name }) => name)).toEqual([
      "Core.keel",
      "b, the second.plank",
      "p.plank",
    ]);
  });

  test("every format says what it is in words of its own", () => {
    expect(new Set(lineupFormats.map(({ id }) => id)).size).toBe(lineupFormats.length);
    expect(lineupFormats.every(({ label, extension }) => label !== "" && extension.startsWith("."))).toBe(
      true,
    );
  });
});

describe("readers of others read what goes out", () => {
  test("CSV, by csv-parse", () => {
    const head = {
      game: lineup.game.id,
      "game-version": lineup.game.version,
      settings: settingsText(lineup),
      fingerprint: lineup.fingerprint,
    };
    const cells = sheetCellsOf(lineup);
    expect(cells.map(({ number }) => Number(number)).every((number) => number > 0)).toBe(true);
    const noHead = Object.fromEntries(Object.keys(head).map((field) => [field, ""]));
    const rows = parseCsv<Record<string, string>>(written("csv"), { columns: true });
    expect(
      rows.map((row) =>
        Object.fromEntries(Object.entries(row).map(([key, cell]) => [key, unguardCell(cell)])),
      ),
    ).toEqual(rowsOf(lineup).map((row, at) => ({ ...cells[at], ...row, ...(at === 0 ? head : noHead) })));
    expect(written("csv")).toMatch(/^number,tier,weight,list,section,name.*\r\n/);
  });

  test("XML, by xmldom", () => {
    const document = new DOMParser().parseFromString(written("xml"), "application/xml");
    const items = [...document.getElementsByTagName("item")];
    expect(items.map((item) => item.getAttribute("name"))).toEqual(rowsOf(lineup).map(({ name }) => name));
    expect(document.documentElement!.getAttribute("title")).toBe(lineup.title);
  });

  test("YAML, by another parser of it (the package yaml)", () => {
    expect(parseYaml(written("yaml"))).toEqual(JSON.parse(JSON.stringify(lineup)));
  });

  test("the bill of materials, by the published JSON schema of CycloneDX 1.6 (ECMA-424)", async () => {
    const validator = new Validation.JsonStrictValidator(Spec.Version.v1dot6);
    expect(await validator.validate(written("bom"))).toBeNull();
    expect(
      await validator.validate(written("bom").replace('"specVersion": "1.6"', '"specVersion": 7')),
    ).not.toBeNull();
  });
});

describe("CSV as RFC 4180 has it", () => {
  test.each([
    [
      "section 2.1 and 2.2: the last line may end without a break",
      "aaa,bbb,ccc\r\nzzz,yyy,xxx",
      [
        ["aaa", "bbb", "ccc"],
        ["zzz", "yyy", "xxx"],
      ],
    ],
    [
      "section 2.5: fields in quotes",
      '"aaa","bbb","ccc"\r\nzzz,yyy,xxx',
      [
        ["aaa", "bbb", "ccc"],
        ["zzz", "yyy", "xxx"],
      ],
    ],
    [
      "section 2.6: a line break in a field",
      '"aaa","b\r\nbb","ccc"\r\nzzz,yyy,xxx',
      [
        ["aaa", "b\r\nbb", "ccc"],
        ["zzz", "yyy", "xxx"],
      ],
    ],
    ["section 2.7: a quote in a field", '"aaa","b""bb","ccc"', [["aaa", 'b"bb', "ccc"]]],
  ])("%s", (_, text, cells) => {
    expect(readCells(text)).toEqual(cells);
  });

  test.each([
    ["a semicolon", "Name;Version;Enabled\nReeds;1.0;yes\nDucks;2;no\n"],
    ["a tab", "Mod\tVersion\tActive\nReeds\t1.0\tyes\nDucks\t2\tno\n"],
    ["a bar", "title|version|on\nReeds|1.0|on\nDucks|2|off"],
    [
      "a comma, a mark at the start, empty lines",
      "\uFEFF#,mod,version,state\n\n1,Reeds,1.0,on\n,,,\n2,Ducks,2,off\n",
    ],
  ])("a table that somebody made by hand, with %s between its cells", (_, text) => {
    expect(linesOf(text).map(({ name, version, on }) => [name, version, on])).toEqual([
      ["Reeds", "1.0", true],
      ["Ducks", "2", false],
    ]);
  });

  test.each(["=1+1", "+1", "-1", "@x", "\tx", "'quoted", "''", "plain", ""])(
    "a cell %j cannot be taken for a formula, and comes back as it was",
    (cell) => {
      expect(guardCell(cell)).not.toMatch(/^[=+\-@\t\r]/);
      expect(unguardCell(guardCell(cell))).toBe(cell);
    },
  );
});

describe("base64url as RFC 4648 has it", () => {
  test.each([
    ["f", "Zg", "MY======"],
    ["fo", "Zm8", "MZXQ===="],
    ["foo", "Zm9v", "MZXW6==="],
    ["foob", "Zm9vYg", "MZXW6YQ="],
    ["fooba", "Zm9vYmE", "MZXW6YTB"],
    ["foobar", "Zm9vYmFy", "MZXW6YTBOI======"],
  ])("section 10: %s", (text, coded, in32) => {
    expect(base64urlnopad.encode(bytes(text))).toBe(coded);
    expect(base32.encode(bytes(text))).toBe(in32);
  });

  test("section 5: the two signs that differ", () => {
    expect(base64urlnopad.encode(Uint8Array.of(0xfb, 0xff))).toBe("-_8");
  });
});

describe("share codes", () => {
  const setup = shareSetup(
    lineup,
    testGame,
    () => null,
    ({ id }) => id !== "core",
  );
  const code = writeCode(setup);

  test("a code says what it was made of, alone and at the end of a link", () => {
    expect(readCode(code)).toEqual({ ok: true, value: setup });
    expect(readCode(`http://127.0.0.1:4321/lineups#code=${code}`)).toEqual({ ok: true, value: setup });
    expect(code).toMatch(/^S2-[A-Za-z0-9_-]+$/);
    expect(setup.mods.filter(({ named }) => named !== null).map(({ named }) => named!.id)).toEqual(["core"]);
  });

  test("one of the first form, as the version before wrote it, is read", () => {
    const first =
      "S1-m8tYrZSuZBWtVJCfl6Kko2SoZ6BnoBSro1SiZKUUkpGqUFiamVqiAJVNBAoWpaaCmHlApqGeEZCVCtQO1JAEoXKUrKprdZQKIFQphCoGykVHK-XmpxQr6ZjExuoAOUmJxalKOoZAtlJ5flEO0EwjELsgsSQ5IxWozDA2Nrb2d8QPn4ccb0VYgA4AWpxWlA8kGYGAhZuRAQDjhEtw";
    expect(readCode(first)).toMatchObject({
      ok: true,
      value: {
        title: "The quiet pond",
        author: "reed",
        fingerprint: expect.stringMatching(/^[0-9a-f]{16}$/) as string,
      },
    });
  });

  test("one that was cut short anywhere, or of which one sign was changed, is refused with what to do", () => {
    for (let length = 3; length < code.length; length++)
      expect(readCode(code.slice(0, length)).ok).toBe(false);
    for (let at = 3; at < code.length; at++) {
      const changed = code.slice(0, at) + (code[at] === "A" ? "B" : "A") + code.slice(at + 1);
      expect(readCode(changed)).toMatchObject({ ok: false, refusal: { code: "code-cut" } });
    }
  });

  test("one that would be longer than it may be goes without its sections", () => {
    const short = readCode(writeCode(setup, 100));
    expect(short).toMatchObject({ ok: true, value: { sections: null, order: setup.order } });
  });
});
