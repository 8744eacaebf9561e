import { Readable } from "node:stream";
import { inflateRawSync } from "node:zlib";
import {
  fromFdPromise,
  fromRandomAccessReaderPromise,
  getFileNameLowLevel,
  RandomAccessReader,
  type Entry,
  type ZipFile,
} from "yauzl";
import { done, refuse, type Outcome, type Refused } from "@/core/model/outcome";
import { tooLarge, tooMany } from "./archive-limits";
import type { ModFile, ModFiles } from "./mod-file";
import { sha256Of, sha256OfFile } from "./digest";
import { openDescriptor, readSmall } from "./open-plain";
import type { ProblemCode } from "@/core/model/refusal";

/** Stored and deflated (APPNOTE.TXT, 4.4.5). */
const methods = [0, 8];

/** Bytes of a file in an archive that is unpacked at once. */
const small = 8 * 2 ** 20;

/** Bytes of an archive that is held whole while it is open. */
const mostHeld = 32 * 2 ** 20;

/** All bytes of an archive; null where they are too many to be held. */
export const holdArchive = (path: string): Buffer | null => readSmall(path, mostHeld);

/** The files of a zip archive. Directory entries are passed over; sizes are checked again while a file is read. */
export async function openZip(
  path: string,
  known?: ReturnType<typeof holdArchive>,
): Promise<Outcome<ModFiles, ProblemCode>> {
  const options = { lazyEntries: true, autoClose: false, decodeStrings: false } as const;
  let held: Buffer | null;
  let zip: ZipFile;
  try {
    held = known === undefined ? holdArchive(path) : known;
    zip = held
      ? await fromRandomAccessReaderPromise(new BufferReader(held), held.length, options)
      : await fromFdPromise(await openDescriptor(path), options);
  } catch (error) {
    return refuse("not-a-zip", { detail: (error as Error).message });
  }
  const listed = await listEntries(zip);
  if (!listed.ok) {
    zip.close();
    return listed;
  }
  return done({
    files: listed.value.map((entry) => archiveFile(zip, entry, held)),
    sha256: () => (held ? Promise.resolve(sha256Of(held)) : sha256OfFile(path)),
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

const archiveFile = (zip: ZipFile, entry: Entry, held: Buffer | null): ModFile => ({
  path: nameOf(entry),
  size: entry.uncompressedSize,
  crc32: entry.crc32,
  open: () => zip.openReadStreamPromise(entry),
  bytes: held && entry.uncompressedSize <= small ? () => unpack(zip, entry, held) : null,
});

/** Bytes; zlib takes no less. */
const leastRoom = 64;

/** What the stream of the entry would give; it throws where that would fail. */
function unpack(zip: ZipFile, entry: Entry, held: Buffer): Buffer {
  const start = dataStart(zip, entry);
  const packed = held.subarray(start, start + entry.compressedSize);
  // One byte more than it may have: more than that is not even unpacked.
  const most = entry.uncompressedSize + 1;
  const room = { maxOutputLength: most, chunkSize: Math.max(leastRoom, most) };
  const bytes = entry.compressionMethod === 0 ? packed : inflateRawSync(packed, room);
  if (bytes.length !== entry.uncompressedSize) throw new Error("it is not as long as the archive says");
  return bytes;
}

/** The reader of an archive that is held answers at once. */
function dataStart(zip: ZipFile, entry: Entry): number {
  let start = 0;
  zip.readLocalFileHeader(entry, { minimal: true }, (error, header) => {
    if (error) throw error;
    start = header.fileDataStart;
  });
  return start;
}

/** An archive in memory, of which each part is there at once: yauzl's own reader of buffers waits a turn for each. */
class BufferReader extends RandomAccessReader {
  constructor(private readonly held: Buffer) {
    super();
  }

  override read(
    to: Buffer,
    offset: number,
    length: number,
    position: number,
    callback: (error: Error | null, read?: number) => void,
  ): void {
    const there = this.held.subarray(position, position + length);
    callback(null, there.copy(to, offset));
  }

  override _readStreamForRange(start: number, end: number): Readable {
    return Readable.from([this.held.subarray(start, end)], { objectMode: false });
  }

  override close(callback: (error: Error | null) => void): void {
    callback(null);
  }
}
