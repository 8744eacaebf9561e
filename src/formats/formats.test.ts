import fc from "fast-check";
import { makeLineup } from "@/core/lineup/make-lineup";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { testGame } from "@/core/testing/game";
import { testRoster } from "@/core/testing/roster";
import { safePath } from "./archive-path";
import { readHolds, writeHolds } from "./holds";
import { readLineup, writeLineup } from "./lineup/json";
import { readManifest } from "./manifest";
import { layOutMod } from "./mod-layout";
import { nameFromPath } from "./mod-name";
import { readOrderFile, writeOrderFile } from "./order-file";
import { OrderDialect } from "@/core/model/game";

const bytes = (text: string) => new TextEncoder().encode(text);

describe("order files", () => {
  const read = (text: string) => {
    const file = readOrderFile(bytes(text), "lines", "lading.lst");
    return file.ok ? file.value : null;
  };

  test("a byte-order mark and CRLF are accepted on reading and kept on writing", () => {
    const text = "\uFEFFa.plank\r\n b.plank \r\n\r\n";
    const file = read(text)!;
    expect(file.names).toEqual(["a.plank", "b.plank"]);
    expect(writeOrderFile("lines", { names: file.names, before: file })).toBe(
      "\uFEFFa.plank\r\n b.plank \r\n\r\n",
    );
  });

  test("what is written is read back", () => {
    const name = fc
      .string({ unit: "grapheme", minLength: 1 })
      .filter((text) => text === text.trim() && !/[\r\n\uFEFF]|^#( |$)/.test(text) && text !== "");
    fc.assert(
      fc.property(fc.array(name), fc.constantFrom(...OrderDialect.options), (names, dialect) => {
        const file = readOrderFile(bytes(writeOrderFile(dialect, { names })), dialect, "x");
        expect(file.ok && file.value.names).toEqual(names);
      }),
      { numRuns: 500 },
    );
  });

  test.each([
    ["marked", "[x] one\n[ ] two\nnot a mark\n[X]  three \n", ["one", "three"]],
    ["keyed", "one=1\ntwo=0\n a=b = 1\n=1\n", ["one", "a=b"]],
    // U+2028 separates lines for some, and not here: it can stand within a name.
    ["lines", "one\u2028two\nthree\n", ["one\u2028two", "three"]],
    ["marked", "[x] one\u2028two\n", ["one\u2028two"]],
    ["json", '["one", 2, "three"]', ["one", "three"]],
    ["json", '{"one": 1', []],
  ] as const)(
    "the dialect %s names what is on, and passes over what it cannot make out",
    (dialect, text, names) => {
      const file = readOrderFile(bytes(text), dialect, "x");
      expect(file.ok && file.value.names).toEqual(names);
    },
  );

  test("bytes that are no UTF-8 are refused", () => {
    expect(readOrderFile(Uint8Array.of(0xff, 0xfe, 0x41), "lines", "x")).toMatchObject({
      ok: false,
      refusal: { code: "not-utf8" },
    });
  });
});

test("holds are read back, and anything else is refused", () => {
  const holds = {
    format: "seating-holds/1" as const,
    game: "pond",
    shelf: "/shelf",
    expansions: [],
    baseOff: [],
    launch: {},
    mods: [{ path: "a.zip", options: {}, components: [], hidden: [] }],
  };
  const { baseOff: _off, launch: _launch, ...older } = holds;
  expect(readHolds(bytes(JSON.stringify(older)), "holds.json")).toEqual({ ok: true, value: holds });
  expect(readHolds(bytes(writeHolds(holds)), "holds.json")).toEqual({ ok: true, value: holds });
  expect(readHolds(bytes("{}"), "holds.json").ok).toBe(false);
  expect(readHolds(bytes("{"), "holds.json").ok).toBe(false);
});

describe("an order file of XML elements", () => {
  const read = (text: string) => {
    const file = readOrderFile(new TextEncoder().encode(text), "xml", "x");
    return file.ok ? file.value.names : file.refusal.code;
  };

  test("names what stands in it, whatever else does", () => {
    expect(
      read("<order><name>a</name><other/><name>007</name><!-- b --><name>c &amp; d</name></order>"),
    ).toEqual(["a", "007", "c & d"]);
    expect(read('<?xml version="1.0"?>\n<order>\n  <name lang="x">only one</name>\n</order>')).toEqual([
      "only one",
    ]);
    expect(read("<order/>")).toEqual([]);
  });

  test.each([
    ["entities of its own", '<!DOCTYPE o [<!ENTITY a "aaaa">]><order><name>&a;</name></order>'],
    [
      "an outside entity",
      '<!DOCTYPE o [<!ENTITY a SYSTEM "file:///etc/passwd">]><order><name>&a;</name></order>',
    ],
    ["no XML at all", "a\nb"],
    ["another root", "<names><name>a</name></names>"],
  ])("with %s names nothing", (_, text) => {
    expect(read(text)).toEqual([]);
  });

  test("any text at all gives names or a refusal", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        const found = read(`<order>${text}`);
        return typeof found === "string" || found.every((name) => typeof name === "string");
      }),
    );
  });
});

describe("paths inside a mod", () => {
  test.each([
    ["/etc/x", "path-unsafe"],
    ["C:/x", "path-unsafe"],
    ["c:x", "path-unsafe"],
    ["a/../b", "path-unsafe"],
    ["..", "path-unsafe"],
    ["a\\..\\..\\b", "path-unsafe"],
    ["a//b", "path-unsafe"],
    ["./a", "path-unsafe"],
    ["a\nb", "path-control"],
    ["textures/NUL.txt", "path-device"],
    ["com1", "path-device"],
    ['a"b', "path-character"],
    ["a<b>", "path-character"],
  ])("%j is refused", (path, code) => {
    expect(safePath(path)).toMatchObject({ ok: false, refusal: { code } });
  });

  test("others pass, with slashes turned and letters composed", () => {
    expect(safePath("a\\b/c..d")).toEqual({ ok: true, value: "a/b/c..d" });
    expect(safePath("cafe\u0301/con-sole.txt")).toEqual({ ok: true, value: "café/con-sole.txt" });
  });
});

describe("the content check", () => {
  const layout = (...paths: string[]) => {
    const laid = layOutMod(testGame, paths);
    return laid.ok ? laid.value : laid.refusal.code;
  };

  test("a manifest, a plugin or a content folder in the root is content", () => {
    expect(layout("seating-mod.json")).toMatchObject({ manifest: 0 });
    expect(layout("A.PLANK", "readme.txt")).toMatchObject({ paths: ["A.PLANK", "readme.txt"], manifest: -1 });
    expect(layout("Textures/x.tex")).toMatchObject({ paths: ["Textures/x.tex"] });
    expect(layout("docs/readme.txt")).toBe("no-content");
    expect(layout()).toBe("no-content");
  });

  test("of a game that names no content folders whatever is there counts, and a top folder is one of the game's own", () => {
    const open = { ...testGame, contentFolders: [] };
    expect(layOutMod(open, ["any/thing.txt", "read.me"])).toMatchObject({ ok: true });
    expect(layOutMod(open, ["textures/x.tex"])).toMatchObject({
      ok: true,
      value: { paths: ["textures/x.tex"] },
    });
    expect(layOutMod(open, ["My Mod/seating-mod.json", "My Mod/x.tex"])).toMatchObject({
      value: { paths: ["seating-mod.json", "x.tex"] },
    });
    expect(layOutMod(open, [])).toMatchObject({ ok: false });
  });

  test("a single top folder is stripped if it holds content and is none itself", () => {
    expect(layout("My Mod/a.plank", "My Mod/textures/x.tex")).toMatchObject({
      paths: ["a.plank", "textures/x.tex"],
    });
    expect(layout("textures/a.plank")).toMatchObject({ paths: ["textures/a.plank"] });
    expect(layout("one/a.plank", "two/b.plank")).toBe("no-content");
    expect(layout("top/inner/a.plank")).toBe("no-content");
  });

  test("a path that stands twice as the game compares is refused, as is any unsafe one", () => {
    expect(layout("a.plank", "A.plank")).toBe("path-twice");
    expect(layout("a.plank", "../x")).toBe("path-unsafe");
  });
});

test("names and versions from file names", () => {
  expect(nameFromPath("Some Name-1.2.3.zip")).toEqual({
    id: "some-name",
    name: "Some Name",
    version: "1.2.3",
  });
  expect(nameFromPath("Kelp_Shelf v1.0.0b.ZIP")).toEqual({
    id: "kelp-shelf",
    name: "Kelp Shelf",
    version: "1.0.0b",
  });
  expect(nameFromPath("Plain.zip")).toEqual({ id: "plain", name: "Plain", version: "0" });
  expect(nameFromPath("Tides-2.0-rc.1")).toMatchObject({ name: "Tides", version: "2.0-rc.1" });
});

test("a manifest keeps unknown fields, and a broken one says where", () => {
  const manifest = { format: "seating-mod/1", id: "a", name: "A", version: "1", extra: { kept: true } };
  expect(readManifest(bytes(JSON.stringify(manifest)))).toEqual({ ok: true, value: manifest });
  const broken = readManifest(bytes(JSON.stringify({ ...manifest, id: 7 })));
  expect(broken).toMatchObject({ ok: false, refusal: { code: "manifest-broken" } });
  expect(!broken.ok && (broken.refusal.data as { detail: string }).detail).toMatch(/^id:/);
});

describe("lineup files", () => {
  const roster = testRoster([{ name: "a.plank" }, { name: "p.plank", section: "patches" }]);
  const lineup = makeLineup(roster, {
    title: "T",
    author: "",
    note: "",
    listVersion: "1",
    date: "2026-11-01",
  });
  const read = (value: unknown, name = "x.lineup.json") =>
    readLineup(typeof value === "string" ? bytes(value) : bytes(JSON.stringify(value)), name, testGame);
  const refused = (value: unknown) => {
    const outcome = read(value);
    return outcome.ok ? null : { code: outcome.refusal.code, text: plainText(sayRefusal(outcome.refusal)) };
  };

  test("what is written is read back", () => {
    expect(read(writeLineup(lineup))).toEqual({ ok: true, value: lineup });
  });

  test.each([
    ["no JSON", "{ nope", "not-json"],
    ["JSON of another kind", [1, 2], "not-a-lineup"],
    ["null", null, "not-a-lineup"],
    ["another version", { ...lineup, format: "seating-lineup/9" }, "lineup-version"],
    ["another game", { ...lineup, game: { id: "lake", version: "1" } }, "lineup-game"],
    ["a field too many", { ...lineup, surprise: 1 }, "lineup-broken"],
    ["a hash that is none", { ...lineup, fingerprint: "abc" }, "lineup-broken"],
    [
      "a plugin twice",
      {
        ...lineup,
        plugins: [...lineup.plugins, { ...lineup.plugins[1]!, name: "A.PLANK", section: "patches" }],
      },
      "lineup-broken",
    ],
    ["a mod twice", { ...lineup, mods: [...lineup.mods, lineup.mods[0]!] }, "lineup-broken"],
    ["no sections", { ...lineup, sections: [] }, "lineup-broken"],
    [
      "a section of an unknown rank",
      { ...lineup, sections: [{ ...lineup.sections[0]!, rank: "top" }] },
      "lineup-broken",
    ],
    ["a plugin outside its section", { ...lineup, plugins: [...lineup.plugins].reverse() }, "lineup-broken"],
  ])("%s is refused in a sentence that names the file", (_, value, code) => {
    const refusal = refused(value)!;
    expect(refusal.code).toBe(code);
    expect(refusal.text).toContain("x.lineup.json");
    expect(refusal.text).not.toContain("undefined");
  });

  test.each(["a<b.plank", 'a"b.plank', "a\nb.plank", "../a.plank", "a/b.plank", "..", ""])(
    "the plugin name %j is refused",
    (name) => {
      expect(refused({ ...lineup, plugins: [{ ...lineup.plugins[1]!, name }] })?.code).toBe("lineup-broken");
    },
  );

  test("prototype keys and deep nesting do no harm", () => {
    expect(refused('{"__proto__":{"format":"seating-lineup/1"}}')?.code).toBe("not-a-lineup");
    expect(refused("[".repeat(100_000))?.code).toBe("not-json");
    expect(({} as { format?: string }).format).toBeUndefined();
  });
});
