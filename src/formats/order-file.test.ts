import fc from "fast-check";
import type { OrderDialect } from "@/core/model/game";
import { readOrderFile, writeOrderFile, type OrderFile } from "./order-file";

const read = (text: string, dialect: OrderDialect): OrderFile => {
  const file = readOrderFile(new TextEncoder().encode(text), dialect, "x");
  if (!file.ok) throw new Error(file.refusal.code);
  return file.value;
};
const fold = (name: string) => name.toLowerCase();
const rewrite = (text: string, dialect: OrderDialect, names: readonly string[]) =>
  writeOrderFile(dialect, { names, before: read(text, dialect), fold });

/** Lines of a file that somebody has written by hand, of each dialect that has lines. */
const lineOf = {
  lines: fc.constantFrom("# a remark", "#", "", "a.plank", "B.plank", " c.plank ", "d.plank"),
  marked: fc.constantFrom(
    "# a remark",
    "",
    "talk",
    "[x] a.plank",
    "[X]  B.plank",
    "[ ] c.plank",
    "[ ] e.plank",
    "[x] d.plank",
  ),
  keyed: fc.constantFrom(
    "# a remark",
    "",
    "[section]",
    "a.plank=1",
    " B.plank = 1",
    "c.plank=0",
    "e.plank=0",
    "d.plank=1",
  ),
  xml: fc.constantFrom(
    "  <!-- a remark -->",
    "",
    "  <other/>",
    "  <name>a.plank</name>",
    "<name>B.plank</name>",
    "  <name>c &amp; d</name>",
  ),
};
const dialects = Object.keys(lineOf) as (keyof typeof lineOf)[];
const file = fc.constantFrom(...dialects).chain((dialect) =>
  fc
    .tuple(fc.uniqueArray(lineOf[dialect]), fc.constantFrom("\n", "\r\n"), fc.boolean())
    .map(([lines, end, mark]) => {
      const all = dialect === "xml" ? ["<order>", ...lines, "</order>"] : lines;
      return { dialect, text: (mark ? "\uFEFF" : "") + all.map((line) => line + end).join("") };
    }),
);

test("an order that has not changed is written as it stood, byte for byte", () => {
  fc.assert(
    fc.property(file, ({ dialect, text }) => {
      const { names } = read(text, dialect);
      fc.pre(names.length > 0 || dialect !== "xml");
      expect(rewrite(text, dialect, names)).toBe(text);
    }),
    { numRuns: 1000 },
  );
});

test("whatever is written is read back, and nothing that is no item is lost", () => {
  fc.assert(
    fc.property(
      file,
      fc.shuffledSubarray(["a.plank", "b.plank", "c.plank", "d.plank", "new.plank"]),
      ({ dialect, text }, names) => {
        const before = read(text, dialect);
        fc.pre(before.names.length > 0 || dialect !== "xml");
        const after = read(rewrite(text, dialect, names), dialect);
        expect(after.names).toEqual(names);
        const others = (of: OrderFile) => of.pieces!.filter((piece) => typeof piece === "string").sort();
        expect(others(after)).toEqual(others(before));
        expect(after.style).toEqual({ ...before.style, lineEnd: after.style.lineEnd });
      },
    ),
    { numRuns: 1000 },
  );
});

test("what was off, or does not load any more, is said to be off where the dialect can say so", () => {
  expect(rewrite("[x] a\n[ ] gone before\n[x] b\n[x] c\n", "marked", ["c", "b"])).toBe(
    "[x] c\n[ ] a\n[ ] gone before\n[x] b\n",
  );
  expect(rewrite("a=1\nold=0\nb=1\n", "keyed", ["b"])).toBe("a=0\nold=0\nb=1\n");
  expect(rewrite("a=1\nb=0\n", "keyed", ["a", "b"])).toBe("a=1\nb=1\n");
  expect(rewrite("a\nb\n", "lines", ["b"])).toBe("b\n");
});

test("a remark goes with the item that it stands above, those at the head and the foot stay", () => {
  expect(rewrite("# mine\n\na\n# the big one\nb\nc\n# end\n", "lines", ["c", "b", "a", "d"])).toBe(
    "# mine\n\nc\n# the big one\nb\na\nd\n# end\n",
  );
  expect(rewrite("# nothing yet\n", "lines", ["a"])).toBe("# nothing yet\na\n");
});

test("in a document of elements comments and other elements stay, and names within comments are none", () => {
  const text =
    '<?xml version="1.0"?>\n<order>\n  <!-- mine\n  <name>not this</name>\n  -->\n  <name>a</name>\n  <!-- big --> \n  <name>b</name>\n</order>\n';
  expect(read(text, "xml").names).toEqual(["a", "b"]);
  expect(rewrite(text, "xml", ["b", "c & d"])).toBe(
    '<?xml version="1.0"?>\n<order>\n  <!-- mine\n  <name>not this</name>\n  -->\n  <!-- big --> \n  <name>b</name>\n  <name>c &amp; d</name>\n</order>\n',
  );
});

test("a document that is not laid out in lines is written anew", () => {
  expect(rewrite("<order><name>a</name><name>b</name></order>", "xml", ["b"])).toBe(
    '<?xml version="1.0" encoding="UTF-8"?>\n<order>\n  <name>b</name>\n</order>\n',
  );
  expect(rewrite('["a","b"]', "json", ["b"])).toBe('[\n  "b"\n]\n');
});

test("names that the game takes for the same are one item, and take the spelling that is wanted", () => {
  expect(rewrite("Small Fry.plank\n", "lines", ["small fry.plank"])).toBe("small fry.plank\n");
});
