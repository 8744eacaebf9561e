import { randomBytes } from "node:crypto";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

/**
 * What a page says with each large read, so that nothing reads all that Seating keeps by an address alone. It stays over a restart,
 * or windows that are open would have to be loaded anew.
 */
export function readToken(home: string): string {
  const file = join(home, "token");
  try {
    const token = readFileSync(file, "utf8").trim();
    if (/^[0-9a-f]{32}$/.test(token)) return token;
  } catch {
    // There is none yet.
  }
  const token = randomBytes(16).toString("hex");
  mkdirSync(home, { recursive: true });
  writeFileSync(file, `${token}\n`, { mode: 0o600 });
  return token;
}
