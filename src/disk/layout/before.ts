import {
  chmodSync,
  existsSync,
  lstatSync,
  readFileSync,
  rmdirSync,
  rmSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { dirname } from "node:path";
import { z } from "zod";
import { sha256Of } from "../digest";
import { writeWhole } from "./laid-out";
import { asSystemTime } from "./look";

const Before = z.array(
  z.strictObject({
    path: z.string(),
    /** In base 64; null where there was none. */
    contents: z.string().nullable(),
    mode: z.number(),
    /** When it, and each of the folders above it that may be touched, was last changed, in milliseconds; of those that were not there null. */
    changed: z.number(),
    folders: z.array(z.tuple([z.string(), z.number().nullable()])),
    /** The SHA-256 of all that Seating wrote there since, or was about to write when it ended. */
    written: z.array(z.string()).optional(),
  }),
);

/** Keeps files as they are now in `state`, but for those that are kept there already; folders above them only where they are not there yet. */
export function keepBefore(state: string, paths: readonly string[]): void {
  const kept = keptBefore(state);
  const others = paths.filter((path) => kept.every((each) => each.path !== path));
  if (others.length === 0) return;
  const before = others.map((path) => {
    const info = lstatSync(path, { throwIfNoEntry: false });
    return {
      path,
      contents: info ? readFileSync(path).toString("base64") : null,
      mode: info?.mode ?? 0,
      changed: info?.mtimeMs ?? 0,
      folders: foldersAbove(path),
    };
  });
  writeWhole(state, JSON.stringify([...kept, ...before] satisfies z.infer<typeof Before>));
}

const keptBefore = (state: string): z.infer<typeof Before> =>
  existsSync(state) ? Before.parse(JSON.parse(readFileSync(state, "utf8"))) : [];

/** What Seating is about to write in place of what is kept, by path. */
export function sayWriting(state: string, writing: ReadonlyMap<string, string | Uint8Array>): void {
  const before = keptBefore(state).map((each) => {
    const contents = writing.get(each.path);
    if (contents === undefined) return each;
    return { ...each, written: [...new Set([...(each.written ?? []), sha256Of(contents)])] };
  });
  if (before.length > 0) writeWhole(state, JSON.stringify(before));
}

/** Whether contents of a file are kept, or Seating's own. */
export function isKnown(state: string, path: string, contents: Uint8Array): boolean {
  const kept = keptBefore(state).find((each) => each.path === path);
  if (!kept) return false;
  return (
    kept.written?.includes(sha256Of(contents)) === true ||
    kept.contents === Buffer.from(contents).toString("base64")
  );
}

/** The folder in which it lies, and those above as long as they are not there. */
function foldersAbove(path: string): [string, number | null][] {
  const above = dirname(path);
  const info = lstatSync(above, { throwIfNoEntry: false });
  return info ? [[above, info.mtimeMs]] : [[above, null], ...foldersAbove(above)];
}

/** Puts what is kept back, but for files that are somebody else's by now: none of those that are as Seating wrote them. Folders that were not there go where they are empty. */
export function putBefore(state: string, isOthers: (path: string) => boolean): void {
  if (!existsSync(state)) return;
  const before = Before.parse(JSON.parse(readFileSync(state, "utf8")));
  for (const { path, contents, mode, changed, written } of before) {
    const present = existsSync(path) ? sha256Of(readFileSync(path)) : null;
    if (isOthers(path) && !(present !== null && written?.includes(present))) continue;
    if (contents === null) rmSync(path, { force: true });
    else {
      writeFileSync(path, Buffer.from(contents, "base64"));
      chmodSync(path, mode & 0o7777);
      utimesSync(path, asSystemTime(changed), asSystemTime(changed));
    }
  }
  for (const [folder, changed] of before.flatMap(({ folders }) => folders)) {
    if (!existsSync(folder)) continue;
    if (changed !== null) utimesSync(folder, asSystemTime(changed), asSystemTime(changed));
    else unmakeEmpty(folder);
  }
  rmSync(state);
}

function unmakeEmpty(folder: string): void {
  try {
    rmdirSync(folder);
  } catch {
    // Something else lies in it by now.
  }
}
