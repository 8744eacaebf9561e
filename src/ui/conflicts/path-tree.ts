/** A line of a tree of paths: a folder with all that it has below, or a file. */
export type TreeLine<Row> =
  | {
      readonly kind: "folder";
      readonly path: string;
      readonly name: string;
      readonly depth: number;
      readonly count: number;
      readonly isOpen: boolean;
    }
  | {
      readonly kind: "file";
      readonly path: string;
      readonly name: string;
      readonly depth: number;
      readonly row: Row;
    };

interface Folder<Row> {
  readonly folders: Map<string, Folder<Row>>;
  readonly files: { readonly name: string; readonly row: Row }[];
}

/** Paths as a tree, folders first, by name; a folder that holds but another folder stands in one line with it. What lies in closed folders is left out. */
export function treeLines<Row extends { readonly key: string }>(
  rows: readonly Row[],
  closed: ReadonlySet<string>,
): TreeLine<Row>[] {
  const root: Folder<Row> = { folders: new Map(), files: [] };
  for (const row of rows) {
    const names = row.key.split("/");
    let folder = root;
    for (const name of names.slice(0, -1)) {
      let next = folder.folders.get(name);
      if (!next) folder.folders.set(name, (next = { folders: new Map(), files: [] }));
      folder = next;
    }
    folder.files.push({ name: names.at(-1)!, row });
  }
  return linesIn(root, "", 0, closed);
}

function linesIn<Row extends { readonly key: string }>(
  { folders, files }: Folder<Row>,
  above: string,
  depth: number,
  closed: ReadonlySet<string>,
): TreeLine<Row>[] {
  const below = [...folders].sort(byName).flatMap(([first, inside]): TreeLine<Row>[] => {
    let [name, folder] = [first, inside];
    while (folder.files.length === 0 && folder.folders.size === 1) {
      const [[next, only]] = folder.folders as unknown as [[string, Folder<Row>]];
      [name, folder] = [`${name}/${next}`, only];
    }
    const path = `${above}${name}/`;
    const isOpen = !closed.has(path);
    const line = { kind: "folder" as const, path, name: `${name}/`, depth, count: countIn(folder), isOpen };
    return isOpen ? [line, ...linesIn(folder, path, depth + 1, closed)] : [line];
  });
  const own = files
    .map(({ name, row }) => ({ kind: "file" as const, path: row.key, name, depth, row }))
    .sort((a, b) => (a.name < b.name ? -1 : 1));
  return [...below, ...own];
}

const byName = ([a]: readonly [string, unknown], [b]: readonly [string, unknown]): number => (a < b ? -1 : 1);

const countIn = <Row>({ folders, files }: Folder<Row>): number =>
  [...folders.values()].reduce((sum, folder) => sum + countIn(folder), files.length);
