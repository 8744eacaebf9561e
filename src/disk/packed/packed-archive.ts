import { mkdtemp, readdir, realpath, rm, stat } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { done, refuse, type Outcome, type Refused } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";
import { safePath } from "@/formats/archive-path";
import { tooLarge, tooMany } from "../archive-limits";
import { sha256OfFile } from "../digest";
import { ProblemError, type ModFile, type ModFiles } from "../mod-file";
import { streamPlain } from "../open-plain";
import { readListing, type PackedEntry } from "./listing";
import { runUnpacker, type Unpacked, type UnpackTask } from "./unpack";

type Kind = UnpackTask["kind"];

/** Milliseconds to list it, and on top of that to unpack each megabyte. */
const mostTime = { list: 60_000, perMegabyte: 1000 };

/**
 * The files of a .7z or .rar archive, whatever its name says it is. They are listed and checked first; at the first file that is
 * opened all are unpacked into a folder of their own, which goes when the archive is closed.
 */
export async function openPacked(path: string, kind: Kind): Promise<Outcome<ModFiles, ProblemCode>> {
  const archive = await realpath(path);
  const listed = await listFiles(archive, kind);
  if (!listed.ok) return listed;
  const entries = listed.value;
  let unpacked: Promise<string> | null = null;
  const open = async (path: string) => {
    const full = join(await (unpacked ??= unpack(archive, kind, entries)), path);
    // A link that the list did not show as one.
    if ((await realpath(full)) !== full)
      throw new ProblemError(refuse("not-plain", { entry: path.slice(0, 200) }).refusal);
    return streamPlain(full);
  };
  const fileOf = ({ path, size, crc32 }: PackedEntry): ModFile => ({
    path,
    size: size ?? 0,
    crc32,
    open: () => open(path),
    bytes: null,
  });
  const close = async () => {
    await unpacked?.then(removeFolder, () => undefined);
    unpacked = null;
  };
  return done({ files: entries.map(fileOf), sha256: () => sha256OfFile(archive), close });
}

/** Removes what processes that were killed while they read archives have left. */
export async function removeLeftOvers(): Promise<void> {
  for (const name of await readdir(tmpdir()).catch(() => [])) {
    const pid = new RegExp(`^${folderName("(\\d+)")}`).exec(name)?.[1];
    if (pid !== undefined && !isAlive(Number(pid))) await removeFolder(join(tmpdir(), name));
  }
}

function isAlive(pid: number): boolean {
  try {
    return process.kill(pid, 0);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === "EPERM";
  }
}

const removeFolder = (folder: string) => rm(folder, { recursive: true, force: true });

async function listFiles(archive: string, kind: Kind): Promise<Outcome<PackedEntry[], ProblemCode>> {
  const told = await run({ archive, kind, to: null }, mostTime.list);
  if (!told.ok) return told;
  const fault = faultIn(told.value, []);
  if (fault) return fault;
  const listed = readListing(told.value.lines);
  if (!listed.ok) return listed;
  return checkEntries(listed.value, (await stat(archive)).size) ?? listed;
}

/** All that must not even be unpacked: each path is one that may be written, once. */
function checkEntries(entries: readonly PackedEntry[], packed: number): Refused<ProblemCode> | null {
  const many = tooMany(entries.length);
  if (many) return many;
  const seen = new Set<string>();
  let size = 0;
  for (const entry of entries) {
    const shown = entry.path.slice(0, 200);
    if (entry.size === null) return refuse("zip-lies", { entry: shown });
    size += entry.size;
    const safe = safePath(entry.path);
    if (!safe.ok) return safe;
    if (seen.has(safe.value)) return refuse("path-twice", { entry: shown });
    seen.add(safe.value);
  }
  return tooLarge(size, packed);
}

/** Answers the folder; throws a `ProblemError`, and leaves nothing, where not all of it could be unpacked. */
async function unpack(archive: string, kind: Kind, entries: readonly PackedEntry[]): Promise<string> {
  const folder = await realpath(await mkdtemp(join(tmpdir(), folderName(process.pid))));
  const size = entries.reduce((sum, entry) => sum + (entry.size ?? 0), 0);
  const time = mostTime.list + (size / 2 ** 20) * mostTime.perMegabyte;
  const told = await run({ archive, kind, to: folder }, time);
  const refused = told.ok ? faultIn(told.value, entries) : told;
  if (!refused) return folder;
  await removeFolder(folder);
  throw new ProblemError(refused.refusal);
}

/** By the number of the process: what one that was killed has left is known by it. */
const folderName = (pid: number | string): string => `seating-unpacked-${pid}-`;

async function run(task: UnpackTask, milliseconds: number): Promise<Outcome<Unpacked, ProblemCode>> {
  try {
    return done(await runUnpacker(task, milliseconds));
  } catch (error) {
    return refuse("packed-broken", { detail: (error as Error).message });
  }
}

/** What the unpacker complained of; of a file only where one of these entries is it. */
function faultIn({ faults }: Unpacked, entries: readonly PackedEntry[]): Refused<ProblemCode> | null {
  const told = faults.map((line) => line.trim()).filter((line) => line !== "");
  if (told.length === 0) return null;
  if (told.some((line) => /encrypted archive/i.test(line))) return refuse("packed-locked");
  for (const line of told) {
    const [, what, path] = /^ERROR: (.+?) : (.+)$/.exec(line) ?? [];
    const entry = entries.find((each) => each.path === path);
    if (!entry) continue;
    const shown = entry.path.slice(0, 200);
    if (/^Unsupported Method/i.test(what!))
      return refuse("packed-method", { entry: shown, method: entry.method });
    return refuse("zip-corrupt", { entry: shown });
  }
  const detail = told.filter((line) => /^[A-Z]/.test(line) && !/^ERRORS?:?$/.test(line)).at(-1) ?? told[0]!;
  return refuse("packed-broken", { detail: detail.replace(`/from/`, "").slice(0, 200) });
}

/** Which kind of packed archive a file is, by how it begins; null where it is none. */
export function packedKind(start: Buffer): Kind | null {
  const head = start.toString("hex");
  if (head.startsWith("377abcaf271c")) return "7z";
  if (head.startsWith("526172211a070100")) return "rar5";
  return head.startsWith("526172211a0700") ? "rar" : null;
}
