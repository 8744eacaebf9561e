import { execFileSync } from "node:child_process";
import { createHash } from "node:crypto";
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { zipSync } from "fflate";
import type { ConflictsReport, WinnersReport } from "@/core/model/conflicts-report";
import { makeRandom, type Random } from "@/core/random";
import { writePlugin } from "@/formats/plugin";
import { brinehollow } from "@/standin/brinehollow/definition";
import { kitefall } from "@/standin/kitefall/definition";
import { compareWinners, conflicts } from "./conflicts";

const root = mkdtempSync(join(tmpdir(), "seating-conflicts-"));
const shelf = join(root, "shelf");
const game = join(root, "game");
afterAll(() => rmSync(root, { recursive: true, force: true }));

/** A mod as it was made: what its package says, and nothing of what Seating makes of it. */
interface Made {
  readonly id: string;
  readonly parts: readonly { readonly id: string; readonly folder: string }[];
  readonly requires: readonly string[];
  readonly content: string;
}

type File = Parameters<typeof conflicts>[0];

const bytes = (text: string) => new TextEncoder().encode(text);
const folders = ["kites", "skies", "menus"] as const;

/** Few names, in any case, so that most of them meet. */
function aPath(random: Random): string {
  const path = `${random.pick(folders)}/${random.pick(["a", "b", "c", "d"])}.dat`;
  return random.chance(0.3) ? path.toUpperCase() : path;
}

/** Paths of one folder differ in more than case, or the archive would be refused. */
function someFiles(random: Random, most: number, below = ""): Record<string, Uint8Array> {
  const files: Record<string, Uint8Array> = {};
  const taken = new Set<string>();
  for (let left = 1 + random.below(most); left > 0; left--) {
    const path = aPath(random);
    if (taken.has(path.toLowerCase())) continue;
    taken.add(path.toLowerCase());
    files[below + path] = bytes(`contents ${random.below(3)}`);
  }
  return files;
}

const sha256 = (text: string | Uint8Array) => createHash("sha256").update(text).digest("hex");

/** The content hash as docs/FORMATS.md says it. */
const contentOf = (files: Record<string, Uint8Array>): string =>
  sha256(
    Object.entries(files)
      .map(([path, content]) => [path.toLowerCase(), sha256(content)] as const)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([path, hash]) => `${hash} ${path}\n`)
      .join(""),
  );

function makeMod(random: Random, number: number): Made {
  const id = `mod-${number}`;
  const files = random.chance(0.9) ? someFiles(random, 6) : {};
  const parts = ["low", "high"]
    .filter(() => random.chance(0.4))
    .map((part) => ({ id: part, folder: `parts/${part}/` }));
  for (const { folder } of parts) Object.assign(files, someFiles(random, 3, folder));
  if (random.chance(0.4))
    files[random.pick(["sky.spool", "SKY.spool", "sea.spool"])] = zipSync(someFiles(random, 4));
  const requires = number > 0 && random.chance(0.3) ? [`mod-${random.below(number)}`] : [];
  const manifest = {
    format: "seating-mod/1",
    id,
    name: id,
    version: "1.0.0",
    components: parts.map((part) => ({
      id: part.id,
      label: part.id,
      paths: [part.folder],
      on: random.chance(0.5),
    })),
    requires: requires.map((mod) => ({ mod })),
  };
  files["seating-mod.json"] = bytes(JSON.stringify(manifest));
  writeFileSync(join(shelf, `${id}-1.0.0.zip`), zipSync(files));
  return { id, parts, requires, content: contentOf(files) };
}

/** A list in Seating's own format, with only what it cannot do without. */
interface Listed {
  readonly mods: readonly {
    readonly mod: Made;
    readonly on: boolean;
    readonly components: readonly string[];
    readonly hidden: readonly string[];
  }[];
  readonly rules: readonly { readonly item: string; readonly other: string }[];
}

function aList(random: Random, made: readonly Made[]): Listed {
  const shuffled = [...made];
  for (let at = shuffled.length - 1; at > 0; at--) {
    const other = random.below(at + 1);
    [shuffled[at], shuffled[other]] = [shuffled[other]!, shuffled[at]!];
  }
  return {
    mods: shuffled.slice(0, 3 + random.below(made.length - 3)).map((mod) => ({
      mod,
      on: random.chance(0.85),
      components: mod.parts.filter(() => random.chance(0.6)).map(({ id }) => id),
      hidden: [
        ...(random.chance(0.3) ? [aPath(random).toLowerCase()] : []),
        ...(random.chance(0.1) ? [`${random.pick(folders)}/`] : []),
        ...(random.chance(0.1) ? ["sky.spool"] : []),
      ],
    })),
    rules: Array.from({ length: random.below(4) }, () => ({
      item: random.pick(shuffled).id,
      other: random.pick(shuffled).id,
    })).filter(({ item, other }) => item !== other),
  };
}

const written = ({ mods, rules }: Listed): Uint8Array =>
  bytes(
    JSON.stringify({
      format: "seating-lineup/1",
      game: { id: kitefall.id, version: kitefall.version },
      title: "Drawn",
      author: "",
      note: "",
      listVersion: "",
      date: "2026-01-01T00:00:00Z",
      sections: [{ id: "all", name: "All", rank: "mods", guidance: "" }],
      mods: mods.map(({ mod, on, components, hidden }) => ({
        id: mod.id,
        name: mod.id,
        version: "1.0.0",
        source: "local",
        size: 1,
        content: mod.content,
        archive: null,
        on,
        section: "all",
        options: {},
        components,
        hidden,
        note: "",
      })),
      plugins: [],
      rules: rules.map(({ item, other }, at) => ({
        id: `rule-${at}`,
        list: "mods",
        made: "2026-01-01T00:00:00Z",
        note: "",
        rule: { kind: "after", item, other, strength: "prefer" },
      })),
      launch: {},
      expansions: [],
      baseOff: [],
      followUps: [],
    }),
  );

/** Files below a folder with their bytes, by path. */
function filesBelow(folder: string): Map<string, Buffer> {
  const found = new Map<string, Buffer>();
  for (const name of readdirSync(folder, { recursive: true, encoding: "utf8" }).sort())
    if (statSync(join(folder, name)).isFile()) found.set(name, readFileSync(join(folder, name)));
  return found;
}

let unpackings = 0;
const unpacked = new Map<string, Map<string, Buffer>>();

/** What `unzip` makes of an archive. */
function unzipped(archive: string): Map<string, Buffer> {
  const known = unpacked.get(archive);
  if (known) return known;
  const folder = join(root, "unpacked", String(++unpackings));
  mkdirSync(folder, { recursive: true });
  execFileSync("unzip", ["-q", archive, "-d", folder]);
  const files = filesBelow(folder);
  unpacked.set(archive, files);
  return files;
}

interface Copy {
  readonly mod: string;
  readonly bytes: Buffer;
}

/** What the game would find at each path, first to last, by copying by hand. */
function copiedByHand({ mods }: Listed): Map<string, Copy[]> {
  const own = new Map<string, Map<string, Buffer>>();
  for (const { mod, on, components, hidden } of mods) {
    if (!on) continue;
    const files = new Map<string, Buffer>();
    const isHidden = (path: string) =>
      hidden.some((each) => path === each || (each.endsWith("/") && path.startsWith(each)));
    const put = (path: string, content: Buffer) => {
      const folded = path.toLowerCase();
      if (folded !== "seating-mod.json" && !isHidden(folded)) files.set(folded, content);
    };
    const archive = unzipped(join(shelf, `${mod.id}-1.0.0.zip`));
    const partOf = (path: string) => mod.parts.find(({ folder }) => path.startsWith(folder));
    for (const [path, content] of archive) if (!partOf(path)) put(path, content);
    for (const part of mod.parts)
      for (const [path, content] of archive)
        if (components.includes(part.id) && path.startsWith(part.folder))
          put(path.slice(part.folder.length), content);
    own.set(mod.id, files);
  }
  const containers = new Map<string, string>();
  for (const [mod, files] of own)
    for (const path of files.keys()) if (path.endsWith(".spool")) containers.set(path, mod);
  const found = new Map<string, Copy[]>();
  const add = (path: string, copy: Copy) =>
    found.set(path, [...(found.get(path) ?? []).filter(({ mod }) => mod !== copy.mod), copy]);
  for (const [path, content] of filesBelow(join(game, kitefall.baseFolder)))
    if (path.includes("/")) add(path.toLowerCase(), { mod: "", bytes: content });
  for (const { mod, hidden } of mods)
    for (const [path, content] of own.get(mod.id) ?? []) {
      if (containers.get(path) !== mod.id) continue;
      const kept = join(root, `${sha256(content)}.zip`);
      writeFileSync(kept, content);
      for (const [inner, innerBytes] of unzipped(kept)) {
        const folded = inner.toLowerCase();
        if (!hidden.some((each) => folded === each || (each.endsWith("/") && folded.startsWith(each))))
          add(folded, { mod: mod.id, bytes: innerBytes });
      }
    }
  for (const { mod } of mods)
    for (const [path, content] of own.get(mod.id) ?? []) add(path, { mod: mod.id, bytes: content });
  return found;
}

/** Which mods a chain of needs and rules joins, by trying every step from every mod. */
function joinedByHand({ mods, rules }: Listed, a: string, b: string): boolean {
  const on = new Set(mods.filter((each) => each.on).map(({ mod }) => mod.id));
  const steps = [
    ...mods.flatMap(({ mod }) => mod.requires.map((need) => [need, mod.id] as const)),
    ...rules.map(({ item, other }) => [other, item] as const),
  ].filter((step) => step.every((id) => on.has(id)));
  const leads = (from: string, to: string) => {
    const reached = new Set([from]);
    for (let size = 0; size < reached.size;) {
      size = reached.size;
      for (const [earlier, later] of steps) if (reached.has(earlier)) reached.add(later);
    }
    return reached.has(to);
  };
  return leads(a, b) || leads(b, a);
}

function reportByHand(list: Listed): Pick<ConflictsReport, "paths" | "mods"> {
  const copied = copiedByHand(list);
  const paths = [...copied]
    .map(([path, copies]) => {
      const providers = copies.map(({ mod }) => mod);
      const winner = providers.at(-1)!;
      return {
        path,
        winner,
        providers,
        equal: copies.every((copy) => copy.bytes.equals(copies[0]!.bytes)),
        decided: providers.slice(0, -1).every((loser) => loser === "" || joinedByHand(list, loser, winner)),
      };
    })
    .sort((a, b) => (a.path < b.path ? -1 : 1));
  const mods = list.mods
    .filter(({ on }) => on)
    .map(({ mod: { id } }) => {
      const own = paths.filter(({ providers }) => providers.includes(id));
      const alone = own.filter(({ providers }) => providers.length === 1).length;
      const loses = own.filter(({ winner }) => winner !== id).length;
      return {
        id,
        files: own.length,
        wins: own.length - alone - loses,
        loses,
        alone,
        covered: own.length > 0 && loses === own.length,
      };
    });
  return { paths, mods };
}

const options = { game: kitefall.id, shelf, gameFolder: game };
const read = async <T>(answer: ReturnType<typeof conflicts>): Promise<T> => {
  const got = await answer;
  if (!got.ok) throw new Error(JSON.stringify(got.refusal));
  return got.value.json as T;
};
const file = (list: Listed): File => ({ bytes: written(list), name: "drawn.json" });

test("on 300 drawn profiles winners, equality, decisions and counts are those of archives that are unpacked and copied by hand", async () => {
  const random = makeRandom(19);
  mkdirSync(shelf, { recursive: true });
  for (const [path, content] of Object.entries(someFiles(random, 6))) {
    mkdirSync(dirname(join(game, kitefall.baseFolder, path)), { recursive: true });
    writeFileSync(join(game, kitefall.baseFolder, path), content);
  }
  const seen = { equal: 0, unequal: 0, decided: 0, undecided: 0, covered: 0, packed: 0, own: 0, changes: 0 };
  for (let round = 0; round < 15; round++) {
    rmSync(shelf, { recursive: true });
    mkdirSync(shelf);
    unpacked.clear();
    const made = Array.from({ length: 9 }, (_, number) => makeMod(random, number));
    let before: Listed | null = null;
    for (let drawn = 0; drawn < 20; drawn++) {
      const list = aList(random, made);
      const report = await read<ConflictsReport>(conflicts(file(list), { ...options, all: true }));
      const byHand = reportByHand(list);
      expect(report.paths).toEqual(byHand.paths);
      expect(report.mods).toEqual(byHand.mods);
      for (const { equal, decided, providers } of byHand.paths) {
        if (providers.length < 2) continue;
        seen[equal ? "equal" : "unequal"]++;
        seen[decided ? "decided" : "undecided"]++;
        if (providers[0] === "") seen.own++;
      }
      seen.covered += byHand.mods.filter(({ covered }) => covered).length;
      seen.packed += [...copiedByHand(list)].filter(([path]) => path.endsWith(".spool")).length;
      if (before) seen.changes += await expectChangesByHand(before, list);
      before = list;
    }
  }
  // Each kind of thing came up often enough to be told right by more than luck.
  for (const [kind, count] of Object.entries(seen)) expect([kind, count > 50]).toEqual([kind, true]);
}, 240_000);

async function expectChangesByHand(before: Listed, after: Listed): Promise<number> {
  const report = await read<WinnersReport>(compareWinners(file(before), file(after), options));
  const [from, to] = [before, after].map(
    (list) => new Map(reportByHand(list).paths.map(({ path, winner }) => [path, winner])),
  );
  const paths = [...new Set([...from!.keys(), ...to!.keys()])].sort();
  const changes = paths
    .map((path) => ({ path, from: from!.get(path) ?? null, to: to!.get(path) ?? null }))
    .filter((each) => each.from !== each.to);
  expect(report).toEqual({ format: "seating-winners/1", paths: changes, records: [] });
  return changes.length;
}

interface MadePlugin {
  readonly mod: string;
  readonly content: string;
  readonly name: string;
  readonly masters: readonly string[];
  readonly records: readonly string[];
}

/** A mod with one plugin, which changes some of few records; some names differ in case alone, and are two. */
function makePluginMod(random: Random, number: number, before: readonly MadePlugin[]): MadePlugin {
  const mod = `keeper-${number}`;
  const name = `Keeper ${number}.plank`;
  const masters = ["Brinehollow.keel", ...before.filter(() => random.chance(0.2)).map((each) => each.name)];
  const records = [
    ...new Set(
      Array.from({ length: 1 + random.below(4) }, () =>
        random.pick(["Reef", "reef", "Quay", "Lamp", "Silt"]),
      ),
    ),
  ].map((record) => `${record}@Brinehollow.keel`);
  const lists = [{ record: "Bed@Brinehollow.keel", entries: [] }];
  const files = { [name]: writePlugin({ flags: 0, info: {}, masters, records, lists }, "SEAP") };
  writeFileSync(join(shelf, `${mod}-1.0.0.zip`), zipSync(files));
  return { mod, content: contentOf(files), name, masters, records };
}

test("records are those of the plugins that load, in their order, with the game’s own first; additive lists are none", async () => {
  const random = makeRandom(7);
  rmSync(shelf, { recursive: true, force: true });
  mkdirSync(shelf, { recursive: true });
  const own = join(game, brinehollow.baseFolder, "Brinehollow.keel");
  mkdirSync(dirname(own), { recursive: true });
  writeFileSync(
    own,
    writePlugin({ flags: 1, info: {}, masters: [], records: ["Reef@Brinehollow.keel"], lists: [] }, "SEAP"),
  );
  const made: MadePlugin[] = [];
  for (let number = 0; number < 8; number++) made.push(makePluginMod(random, number, made));
  const counts = { decided: 0, undecided: 0, own: 0 };
  for (let drawn = 0; drawn < 25; drawn++) {
    const on = made.map((plugin) => ({ plugin, mod: random.chance(0.8), own: random.chance(0.8) }));
    const loads = on.filter((each) => each.mod && each.own).map(({ plugin }) => plugin);
    const needs = (plugin: MadePlugin, other: string): boolean =>
      plugin.masters.some(
        (name) => name === other || loads.some((each) => each.name === name && needs(each, other)),
      );
    const byRecord = new Map([["Reef@Brinehollow.keel", ["Brinehollow.keel"]]]);
    for (const { name, records } of loads)
      for (const record of records) byRecord.set(record, [...(byRecord.get(record) ?? []), name]);
    const expected = [...byRecord]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .flatMap(([record, providers]) => {
        const last = made.find(({ name }) => name === providers.at(-1));
        const decided = providers
          .slice(0, -1)
          .every((name) => name === "Brinehollow.keel" || needs(last!, name));
        return providers.length > 1 ? [{ record, winner: providers.at(-1)!, providers, decided }] : [];
      });
    const text = written({ mods: [], rules: [] });
    const list = { ...(JSON.parse(new TextDecoder().decode(text)) as object), ...listOfPlugins(on) };
    const answer = conflicts(
      { bytes: bytes(JSON.stringify(list)), name: "drawn.json" },
      { ...options, game: brinehollow.id },
    );
    expect((await read<ConflictsReport>(answer)).records).toEqual(expected);
    for (const { decided, providers } of expected) {
      counts[decided ? "decided" : "undecided"]++;
      if (providers[0] === "Brinehollow.keel") counts.own++;
    }
  }
  for (const [kind, count] of Object.entries(counts)) expect([kind, count > 8]).toEqual([kind, true]);
});

function listOfPlugins(
  all: readonly { readonly plugin: MadePlugin; readonly mod: boolean; readonly own: boolean }[],
) {
  const mods = all.map(({ plugin: { mod, content }, mod: on }) => ({
    id: mod,
    name: mod,
    version: "1.0.0",
    source: "local",
    size: 1,
    content,
    archive: null,
    on,
    section: "all",
    options: {},
    components: [],
    hidden: [],
    note: "",
  }));
  const base = { name: "Brinehollow.keel", sha256: null, on: true, section: "base", mod: null };
  const plugins = all.map(({ plugin: { mod, name }, own }) => ({
    name,
    sha256: null,
    on: own,
    section: "plain",
    mod,
  }));
  const { id, version, loadRanks } = brinehollow;
  return {
    game: { id, version },
    mods,
    plugins: [base, ...plugins],
    sections: [
      { id: "all", name: "All", rank: "mods", guidance: "" },
      { id: "base", name: "Base", rank: loadRanks[0]!.id, guidance: "" },
      { id: "plain", name: "Plain", rank: loadRanks.at(-1)!.id, guidance: "" },
    ],
  };
}

describe("of a small shelf", () => {
  const write = (id: string, files: Record<string, string>, more: object = {}) => {
    const manifest = { format: "seating-mod/1", id, name: id, version: "1.0.0", ...more };
    const all = { ...files, "seating-mod.json": JSON.stringify(manifest) };
    const packed = Object.fromEntries(Object.entries(all).map(([path, text]) => [path, bytes(text)]));
    writeFileSync(join(shelf, `${id}-1.0.0.zip`), zipSync(packed));
  };
  const named = (...names: string[]) => ({ bytes: bytes(names.join("\n")), name: "names.txt" });
  const small = { game: kitefall.id, shelf };

  beforeAll(() => {
    rmSync(shelf, { recursive: true, force: true });
    mkdirSync(shelf, { recursive: true });
    write(
      "dusk",
      { "skies/a.dat": "1", "skies/same.dat": "s", "low/kites/low.dat": "1" },
      {
        components: [
          { id: "low", label: "Low", paths: ["low/"], on: true },
          { id: "high", label: "High", paths: ["high/"] },
        ],
      },
    );
    write("haze", { "skies/A.dat": "2", "skies/same.dat": "s" });
    write("front", { "skies/a.dat": "3" }, { requires: [{ mod: "haze" }] });
  });

  test("a list of names takes of packages what their authors propose, and needs alone decide in it", async () => {
    const report = await read<ConflictsReport>(conflicts(named("dusk", "haze"), { ...small, all: true }));
    expect(report.paths).toEqual([
      { path: "kites/low.dat", winner: "dusk", providers: ["dusk"], equal: true, decided: true },
      { path: "skies/a.dat", winner: "haze", providers: ["dusk", "haze"], equal: false, decided: false },
      { path: "skies/same.dat", winner: "haze", providers: ["dusk", "haze"], equal: true, decided: false },
    ]);
    const needing = await read<ConflictsReport>(conflicts(named("haze", "front"), small));
    expect(needing.paths).toMatchObject([{ path: "skies/a.dat", decided: true }]);
    expect(needing.mods).toMatchObject([
      { id: "haze", loses: 1, alone: 1, covered: false },
      { id: "front", wins: 1 },
    ]);
  });

  test("what differs and is undecided is a finding, unless nothing is to be one; a report says it in words", async () => {
    const answer = async (list: File, more: object = {}) => {
      const got = await conflicts(list, { ...small, ...more });
      if (!got.ok) throw new Error(got.refusal.code);
      return got.value;
    };
    const open = await answer(named("dusk", "haze"));
    expect(open.findings).toBe(true);
    expect((await answer(named("dusk", "haze"), { failOn: "never" })).findings).toBe(false);
    expect((await answer(named("haze", "front"))).findings).toBe(false);
    expect(open.text).toContain("skies/a.dat: dusk < haze (undecided)");
    expect(open.text).toContain("skies/same.dat: dusk < haze (equal)");
    expect(open.text).toContain("dusk: 3 files, wins 0, loses 2, alone 1");
  });

  test("what is on and not on the shelf, or damaged, is named, and nothing is told", async () => {
    writeFileSync(join(shelf, "broken-1.0.0.zip"), "no archive");
    const got = await conflicts(named("dusk", "Lost Sail", "broken"), small);
    if (got.ok) throw new Error("nothing was refused");
    expect(got.refusal).toMatchObject({ code: "list-lacks", data: { name: "names.txt" } });
    const { items } = got.refusal.data as { items: string };
    expect([items.includes("Lost Sail"), items.includes("broken"), items.includes("dusk")]).toEqual([
      true,
      true,
      false,
    ]);
    expect(await conflicts(named("dusk"), { game: kitefall.id })).toMatchObject({
      refusal: { code: "list-needs-shelf" },
    });
  });

  test("two lists are compared by who wins, null where nobody provides it", async () => {
    const got = await read<WinnersReport>(
      compareWinners(named("dusk", "haze"), named("haze", "dusk"), small),
    );
    expect(got.paths).toEqual([
      { path: "skies/a.dat", from: "haze", to: "dusk" },
      { path: "skies/same.dat", from: "haze", to: "dusk" },
    ]);
    const gone = await read<WinnersReport>(compareWinners(named("dusk", "haze"), named("haze"), small));
    expect(gone.paths).toEqual([{ path: "kites/low.dat", from: "dusk", to: null }]);
  });
});
