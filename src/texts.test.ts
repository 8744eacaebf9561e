import { asPattern } from "@/core/as-pattern";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { parse, TYPE, type MessageFormatElement } from "@formatjs/icu-messageformat-parser";
import ts from "typescript";
import { speak, standardLanguage } from "./core/language/say";
import english from "../languages/en.json";

const languages = readdirSync("languages").filter((name) => name.endsWith(".json"));
const catalogue = (name: string) =>
  JSON.parse(readFileSync(join("languages", name), "utf8")) as Record<string, string>;
const texts: Readonly<Record<string, string>> = english;

/** What a text wants to be given. */
function wanted(elements: readonly MessageFormatElement[]): Set<string> {
  const names = new Set<string>();
  for (const each of elements) {
    if (each.type === TYPE.literal || each.type === TYPE.pound) continue;
    names.add(each.value);
    const inner =
      each.type === TYPE.plural || each.type === TYPE.select
        ? Object.values(each.options).map(({ value }) => value)
        : each.type === TYPE.tag
          ? [each.children]
          : [];
    for (const name of inner.flatMap((part) => [...wanted(part)])) names.add(name);
  }
  return names;
}

test.each(languages)("%s has every text, each a sound one that is given all that it names", (name) => {
  const told = catalogue(name);
  expect(Object.keys(told)).toEqual(Object.keys(texts));
  for (const [key, text] of Object.entries(told)) {
    const [own, usual] = [wanted(parse(text)), wanted(parse(texts[key]!))];
    expect({ key, strange: [...own].filter((each) => !usual.has(each)) }).toEqual({ key, strange: [] });
    expect({ key, edges: [/^\s/.test(text), /\s$/.test(text)] }).toEqual({
      key,
      edges: [/^\s/.test(texts[key]!), /\s$/.test(texts[key]!)],
    });
  }
});

interface Source {
  readonly path: string;
  readonly tree: ts.SourceFile;
}

const sources: readonly Source[] = readdirSync("src", { recursive: true, encoding: "utf8" })
  .filter((path) => /\.tsx?$/.test(path) && !/\.test\.tsx?$/.test(path))
  .map((path) => ({
    path,
    tree: ts.createSourceFile(path, readFileSync(join("src", path), "utf8"), ts.ScriptTarget.Latest, true),
  }));

function* nodesOf(node: ts.Node): Generator<ts.Node> {
  yield node;
  for (const child of node.getChildren()) yield* nodesOf(child);
}

/** Keys that are named as they are, and patterns of those that are put together. */
function namedKeys(): { readonly keys: Set<string>; readonly patterns: RegExp[] } {
  const keys = new Set<string>();
  const patterns: RegExp[] = [];
  for (const { tree } of sources)
    for (const node of nodesOf(tree)) {
      if (ts.isStringLiteralLike(node)) keys.add(node.text);
      if (ts.isTemplateExpression(node) && /^[a-z]\w*\./i.test(node.head.text)) {
        const parts = [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)];
        patterns.push(new RegExp(`^${parts.map(asPattern).join("[\\w-]+")}$`));
      }
    }
  return { keys, patterns };
}

test("every text is said somewhere", () => {
  const { keys, patterns } = namedKeys();
  const unused = Object.keys(texts).filter(
    (key) => !keys.has(key) && !patterns.some((pattern) => pattern.test(key)),
  );
  expect(unused).toEqual([]);
});

const saying = new Set(["say", "sentence", "rich", "sayPieces"]);

test("whoever says a text gives it what it names, and nothing else", () => {
  const wrong: string[] = [];
  let seen = 0;
  for (const { path, tree } of sources)
    for (const node of nodesOf(tree)) {
      if (
        !ts.isCallExpression(node) ||
        !ts.isIdentifier(node.expression) ||
        !saying.has(node.expression.text)
      )
        continue;
      const [key, values] = node.arguments;
      if (!key || !ts.isStringLiteral(key) || texts[key.text] === undefined) continue;
      if (values && (!ts.isObjectLiteralExpression(values) || values.properties.some(ts.isSpreadAssignment)))
        continue;
      const given = (values?.properties ?? []).map(({ name }) => (name as ts.Identifier).text);
      seen++;
      const names = [...wanted(parse(texts[key.text]!))];
      if (String(given.sort()) !== String(names.sort()))
        wrong.push(`${path} ${key.text}: ${given.join()} for ${names.join()}`);
    }
  expect(wrong).toEqual([]);
  expect(seen).toBeGreaterThan(1500);
});

const textual =
  /^(?:aria-(?:label|description|roledescription|valuetext)|title|label|placeholder|alt|hint|words|text)$/;
/** Words of the platform, of the product's own name and of what is typed as it is. */
const technical =
  /^(?:Seating|%s · Seating|npm run demo|kB|d|JetBrains Mono Variable|Atkinson Hyperlegible Next Variable|(?:(?:Mod|Ctrl|Alt|Shift)\+?)+(?: ?[A-Z\d]|F10|Space|↑ ↓)?|Enter|Delete|Esc|Space|Byte| minmax\(0, 1fr\))$/;

/** A text that stands in the code of a view instead of the catalogue; null of anything else. */
function typedText(node: ts.Node): string | null {
  if (ts.isJsxText(node))
    return /\p{L}{2}/u.test(node.text) && !technical.test(node.text.trim()) ? node.text.trim() : null;
  if (
    !ts.isStringLiteral(node) &&
    !ts.isNoSubstitutionTemplateLiteral(node) &&
    !ts.isTemplateExpression(node)
  )
    return null;
  const text = ts.isTemplateExpression(node)
    ? [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join("")
    : node.text;
  if (!/\p{L}{2}/u.test(text) || technical.test(text)) return null;
  const { parent, isBranch } = placeOf(node);
  if (ts.isJsxAttribute(parent)) return textual.test(parent.name.getText()) ? text : null;
  if (ts.isPropertyAssignment(parent) && (isBranch || parent.initializer === node))
    if (textual.test(parent.name.getText()) && !/^[a-z][\w.-]*[.-]\w/.test(text)) return text;
  if (ts.isJsxElement(parent) || ts.isJsxFragment(parent)) return text;
  return isSentence(text) && !isTechnicalPlace(node) ? text : null;
}

/** What a text goes into, whatever decides between it and another one. */
function placeOf(node: ts.Node): { readonly parent: ts.Node; readonly isBranch: boolean } {
  let each = node;
  while (isChoice(each.parent, each)) each = each.parent;
  return { parent: each.parent, isBranch: each !== node };
}

const isChoice = (parent: ts.Node, child: ts.Node): boolean =>
  ts.isParenthesizedExpression(parent) ||
  ts.isJsxExpression(parent) ||
  (ts.isConditionalExpression(parent) && parent.condition !== child) ||
  (ts.isBinaryExpression(parent) &&
    /^(?:\?\?|\|\||&&)$/.test(parent.operatorToken.getText()) &&
    parent.right === child);

/** Words with a space between them, one of which begins as a name does or ends as a sentence does. */
const isSentence = (text: string): boolean =>
  /^[\p{Lu}“…]\p{Ll}+(?: |$|…)|\p{Ll} \p{Ll}+.*[.:…?]$|^[ ,]/u.test(text) && /\p{Ll}{2}/u.test(text);

const technicalCalls =
  /^(?:Error|TypeError|querySelector(?:All)?|matchMedia|closest|addEventListener|removeEventListener|RegExp|setItem|getItem|startsWith|endsWith|includes|has|get|set|is|join|split|error|CustomEvent|Event|KeyboardEvent|BroadcastChannel)$/;

function isTechnicalPlace(node: ts.Node): boolean {
  for (let each: ts.Node = node; each.parent; each = each.parent) {
    const { parent } = each;
    if (ts.isJsxAttribute(parent) || ts.isLiteralTypeNode(parent) || ts.isImportDeclaration(parent))
      return true;
    if (ts.isBinaryExpression(parent) && /^[!=]==?$/.test(parent.operatorToken.getText())) return true;
    if (ts.isCaseClause(parent) || ts.isElementAccessExpression(parent)) return true;
    if (ts.isPropertyAssignment(parent) && parent.name === each) return true;
    if (ts.isCallExpression(parent) || ts.isNewExpression(parent)) {
      const { expression } = parent;
      const name = ts.isPropertyAccessExpression(expression) ? expression.name.text : expression.getText();
      return technicalCalls.test(name) || saying.has(name);
    }
    if (ts.isStatement(parent) || ts.isArrowFunction(parent)) return false;
  }
  return false;
}

test("no view has a text of its own", () => {
  const views = sources.filter(({ path }) => /^(?:ui|app)\//.test(path));
  const typed = views.flatMap(({ path, tree }) =>
    [...nodesOf(tree)].flatMap((node) => {
      const text = typedText(node);
      return text === null ? [] : [`${path}: ${text}`];
    }),
  );
  expect(typed).toEqual([]);
});

test.each([
  [`const a = <p>Moves only</p>;`, "Moves only"],
  [`const a = <p>{on ? say("common.on") : "nothing"}</p>;`, "nothing"],
  [`const a = <b title="Close it" />;`, "Close it"],
  [`const a = <b title={on ? say("common.on") : "off"} />;`, "off"],
  [`const a = <b className={on ? "on top" : "off"} />;`, null],
  [`const a = <p>{name ?? "nobody"}</p>;`, "nobody"],
  [`const a = { words: on ? "open now" : say("common.off") };`, "open now"],
  [`const a = { label: "blockers" };`, "blockers"],
  [`tell([\`Moved \${n} mods.\`]);`, "Moved  mods."],
  [`const look = "flex items-center text-sm";`, null],
])("of %s it is found whether it is a text: %s", (code, found) => {
  const tree = ts.createSourceFile("a.tsx", code, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const typed = [...nodesOf(tree)].map(typedText).filter((text) => text !== null);
  expect(typed[0] ?? null).toBe(found);
});

test("no text is said while a module loads: it would stay in the language that was spoken then", async () => {
  const said: string[] = [];
  speak(() => {
    said.push(new Error().stack?.split("\n").find((line) => /src\/(?!core\/language)/.test(line)) ?? "");
    return standardLanguage;
  });
  const modules = sources.filter(
    ({ path }) => !/testing|main\.ts$|worker|thread|^app\/|^cli\/|^standin\//.test(path),
  );
  for (const { path } of modules) await import(`./${path.replace(/\.tsx?$/, "")}`);
  speak(() => standardLanguage);
  expect(said).toEqual([]);
  expect(modules.length).toBeGreaterThan(400);
});
