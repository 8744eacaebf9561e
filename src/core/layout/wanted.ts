import type { GameDefinition } from "../model/game";
import type { Laying } from "../model/placement";
import type { ContentFile } from "../model/shelf";
import { extensionOf, folderOf, foldName, manifestName } from "../roster/fold";
import { leavesOut } from "../roster/left-out";
import { chosenParts, partsOf } from "../roster/parts";
import type { Roster } from "../roster/roster";

/** A mod that is on, as far as laying out has to know it. */
export interface LaidMod {
  readonly id: string;
  readonly name: string;
  readonly version: string;
  /** What it is called on the shelf, without the ending of an archive. */
  readonly folder: string;
  readonly content: string;
  readonly files: readonly ContentFile[];
  /** Parts of its package in the manifest's order, and those that are taken. */
  readonly partKeys: readonly string[];
  readonly taken: ReadonlySet<string>;
  readonly leftOut: readonly string[];
}

/** A file that a profile wants in the game's folder. */
export interface WantedFile {
  /** Below the game's folder. */
  readonly path: string;
  readonly mod: string;
  /** By which the file is found in the mod: its contents, its path there as the game sees it, and its part. */
  readonly content: string;
  readonly own: string;
  readonly part: string | null;
  readonly size: number;
  readonly hash: string;
  /** It is written to, or has a date of its own, and must not be one with the store's. */
  readonly isOwnCopy: boolean;
  /** The date that it has for its place in the order, in milliseconds. */
  readonly date?: number | undefined;
}

/** Why a profile cannot be laid out as it is. */
export type WantedFlaw =
  /** One mod has a file where another one has a folder. */
  | { readonly kind: "file-and-folder"; readonly file: WantedFile; readonly below: WantedFile }
  /** What lies in a mod was never read whole. */
  | { readonly kind: "not-read"; readonly mod: string; readonly path: string };

/** The mods of a profile that load and are here, in order; `filesOf` gives what lies in contents. */
export const laidMods = (
  roster: Roster,
  filesOf: (content: string) => readonly ContentFile[],
  nameOnShelf: (path: string) => string,
): LaidMod[] =>
  roster.mods.flatMap(({ id, loads, gone, mod, taken, leftOut }): LaidMod[] =>
    loads && !gone && mod?.content
      ? [
          {
            id,
            name: mod.name,
            version: mod.version,
            folder: nameOnShelf(mod.path),
            content: mod.content,
            files: filesOf(mod.content),
            partKeys: partsOf(mod.manifest).map(({ key }) => key),
            taken: chosenParts(taken),
            leftOut,
          },
        ]
      : [],
  );

/** A minute for each plugin, from the one on in which the last of the game's own was changed; by names as the game compares them. */
export const datesOfOrder = (
  game: GameDefinition,
  plugins: readonly string[],
  lastOfGame: number,
): Map<string, number> => {
  const minute = 60_000;
  const first = Math.floor(lastOfGame / minute) + 1;
  return new Map(plugins.map((name, at) => [foldName(game, name), (first + at) * minute]));
};

/**
 * What of some mods, in their order, comes to lie in the game's folder: of each path the last one's; by paths as the game compares them.
 * `dates`: of plugins, by their names as it compares them, that have some of their own.
 */
export function wantedFiles(
  game: GameDefinition,
  laying: Laying,
  mods: readonly LaidMod[],
  dates: ReadonlyMap<string, number> = new Map(),
): { readonly files: WantedFile[]; readonly flaws: WantedFlaw[] } {
  const flaws: WantedFlaw[] = [];
  const winners = new Map<string, WantedFile>();
  const isWritten = leavesOut((laying.written ?? []).map((path) => foldName(game, path)));
  const placeOf = placing(game, laying);
  for (const [at, mod] of mods.entries())
    for (const {
      folded,
      file: { path, size, hash, part },
    } of takenOf(game, mod)) {
      const target = placeOf(mod, path, folded);
      const date = dates.get(folded);
      if (size === null || hash === null) flaws.push({ kind: "not-read", mod: mod.id, path });
      else
        winners.set(foldName(game, target), {
          path: isContainer(game, path) ? numbered(target, at + 1) : target,
          mod: mod.id,
          content: mod.content,
          own: path,
          part,
          size,
          hash,
          isOwnCopy: date !== undefined || isWritten(folded),
          date,
        });
    }
  flaws.push(...filesAndFolders(winners));
  const sorted = [...winners.keys()].sort();
  return { files: sorted.map((key) => winners.get(key)!), flaws };
}

/** The files of a mod that lie loose and are taken: of a path that several parts bring, the last part's. */
function takenOf(
  game: GameDefinition,
  { files, partKeys, taken, leftOut }: LaidMod,
): { readonly file: ContentFile; readonly folded: string }[] {
  const isLeftOut = leavesOut(leftOut);
  const rank = new Map(partKeys.map((key, at) => [key, at]));
  const rankOf = (part: string | null) => (part === null ? -1 : (rank.get(part) ?? -1));
  return files
    .filter(({ part, container }) => container === undefined && (part === null || taken.has(part)))
    .map((file) => ({ file, folded: foldName(game, file.path) }))
    .filter(({ folded }) => folded !== manifestName && !isLeftOut(folded))
    .sort((a, b) => rankOf(a.file.part) - rankOf(b.file.part));
}

/** Where a file of a mod comes to lie: of its path there, and that as the game compares it. */
function placing(
  game: GameDefinition,
  laying: Laying,
): (mod: LaidMod, path: string, folded: string) => string {
  const elsewhere = (laying.elsewhere ?? []).map(({ from, to }) => ({ from: foldName(game, from), to }));
  return (mod, path, folded) => {
    const other = elsewhere.find(({ from }) => folded.startsWith(from));
    if (other) return joined(other.to, path.slice(path.indexOf("/") + 1));
    const folder = laying.kind === "merged" ? "" : folderName(laying.name, mod);
    return joined(joined(laying.folder, folder), path);
  };
}

const joined = (a: string, b: string): string => (a === "" || b === "" ? a + b : `${a}/${b}`);

/** What no file may be called on some system becomes a hyphen. */
const folderName = (pattern: string, { id, name, version, folder }: LaidMod): string =>
  pattern
    .replace(/\{(id|name|version|folder)\}/g, (_, key: string) => ({ id, name, version, folder })[key] ?? "")
    .replace(/[\p{Cc}\\/<>"|?*:]+/gu, "-")
    .replace(/[. ]+$/, "")
    .slice(0, 200) || "-";

const isContainer = ({ containers }: GameDefinition, path: string): boolean =>
  (containers ?? []).some(({ extension }) => extension === extensionOf(path));

/** Packed files are opened by the order of their names: that of their mods. */
function numbered(path: string, number: number): string {
  const at = path.lastIndexOf("/") + 1;
  return `${path.slice(0, at)}${String(number).padStart(4, "0")}-${path.slice(at)}`;
}

function filesAndFolders(winners: ReadonlyMap<string, WantedFile>): WantedFlaw[] {
  const flaws: WantedFlaw[] = [];
  const seen = new Set([""]);
  for (const [key, below] of winners)
    for (let folder = folderOf(key); !seen.has(folder); folder = folderOf(folder)) {
      seen.add(folder);
      const file = winners.get(folder);
      if (file) flaws.push({ kind: "file-and-folder", file, below });
    }
  return flaws;
}
