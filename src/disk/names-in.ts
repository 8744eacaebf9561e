import { readdirSync } from "node:fs";

/** The names of what lies in a folder; none where it cannot be listed. */
export function namesIn(folder: string): string[] {
  try {
    return readdirSync(folder);
  } catch {
    return [];
  }
}
