import { decode } from "./order";
import { filesAt, type GameFile } from "./archive";
import type { Held } from "./holds";
import { endingOf, folded, type Laws } from "./laws";
import { Unreadable } from "./stopped";

const manifestName = "seating-mod.json";

interface ManifestPart {
  readonly id: string;
  readonly paths: readonly string[];
}

/** What of a mod's manifest the game needs. */
interface Manifest {
  readonly options?: readonly { readonly id: string; readonly parts: readonly ManifestPart[] }[];
  readonly components?: readonly ManifestPart[];
}

/** A file of a mod where the game finds it. */
export type TakenFile = GameFile;

export interface OpenedMod {
  readonly taken: readonly TakenFile[];
  readonly left: number;
}

const isPlugin = (laws: Laws, path: string): boolean =>
  !path.includes("/") && laws.pluginExtensions.includes(endingOf(path));

export const isContainer = (laws: Laws, path: string): boolean =>
  (laws.containers ?? []).some(({ extension }) => extension === endingOf(path));

export const pluginsAmong = (laws: Laws, files: readonly TakenFile[]): TakenFile[] =>
  files.filter(({ path }) => isPlugin(laws, path));

/** Opens a mod and takes what its setup names. Throws `Unreadable`. */
export async function openMod(laws: Laws, at: string, held: Held): Promise<OpenedMod> {
  const files = withoutTopFolder(laws, await filesAt(at));
  const manifest = await manifestAmong(laws, files);
  const chosen = new Set([
    ...Object.entries(held.options).flatMap(([question, parts]) =>
      parts.map((part) => `${question}/${part}`),
    ),
    ...held.components,
  ]);
  const placed = files.flatMap((file) => places(laws, manifest, file));
  const isHidden = (path: string) =>
    held.hidden.some((hidden) => (hidden.endsWith("/") ? path.startsWith(hidden) : path === hidden));
  const taken = placed.filter(
    ({ part, path }) => (part === null || chosen.has(part)) && !isHidden(folded(laws, path)),
  );
  return { taken: taken.filter(({ path }) => path !== manifestName), left: placed.length - taken.length };
}

/** A mod may lie in one folder of its archive. */
function withoutTopFolder(laws: Laws, files: readonly GameFile[]): readonly GameFile[] {
  const top = files[0]?.path.split("/")[0];
  const isTop = top !== undefined && files.every(({ path }) => path.startsWith(`${top}/`));
  if (!isTop || laws.contentFolders.includes(folded(laws, top))) return files;
  const below = files.map((file) => ({ ...file, path: file.path.slice(top.length + 1) }));
  return below.some(({ path }) => isContent(laws, path)) ? below : files;
}

function isContent(laws: Laws, path: string): boolean {
  const [first, ...more] = path.split("/");
  if (more.length > 0) return laws.contentFolders.includes(folded(laws, first!));
  return isPlugin(laws, path) || isContainer(laws, path) || folded(laws, path) === manifestName;
}

async function manifestAmong(laws: Laws, files: readonly GameFile[]): Promise<Manifest> {
  const file = files.find(({ path }) => folded(laws, path) === manifestName);
  if (!file) return {};
  try {
    return JSON.parse(decode(await file.read())) as Manifest;
  } catch (error) {
    if (error instanceof Unreadable) throw error;
    throw new Unreadable(`its ${manifestName} is no JSON`);
  }
}

/** Where a file lies for the game: by itself, or once for each part of the package that holds it. */
function places(
  laws: Laws,
  { options = [], components = [] }: Manifest,
  file: GameFile,
): (TakenFile & { readonly part: string | null })[] {
  const parts = [
    ...options.flatMap((question) =>
      question.parts.map((part) => ({ key: `${question.id}/${part.id}`, paths: part.paths })),
    ),
    ...components.map((part) => ({ key: part.id, paths: part.paths })),
  ];
  const path = folded(laws, file.path);
  const holding = parts.flatMap(({ key, paths }) =>
    paths
      .map((root) => folded(laws, root))
      .filter((root) => (root.endsWith("/") ? path.startsWith(root) : path === root))
      .map((root) => ({ ...file, part: key, path: belowRoot(laws, root, file.path) })),
  );
  return holding.length > 0 ? holding : [{ ...file, part: null }];
}

/** What a part's folder holds lies as if it were the root, unless it is a content folder or lies in one. */
function belowRoot(laws: Laws, root: string, path: string): string {
  const [first, ...more] = root.split("/");
  if (more.length > 0 && laws.contentFolders.includes(first!)) return path;
  return root.endsWith("/") ? path.slice(root.length) : path.slice(path.lastIndexOf("/") + 1);
}
