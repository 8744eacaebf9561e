import { existsSync, mkdirSync, readdirSync } from "node:fs";
import { join } from "node:path";
import type { Laws } from "./laws";
import { Stopped } from "./stopped";

/** In which the order file lies: of a game that keeps profiles in that of the one named, or of the only one. Its first start makes one. */
export function folderOfOrder(laws: Laws, folder: string, named: string | null, log: (line: string) => void) {
  if (!laws.profilesOfGame) return folder;
  const all = join(folder, laws.profilesOfGame.folder);
  if (!existsSync(all)) {
    mkdirSync(join(all, "first"), { recursive: true });
    log(`nobody has played yet: the profile first is made in ${laws.profilesOfGame.folder}`);
  }
  const names = readdirSync(all);
  const meant = named ?? (names.length === 1 ? names[0]! : null);
  if (meant === null)
    throw new Stopped(`there are several profiles, and none was named: ${names.join(", ")}`);
  if (!names.includes(meant)) throw new Stopped(`there is no profile ${meant}`);
  log(`profile: ${meant}`);
  return join(all, meant);
}
