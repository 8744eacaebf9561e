import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";

/** A file as the list of its archive has it; `size` is null where the archive does not say it. */
export interface PackedEntry {
  readonly path: string;
  readonly size: number | null;
  readonly crc32: number | null;
  readonly method: string;
}

/** The files of a technical listing, in its order; folders are passed over, links and what is encrypted refused. */
export function readListing(lines: readonly string[]): Outcome<PackedEntry[], ProblemCode> {
  const entries: PackedEntry[] = [];
  for (const facts of blocks(lines)) {
    const path = facts.get("Path");
    if (path === undefined || isFolder(facts)) continue;
    const entry = path.slice(0, 200);
    if (facts.get("Encrypted") === "+") return refuse("zip-encrypted", { entry });
    if (isLink(facts)) return refuse("not-plain", { entry });
    const crc = facts.get("CRC") ?? "";
    const size = facts.get("Size") ?? "";
    entries.push({
      path,
      size: /^\d+$/.test(size) ? Number(size) : null,
      crc32: /^[0-9A-F]{8}$/i.test(crc) ? parseInt(crc, 16) : null,
      method: facts.get("Method") ?? "",
    });
  }
  return done(entries);
}

/** Each begins with its path; empty lines part them. */
function blocks(lines: readonly string[]): Map<string, string>[] {
  const all: Map<string, string>[] = [];
  for (const line of lines) {
    const match = /^([A-Z][\w ]*) = ?(.*)$/.exec(line);
    if (!match) continue;
    const [, name, value] = match;
    if (name === "Path") all.push(new Map());
    all.at(-1)?.set(name!, value!);
  }
  return all;
}

const isFolder = (facts: ReadonlyMap<string, string>): boolean =>
  facts.get("Folder") === "+" || /^D/.test(facts.get("Attributes") ?? "");

const isLink = (facts: ReadonlyMap<string, string>): boolean =>
  Boolean(facts.get("Symbolic Link") || facts.get("Hard Link") || facts.get("Copy Link")) ||
  / [lpsbc][r-][w-]/.test(facts.get("Attributes") ?? "");
