import type { GameDefinition } from "../model/game";
import { foldName } from "../roster/fold";
import type { WantedFile } from "./wanted";

/** The folders and files of one folder, by their names as the game compares them. */
interface Branch {
  readonly spellings: Set<string>;
  readonly branches: Map<string, Branch>;
  file: WantedFile | null;
}

const branch = (): Branch => ({ spellings: new Set(), branches: new Map(), file: null });

/**
 * The same with names spelled so that what is one folder for the game is one: as what lies there already is called, else folders by the
 * spelling that sorts first. `namesIn`: what of others' lies in a folder, which is named as it is spelled then.
 */
export function spelled(
  game: GameDefinition,
  wanted: readonly WantedFile[],
  namesIn: (folder: string) => readonly string[],
): WantedFile[] {
  const root = branch();
  for (const file of wanted) {
    let at = root;
    for (const name of file.path.split("/")) {
      const key = foldName(game, name);
      let next = at.branches.get(key);
      if (!next) at.branches.set(key, (next = branch()));
      next.spellings.add(name);
      at = next;
    }
    at.file = file;
  }
  const found: WantedFile[] = [];
  const walk = (folder: string, { branches }: Branch) => {
    const present = new Map<string, string>();
    for (const name of [...namesIn(folder)].sort().reverse()) present.set(foldName(game, name), name);
    for (const [key, next] of branches) {
      const name = present.get(key) ?? [...next.spellings].sort()[0]!;
      const path = folder === "" ? name : `${folder}/${name}`;
      if (next.file) found.push(next.file.path === path ? next.file : { ...next.file, path });
      if (next.branches.size > 0) walk(path, next);
    }
  };
  walk("", root);
  return found;
}
