import { randomUUID } from "node:crypto";
import { chmod, lstat, mkdir, rename, rm, rmdir, utimes, writeFile } from "node:fs/promises";
import { dirname, join } from "node:path";
import { say } from "@/core/language/say";
import type { GameFolders } from "@/core/model/game";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { SettingsFile } from "@/core/model/settings";
import { asSystemTime } from "./layout/look";
import { readPlain } from "./open-plain";

/** A file below a folder of the game's. */
type FileBelow = Pick<SettingsFile, "path" | "folder">;

export const settingsPath = (
  { path, folder = "game" }: FileBelow,
  folders: Pick<GameFolders, "game" | "order">,
) => join(folders[folder], path);

/** What of a file of settings is there. */
export interface SettingsThere {
  /** Null where there is none. */
  readonly contents: Uint8Array | null;
  /** When it was last changed, in milliseconds; null where there is none. */
  readonly changed: number | null;
  /** Folders above it that are not there, the outermost first. */
  readonly missing: readonly string[];
}

/** Refused where a link lies on the way to it below its folder: what is written there would be written elsewhere. */
export async function lookAtSettings(
  file: FileBelow,
  folders: Pick<GameFolders, "game" | "order">,
): Promise<Outcome<SettingsThere>> {
  const names = file.path.split("/");
  const missing: string[] = [];
  let at = folders[file.folder ?? "game"];
  for (const [number, name] of names.entries()) {
    at = join(at, name);
    const info = await lstat(at).catch(() => null);
    const isLast = number === names.length - 1;
    if (info?.isSymbolicLink()) return unfit(file, say("settings.isLink"));
    if (info && !(isLast ? info.isFile() : info.isDirectory()))
      return unfit(file, say("settings.noPlainFile"));
    if (!info && !isLast) missing.push(at);
    if (isLast && info)
      try {
        return done({ contents: await readPlain(at), changed: info.mtimeMs, missing });
      } catch (error) {
        const { code, message } = error as NodeJS.ErrnoException;
        return refuse("game-file-unreadable", { path: at, detail: code ?? message });
      }
  }
  return done({ contents: null, changed: null, missing });
}

const unfit = ({ path }: FileBelow, detail: string): Outcome<never> =>
  refuse("settings-unfit", { path, detail });

/**
 * Puts contents in place of a file at once, or takes it away (null) with the folders that were made for it as far as they are empty. Its
 * rights stay; its date is `changed`, in milliseconds, where that is told. Folders keep their dates.
 */
export async function putSettings(
  path: string,
  contents: Uint8Array | null,
  changed: number | null,
  made: readonly string[],
): Promise<Outcome<null>> {
  const draft = `${path}.seating-${randomUUID()}`;
  try {
    const present = await lstat(path).catch(() => null);
    if (contents === null) await keepingDate(dirname(path), () => rm(path, { force: true }));
    else {
      const outermost = dirname(made[0] ?? path);
      await keepingDate(outermost, () => mkdir(dirname(path), { recursive: true }));
      await keepingDate(dirname(path), async () => {
        await writeFile(draft, contents, { flush: true, flag: "wx" });
        if (present) await chmod(draft, present.mode & 0o7777);
        if (changed !== null) await utimes(draft, asSystemTime(changed), asSystemTime(changed));
        await rename(draft, path);
      });
    }
    if (contents === null) for (const folder of [...made].reverse()) await unmake(folder);
    return done(null);
  } catch (error) {
    await rm(draft, { force: true });
    return refuse("cannot-write", { path, detail: (error as Error).message });
  }
}

/** Whoever made a folder may see by its date whether anybody has put something into it; a file that is replaced is no such thing. */
async function keepingDate(folder: string, work: () => Promise<unknown>): Promise<void> {
  const before = await lstat(folder).catch(() => null);
  await work();
  if (before) await utimes(folder, asSystemTime(before.atimeMs), asSystemTime(before.mtimeMs));
}

async function unmake(folder: string): Promise<void> {
  try {
    await keepingDate(dirname(folder), () => rmdir(folder));
  } catch {
    // Something else lies in it by now.
  }
}
