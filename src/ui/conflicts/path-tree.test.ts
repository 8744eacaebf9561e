import fc from "fast-check";
import { treeLines } from "./path-tree";

const rows = (...keys: string[]) => keys.map((key) => ({ key }));
const told = (keys: string[], closed: string[] = []) =>
  treeLines(rows(...keys), new Set(closed)).map(
    (line) => `${"  ".repeat(line.depth)}${line.name}${line.kind === "folder" ? ` ${line.count}` : ""}`,
  );

test("folders come first, with how much lies below; one that holds but another is told with it; closed ones keep theirs", () => {
  const keys = ["b.txt", "textures/sky/a.tex", "textures/sky/b.tex", "textures/sea.tex", "deep/er/one.tex"];
  expect(told(keys)).toEqual([
    "deep/er/ 1",
    "  one.tex",
    "textures/ 3",
    "  sky/ 2",
    "    a.tex",
    "    b.tex",
    "  sea.tex",
    "b.txt",
  ]);
  expect(told(keys, ["textures/", "deep/er/"])).toEqual(["deep/er/ 1", "textures/ 3", "b.txt"]);
});

test("every path is there once, below the folders that it names", () => {
  const part = fc.constantFrom("a", "b", "c", "d");
  const path = fc.array(part, { minLength: 1, maxLength: 4 }).map((parts) => `${parts.join("/")}.x`);
  fc.assert(
    fc.property(fc.uniqueArray(path, { maxLength: 30 }), (keys) => {
      const lines = treeLines(rows(...keys), new Set());
      expect(lines.flatMap((line) => (line.kind === "file" ? [line.path] : [])).sort()).toEqual(
        [...keys].sort(),
      );
      const open: string[] = [];
      for (const line of lines) {
        open.length = line.depth;
        expect(`${open.join("")}${line.name}`).toBe(line.path);
        if (line.kind === "folder") open.push(line.name);
      }
    }),
  );
});
