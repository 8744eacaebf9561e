import { createHash } from "node:crypto";
import { lstatSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

/** Of all below a folder by path: rights, contents, and times to the microsecond. */
export function snapshot(folder: string): Record<string, string> {
  const told: Record<string, string> = {};
  for (const path of ["", ...readdirSync(folder, { recursive: true, encoding: "utf8" })]) {
    const at = join(folder, path);
    const info = lstatSync(at);
    const bytes = info.isFile() ? createHash("sha256").update(readFileSync(at)).digest("hex") : "folder";
    told[path] = `${info.mode} ${Math.round(info.mtimeMs * 1000)} ${bytes}`;
  }
  return told;
}
