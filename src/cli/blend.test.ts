import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { zipSync } from "fflate";
import { RIFFFile } from "riff-file";
import type { Blended } from "@/core/blend/blend";
import type { AdditiveList, Marks } from "@/core/model/additive-list";
import type { BlendOutput, BlendReport } from "@/core/model/blend-report";
import { makeRandom, type Random } from "@/core/random";
import { naiveBlend } from "@/core/testing/naive-blend";
import { readPlugin, writePlugin } from "@/formats/plugin";
import { brinehollow } from "@/standin/brinehollow/definition";
import { blend } from "./blend";

const root = mkdtempSync(join(tmpdir(), "seating-blend-"));
const shelf = join(root, "shelf");
const game = join(root, "game");
afterAll(() => rmSync(root, { recursive: true, force: true }));
beforeEach(() => {
  rmSync(shelf, { recursive: true, force: true });
  mkdirSync(shelf, { recursive: true });
});

type Options = Parameters<typeof blend>[1];
const options: Options = {
  game: brinehollow.id,
  shelf,
  gameFolder: game,
  books: [],
  marks: null,
  failOn: "never",
};
const own = "Brinehollow.keel";
const bed = `Sea bed@${own}`;
const file = (name: string, value: unknown) => ({
  name,
  bytes: new TextEncoder().encode(typeof value === "string" ? value : JSON.stringify(value)),
});

/** A list of the game: names with depth and share, `crab 3/5`. */
const list = (record: string, ...entries: readonly string[]): AdditiveList => ({
  record,
  entries: entries.map((text) => {
    const [name, places = "1/1"] = text.split(" ");
    const [depth, share] = places.split("/").map(Number);
    return { name: name!, depth: depth!, share: share! };
  }),
});

interface Made {
  readonly name: string;
  readonly masters?: readonly string[];
  readonly lists: readonly AdditiveList[];
  readonly blend?: string;
  readonly version?: string;
}

const pluginOf = ({ masters = [own], lists }: Made, flags = 0) =>
  writePlugin({ flags, info: {}, masters: [...masters], records: [], lists: [...lists] }, "SEAP");

/** Each plugin in a mod of its own. */
function putOnShelf(all: readonly Made[]): void {
  for (const made of all) {
    const id = made.name.toLowerCase().replace(/\W+/g, "-");
    const manifest = {
      format: "seating-mod/1",
      id,
      name: made.name,
      version: made.version ?? "1.0.0",
      ...(made.blend !== undefined && { blend: made.blend }),
    };
    const files = {
      "seating-mod.json": new TextEncoder().encode(JSON.stringify(manifest)),
      [made.name]: pluginOf(made),
    };
    writeFileSync(join(shelf, `${id}-1.0.0.zip`), zipSync(files));
  }
}

function putGame(...lists: readonly AdditiveList[]): void {
  const path = join(game, brinehollow.baseFolder, own);
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, pluginOf({ name: own, masters: [], lists }, 1));
}

async function answer(names: readonly string[], more: Partial<Options> = {}) {
  const got = await blend(file("load.txt", names.join("\n")), { ...options, ...more });
  if (!got.ok) throw new Error(JSON.stringify(got.refusal));
  return { ...got.value, json: got.value.json as BlendOutput };
}

const three: readonly Made[] = [
  { name: "Crabs.plank", lists: [list(bed, "cod", "eel", "crab 3/5")] },
  { name: "Rays.plank", lists: [list(bed, "cod", "eel", "ray 2/2")], version: "2.1.0" },
  { name: "Deep Cod.plank", lists: [list(bed, "cod 9/9", "eel")], blend: "all" },
];
const names = three.map(({ name }) => name);

test("what the plugins of a list add comes together, by marks from their manifests; the game’s own is where it begins", async () => {
  putGame(list(bed, "cod", "eel"));
  putOnShelf(three);
  const { json, text, findings } = await answer(names);
  expect(json).toEqual({
    format: "seating-blend/1",
    lists: [
      {
        record: bed,
        entries: list(bed, "eel", "crab 3/5", "ray 2/2", "cod 9/9").entries,
        from: { cod: "Deep Cod.plank", eel: own, crab: "Crabs.plank", ray: "Rays.plank" },
      },
    ],
    left: [],
    clashes: [],
  });
  expect(text).toContain("1 list is blended:\n  Sea bed@Brinehollow.keel: eel 1/1 (Brinehollow.keel)");
  expect(findings).toBe(false);
});

test("without the game’s folder its plugins have no lists; what is off in the list is off", async () => {
  putGame(list(bed, "cod", "eel"));
  putOnShelf(three);
  const bare = await answer(names, { gameFolder: undefined });
  expect(bare.json.lists[0]!.from).toEqual({
    cod: "Deep Cod.plank",
    eel: "Crabs.plank",
    crab: "Crabs.plank",
    ray: "Rays.plank",
  });
  const off = await blend(
    file("load.md", "- [x] Crabs.plank\n- [ ] Rays.plank\n- [x] Deep Cod.plank\n"),
    options,
  );
  expect(off).toMatchObject({
    ok: true,
    value: { json: { lists: [{ from: { eel: own, crab: "Crabs.plank" } }] } },
  });
});

test("marks of a book go before those of manifests, and those of a file before both", async () => {
  putGame(list(bed, "cod", "eel"));
  putOnShelf(three);
  const marks = (plugin: string, value: Marks) => ({ kind: "marks", on: { plugin }, marks: value });
  const book = {
    format: "seating-rulebook/2",
    id: "tides",
    name: "Tides",
    version: "1",
    author: "A",
    game: brinehollow.id,
    sections: [],
    rules: [],
    advice: [marks("deep cod.PLANK", []), marks("Rays.plank", "never")],
    changelog: [],
  };
  const books = [file("tides.json", book)];
  const byBook = await answer(names, { books });
  expect(byBook.json.lists[0]!.entries.map(({ name }) => name)).toEqual(["cod", "eel", "crab"]);
  const byFile = await answer(names, { books, marks: file("marks.json", { "RAYS.plank": ["adds"] }) });
  expect(byFile.json.lists[0]!.entries.map(({ name }) => name)).toEqual(["cod", "eel", "crab", "ray"]);
  const broken = await blend(file("load.txt", names.join("\n")), {
    ...options,
    marks: file("marks.json", { "Rays.plank": ["eats"] }),
  });
  expect(broken).toMatchObject({
    ok: false,
    refusal: { code: "marks-broken", data: { name: "marks.json" } },
  });
});

test("clashes are told, and are findings where it is asked so", async () => {
  putGame(list(bed, "cod", "eel"));
  putOnShelf([...three, { name: "No Cod.plank", lists: [list(bed, "eel")], blend: "all" }]);
  const all = [...names, "No Cod.plank"];
  const told = await answer(all, { failOn: "clash" });
  expect(told.json.clashes).toEqual([
    { record: bed, name: "cod", by: ["Deep Cod.plank", "No Cod.plank"], won: "No Cod.plank" },
  ]);
  expect([told.findings, (await answer(all)).findings]).toEqual([true, false]);
});

interface Chunk {
  readonly format: string | undefined;
  readonly data: Buffer;
}

/** The chunks of a RIFF file, as an independent reader finds them. */
function chunksOf(bytes: Buffer): Chunk[] {
  const riff = new RIFFFile();
  riff.setSignature(bytes);
  const { subChunks } = riff.signature as { subChunks: { chunkSize: number; format?: string }[] };
  let at = 12;
  return subChunks.map(({ chunkSize, format }) => {
    const data = bytes.subarray(at + 8, at + 8 + chunkSize);
    at += 8 + chunkSize + (chunkSize % 2);
    return { format, data };
  });
}

/** A LIST of that kind as a file of its own, for the reader looks into the first one only. */
function listOf(bytes: Buffer, format: string): Buffer {
  const { data } = chunksOf(bytes).find((chunk) => chunk.format === format)!;
  const head = Buffer.from("RIFF\0\0\0\0");
  head.writeUInt32LE(data.length, 4);
  return Buffer.concat([head, data]);
}

describe("--out", () => {
  const out = join(root, "made", "my-blend");
  beforeEach(() => rmSync(dirname(out), { recursive: true, force: true }));
  const filesIn = (folder: string) =>
    readdirSync(folder, { recursive: true, encoding: "utf8" })
      .sort()
      .filter((name) => /\./.test(name));

  test("writes a mod with the manifest and one plugin, and the reports beside it; a second time the same bytes", async () => {
    putGame(list(bed, "cod", "eel"));
    putOnShelf(three);
    mkdirSync(dirname(out));
    const { aside } = await answer(names, { out });
    expect(aside).toEqual([`Blend.skiff is written into ${out}, and the reports beside it.`]);
    expect(filesIn(dirname(out))).toEqual([
      "my-blend.report.json",
      "my-blend.report.md",
      "my-blend/Blend.skiff",
      "my-blend/seating-mod.json",
    ]);
    const bytes = () => filesIn(out).map((name) => readFileSync(join(out, name), "hex"));
    const before = bytes();
    await answer(names, { out });
    expect(bytes()).toEqual(before);
    const report = JSON.parse(readFileSync(`${out}.report.json`, "utf8")) as BlendReport;
    expect(report).toMatchObject({
      format: "seating-blend-report/1",
      plugin: "Blend.skiff",
      lists: 1,
      plugins: [
        { name: own, version: null, marks: null, entries: 1 },
        { name: "Crabs.plank", version: "1.0.0", marks: null, entries: 1 },
        { name: "Rays.plank", version: "2.1.0", marks: null, entries: 1 },
        { name: "Deep Cod.plank", version: "1.0.0", marks: ["adds", "removes", "changes"], entries: 1 },
      ],
    });
    expect(readFileSync(`${out}.report.md`, "utf8")).toContain("| Rays.plank | 2.1.0 |");
  });

  test("the plugin says the same to an independent reader of RIFF files", async () => {
    putGame(list(bed, "cod", "eel"));
    putOnShelf(three);
    mkdirSync(dirname(out));
    const { json } = await answer(names, { out });
    const bytes = readFileSync(join(out, "Blend.skiff"));
    const below = (format: string) => chunksOf(listOf(bytes, format)).map(({ data }) => data);
    const text = (data: Buffer, at = 0) => data.toString("utf8", at, data.indexOf(0, at));
    expect(below("need").map((data) => text(data))).toEqual([own, ...names]);
    // Laid out by hand after docs/FORMATS.md: the record padded to even, a count, and entries of two numbers and a name padded to even.
    const [adds] = below("adds");
    const even = (length: number) => length + (length % 2);
    let at = even(Buffer.byteLength(bed) + 1);
    expect(text(adds!)).toBe(bed);
    const count = adds!.readUInt32LE(at);
    at += 4;
    const entries = Array.from({ length: count }, () => {
      const entry = {
        depth: adds!.readUInt16LE(at),
        share: adds!.readUInt16LE(at + 2),
        name: text(adds!, at + 4),
      };
      at += 4 + even(Buffer.byteLength(entry.name) + 1);
      return entry;
    });
    expect(entries).toEqual(json.lists[0]!.entries.map(({ depth, share, name }) => ({ depth, share, name })));
    expect(readPlugin(bytes, { formType: "SEAP" })).toMatchObject({
      ok: true,
      value: { flags: 2, records: [] },
    });
  });

  test("a blend that is an input is passed over, and what comes of it is the same", async () => {
    putGame(list(bed, "cod", "eel"));
    putOnShelf(three);
    mkdirSync(dirname(out));
    const first = await answer(names, { out });
    const files = Object.fromEntries(
      readdirSync(out).map((name) => [name, new Uint8Array(readFileSync(join(out, name)))]),
    );
    writeFileSync(join(shelf, "blend-1.zip"), zipSync(files));
    const again = await answer([...names, "Blend.skiff"], { out });
    expect(again.json).toEqual(first.json);
    expect(new Uint8Array(readFileSync(join(out, "Blend.skiff")))).toEqual(files["Blend.skiff"]);
  });

  test("a folder in which something else lies is not written over", async () => {
    putGame(list(bed, "cod", "eel"));
    putOnShelf(three);
    mkdirSync(out, { recursive: true });
    writeFileSync(join(out, "letters.txt"), "mine");
    const got = await blend(file("load.txt", names.join("\n")), { ...options, out });
    expect(got).toMatchObject({ ok: false, refusal: { code: "place-taken" } });
    expect(filesIn(dirname(out))).toEqual(["my-blend/letters.txt"]);
  });

  test("a blend without lists writes nothing and says so; one plugin alone has nothing to blend", async () => {
    putGame();
    putOnShelf(three.slice(0, 1));
    const { aside, json } = await answer(names.slice(0, 1), { out });
    expect(json).toEqual({ format: "seating-blend/1", lists: [], left: [], clashes: [] });
    expect(aside).toEqual(["No list has to be blended: nothing is written."]);
    expect(() => readdirSync(out)).toThrow();
  });

  test("more masters than the game takes of a plugin are refused, with how many they are", async () => {
    putGame(list(bed, "cod"));
    putOnShelf(three);
    const definition = join(root, "few.json");
    writeFileSync(definition, JSON.stringify({ ...brinehollow, maxMasters: 3 }));
    const got = await blend(file("load.txt", names.join("\n")), { ...options, game: definition, out });
    expect(got).toMatchObject({ ok: false, refusal: { code: "blend-masters", data: { count: 4, most: 3 } } });
  });
});

test("something that is on and not on the shelf is named, and nothing is blended", async () => {
  putGame(list(bed, "cod"));
  putOnShelf(three.slice(1));
  const got = await blend(file("load.txt", names.join("\n")), options);
  expect(got).toMatchObject({ ok: false, refusal: { code: "list-lacks" } });
});

/** Plugins of a drawn shelf, in load order, with what their files say. */
function drawn(random: Random): Made[] {
  const records = [bed, "Wrecks@Brinehollow.keel", "Lamps@Plugin 0.plank"];
  const listOf = (record: string) =>
    list(
      record,
      ...Array.from(
        { length: random.below(5) },
        () => `${random.pick(["cod", "eel", "crab", "ray"])} ${random.below(3)}/${random.below(2)}`,
      ),
    );
  const count = 2 + random.below(5);
  return Array.from({ length: count }, (_, at): Made => ({
    name: `Plugin ${at}.plank`,
    masters: [
      own,
      ...Array.from({ length: at }, (_each, other) => `Plugin ${other}.plank`).filter(() =>
        random.chance(0.3),
      ),
    ],
    lists: records.filter(() => random.chance(0.7)).map(listOf),
    ...(random.chance(0.8) && { blend: random.pick(["all", "all", "all", "additions", "never"]) }),
  }));
}

const marksOf = (word: string | undefined): Marks | undefined =>
  word === "never" ? "never" : word === "all" ? ["adds", "removes", "changes"] : undefined;

test("drawn shelves come to what a plain reading of the rules comes to", async () => {
  let [lists, clashes] = [0, 0];
  for (let seed = 0; seed < 40; seed++) {
    const random = makeRandom(seed);
    rmSync(shelf, { recursive: true, force: true });
    mkdirSync(shelf);
    const ofGame = [list(bed, "cod", "eel 2/1")];
    putGame(...ofGame);
    const made = drawn(random);
    putOnShelf(made);
    const all = [{ name: own, masters: [], lists: ofGame }, ...made];
    const plugins = all.map((each): Blended => ({
      name: each.name,
      masters: (each.masters ?? []).map((master) => all.findIndex(({ name }) => name === master)),
      lists: each.lists,
      marks: "blend" in each ? marksOf(each.blend) : undefined,
    }));
    const { json } = await answer(made.map(({ name }) => name));
    const { doubled: _, ...expected } = naiveBlend(plugins, {
      winners: new Map(),
      over: new Set(),
      leave: new Set(),
    });
    expect([seed, json]).toEqual([seed, { format: "seating-blend/1", ...expected }]);
    lists += json.lists.length;
    clashes += json.clashes.length;
  }
  expect([lists > 20, clashes > 8]).toEqual([true, true]);
}, 120_000);
