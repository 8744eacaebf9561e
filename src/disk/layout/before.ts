import {
  chmodSync,
  existsSync,
  lstatSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmdirSync,
  rmSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { dirname } from "node:path";
import { z } from "zod";
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
  }),
);

/** Keeps files as they are now in `state`, but for those that are kept there already; folders above them only where they are not there yet. */
export function keepBefore(state: string, paths: readonly string[]): void {
  const kept = existsSync(state) ? Before.parse(JSON.parse(readFileSync(state, "utf8"))) : [];
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
  mkdirSync(dirname(state), { recursive: true });
  const draft = `${state}.new`;
  writeFileSync(draft, JSON.stringify([...kept, ...before] satisfies z.infer<typeof Before>));
  renameSync(draft, state);
}

/** The folder in which it lies, and those above as long as they are not there. */
function foldersAbove(path: string): [string, number | null][] {
  const above = dirname(path);
  const info = lstatSync(above, { throwIfNoEntry: false });
  return info ? [[above, info.mtimeMs]] : [[above, null], ...foldersAbove(above)];
}

/** Puts what is kept back, but for files that are somebody else's by now; folders that were not there go where they are empty. */
export function putBefore(state: string, isOthers: (path: string) => boolean): void {
  if (!existsSync(state)) return;
  const before = Before.parse(JSON.parse(readFileSync(state, "utf8")));
  for (const { path, contents, mode, changed } of before) {
    if (isOthers(path)) continue;
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
