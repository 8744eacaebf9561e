import { closeSync, openSync, readSync, statSync } from "node:fs";
import { StringDecoder } from "node:string_decoder";

const bytesAtOnce = 1 << 16;

/** What a program has written into its log, line by line, as it grows. */
export class LogFile {
  private at = 0;
  private rest = "";
  private readonly decoder = new StringDecoder("utf8");

  /** `last`: so many bytes of what is there already, and not more, are read. */
  constructor(
    private readonly path: string,
    last = Infinity,
  ) {
    const size = statSync(path, { throwIfNoEntry: false })?.size ?? 0;
    this.at = Math.max(0, size - last);
  }

  /** The lines that are whole since it was last asked; `isEnded`: the last one is, too, where it has no end. */
  readonly next = (isEnded = false): string[] => {
    const lines = (this.rest + this.read()).split(/\r?\n/);
    this.rest = lines.pop()!;
    if (!isEnded || this.rest === "") return lines;
    const last = this.rest;
    this.rest = "";
    return [...lines, last];
  };

  private read(): string {
    let fd: number;
    try {
      fd = openSync(this.path, "r");
    } catch {
      return "";
    }
    const buffer = Buffer.alloc(bytesAtOnce);
    let text = "";
    try {
      for (let size = 1; size > 0; this.at += size) {
        size = readSync(fd, buffer, 0, buffer.length, this.at);
        text += this.decoder.write(buffer.subarray(0, size));
      }
    } finally {
      closeSync(fd);
    }
    return text;
  }
}
