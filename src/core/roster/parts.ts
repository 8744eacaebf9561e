import type { GameDefinition } from "../model/game";
import type { ModId } from "../model/ids";
import type { Choice } from "../model/profile";
import type { ModManifest, ModPart, PartCondition } from "../model/shelf";
import { foldName } from "./fold";

/** A part of a package, and the question that it answers; null for a component, which is switched by itself. */
export interface Part {
  /** `question/part`, or the component's id. */
  readonly key: string;
  readonly part: ModPart;
  readonly question: string | null;
}

type Package = Pick<ModManifest, "options" | "components"> | null;

export function partsOf(manifest: Package): Part[] {
  const answers = (manifest?.options ?? []).flatMap(({ id, parts }) =>
    parts.map((part) => ({ key: `${id}/${part.id}`, part, question: id })),
  );
  const components = (manifest?.components ?? []).map((part) => ({ key: part.id, part, question: null }));
  return [...answers, ...components];
}

export const hasParts = (manifest: Package): boolean =>
  (manifest?.options?.length ?? 0) + (manifest?.components?.length ?? 0) > 0;

/** What a package's author proposes: no answer to any question, and the components that are on from the start. */
export const proposedChoice = (mod: ModId, manifest: Package): Choice => ({
  mod,
  options: {},
  components: (manifest?.components ?? []).filter(({ on }) => on === true).map(({ id }) => id),
});

/** The same with parts besides, by their keys, of a question that takes one answer only the first. */
export function choiceWith(mod: ModId, manifest: Package, keys: readonly string[]): Choice {
  const choice = proposedChoice(mod, manifest);
  const options: Record<string, string[]> = {};
  const components = new Set(choice.components);
  for (const { key, part, question } of partsOf(manifest)) {
    if (!keys.includes(key)) continue;
    if (question === null) components.add(part.id);
    else if (options[question] === undefined) options[question] = [part.id];
    else if (manifest?.options?.find(({ id }) => id === question)?.choose !== "one")
      options[question].push(part.id);
  }
  return { mod, options, components: [...components] };
}

/** Keys of the parts that a choice takes. */
export function chosenParts(choice: Pick<Choice, "options" | "components">): Set<string> {
  const answers = Object.entries(choice.options).flatMap(([question, parts]) =>
    parts.map((part) => `${question}/${part}`),
  );
  return new Set([...answers, ...choice.components]);
}

/** A file of a package as the game sees it once its part is chosen; `part` is null where it always does. */
export interface PartFile {
  readonly at: number;
  readonly path: string;
  readonly part: string | null;
}

/**
 * Where the files of a package lie for the game, by their index. What a part's folder holds lies as if that folder were the
 * root of the mod, unless it is a content folder of the game or lies in one. A file of several parts is named once for each.
 */
export function layOutParts(
  game: Pick<GameDefinition, "paths" | "contentFolders">,
  manifest: Package,
  paths: readonly string[],
): PartFile[] {
  const parts = partsOf(manifest);
  if (parts.length === 0) return paths.map((path, at) => ({ at, path, part: null }));
  const fold = (path: string) => foldName(game, path);
  const roots = parts.flatMap(({ key, part }) => part.paths.map((path) => ({ key, root: fold(path) })));
  return paths.flatMap((path, at): PartFile[] => {
    const folded = fold(path);
    const holding = roots.filter(({ root }) =>
      root.endsWith("/") ? folded.startsWith(root) : folded === root,
    );
    if (holding.length === 0) return [{ at, path, part: null }];
    return holding.map(({ key, root }) => ({ at, part: key, path: below(game, root, path) }));
  });
}

function below(
  { contentFolders }: Pick<GameDefinition, "contentFolders">,
  root: string,
  path: string,
): string {
  const isContent = root.includes("/") && contentFolders.includes(root.slice(0, root.indexOf("/")));
  if (isContent) return path;
  return root.endsWith("/") ? path.slice(root.length) : path.slice(path.lastIndexOf("/") + 1);
}

/** What a condition looks at. */
export interface Present {
  readonly isModOn: (id: string) => boolean;
  readonly expansions: readonly string[];
}

/** What of a choice counts: a part whose condition does not hold is not taken, though it stays chosen. */
export function takenOf(choice: Choice, manifest: Package, present: Present): Choice {
  const refused = new Set(
    partsOf(manifest)
      .filter(({ part }) => unmetCondition(part.when, present) !== null)
      .map(({ key }) => key),
  );
  const isChosen = [...chosenParts(choice)].some((key) => refused.has(key));
  if (!isChosen) return choice;
  const options = Object.entries(choice.options).map(
    ([question, parts]) => [question, parts.filter((part) => !refused.has(`${question}/${part}`))] as const,
  );
  return {
    ...choice,
    options: Object.fromEntries(options.filter(([, parts]) => parts.length > 0)),
    components: choice.components.filter((part) => !refused.has(part)),
  };
}

/** What of a condition does not hold; null where all of it does. */
export interface Unmet {
  readonly because: "mod" | "withoutMod" | "expansion";
  readonly id: string;
}

export function unmetCondition(when: PartCondition | undefined, present: Present): Unmet | null {
  if (when?.mod !== undefined && !present.isModOn(when.mod)) return { because: "mod", id: when.mod };
  if (when?.withoutMod !== undefined && present.isModOn(when.withoutMod))
    return { because: "withoutMod", id: when.withoutMod };
  if (when?.expansion !== undefined && !present.expansions.includes(when.expansion))
    return { because: "expansion", id: when.expansion };
  return null;
}
