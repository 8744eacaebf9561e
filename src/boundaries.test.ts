import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, relative } from "node:path";
import ts from "typescript";

/** What may import what (docs/ARCHITECTURE.md). The first pattern that fits a file is its folder; tests are free. */
const rules: readonly { readonly folder: RegExp; readonly may: RegExp }[] = [
  { folder: /^core\/language\//, may: /^(core\/language\/|\.\.\/languages\/en\.json$)/ },
  { folder: /^core\/model\//, may: /^core\/(model|language)\// },
  { folder: /^core\/graph\//, may: /^core\/(graph|model)\// },
  { folder: /^core\/testing\//, may: /^core\// },
  { folder: /^core\/state\//, may: /^core\/(order|graph|model|state)\// },
  { folder: /^core\/(order|version)\//, may: /^core\/(order|graph|model|version|language)\// },
  { folder: /^core\//, may: /^core\/(?!testing)/ },
  { folder: /^formats\//, may: /^(core\/(?!testing)|formats\/)/ },
  { folder: /^store\//, may: /^(core\/(model|graph|state)\/|store\/)/ },
  { folder: /^disk\//, may: /^(core\/(?!testing)|formats\/|disk\/)/ },
  // A game that read its files as Seating does would not see what Seating reads wrongly.
  { folder: /^standin\/game\//, may: /^standin\/game\// },
  { folder: /^standin\//, may: /^(core\/(?!testing)|formats\/|disk\/|standin\/)/ },
  { folder: /^work\//, may: /^(core\/(?!testing)|formats\/|work\/)/ },
  {
    folder: /^cli\//,
    may: /^(core\/(?!testing)|formats\/|disk\/|standin\/games$|cli\/|\.\.\/package\.json$)/,
  },
  { folder: /^server\//, may: /^(core\/(?!testing)|formats\/|disk\/|standin\/|store\/|server\/)/ },
  { folder: /^ui\//, may: /^(core\/(?!testing)|formats\/|work\/|ui\/)/ },
  {
    folder: /^(app\/|proxy|instrumentation)/,
    may: /^(core\/(messages|model|language)\/|formats\/|ui\/|server\/|app\/)/,
  },
];

/** Outside packages and globals that a folder must not touch. */
const barred: readonly { readonly folder: RegExp; readonly words: RegExp; readonly packages: RegExp }[] = [
  {
    folder: /^core\//,
    words: /\b(Date\.now|new Date|Math\.random|Intl\b|localeCompare|toLocale\w+|fetch\(|async |await )/,
    packages: /^(node:|react|next|@electric-sql)/,
  },
  {
    folder: /^formats\//,
    words: /\b(document|window|fetch\()/,
    packages: /^(node:|react|next|@electric-sql)/,
  },
  { folder: /^store\//, words: /$^/, packages: /^(react|next)/ },
  { folder: /^(disk|standin|server|store)\//, words: /$^/, packages: /^react/ },
  {
    folder: /^(ui|app)\//,
    words: /\b(select|insert into|update|delete from) .* from /,
    packages: /^(@electric-sql|node:)/,
  },
];

interface SourceFile {
  readonly path: string;
  readonly text: string;
  readonly imports: readonly { readonly to: string; readonly typeOnly: boolean }[];
}

const root = join(process.cwd(), "src");

function readSources(): SourceFile[] {
  return readdirSync(root, { recursive: true, encoding: "utf8" })
    .filter((path) => /\.tsx?$/.test(path) && !/\.test\.tsx?$/.test(path))
    .map((path) => {
      const text = readFileSync(join(root, path), "utf8");
      return { path, text, imports: importsOf(path, text) };
    });
}

function importsOf(path: string, text: string): SourceFile["imports"] {
  const imports: { to: string; typeOnly: boolean }[] = [];
  const visit = (node: ts.Node): void => {
    const isImport = ts.isImportDeclaration(node) || ts.isExportDeclaration(node);
    if (isImport && node.moduleSpecifier && ts.isStringLiteral(node.moduleSpecifier)) {
      const clause = ts.isImportDeclaration(node) ? node.importClause : undefined;
      const typeOnly = clause?.phaseModifier === ts.SyntaxKind.TypeKeyword;
      imports.push({ to: resolve(path, node.moduleSpecifier.text), typeOnly });
    }
    if (
      ts.isCallExpression(node) &&
      node.expression.kind === ts.SyntaxKind.ImportKeyword &&
      node.arguments[0]
    )
      imports.push({ to: resolve(path, (node.arguments[0] as ts.StringLiteral).text), typeOnly: false });
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(path, text, ts.ScriptTarget.Latest));
  return imports;
}

/** A path below src without its ending, or the name of a package. */
function resolve(from: string, to: string): string {
  if (to.startsWith("@/")) return to.slice(2);
  return to.startsWith(".") ? relative(root, join(root, dirname(from), to)) : `package ${to}`;
}

function breaches({ path, text, imports }: SourceFile): string[] {
  const rule = rules.find(({ folder }) => folder.test(path));
  if (!rule) return path.startsWith("app/") ? [] : [`${path} lies in no known folder`];
  const found = imports
    .filter(({ to, typeOnly }) => {
      if (to.startsWith("package ") || rule.may.test(to)) return false;
      return !(typeOnly && /^ui\//.test(path) && /^server\//.test(to));
    })
    .map(({ to }) => `${path} imports ${to}`);
  const code = text.replace(/\/\*[\s\S]*?\*\/|\/\/.*|`[^`]*`|"[^"\n]*"/g, "");
  for (const { words, packages } of barred.filter((each) => each.folder.test(path))) {
    const word = words.exec(code);
    if (word) found.push(`${path} uses ${word[0]}`);
    for (const { to } of imports)
      if (to.startsWith("package ") && packages.test(to.slice(8))) found.push(`${path} imports ${to}`);
  }
  return found;
}

const sources = readSources();

test("every file imports only what its folder may, and touches nothing that it must not", () => {
  expect(sources.length).toBeGreaterThan(80);
  expect(sources.flatMap(breaches)).toEqual([]);
});

test.each([
  ["core/order/x.ts", 'import { readShelf } from "@/disk/read-shelf";', "imports disk/read-shelf"],
  ["core/check/x.ts", "export const at = () => Date.now();", "uses Date.now"],
  ["core/model/x.ts", 'import { propose } from "../order/propose";', "imports core/order/propose"],
  ["ui/plan/x.tsx", 'import { findProfile } from "@/store/profiles";', "imports store/profiles"],
  ["ui/plan/x.tsx", 'import { getContext } from "@/server/context";', "imports server/context"],
  ["store/x.ts", 'import { propose } from "@/core/order/propose";', "imports core/order/propose"],
  ["formats/x.ts", 'import { readFileSync } from "node:fs";', "imports package node:fs"],
])("a planted breach in %s is seen", (path, text, breach) => {
  expect(breaches({ path, text, imports: importsOf(path, text) }).join()).toContain(breach);
});

test("no files import one another in a circle", () => {
  const known = new Map(sources.map((file) => [file.path.replace(/\.tsx?$/, ""), file]));
  const state = new Map<string, "open" | "done">();
  const circles: string[] = [];
  const visit = (name: string, path: readonly string[]): void => {
    if (state.get(name) === "done") return;
    if (state.get(name) === "open")
      return void circles.push([...path.slice(path.indexOf(name)), name].join(" > "));
    state.set(name, "open");
    for (const { to } of known.get(name)!.imports) if (known.has(to)) visit(to, [...path, name]);
    state.set(name, "done");
  };
  for (const name of known.keys()) visit(name, []);
  expect(circles).toEqual([]);
});
