import { lstatSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { filesAt, type GameFile } from "./archive";
import { folded, type Laws, type Placement } from "./laws";
import { isContainer } from "./mod";
import { Stopped, Unreadable } from "./stopped";

type Laying = Exclude<Placement, { kind: "list" }>;

/** What lies in one folder of the game's, as the game sees it. */
export interface LaidFolder {
  readonly name: string;
  readonly files: readonly GameFile[];
}

/**
 * What a game that looks into its own folder finds there, in the order in which it opens it: the folders of the mods that its order names,
 * or one folder in which all of them lie.
 */
export async function laidOutIn(
  laws: Laws,
  laying: Laying,
  folder: string,
  names: readonly string[],
): Promise<LaidFolder[]> {
  if (laying.kind === "merged") return [{ name: laying.folder, files: await merged(laws, laying, folder) }];
  const found: LaidFolder[] = [];
  for (const name of names) {
    const below = `${laying.folder}/${laying.name.replace("{id}", name)}`;
    if (!isFolder(join(folder, below)))
      throw new Stopped(`${name} is listed in ${laws.orderFile.path}, but ${below} is not there`);
    found.push({ name: below, files: await opened(join(folder, below), below) });
  }
  return found;
}

/** Packed files come last, by their names, as they are opened. */
async function merged(
  laws: Laws,
  { folder: own, elsewhere = [] }: Laying,
  game: string,
): Promise<GameFile[]> {
  const files: GameFile[] = [];
  for (const { at, as } of [{ at: own, as: "" }, ...elsewhere.map(({ from, to }) => ({ at: to, as: from }))])
    if (isFolder(join(game, at)))
      for (const file of await opened(join(game, at), at)) files.push({ ...file, path: `${as}${file.path}` });
  const nameOf = ({ path }: GameFile) => folded(laws, path.slice(path.lastIndexOf("/") + 1));
  const packed = files.filter(({ path }) => isContainer(laws, path));
  return [
    ...files.filter(({ path }) => !isContainer(laws, path)),
    ...packed.sort((a, b) => (nameOf(a) < nameOf(b) ? -1 : 1)),
  ];
}

async function opened(path: string, name: string): Promise<readonly GameFile[]> {
  try {
    return await filesAt(path);
  } catch (error) {
    if (error instanceof Unreadable) throw new Stopped(`${name} cannot be opened: ${error.message}`);
    throw error;
  }
}

const isFolder = (path: string): boolean =>
  lstatSync(path, { throwIfNoEntry: false })?.isDirectory() === true;

/** Folders of mods that lie there and that the order does not name. */
export function unlisted(laying: Laying, folder: string, names: readonly string[]): string[] {
  const at = join(folder, laying.folder);
  if (laying.kind === "merged" || !isFolder(at)) return [];
  const listed = new Set(names.map((name) => laying.name.replace("{id}", name)));
  return readdirSync(at).filter((name) => !listed.has(name));
}
