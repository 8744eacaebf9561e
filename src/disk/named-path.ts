import { homedir } from "node:os";
import { resolve } from "node:path";
import { fileURLToPath } from "node:url";

/** Where Seating was started: what is said without a beginning counts from there. */
export const startedIn = (): string => process.env.INIT_CWD ?? process.cwd();

/**
 * The path that somebody means who types or pastes it: quotes around it fall away, `~` is the home folder, and the address of a
 * file is its path. Null where nothing is said.
 */
export function namedPath(
  typed: string,
  home: string = homedir(),
  from: string = startedIn(),
): string | null {
  const text = typed
    .trim()
    .replace(/^(["'])(.*)\1$/s, "$2")
    .trim();
  if (text === "") return null;
  if (/^file:\/\//i.test(text)) return pathOfAddress(text);
  return resolve(from, text.replace(/^~(?=$|[\\/])/, home));
}

function pathOfAddress(address: string): string | null {
  try {
    return fileURLToPath(address);
  } catch {
    return null;
  }
}
