import { createWriteStream } from "node:fs";
import { once } from "node:events";
import { Zip, ZipDeflate, strToU8 } from "fflate";
import type { ModFile } from "./mod-file";

/** Values as rows of JSON arrays, a file each, in a zip archive that is never held whole. */
export class RowArchiveWriter {
  private readonly out;
  private readonly zip: Zip;
  private failed: Error | null = null;

  constructor(path: string) {
    this.out = createWriteStream(path, { flags: "wx", mode: 0o600 });
    this.out.on("error", (error) => (this.failed = error));
    this.zip = new Zip((error, bytes) => {
      if (error) this.failed = error;
      else this.out.write(bytes);
    });
  }

  /** A file of one text. */
  async add(name: string, text: string): Promise<void> {
    const file = this.begin(name);
    file.push(strToU8(text), true);
    await this.drained();
  }

  /** A file that is a JSON array of these rows, each JSON already. Nothing is written where there are none. */
  async addRows(name: string, batches: AsyncIterable<readonly string[]>): Promise<void> {
    let file: ZipDeflate | null = null;
    for await (const rows of batches) {
      if (rows.length === 0) continue;
      const head = file ? ",\n" : "[";
      file ??= this.begin(name);
      file.push(strToU8(head + rows.join(",\n")));
      await this.drained();
    }
    file?.push(strToU8("]"), true);
    await this.drained();
  }

  async end(): Promise<void> {
    this.zip.end();
    this.out.end();
    if (!this.failed) await once(this.out, "close");
    await this.drained();
  }

  private begin(name: string): ZipDeflate {
    const file = new ZipDeflate(name, { level: 6 });
    this.zip.add(file);
    return file;
  }

  /** What is written waits for the disk, or it would all be held. */
  private async drained(): Promise<void> {
    if (!this.failed && this.out.writableNeedDrain) await once(this.out, "drain");
    if (this.failed) throw this.failed;
  }
}

/** Characters of rows that are handed on at once. */
const batch = 2 ** 20;

/** The rows of a file that is a JSON array, as texts, some at a time. Throws where it is none. */
export async function* readRows(file: ModFile): AsyncGenerator<string[]> {
  const rows: string[] = [];
  let size = 0;
  const splitter = new RowSplitter((row) => {
    rows.push(row);
    size += row.length;
  });
  const decoder = new TextDecoder("utf-8", { fatal: true });
  for await (const bytes of await file.open()) {
    splitter.push(decoder.decode(bytes as Uint8Array, { stream: true }));
    if (size < batch) continue;
    yield rows.splice(0);
    size = 0;
  }
  splitter.push(decoder.decode());
  splitter.end();
  yield rows;
}

/** Splits a JSON array into the texts of its elements, without reading them (RFC 8259). */
class RowSplitter {
  private depth = 0;
  private inText = false;
  private escaped = false;
  private row = "";

  constructor(private readonly onRow: (row: string) => void) {}

  push(text: string): void {
    let from = 0;
    for (let at = 0; at < text.length; at++) {
      const sign = text[at]!;
      if (this.inText) {
        if (this.escaped) this.escaped = false;
        else if (sign === "\\") this.escaped = true;
        else if (sign === '"') this.inText = false;
        continue;
      }
      if (sign === '"') this.inText = true;
      else if (sign === "[" || sign === "{") {
        if (this.depth++ === 0) from = at + 1;
      } else if (sign === "]" || sign === "}") {
        if (--this.depth === 0) from = this.cut(text, from, at);
      } else if (sign === "," && this.depth === 1) from = this.cut(text, from, at);
    }
    if (this.depth > 0) this.row += text.slice(from);
  }

  end(): void {
    if (this.depth !== 0 || this.inText) throw new Error("a table ends within a row");
  }

  private cut(text: string, from: number, at: number): number {
    const row = (this.row + text.slice(from, at)).trim();
    this.row = "";
    if (row) this.onRow(row);
    return at + 1;
  }
}
