import type { GameDefinition } from "@/core/model/game";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { extensionOf, foldName, isManifest } from "@/core/roster/fold";
import type { PartFile } from "@/core/roster/parts";
import { safePath } from "./archive-path";
import type { ProblemCode } from "@/core/model/refusal";

/** What the content check needs to know of a game. */
type ContentLaws = Pick<GameDefinition, "paths" | "contentFolders" | "containers" | "pluginExtensions">;

/** Paths below a mod's root, by the index of the raw path that each came from. */
interface ModLayout {
  readonly paths: readonly string[];
  /** Raw index of the manifest; -1 if there is none. */
  readonly manifest: number;
}

/** The plugins of a mod: those in its root, and those that a part of it puts there. */
export const pluginsIn = (game: ContentLaws, files: readonly PartFile[]): PartFile[] =>
  files.filter(({ path }) => isPlugin(game, path));

/**
 * The content check: every path is safe, a single top folder that is no content folder is stripped where its root would hold content, and
 * then the root directly holds a manifest, a plugin, a packed file of the game, or a content folder. Of a game that names no content folders whatever is there counts.
 */
export function layOutMod(game: ContentLaws, raw: readonly string[]): Outcome<ModLayout, ProblemCode> {
  const paths: string[] = [];
  for (const each of raw) {
    const path = safePath(each);
    if (!path.ok) return path;
    paths.push(path.value);
  }
  const stripped = stripTopFolder(game, paths);
  const isContent = game.contentFolders.length === 0 ? paths.length > 0 : holdsContent(game, stripped);
  if (!isContent) return refuse("no-content");
  const seen = new Set<string>();
  for (const path of stripped) {
    const key = foldName(game, path);
    if (seen.has(key)) return refuse("path-twice", { entry: path.slice(0, 200) });
    seen.add(key);
  }
  return done({
    paths: stripped,
    manifest: stripped.findIndex((path) => isManifest(game, path)),
  });
}

function stripTopFolder(game: ContentLaws, paths: readonly string[]): readonly string[] {
  const tops = new Set(paths.map((path) => path.split("/", 1)[0]!));
  const [top] = tops;
  if (tops.size !== 1 || paths.some((path) => path === top) || isContentFolder(game, top!)) return paths;
  const below = paths.map((path) => path.slice(top!.length + 1));
  return holdsContent(game, below) ? below : paths;
}

/** Whether a folder of this name, in the root of a mod or of the game's own folders, holds what the game reads. */
export const isContentFolder = (game: ContentLaws, name: string): boolean =>
  game.contentFolders.includes(foldName(game, name));

/** Whether a file of this name is one that the game opens by itself, in which others lie. */
export const isContainerName = (
  { containers = [] }: Pick<GameDefinition, "containers">,
  path: string,
): boolean => containers.some(({ extension }) => extension === extensionOf(path));

const isPlugin = (game: ContentLaws, path: string): boolean =>
  !path.includes("/") && game.pluginExtensions.includes(extensionOf(path));

const holdsContent = (game: ContentLaws, paths: readonly string[]): boolean =>
  paths.some((path) => {
    const slash = path.indexOf("/");
    if (slash >= 0) return isContentFolder(game, path.slice(0, slash));
    return isPlugin(game, path) || isManifest(game, path) || isContainerName(game, path);
  });
