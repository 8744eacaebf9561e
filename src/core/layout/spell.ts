import type { GameDefinition } from "../model/game";
import { folderOf, foldName } from "../roster/fold";
import type { WantedFile } from "./wanted";

/** Folders, and files of a folder, by their names as the game compares them: each with how it is spelled. */
interface Folder {
  readonly spellings: Set<string>;
  readonly folders: Map<string, Folder>;
  readonly files: WantedFile[];
}

const newFolder = (): Folder => ({ spellings: new Set(), folders: new Map(), files: [] });

/**
 * The same with names spelled so that what is one folder for the game is one: as what lies there already is called, else folders by the
 * spelling that sorts first. `namesIn`: what of others' lies in a folder, which is named as it is spelled then.
 */
export function spelled(
  game: GameDefinition,
  wanted: readonly WantedFile[],
  namesIn: (folder: string) => readonly string[],
): WantedFile[] {
  const found: WantedFile[] = [];
  const walk = (path: string, { folders, files }: Folder) => {
    const present = new Map<string, string>();
    for (const name of [...namesIn(path)].sort().reverse()) present.set(foldName(game, name), name);
    const below = (key: string, own: string) => {
      const name = present.get(key) ?? own;
      return path === "" ? name : `${path}/${name}`;
    };
    for (const file of files) {
      const name = file.path.slice(file.path.lastIndexOf("/") + 1);
      const at = present.size === 0 ? below("", name) : below(foldName(game, name), name);
      found.push(file.path === at ? file : { ...file, path: at });
    }
    for (const [key, next] of folders) walk(below(key, [...next.spellings].sort()[0]!), next);
  };
  walk("", foldersOf(game, wanted));
  return found;
}

/** Most files lie in a folder in which others do that spell it alike. */
function foldersOf(game: GameDefinition, wanted: readonly WantedFile[]): Folder {
  const root = newFolder();
  const known = new Map<string, Folder>([["", root]]);
  const folderAt = (path: string): Folder => {
    const before = known.get(path);
    if (before) return before;
    const slash = path.lastIndexOf("/");
    const above = folderAt(path.slice(0, Math.max(0, slash)));
    const name = path.slice(slash + 1);
    const key = foldName(game, name);
    let folder = above.folders.get(key);
    if (!folder) above.folders.set(key, (folder = newFolder()));
    folder.spellings.add(name);
    known.set(path, folder);
    return folder;
  };
  for (const file of wanted) folderAt(folderOf(file.path)).files.push(file);
  return root;
}
