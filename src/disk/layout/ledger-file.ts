import {
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  readSync,
  renameSync,
  writeSync,
} from "node:fs";
import { dirname } from "node:path";
import { z } from "zod";
import { LedgerEntry, LedgerFrame, type Ledger } from "@/core/model/ledger";

/** The first line of a ledger; each of the others is an entry of it. */
const FirstLine = LedgerFrame.extend({
  format: z.literal("seating-ledger/2"),
  /** How many entries follow. */
  files: z.number().int().min(0),
});

/** As it was kept once: all of it one value. */
export const FirstLedger = LedgerFrame.extend({
  format: z.literal("seating-ledger/1"),
  entries: z.array(LedgerEntry),
}).transform(({ format: _, ...ledger }): Ledger => ledger);

/** Entries that are written, and bytes that are read, at a time: a game's folder holds hundreds of thousands of files. */
const [entriesAtOnce, bytesAtOnce] = [2000, 1 << 18];

/** As a whole or not at all. */
export function writeLedger(path: string, { entries, ...frame }: Ledger): void {
  mkdirSync(dirname(path), { recursive: true });
  const first: z.infer<typeof FirstLine> = { format: "seating-ledger/2", ...frame, files: entries.length };
  const fd = openSync(`${path}.part`, "w");
  try {
    writeSync(fd, `${JSON.stringify(first)}\n`);
    for (let at = 0; at < entries.length; at += entriesAtOnce)
      writeSync(fd, linesOf(entries.slice(at, at + entriesAtOnce)));
  } finally {
    closeSync(fd);
  }
  renameSync(`${path}.part`, path);
}

const linesOf = (values: readonly unknown[]): string =>
  values.map((value) => `${JSON.stringify(value)}\n`).join("");

/** Null where there is none; throws where it is not whole. */
export function readLedger(path: string): Ledger | null {
  if (!existsSync(path)) return null;
  const lines = valuesIn(path);
  const { format: _, files, ...frame } = FirstLine.parse(lines.next().value);
  // Checked one by one they would take longer than all else: what is not whole has too few.
  const entries = [...lines] as LedgerEntry[];
  if (entries.length !== files) throw new Error(`${path} is not whole: ${entries.length} files of ${files}`);
  return { ...frame, entries };
}

export const readFirstLedger = (path: string): Ledger | null =>
  existsSync(path) ? FirstLedger.parse(JSON.parse(readFileSync(path, "utf8"))) : null;

/** The values of a file that has one of JSON on each line. */
function* valuesIn(path: string): Generator<unknown> {
  const fd = openSync(path, "r");
  const buffer = Buffer.alloc(bytesAtOnce);
  try {
    let rest: Buffer[] = [];
    for (let size = readSync(fd, buffer); size > 0; size = readSync(fd, buffer)) {
      const end = buffer.subarray(0, size).lastIndexOf("\n");
      const whole = Buffer.concat([...rest, buffer.subarray(0, Math.max(0, end))]);
      if (end >= 0) yield* valuesOf(whole);
      rest =
        end >= 0
          ? [Buffer.from(buffer.subarray(end + 1, size))]
          : [...rest, Buffer.from(buffer.subarray(0, size))];
    }
  } finally {
    closeSync(fd);
  }
}

/** A line break within a text is not one in JSON. */
const valuesOf = (lines: Buffer): unknown[] =>
  JSON.parse(`[${lines.toString("utf8").replaceAll("\n", ",")}]`) as unknown[];
