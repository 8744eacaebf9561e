import fc from "fast-check";
import { TaggedLayout } from "@/core/model/plugin-layout";
import { headerOf } from "./plugin-facts";
import { readPluginFacts } from "./plugin-layout";

/** An invented layout: 12 bytes of header with the flags before the size, fields with a tag of three letters. */
const little = TaggedLayout.parse({
  container: "tagged",
  byteOrder: "little",
  record: {
    headerBytes: 12,
    tagAt: 0,
    tagBytes: 4,
    flagsAt: 4,
    flagsBytes: 2,
    sizeAt: 8,
    sizeBytes: 4,
    sizeCounts: "contents",
  },
  field: { tagBytes: 3, sizeBytes: 2 },
  texts: "zero",
  tags: { file: "file", master: "dep", author: "who", description: "say", title: "cal", name: "nam" },
});

const bytesOf = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0));

/** Written out by hand, byte by byte, after the layout above. */
// prettier-ignore
const byHand = bytesOf(
  "file" +
    "\x05\0" +
    "\0\0" +
    "\x22\0\0\0" + // flags 5, 34 bytes
    "who" +
    "\x06\0" +
    "wader\0" +
    "dep" +
    "\x0a\0" +
    "Pond.keel\0" +
    "???" +
    "\x03\0" +
    "\xff\0\xff" +
    "reed" +
    "\0\0" +
    "\0\0" +
    "\x0b\0\0\0" +
    "nam" +
    "\x06\0" +
    "reeds\0",
);

const read = (bytes: Uint8Array, layout = little) => readPluginFacts(bytes, layout);

test("a file written out by hand is read as its layout says; fields without a meaning are passed over", () => {
  const facts = read(byHand);
  expect(facts).toMatchObject({
    ok: true,
    value: {
      flags: 5,
      author: "wader",
      title: null,
      masters: ["Pond.keel"],
      records: ["reeds"],
      recordCount: 1,
    },
  });
  expect(facts.ok && headerOf(facts.value).records).toBe(1);
});

test("the same facts in another layout: big-endian, sizes that count the header, texts that end with their field", () => {
  const big = TaggedLayout.parse({
    container: "tagged",
    byteOrder: "big",
    record: {
      headerBytes: 8,
      tagAt: 2,
      tagBytes: 2,
      flagsAt: 4,
      flagsBytes: 4,
      sizeAt: 0,
      sizeBytes: 2,
      sizeCounts: "record",
    },
    field: { tagBytes: 1, sizeBytes: 1 },
    texts: "field",
    tags: { file: "ME", master: "M", author: "A" },
  });
  const bytes = bytesOf("\0\x1aME\0\0\x01\0" + "A\x05wader" + "M\x09Pond.keel" + "\0\x08XX\0\0\0\0");
  expect(read(bytes, big)).toMatchObject({
    ok: true,
    value: { flags: 256, author: "wader", masters: ["Pond.keel"], recordCount: 1, records: [] },
  });
  const small = bytesOf("\0\x07ME\0\0\x01\0");
  expect(read(small, big)).toMatchObject({ ok: false, refusal: { code: "tagged-size", data: { size: 7 } } });
});

describe("what lies or is cut short is refused with the place", () => {
  test.each([
    ["an empty file", new Uint8Array(), "tagged-not"],
    ["another kind of file", bytesOf(`RIFF${"\0".repeat(8)}`), "tagged-not"],
    ["a header cut short", byHand.subarray(0, 11), "tagged-header"],
    ["a record that says more than is left", byHand.subarray(0, 40), "tagged-size"],
    ["a later header cut short", byHand.subarray(0, 50), "tagged-header"],
    ["a field that says more than its record has", patched(15, 0x40), "tagged-field"],
    ["a text that does not end", patched(22, 0x41), "tagged-text"],
    ["a master with a path", patched(33, 0x2f), "riff-master"],
  ])("%s", (_, bytes, code) => {
    expect(read(bytes)).toMatchObject({ ok: false, refusal: { code } });
  });

  test("a text that is no UTF-8 is read as something else, and says so", () => {
    const guessed = read(patched(19, 0xff));
    expect(guessed).toMatchObject({ ok: true, value: { guessedTexts: true } });
    expect(JSON.stringify(guessed)).toContain("ÿ");
  });

  test("any bytes at all, and any cut of a sound file, give facts or a refusal", () => {
    fc.assert(fc.property(fc.uint8Array({ maxLength: 80 }), (bytes) => typeof read(bytes).ok === "boolean"));
    for (let length = 0; length < byHand.length; length++)
      if (length !== 46) expect(read(byHand.subarray(0, length)).ok).toBe(false);
    // At 46 the first record ends: a plugin that changes nothing.
    expect(read(byHand.subarray(0, 46))).toMatchObject({ ok: true, value: { recordCount: 0 } });
    fc.assert(
      fc.property(
        fc.nat(byHand.length - 1),
        fc.nat(255),
        (at, value) => typeof read(patched(at, value)).ok === "boolean",
      ),
    );
  });
});

function patched(at: number, value: number): Uint8Array {
  const bytes = byHand.slice();
  bytes[at] = value;
  return bytes;
}

test.each([
  ["tagAt", 10],
  ["sizeAt", 9],
  ["flagsAt", 11],
])("a layout in which %s ends behind the header is none", (place, at) => {
  const layout = { ...little, record: { ...little.record, [place]: at } };
  expect(TaggedLayout.safeParse(layout).error?.issues[0]?.path).toEqual(["record", place]);
});

describe("groups of records", () => {
  const grouped = TaggedLayout.parse({
    ...little,
    groups: { tag: "many", headerBytes: 16, sizeCounts: "record" },
  });
  const number = (value: number) => String.fromCharCode(value & 255, value >> 8, 0, 0);
  const record = (tag: string, contents: string) => `${tag}\0\0\0\0${number(contents.length)}${contents}`;
  /** Its header has four more bytes, and counts itself. */
  const group = (contents: string) => `many\0\0\0\0${number(contents.length + 16)}kind${contents}`;
  const reed = (name: string) => record("reed", `nam${number(name.length + 1).slice(0, 2)}${name}\0`);
  const head = String.fromCharCode(...byHand.subarray(0, 46));

  test("their records are read in order, groups in groups, empty ones, and records behind them", () => {
    const file = head + group(reed("a") + group(reed("b") + group("")) + reed("c")) + reed("d") + group("");
    expect(read(bytesOf(file), grouped)).toMatchObject({
      ok: true,
      value: { masters: ["Pond.keel"], records: ["a", "b", "c", "d"], recordCount: 4 },
    });
  });

  test("groups within one another to the end of a large file are read, or refused, in one pass", () => {
    let nested = "";
    for (let depth = 0; depth < 3000; depth++) nested = group(nested);
    expect(read(bytesOf(head + nested), grouped)).toMatchObject({ ok: true, value: { recordCount: 0 } });
  });

  test.each([
    [
      "a record that reaches beyond its group",
      group(`reed\0\0\0\0${number(9)}`) + "x".repeat(9),
      "tagged-size",
    ],
    ["a group that reaches beyond its group", group(`many\0\0\0\0${number(17)}kind`) + "x", "tagged-size"],
    ["a group that is smaller than its header", `many\0\0\0\0${number(15)}kind`, "tagged-size"],
    ["a group's header cut short", `many\0\0\0\0${number(16)}ki`, "tagged-header"],
    ["a rest in a group that is no record", group("reed"), "tagged-header"],
  ])("%s is refused", (_, rest, code) => {
    expect(read(bytesOf(head + rest), grouped)).toMatchObject({ ok: false, refusal: { code } });
  });

  test("a group whose header has no room for tag and size is no layout, nor one with the tag of the file", () => {
    const flawOf = (groups: object) =>
      TaggedLayout.safeParse({ ...grouped, groups: { ...grouped.groups, ...groups } }).error?.issues[0]?.path;
    expect(flawOf({ headerBytes: 11 })).toEqual(["groups", "headerBytes"]);
    expect(flawOf({ tag: "file" })).toEqual(["groups", "tag"]);
  });
});

describe("additive lists", () => {
  const layout = TaggedLayout.parse({
    ...little,
    lists: { tag: "list", record: "nam", entry: "ent", depthAt: 2, shareAt: 0, numberBytes: 1, nameAt: 3 },
  });
  const file = "file" + "\0\0" + "\0\0" + "\0\0\0\0";
  const record = (tag: string, fields: string) =>
    tag + "\0\0" + "\0\0" + String.fromCharCode(fields.length) + "\0\0\0" + fields;
  const field = (tag: string, value: string) => tag + String.fromCharCode(value.length) + "\0" + value;
  const bed = record(
    "list",
    field("nam", "Bed@Pond.keel\0") +
      field("ent", "\x07?\x02crab\0") +
      field("???", "x") +
      field("ent", "\x01?\xffeel\0"),
  );

  test("are read where the layout says which records they are and what stands where in them", () => {
    const facts = read(bytesOf(file + record("reed", field("nam", "reeds\0")) + bed), layout);
    expect(facts).toMatchObject({
      ok: true,
      value: {
        recordCount: 2,
        records: ["reeds", "Bed@Pond.keel"],
        additiveLists: [
          {
            record: "Bed@Pond.keel",
            entries: [
              { name: "crab", depth: 2, share: 7 },
              { name: "eel", depth: 255, share: 1 },
            ],
          },
        ],
      },
    });
    expect(read(bytesOf(file + bed))).toMatchObject({ ok: true, value: { additiveLists: [] } });
  });

  test("an entry that is cut short, or whose name has no end, is refused with its field", () => {
    const of = (value: string) => read(bytesOf(file + record("list", field("ent", value))), layout);
    expect(of("\x01\x02")).toMatchObject({
      ok: false,
      refusal: { code: "tagged-field", data: { size: 3, left: 2 } },
    });
    expect(of("\x01?\x02eel")).toMatchObject({
      ok: false,
      refusal: { code: "tagged-text", data: { tag: "ent" } },
    });
  });
});
