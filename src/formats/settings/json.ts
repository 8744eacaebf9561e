import {
  applyEdits,
  findNodeAtLocation,
  modify,
  parseTree,
  type FormattingOptions,
  type JSONPath,
  type Node,
  type ParseError,
} from "jsonc-parser";
import { say } from "@/core/language/say";
import { lineEndOf, Unfit, type SettingsLanguage } from "./language";

function treeOf(text: string): Node {
  const errors: ParseError[] = [];
  const tree = parseTree(text, errors, { allowTrailingComma: true });
  if (!tree || errors.length > 0 || tree.type !== "object") throw new Unfit(say("settings.noJson"));
  return tree;
}

/** A pointer by RFC 6901, section 4; a number is that of a place only where an array stands. */
function pathOf(tree: Node, at: string): JSONPath {
  if (!at.startsWith("/")) throw new Unfit(say("settings.noPointer", { at }));
  const path: JSONPath = [];
  for (const token of at.slice(1).split("/")) {
    const name = token.replaceAll("~1", "/").replaceAll("~0", "~");
    const above = findNodeAtLocation(tree, path);
    if (above && above.type !== "object" && above.type !== "array")
      throw new Unfit(say("settings.notBelow", { at }));
    path.push(above?.type === "array" ? Number(name) : name);
  }
  return path;
}

const styleOf = (text: string): FormattingOptions => {
  const indent = /\n([ \t]+)\S/.exec(text)?.[1] ?? "  ";
  return { insertSpaces: !indent.includes("\t"), tabSize: indent.length, eol: lineEndOf(text) };
};

/** JSON, with comments and commas at the end, or without. */
export const json: SettingsLanguage = {
  blank: "{}\n",
  written: (value) => JSON.stringify(value),
  read: (text, at) => {
    const tree = treeOf(text);
    const node = findNodeAtLocation(tree, pathOf(tree, at));
    return node ? text.slice(node.offset, node.offset + node.length) : null;
  },
  write: (text, at, written) => {
    const tree = treeOf(text);
    const path = pathOf(tree, at);
    const node = findNodeAtLocation(tree, path);
    if (written === null && !node) return text;
    if (written !== null && node)
      return text.slice(0, node.offset) + written + text.slice(node.offset + node.length);
    const value = written === null ? undefined : (JSON.parse(written) as unknown);
    return applyEdits(text, modify(text, path, value, { formattingOptions: styleOf(text) }));
  },
};
