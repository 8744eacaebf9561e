import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

interface Lock {
  readonly packages: Record<string, { integrity?: string; inBundle?: boolean; resolved?: string }>;
}

const read = (path: string) => readFileSync(join(process.cwd(), path), "utf8");
const wanted = JSON.parse(read("package.json")) as Record<"dependencies" | "devDependencies", object> & {
  scripts: Record<string, string>;
};
const lock = JSON.parse(read("package-lock.json")) as Lock;

/** Everything of ours that can name a package. */
function sources(): string {
  const folders = ["src", "e2e", "bench", "faults", "scripts"];
  const nested = folders.flatMap((folder) =>
    readdirSync(join(process.cwd(), folder), { recursive: true, encoding: "utf8" })
      .filter((name) => /\.(ts|tsx|mjs|css)$/.test(name))
      .map((name) => join(folder, name)),
  );
  const top = readdirSync(process.cwd()).filter(
    (name) => /\.(ts|mjs|json)$/.test(name) && !/^package/.test(name),
  );
  return [...nested, ...top].map(read).join("\n") + Object.values(wanted.scripts).join("\n");
}

/** Packages that others find by themselves: types and tools, what Jest's compiler and the mutation tester load, the validator's schemas. */
const unnamed = [
  /^@types\//,
  /^(postcss|eslint|prettier|react-dom)$/,
  /^(@swc\/core|@stryker-mutator\/jest-runner)$/,
  /^ajv(-formats(-draft2019)?)?$/,
];

test("every package that is asked for is used somewhere", () => {
  const text = sources();
  const names = [...Object.keys(wanted.dependencies), ...Object.keys(wanted.devDependencies)];
  expect(names.length).toBeGreaterThan(50);
  const unused = names
    .filter((name) => unnamed.every((pattern) => !pattern.test(name)))
    .filter((name) => !new RegExp(`["'\`(/ ]${name}(?:["'\`/ )]|$)`, "m").test(text));
  expect(unused).toEqual([]);
});

test("every entry of the lockfile has its integrity, but what comes within another one, and names no host", () => {
  const entries = Object.entries(lock.packages).filter(([path]) => path !== "");
  expect(entries.length).toBeGreaterThan(500);
  expect(
    entries.filter(([, { integrity, inBundle }]) => !integrity && !inBundle).map(([path]) => path),
  ).toEqual([]);
  expect(entries.filter(([, { resolved }]) => resolved !== undefined).map(([path]) => path)).toEqual([]);
});
