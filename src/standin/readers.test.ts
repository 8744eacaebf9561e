import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { TaggedLayout, type PluginLayout } from "@/core/model/plugin-layout";
import { makeRandom, type Random } from "@/core/random";
import { foldName } from "@/core/roster/fold";
import { chosenParts } from "@/core/roster/parts";
import { openMod } from "@/disk/read-mod";
import { readOrderFile, writeOrderFile } from "@/formats/order-file";
import { writePlugin } from "@/formats/plugin";
import { readPluginFacts } from "@/formats/plugin-layout";
import { makeDemo } from "./demo/make-demo";
import { filesInZip } from "./game/archive";
import { openMod as openAsTheGame, pluginsAmong } from "./game/mod";
import { namesIn } from "./game/order";
import { readHeader } from "./game/plugin";
import { Unreadable } from "./game/stopped";
import { games } from "./games";

// The stand-in game reads with code of its own: what the two make of the same bytes is held against one another here.

let out: string;
beforeAll(async () => {
  out = await mkdtemp(join(tmpdir(), "seating-readers-"));
  await makeDemo(out, 7, 60);
}, 60_000);
afterAll(() => rm(out, { recursive: true, force: true }));

const riff: PluginLayout = { container: "riff", formType: "SEAP" };

const riffPlugin = writePlugin(
  {
    flags: 3,
    info: { INAM: "Reed bed", IART: "wader", ICRD: "2026-05-01" },
    masters: ["Pond.keel", "Mère.plank"],
    records: ["reed@Pond.keel", "rush@Pond.keel"],
    lists: [{ record: "shore@Pond.keel", entries: [{ depth: 2, share: 5, name: "reed" }] }],
  },
  "SEAP",
);

/** Invented, with groups: headers of eight bytes, sizes that count them, texts that end with a zero byte. */
const tagged = TaggedLayout.parse({
  container: "tagged",
  byteOrder: "big",
  record: {
    headerBytes: 8,
    tagAt: 0,
    tagBytes: 4,
    sizeAt: 4,
    sizeBytes: 2,
    sizeCounts: "record",
    flagsAt: 6,
    flagsBytes: 2,
  },
  groups: { tag: "nest", headerBytes: 6, sizeCounts: "contents" },
  field: { tagBytes: 2, sizeBytes: 1 },
  texts: "zero",
  tags: { file: "file", master: "ms", title: "ti", name: "na" },
  lists: { tag: "list", record: "of", entry: "en", depthAt: 1, shareAt: 0, numberBytes: 1, nameAt: 2 },
});

const two = (number: number) => [number >> 8, number & 255];
const letters = (text: string) => [...Buffer.from(text)];
const field = (tag: string, text: string) => [...letters(tag), letters(text).length + 1, ...letters(text), 0];
const record = (tag: string, flags: number, fields: readonly number[]) => [
  ...letters(tag),
  ...two(8 + fields.length),
  ...two(flags),
  ...fields,
];
const nest = (inside: readonly number[]) => [...letters("nest"), ...two(inside.length), ...inside];
const taggedPlugin = Uint8Array.from([
  ...record("file", 3, [...field("ti", "Reed"), ...field("ms", "Pond.keel"), ...field("ms", "Mère.plank")]),
  ...nest([...record("reed", 0, field("na", "reed")), ...nest(record("rush", 1, field("na", "rush")))]),
  ...record("list", 0, [...field("of", "shore@Pond.keel"), ...field("en", "\u0005\u0002reed")]),
  ...record("last", 0, []),
]);

/** A few bytes set, cut out, put in, or the end gone. */
function damaged(random: Random, bytes: Uint8Array): Uint8Array {
  const all = [...bytes];
  for (let times = 1 + random.below(3); times > 0; times--) {
    const at = random.below(all.length);
    const kind = random.below(5);
    if (kind < 2) all[at] = (all[at]! + random.below(5) - 2) & 255;
    else if (kind === 2) all.splice(at, 1 + random.below(3));
    else if (kind === 3) all.splice(at, 0, random.below(256));
    else if (random.below(4) === 0) all.length = Math.max(1, at);
  }
  return Uint8Array.from(all);
}

/** What the game makes of a plugin; null where it cannot read it. */
function asTheGame(bytes: Uint8Array, layout: PluginLayout) {
  try {
    return readHeader(bytes, layout);
  } catch (error) {
    if (error instanceof Unreadable) return null;
    throw error;
  }
}

function asSeating(bytes: Uint8Array, layout: PluginLayout) {
  const facts = readPluginFacts(bytes, layout);
  if (!facts.ok) return null;
  const { flags, masters, additiveLists } = facts.value;
  const lists = new Map(
    additiveLists.map(({ record: of, entries }) => [of, entries.map(({ name }) => name)]),
  );
  return { flags, masters, lists };
}

test.each([
  ["the chunk container", riff, riffPlugin],
  ["tagged records", tagged, taggedPlugin],
] as const)("a plugin of %s, whole and damaged, is the same to both", (_, layout, whole) => {
  expect(asTheGame(whole, layout)).toEqual({
    flags: 3,
    masters: ["Pond.keel", "Mère.plank"],
    lists: new Map([["shore@Pond.keel", ["reed"]]]),
  });
  const random = makeRandom(11);
  let readable = 0;
  for (let round = 0; round < 6000; round++) {
    const bytes = damaged(random, whole);
    const wanted = asSeating(bytes, layout);
    if (wanted) readable++;
    const hex = Buffer.from(bytes).toString("hex");
    expect([hex, asTheGame(bytes, layout)]).toEqual([hex, wanted]);
  }
  expect(readable).toBeGreaterThan(300);
  expect(readable).toBeLessThan(5700);
});

test.each(["lines", "marked", "keyed", "json", "xml"] as const)(
  "an order file of the dialect %s says the same names to both",
  (dialect) => {
    const names = ["Pond.keel", "A & B <c>.plank", "#1 Reed.plank", "Mère.skiff"];
    const text = writeOrderFile(dialect, { names });
    for (const each of [text, text.replaceAll("\n", "\r\n"), `\uFEFF${text}`, `# by hand\n${text}`]) {
      const bytes = new TextEncoder().encode(each);
      const wanted = readOrderFile(bytes, dialect, "order");
      expect(namesIn(bytes, dialect)).toEqual(wanted.ok && wanted.value.names);
    }
    expect(namesIn(new TextEncoder().encode(text), dialect)).toEqual(names);
  },
);

/** Some of the parts of a mod, by chance. */
function drawn(random: Random, files: readonly { readonly part: string | null }[]) {
  const keys = new Set(files.flatMap(({ part }) => (part !== null && random.below(2) === 0 ? [part] : [])));
  const options: Record<string, string[]> = {};
  const components: string[] = [];
  for (const key of keys) {
    const [question, part] = key.split("/");
    if (part === undefined) components.push(key);
    else (options[question!] ??= []).push(part);
  }
  return { options, components };
}

test("every mod of the demo lies the same to both, whatever of it is taken", async () => {
  const random = makeRandom(5);
  let same = 0;
  for (const game of games) {
    const shelf = join(out, game.id, "shelf");
    for (const path of await readdir(shelf)) {
      const opened = await openMod(game, join(shelf, path));
      if (!opened.ok) continue;
      const { parts, close } = opened.value;
      const choice = drawn(random, parts);
      const some = parts[random.below(parts.length)]!.path;
      const hidden = random.below(2) === 0 ? [] : [foldName(game, some)];
      const chosen = chosenParts(choice);
      const wanted = parts
        .filter((each) => each.part === null || chosen.has(each.part))
        .map((each) => each.path)
        .filter((each) => !hidden.includes(foldName(game, each)) && each !== "seating-mod.json");
      const { taken } = await openAsTheGame(game, join(shelf, path), { path, ...choice, hidden });
      expect([path, taken.map((each) => each.path).sort()]).toEqual([path, wanted.sort()]);
      for (const file of pluginsAmong(game, taken)) expect((await file.read()).length).toBeGreaterThan(0);
      await close();
      same++;
    }
  }
  expect(same).toBeGreaterThan(90);
}, 60_000);

test("parts lie where they belong: below a content folder, in one of their own, as a file by itself, in two at once", async () => {
  const [game] = games;
  const at = join(out, "Odd Parts");
  const content = game!.contentFolders[0]!;
  const files = [`${content}/wide/a.dat`, "options/narrow/Deep/b.dat", "options/one.dat", "Always.txt"];
  for (const file of files) {
    await mkdir(dirname(join(at, "Top", file)), { recursive: true });
    await writeFile(join(at, "Top", file), file);
  }
  const part = (id: string, ...paths: string[]) => ({ id, label: id, paths });
  const manifest = {
    format: "seating-mod/1",
    id: "odd-parts",
    name: "Odd Parts",
    version: "1.0.0",
    options: [
      {
        id: "q",
        label: "q",
        choose: "any",
        parts: [part("w", `${content}/Wide/`), part("n", "options/narrow/")],
      },
    ],
    components: [part("one", "options/One.dat", "options/narrow/")],
  };
  await writeFile(join(at, "Top", "seating-mod.json"), JSON.stringify(manifest));
  const opened = await openMod(game!, at);
  const parts = opened.ok ? opened.value.parts : [];
  expect(parts).toHaveLength(files.length + 2);
  for (const keys of [[], ["q/w"], ["q/n"], ["one"], ["q/w", "q/n", "one"]]) {
    const options = { q: keys.flatMap((key) => (key.startsWith("q/") ? [key.slice(2)] : [])) };
    const held = { path: at, options, components: keys.filter((key) => key === "one"), hidden: [] };
    const wanted = parts
      .filter((each) => each.part === null || keys.includes(each.part))
      .map((each) => each.path);
    const { taken } = await openAsTheGame(game!, at, held);
    expect(taken.map(({ path }) => path).sort()).toEqual(
      wanted.filter((path) => path !== "seating-mod.json").sort(),
    );
  }
});

test("what of an archive does not fit its check sum is not read", async () => {
  const shelf = join(out, "brinehollow/shelf");
  const name = (await readdir(shelf)).find((each) => /^Tidal Core-.*\.zip$/.test(each))!;
  const bytes = await readFile(join(shelf, name));
  const [whole] = await filesInZip(bytes);
  expect((await whole!.read()).length).toBeGreaterThan(0);
  // Behind the local header of the first entry: 30 bytes, its name and what is told besides (APPNOTE.TXT, 4.3.7).
  const data = 30 + bytes.readUInt16LE(26) + bytes.readUInt16LE(28);
  bytes[data + 5]! ^= 0x10;
  const [damagedFile] = await filesInZip(bytes);
  await expect(damagedFile!.read()).rejects.toThrow(Unreadable);
});
