import { execFileSync } from "node:child_process";
import { existsSync } from "node:fs";
import { mkdir, mkdtemp, readdir, rm, symlink, utimes, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { crc32 } from "node:zlib";
import { sayProblem } from "@/core/messages/problems";
import { testGame } from "@/core/testing/game";
import { writePlugin } from "@/formats/plugin";
import { digestFile } from "../digest";
import { openModFiles } from "../mod-files";
import { make7z } from "../testing/make-7z";
import { readShelf } from "../read-shelf";
import { removeLeftOvers } from "./packed-archive";

let folder: string;
beforeEach(async () => (folder = await mkdtemp(join(tmpdir(), "seating-packed-"))));
afterEach(() => rm(folder, { recursive: true, force: true }));

const text = (words: string) => new TextEncoder().encode(words);
const plugin = writePlugin({ flags: 0, info: {}, masters: ["Pond.keel"], records: [], lists: [] }, "SEAP");
type Files = Readonly<Record<string, Uint8Array>>;
const files: Files = {
  "seating-mod.json": text('{"format":"seating-mod/1","id":"reeds","name":"Reeds","version":"1.2"}'),
  "Reeds.plank": plugin,
  "textures/Réed 𝔘.tex": text("green ".repeat(9000)),
};

const u16 = (value: number) => [value & 255, (value >> 8) & 255];
const u32 = (value: number) => [...u16(value & 0xffff), ...u16(value >>> 16)];

interface Rar5Change {
  readonly size?: number;
  readonly crc?: number;
  readonly fileFlags?: number;
  readonly method?: number;
}

/** Stored files as RAR 5.0 has them (its published archive format note; recalled, not looked up). */
function makeRar5(from: Files, { size, crc, fileFlags = 4, method = 0 }: Rar5Change = {}): Uint8Array {
  const vint = (value: number): number[] =>
    value < 128 ? [value] : [(value & 127) | 128, ...vint(value >>> 7)];
  const block = (body: readonly number[]): number[] => {
    const sized = [...vint(body.length), ...body];
    return [...u32(crc32(Uint8Array.from(sized))), ...sized];
  };
  const file = ([path, data]: [string, Uint8Array]) => {
    const name = [...text(path)];
    const sum = crc ?? crc32(data);
    const facts = [...vint(fileFlags), ...vint(size ?? data.length), ...vint(0), ...u32(sum)];
    const packing = [...vint(method << 7), ...vint(1)];
    return [
      ...block([2, 2, ...vint(data.length), ...facts, ...packing, ...vint(name.length), ...name]),
      ...data,
    ];
  };
  return Uint8Array.from([
    ...[0x52, 0x61, 0x72, 0x21, 0x1a, 0x07, 1, 0],
    ...block([1, 0, 0]),
    ...Object.entries(from).flatMap(file),
    ...block([5, 0, 0]),
  ]);
}

/** Stored files as the format before 5.0 has them (common practice; recalled). */
function makeRar4(from: Files): Uint8Array {
  const block = (body: readonly number[]) => [...u16(crc32(Uint8Array.from(body)) & 0xffff), ...body];
  const file = ([path, data]: [string, Uint8Array]) => {
    const name = [...text(path)];
    const facts = [...u32(data.length), ...u32(data.length), 3, ...u32(crc32(data)), ...u32(0x5a21_0000)];
    const head = [0x74, ...u16(0x8000), ...u16(32 + name.length), ...facts, 20, 0x30];
    return [...block([...head, ...u16(name.length), ...u32(0o100644), ...name]), ...data];
  };
  return Uint8Array.from([
    ...[0x52, 0x61, 0x72, 0x21, 0x1a, 0x07, 0],
    ...block([0x73, ...u16(0), ...u16(13), ...u16(0), ...u32(0)]),
    ...Object.entries(from).flatMap(file),
    ...block([0x7b, ...u16(0x4000), ...u16(7)]),
  ]);
}

async function put(path: string, data: Uint8Array | string): Promise<void> {
  await mkdir(dirname(join(folder, path)), { recursive: true });
  await writeFile(join(folder, path), data);
}

const readAll = async () => (await readShelf(testGame, [folder], [])).mods;

/** What is wrong with an archive, in words; empty where nothing is. */
async function problemOf(data: Uint8Array, name = "Bad.7z"): Promise<string> {
  await put(name, data);
  const [mod] = await readAll();
  return mod!.problem ? sayProblem(mod!.problem) : "";
}

const leftOvers = async () =>
  (await readdir(tmpdir())).filter((name) => name.startsWith(`seating-unpacked-${process.pid}-`));

test("a folder and archives of every kind and method have the same contents", async () => {
  for (const [path, data] of Object.entries(files)) await put(`Folder/${path}`, data);
  const methods = ["lzma2", "lzma", "ppmd", "bzip2", "deflate", "deflate64", "copy"];
  for (const method of methods) await put(`By ${method}.7z`, await make7z(files, `-m0=${method}`));
  await put("Solid.7z", await make7z(files, "-ms=on"));
  await put("Each alone.7z", await make7z(files, "-ms=off"));
  await put("Through a filter.7z", await make7z(files, "-m0=delta:4", "-m1=lzma2"));
  await put("Plain header.7z", await make7z(files, "-mhc=off"));
  await put("Five.rar", makeRar5(files));
  const { "textures/Réed 𝔘.tex": odd, ...rest } = files;
  await put("Four.rar", makeRar4({ ...rest, "textures/Reed.tex": odd! }));
  const mods = await readAll();
  expect(mods.filter(({ problem }) => problem).map(({ path, problem }) => [path, problem])).toEqual([]);
  const whole = mods.filter(({ path }) => path !== "Four.rar");
  expect(whole).toHaveLength(methods.length + 6);
  expect(new Set(whole.map(({ content }) => content)).size).toBe(1);
  expect(new Set(mods.map(({ id, version }) => `${id} ${version}`))).toEqual(new Set(["reeds 1.2"]));
  const [four] = mods.filter(({ path }) => path === "Four.rar");
  expect(four!.plugins[0]!.header?.masters).toEqual(["Pond.keel"]);
  expect(await leftOvers()).toEqual([]);
}, 120_000);

test("a name without a manifest goes without its ending, whatever the bytes are", async () => {
  const { "seating-mod.json": _, ...bare } = files;
  await put("Some Reeds-2.1.7z", await make7z(bare));
  await put("Other Reeds-3.0.zip", await make7z(bare));
  const mods = await readAll();
  expect(mods.map(({ name, version, problem }) => [name, version, problem])).toEqual([
    ["Other Reeds", "3.0", null],
    ["Some Reeds", "2.1", null],
  ]);
}, 60_000);

test("what cannot be unpacked is told by name, and leaves nothing behind", async () => {
  const damaged = await make7z(files, "-m0=copy");
  const at = Buffer.from(damaged).indexOf("green green");
  damaged[at + 7] = 0x47;
  expect(await problemOf(damaged)).toBe(
    "“textures/Réed 𝔘.tex” does not match its checksum or cannot be unpacked",
  );
  expect(await problemOf((await make7z(files)).slice(0, 200))).toMatch(/^it cannot be unpacked: .+/);
  expect(await problemOf(await make7z(files, "-pword"))).toMatch(
    /^“.+” is encrypted; unpack it into a folder of its own$/,
  );
  expect(await problemOf(await make7z(files, "-pword", "-mhe=on"))).toMatch(/^even its list of files/);
  expect(await problemOf(text("7z¼¯'\x1c"))).toBe("it does not begin as an archive of the kind .7z does");
  expect(await problemOf(makeRar5(files, { crc: 12 }))).toMatch(/^“seating-mod.json” does not match/);
  expect(await problemOf(makeRar5(files, { size: 5 }))).toMatch(
    /^“.+” (unpacks to another size|does not match)/,
  );
  expect(await problemOf(makeRar5(files, { fileFlags: 4 + 8 }))).toMatch(/^“.+” unpacks to another size/);
  expect(await problemOf(makeRar5(files).slice(0, 40))).not.toBe("");
  expect(await leftOvers()).toEqual([]);
}, 120_000);

test("nothing is written outside of the archive’s own folder, and no bomb is unpacked", async () => {
  const outside = join(dirname(folder), "seating-escaped.txt");
  for (const path of ["../../seating-escaped.txt", outside, "a/../../../seating-escaped.txt", "con.txt"])
    expect([path, await problemOf(makeRar5({ [path]: text("x"), ...files }))]).toEqual([
      path,
      expect.stringMatching(/would leave the mod’s own folder|reserve for a device/),
    ]);
  expect(await problemOf(makeRar5({ "A.txt": text("x"), ...files, "a\nSize = 9.txt": text("y") }))).not.toBe(
    "",
  );
  expect(await problemOf(await make7z({ "Zeros.bin": new Uint8Array(80 * 2 ** 20) }))).toMatch(
    /^it would unpack to \d+ times its size/,
  );
  expect(await problemOf(await make7z({ ...files, "passwd.txt": "/etc/passwd" }, "-snl"))).toBe(
    "“passwd.txt” is neither a file nor a folder",
  );
  expect((await readdir(tmpdir())).includes("seating-escaped.txt")).toBe(false);
  expect(await leftOvers()).toEqual([]);
}, 120_000);

test("files are read in any order after one unpacking; the listing alone unpacks nothing", async () => {
  await put("Any.7z", await make7z(files));
  const opened = await openModFiles(join(folder, "Any.7z"));
  if (!opened.ok) throw new Error(opened.refusal.code);
  expect(await leftOvers()).toEqual([]);
  for (const file of [...opened.value.files].reverse()) {
    const digest = await digestFile(file, true);
    expect(digest.ok && Buffer.from(digest.value.bytes!).equals(files[file.path]!)).toBe(true);
  }
  expect(await leftOvers()).toHaveLength(1);
  await opened.value.close();
  expect(await leftOvers()).toEqual([]);
}, 60_000);

test("a link to an archive is followed where it stays within the shelf", async () => {
  await put("store/Reeds.7z", await make7z(files));
  await symlink(join(folder, "store/Reeds.7z"), join(folder, "Linked.7z"));
  const linked = (await readAll()).find(({ path }) => path === "Linked.7z");
  expect([linked!.problem, linked!.id]).toEqual([null, "reeds"]);
}, 60_000);

test("what an earlier Seating told as a kind that is not read is read, though nothing of it has changed", async () => {
  await put("Reeds.7z", await make7z(files));
  await utimes(join(folder, "Reeds.7z"), 1_700_000_000, 1_700_000_000);
  const [mod] = await readAll();
  const earlier = {
    ...mod!,
    content: null,
    archiveSha256: null,
    problem: { code: "archive-kind" as const, data: { kind: ".7z" } },
  };
  const again = await readShelf(testGame, [folder], [earlier]);
  expect([again.read, again.mods[0]!.problem, again.mods[0]!.id]).toEqual([1, null, "reeds"]);
  expect((await readShelf(testGame, [folder], again.mods)).read).toBe(0);
}, 60_000);

test("what a process that was killed has left is removed; what belongs to one that lives stays", async () => {
  const dead = execFileSync(process.execPath, ["-p", "process.pid"], { encoding: "utf8" }).trim();
  const gone = join(tmpdir(), `seating-unpacked-${dead}-a`);
  const kept = join(tmpdir(), `seating-unpacked-${process.pid}-a`);
  await mkdir(gone);
  await mkdir(kept);
  await removeLeftOvers();
  expect([existsSync(gone), existsSync(kept)]).toEqual([false, true]);
  await rm(kept, { recursive: true });
});

test("altered bytes give a sound mod or a problem in words, end, and leave nothing behind", async () => {
  const sound = [await make7z(files, "-mhc=off"), makeRar5(files), makeRar4({ "Reeds.plank": plugin })];
  let seed = 1;
  const next = (below: number) => (seed = (seed * 48_271) % 2_147_483_647) % below;
  for (let round = 0; round < 15; round++)
    for (const [kind, bytes] of sound.entries()) {
      const altered = Uint8Array.from(bytes);
      for (let flips = 0; flips <= round % 4; flips++) {
        // The list of files stands at the end of a .7z, the first header of a .rar at its beginning.
        const at = kind === 0 ? altered.length - 1 - next(250) : 7 + next(Math.min(altered.length - 7, 250));
        altered[at] = next(256);
      }
      await put(`${round}.${kind}.7z`, altered);
    }
  const mods = await readAll();
  expect(mods).toHaveLength(45);
  for (const { path, problem, content } of mods)
    expect([path, problem ? sayProblem(problem) : content]).toEqual([path, expect.stringMatching(/.+/)]);
  expect(await leftOvers()).toEqual([]);
}, 180_000);
