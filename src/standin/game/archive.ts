import { lstatSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import makeSevenZip from "7z-wasm";
import { fromBufferPromise, type Entry, type ZipFile } from "yauzl";
import { Unreadable } from "./stopped";

/** A file of a mod; reading it throws `Unreadable`. */
export interface GameFile {
  /** Below the root of its archive or folder, with `/`. */
  readonly path: string;
  readonly read: () => Promise<Uint8Array>;
}

/** The files of a folder or an archive, which is known by its first bytes. Throws `Unreadable`. */
export async function filesAt(path: string): Promise<GameFile[]> {
  const info = lstatSync(path, { throwIfNoEntry: false });
  if (!info) throw new Unreadable("it is not there");
  if (info.isDirectory()) return filesInFolder(path, "");
  if (!info.isFile()) throw new Unreadable("it is neither a file nor a folder");
  const bytes = readFileSync(path);
  const start = bytes.subarray(0, 6).toString("latin1");
  return start === "7z\xbc\xaf\x27\x1c" || start === "Rar!\x1a\x07" ? unpacked(bytes) : filesInZip(bytes);
}

function filesInFolder(root: string, below: string): GameFile[] {
  return readdirSync(join(root, below), { withFileTypes: true }).flatMap((entry) => {
    const path = below === "" ? entry.name : `${below}/${entry.name}`;
    if (entry.isDirectory()) return filesInFolder(root, path);
    if (!entry.isFile()) throw new Unreadable(`${path} in it is no plain file`);
    return [{ path, read: () => Promise.resolve(readFileSync(join(root, path))) }];
  });
}

/** Of a zip archive; its reader refuses paths that lead out of it. */
export async function filesInZip(bytes: Buffer): Promise<GameFile[]> {
  try {
    const zip = await fromBufferPromise(bytes, { lazyEntries: true });
    const entries: Entry[] = [];
    for await (const entry of zip.eachEntry()) entries.push(entry);
    return entries
      .filter(({ fileName }) => !fileName.endsWith("/"))
      .map((entry) => ({ path: entry.fileName.replaceAll("\\", "/"), read: () => inflate(zip, entry) }));
  } catch (error) {
    throw new Unreadable((error as Error).message);
  }
}

async function inflate(zip: ZipFile, entry: Entry): Promise<Uint8Array> {
  const parts: Buffer[] = [];
  try {
    for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
  } catch (error) {
    throw new Unreadable((error as Error).message);
  }
  const bytes = Buffer.concat(parts);
  if (crc32(bytes) !== entry.crc32) throw new Unreadable(`${entry.fileName} in it is damaged`);
  return bytes;
}

/** The check sum of ISO 3309 that a zip archive has of each file (APPNOTE.TXT, 4.4.7), bit by bit. */
function crc32(bytes: Uint8Array): number {
  let sum = 0xffffffff;
  for (const byte of bytes) {
    sum ^= byte;
    for (let bit = 0; bit < 8; bit++) sum = (sum >>> 1) ^ (sum & 1 ? 0xedb88320 : 0);
  }
  return (sum ^ 0xffffffff) >>> 0;
}

async function unpacked(bytes: Uint8Array): Promise<GameFile[]> {
  const faults: string[] = [];
  const tool = await makeSevenZip({
    print: () => undefined,
    printErr: (line) => faults.push(line),
    stdin: () => null as never,
  });
  tool.FS.writeFile("/archive", bytes);
  tool.FS.mkdir("/out");
  tool.callMain(["x", "-o/out", "-y", "-bd", "-pnone", "--", "/archive"]);
  if (faults.some((line) => line.trim() !== "")) throw new Unreadable(faults.join(" ").trim());
  const below = (folder: string): string[] =>
    tool.FS.readdir(folder)
      .filter((name) => name !== "." && name !== "..")
      .map((name) => `${folder}/${name}`)
      .flatMap((path) => (tool.FS.isDir(tool.FS.stat(path).mode) ? below(path) : [path]));
  return below("/out").map((path) => ({
    path: path.slice("/out/".length),
    read: () => Promise.resolve(tool.FS.readFile(path)),
  }));
}
