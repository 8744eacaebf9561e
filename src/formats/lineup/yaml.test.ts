import { stringify } from "yaml";
import { readYaml } from "./yaml";

test("what nests beyond any list is refused", () => {
  for (const text of [
    "{".repeat(430),
    "[".repeat(1000),
    "? ".repeat(500),
    Array.from({ length: 64 }, (_, n) => `${" ".repeat(n)}?\n`).join(""),
    `${"{".repeat(100)}${"}".repeat(100)}\n`.repeat(2000),
    `- ${"[".repeat(100)}${"]".repeat(100)}\n`.repeat(4000),
  ])
    expect(() => readYaml(text)).toThrow(/nesting exceeded maxDepth \(100\)|complex keys/);
});

test("signs in texts, and a list of any length, are none of that", () => {
  const value = {
    note: "Really? Yes (is it [that] {so}?) ? and ? again: what? who? [[link]] {{{name}}}",
    mods: Array.from({ length: 5000 }, (_, n) => ({
      id: `m${n}`,
      options: { look: ["a"] },
      components: [],
      hidden: [],
    })),
    deep: [[[[["a"]]]]],
  };
  expect(readYaml(stringify(value))).toEqual(value);
  expect(readYaml(JSON.stringify(value))).toEqual(value);
});

test("aliases are refused, and what is wrong is told with its line", () => {
  expect(() => readYaml("a: &x 1\nb: *x\n")).toThrow(/alias.* in line 2$/);
  expect(() => readYaml("a: 1\nb: [1, 2\n")).toThrow(/ in line \d$/);
});
