import { join } from "node:path";
import { editionIn } from "@/core/game/edition";
import type { GameDefinition } from "@/core/model/game";
import type { Installed } from "@/core/model/installed";
import { foldName } from "@/core/roster/fold";
import { Looking } from "./layout/look";
import { readStart } from "./open-plain";

/** Bytes of a file in which a version is looked for, and entries of the game's folder among which something that lies astray is. */
const most = { bytes: 4_000_000, entries: 20_000 };

/** The version that the game itself names, by the edition of its definition. */
export async function readVersion(
  { edition }: GameDefinition,
  folder: string,
): Promise<{ readonly standing: NonNullable<Installed["edition"]>; readonly version: string | null } | null> {
  if (!edition) return null;
  const bytes = await readStart(join(folder, edition.file), most.bytes).catch(() => null);
  if (!bytes) return { standing: "absent", version: null };
  // A program holds what its system shows of it in two bytes a letter.
  const version = editionIn(edition, bytes.toString("utf8")) ?? editionIn(edition, bytes.toString("utf16le"));
  return { standing: version === null ? "unlike" : "read", version };
}

/** What is seen of the game itself in its folder; undefined where its definition asks for nothing. */
export async function readInstalled(game: GameDefinition, folder: string): Promise<Installed | undefined> {
  const { prerequisites = [] } = game;
  const edition = await readVersion(game, folder);
  if (!edition && prerequisites.length === 0) return undefined;
  const looking = new Looking(folder);
  const missing = prerequisites.filter(({ file }) => !isThere(game, looking, file));
  const elsewhere = missing.length === 0 ? new Map<string, string>() : placesOf(game, looking, missing);
  return {
    ...(edition && { edition: edition.standing }),
    astray: missing.map(({ id, file }) => ({ id, at: elsewhere.get(nameOf(game, file)) ?? null })),
  };
}

const nameOf = (game: GameDefinition, path: string): string =>
  foldName(game, path.slice(path.lastIndexOf("/") + 1));

/** Whether a file lies at a path as the game compares paths, whatever the system does. */
function isThere(game: GameDefinition, looking: Looking, path: string): boolean {
  let at = "";
  for (const name of path.split("/")) {
    const found = looking.namesIn(at).find((each) => foldName(game, each) === foldName(game, name));
    if (found === undefined) return false;
    at = joined(at, found);
  }
  return looking.look(at)?.kind === "file";
}

const joined = (folder: string, name: string): string => (folder === "" ? name : `${folder}/${name}`);

/** Where files of these names lie, the nearest to the game's own folder first; after so many entries the search ends. */
function placesOf(
  game: GameDefinition,
  looking: Looking,
  missing: readonly { readonly file: string }[],
): Map<string, string> {
  const wanted = new Set(missing.map(({ file }) => nameOf(game, file)));
  const found = new Map<string, string>();
  const folders = [""];
  let seen = 0;
  for (let folder = folders.shift(); folder !== undefined; folder = folders.shift())
    for (const name of looking.namesIn(folder).sort()) {
      if (++seen > most.entries || found.size === wanted.size) return found;
      const path = joined(folder, name);
      const lying = looking.look(path)?.kind;
      const key = nameOf(game, name);
      if (lying === "folder") folders.push(path);
      else if (lying === "file" && wanted.has(key) && !found.has(key)) found.set(key, path);
    }
  return found;
}
