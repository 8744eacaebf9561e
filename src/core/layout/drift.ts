import type { GameDefinition } from "../model/game";
import type { Accepted, Ledger } from "../model/ledger";
import { done, refuse, type Outcome } from "../model/outcome";
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
 * Where in a mod a file of the game's folder would lie so that it is laid out there again, and in which folder of a mod it lies, where each
 * has one of its own; null where no mod's files do.
 */
export function ownPlaceOf(laying: Laying, path: string): { own: string; folder: string | null } | null {
  const below = (folder: string) =>
    folder === "" ? path : path.startsWith(`${folder}/`) ? path.slice(folder.length + 1) : null;
  for (const { from, to } of laying.elsewhere ?? []) {
    const rest = to === "" ? null : below(to);
    if (rest !== null) return { own: `${from}${rest}`, folder: null };
  }
  const rest = below(laying.folder);
  if (rest === null || laying.kind === "merged") return rest === null ? null : { own: rest, folder: null };
  const end = rest.indexOf("/");
  return end < 0 ? null : { own: rest.slice(end + 1), folder: rest.slice(0, end) };
}

/**
 * What files would be called in a mod of their own, by their paths; refused where they lie in the folders of several mods, or in that of a
 * mod that is laid out, for what is its own is found nowhere else.
 */
export function gatheredAs(
  laying: Laying,
  ledger: Pick<Ledger, "entries">,
  paths: readonly string[],
): Outcome<Map<string, string>> {
  const laid = new Set(ledger.entries.map((entry) => ownPlaceOf(laying, entry.path)?.folder));
  const gathered = new Map<string, string>();
  const folders = new Set<string | null>();
  for (const path of paths) {
    const place = ownPlaceOf(laying, path);
    if (!place || (place.folder !== null && laid.has(place.folder))) return refuse("cannot-gather", { path });
    gathered.set(path, place.own);
    folders.add(place.folder);
  }
  if (folders.size > 1) return refuse("gather-several", { folders: [...folders].join(", ") });
  return done(gathered);
}
