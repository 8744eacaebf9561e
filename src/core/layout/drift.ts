import type { GameDefinition } from "../model/game";
import type { Accepted, Ledger } from "../model/ledger";
import type { Laying } from "../model/placement";
import { foldName } from "../roster/fold";
import { isAsPut, type Lying } from "./plan";

/** A file of a mod in the game's folder. */
interface OfMod {
  readonly path: string;
  readonly mod: string;
}

/** A file in the game's folder that nobody knows. */
export interface Stranger {
  readonly path: string;
  readonly size: number;
}

/** What in the game's folder is not as Seating left it; paths below that folder, each sort sorted. */
export interface Drift {
  readonly changed: readonly OfMod[];
  readonly gone: readonly OfMod[];
  /** Where mods lie, what is neither Seating's nor known for the game's. */
  readonly added: readonly Stranger[];
  /** When its user said that the bare game had run, in ISO 8601. */
  readonly bareAt: string | null;
}

interface Present {
  readonly look: (path: string) => Lying | null;
  /** The files below a folder, however deep. */
  readonly filesBelow: (folder: string) => readonly string[];
}

/** Folders below which mods of a game come to lie; of a game in whose own root they do, those that mods may have. */
const layingFolders = (game: GameDefinition, laying: Laying): string[] => [
  ...new Set(
    [laying.folder, ...(laying.elsewhere ?? []).map(({ to }) => to)].flatMap((folder) =>
      folder === "" ? game.contentFolders : folder,
    ),
  ),
];

export function driftOf(
  game: GameDefinition,
  laying: Laying,
  ledger: Ledger,
  accepted: Accepted,
  { look, filesBelow }: Present,
): Drift {
  const known = new Map(accepted.files.map(([path, size, changed]) => [path, { size, changed }]));
  const isAccepted = (path: string, lying: Lying) =>
    known.get(path)?.size === lying.size && known.get(path)!.changed === lying.changed;
  // The game writes its settings itself, and so does Seating, whoever brings the file.
  const settings = new Set((game.settings ?? []).map(({ path }) => foldName(game, path)));
  const [changed, gone]: [OfMod[], OfMod[]] = [[], []];
  for (const entry of ledger.entries) {
    const { path, mod } = entry;
    const lying = look(path);
    const isRight = lying && (isAsPut(lying, entry) || isAccepted(path, lying));
    if (!lying) gone.push({ path, mod });
    else if (!isRight && !settings.has(foldName(game, path))) changed.push({ path, mod });
  }
  const own = new Set([...settings, ...ledger.entries.map(({ path }) => foldName(game, path))]);
  const roots = layingFolders(game, laying);
  const paths = new Set(roots.flatMap((folder) => filesBelow(folder)));
  const added = [...paths].sort().flatMap((path): Stranger[] => {
    const lying = own.has(foldName(game, path)) ? null : look(path);
    return lying && !isAccepted(path, lying) ? [{ path, size: lying.size }] : [];
  });
  return { changed, gone, added, bareAt: accepted.bareAt };
}

/**
 * Where in any mod a file of the game's folder would lie so that it is laid out there again; null where it would not, as where each mod has
 * a folder of its own.
 */
export function ownPathOf(laying: Laying, path: string): string | null {
  const below = (folder: string) =>
    folder === "" ? path : path.startsWith(`${folder}/`) ? path.slice(folder.length + 1) : null;
  for (const { from, to } of laying.elsewhere ?? []) {
    const rest = to === "" ? null : below(to);
    if (rest !== null) return `${from}${rest}`;
  }
  return laying.kind === "merged" ? below(laying.folder) : null;
}
