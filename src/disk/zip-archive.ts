import { fromFdPromise, getFileNameLowLevel, type Entry, type ZipFile } from "yauzl";
import { done, refuse, type Outcome, type Refused } from "@/core/model/outcome";
import { tooLarge, tooMany } from "./archive-limits";
import type { ModFile, ModFiles } from "./mod-file";
import { openDescriptor } from "./open-plain";
import type { ProblemCode } from "@/core/model/refusal";

/** Stored and deflated (APPNOTE.TXT, 4.4.5). */
const methods = [0, 8];

/** The files of a zip archive. Directory entries are passed over; sizes are checked again while a file is read. */
export async function openZip(path: string): Promise<Outcome<ModFiles, ProblemCode>> {
  let zip: ZipFile;
  try {
    zip = await fromFdPromise(await openDescriptor(path), {
      lazyEntries: true,
      autoClose: false,
      decodeStrings: false,
    });
  } catch (error) {
    return refuse("not-a-zip", { detail: (error as Error).message });
  }
  const listed = await listEntries(zip);
  if (!listed.ok) {
    zip.close();
    return listed;
  }
  return done({
    files: listed.value.map((entry) => archiveFile(zip, entry)),
    close: () => Promise.resolve(zip.close()),
  });
}

async function listEntries(zip: ZipFile): Promise<Outcome<Entry[], ProblemCode>> {
  const many = tooMany(zip.entryCount);
  if (many) return many;
  const entries: Entry[] = [];
  try {
    for await (const entry of zip.eachEntry()) entries.push(entry);
  } catch (error) {
    return refuse("not-a-zip", { detail: (error as Error).message });
  }
  const refusal = checkEntries(entries, zip.fileSize);
  return refusal ?? done(entries.filter((entry) => !nameOf(entry).endsWith("/")));
}

function checkEntries(entries: readonly Entry[], fileSize: number): Refused<ProblemCode> | null {
  const size = entries.reduce((sum, entry) => sum + entry.uncompressedSize, 0);
  const large = tooLarge(size, fileSize);
  if (large) return large;
  const packed = entries.find(({ compressionMethod }) => !methods.includes(compressionMethod));
  if (packed) return refuse("zip-method", { entry: shownName(packed), method: packed.compressionMethod });
  const encrypted = entries.find((entry) => entry.isEncrypted());
  if (encrypted) return refuse("zip-encrypted", { entry: shownName(encrypted) });
  const byPlace = [...entries].sort((a, b) => a.relativeOffsetOfLocalHeader - b.relativeOffsetOfLocalHeader);
  const overlap = byPlace.find(
    (entry, at) => at > 0 && endOf(byPlace[at - 1]!) > entry.relativeOffsetOfLocalHeader,
  );
  return overlap ? refuse("zip-overlap", { entry: shownName(overlap) }) : null;
}

/** The least place at which an entry can end: fixed part of its local header, its name, its data. */
const endOf = (entry: Entry): number =>
  entry.relativeOffsetOfLocalHeader + 30 + entry.fileNameRaw.length + entry.compressedSize;

/** Where the name is not UTF-8, its old code page would show control characters as pictures; they are kept as they are. */
function nameOf(entry: Entry): string {
  const raw = entry.fileNameRaw;
  if (raw.some((byte) => byte < 0x20 || byte === 0x7f)) return raw.toString("latin1");
  return getFileNameLowLevel(entry.generalPurposeBitFlag, raw, entry.extraFields, true);
}

const shownName = (entry: Entry): string => nameOf(entry).slice(0, 200);

const archiveFile = (zip: ZipFile, entry: Entry): ModFile => ({
  path: nameOf(entry),
  size: entry.uncompressedSize,
  crc32: entry.crc32,
  open: () => zip.openReadStreamPromise(entry),
});
