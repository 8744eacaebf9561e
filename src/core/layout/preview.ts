import type { LayoutPlan, PlacedFile } from "./plan";

/** How far laying out is: `unpack`: files that come into the store; `place`: acts in the game's folder. */
export interface LayoutProgress {
  readonly phase: "unpack" | "place";
  readonly done: number;
  readonly total: number;
}

/** What is done to the files of one mod, and what of it lies there after that. */
export interface ModLaying {
  readonly mod: string;
  readonly put: number;
  readonly removed: number;
  readonly files: number;
  readonly bytes: number;
}

/** What laying out would do, in short; paths are below the game's folder. */
export interface LayoutPreview {
  /** Files that come where nothing of Seating's was; files that take the place of other ones of Seating's; files that go. */
  readonly put: number;
  readonly replaced: number;
  readonly removed: number;
  /** Bytes of the files that come. */
  readonly bytes: number;
  /** Files that are unpacked into the store first. */
  readonly toUnpack: number;
  /** All files that lie there once it is done. */
  readonly files: number;
  /** The game's own files that are set aside, and those that come back. */
  readonly aside: readonly string[];
  readonly back: readonly string[];
  /** What somebody changed since: what is kept because it has to go, and what stays as it is. */
  readonly kept: readonly string[];
  readonly changed: readonly string[];
  /** What Seating put there and is gone, and is put again. */
  readonly again: readonly string[];
  /** Mods of which something comes, goes or lies there, those of which the most comes and goes first. */
  readonly mods: readonly ModLaying[];
}

/** Paths of each kind that are named; of more the first are. */
const mostNamed = 500;

export function previewOf(
  { before, acts, changed }: Pick<LayoutPlan, "before" | "acts" | "changed">,
  wanted: readonly PlacedFile[],
  toUnpack: number,
): LayoutPreview {
  const was = new Map(before.entries.map((entry) => [entry.path, entry]));
  const is = new Map(wanted.map((file) => [file.path, file]));
  const mods = new Map<string, ModLaying>();
  const add = (mod: string, { put = 0, removed = 0, files = 0, bytes = 0 }: Partial<ModLaying>) => {
    const now = mods.get(mod) ?? { mod, put: 0, removed: 0, files: 0, bytes: 0 };
    mods.set(mod, {
      mod,
      put: now.put + put,
      removed: now.removed + removed,
      files: now.files + files,
      bytes: now.bytes + bytes,
    });
  };
  const pathsOf = (...kinds: readonly string[]) =>
    acts.flatMap(({ does, path }) => (kinds.includes(does) ? path : []));
  const puts = acts.flatMap((act) => (act.does === "put" ? act : []));
  for (const { mod, size } of wanted) add(mod, { files: 1, bytes: size });
  for (const { path } of puts) add(is.get(path)!.mod, { put: 1 });
  for (const { path, mod } of before.entries) if (is.get(path)?.mod !== mod) add(mod, { removed: 1 });
  return {
    put: puts.filter(({ path }) => !was.has(path)).length,
    replaced: puts.filter(({ path, hash }) => was.has(path) && was.get(path)!.hash !== hash).length,
    removed: before.entries.filter(({ path }) => !is.has(path)).length,
    bytes: puts.reduce((sum, { size }) => sum + size, 0),
    toUnpack,
    files: wanted.length,
    aside: pathsOf("set-aside").slice(0, mostNamed),
    back: pathsOf("put-back").slice(0, mostNamed),
    kept: pathsOf("keep").slice(0, mostNamed),
    changed: changed.slice(0, mostNamed),
    again: puts.flatMap(({ path, hash }) => (was.get(path)?.hash === hash ? path : [])).slice(0, mostNamed),
    mods: [...mods.values()].sort((a, b) => b.put + b.removed - (a.put + a.removed) || b.files - a.files),
  };
}
