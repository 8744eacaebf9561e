import { parse, stringify } from "yaml";
import { everything, type LineupFormat } from "./format";

/** The whole lineup, as in JSON. */
export const yaml: LineupFormat = {
  id: "yaml",
  label: "YAML",
  extension: ".yaml",
  mime: "application/yaml",
  carries: everything,
  write: (lineup) => stringify(lineup, { lineWidth: 0, aliasDuplicateObjects: false }),
};

/** What no lineup comes near, and what the parser takes ever longer for, the deeper it goes. */
const most = { depth: 100, deep: 2000, explicitKeys: 20 };

/**
 * The value, in the types that JSON has; throws where it is none, or where its aliases would multiply it, or where it is nested beyond
 * any use.
 */
export function readYaml(text: string): unknown {
  const { depth, deep } = flowOf(text);
  if (depth > most.depth || deep > most.deep || explicitKeys(text) > most.explicitKeys)
    throw new Error("it is nested deeper than any list");
  return parse(text, { schema: "core", maxAliasCount: 100, merge: false, logLevel: "silent" });
}

/** A lineup opens no more than six within one another, where it is written as JSON is. */
const usual = 6;

/**
 * How deep braces and brackets open at most, and how many of them deeper than is usual (YAML 1.2.2, 7.4); those in texts count too,
 * of which a list has few.
 */
function flowOf(text: string): { depth: number; deep: number } {
  let [open, depth, deep] = [0, 0, 0];
  for (const [sign] of text.matchAll(/[[\]{}]/g)) {
    const opens = sign === "[" || sign === "{";
    open = opens ? open + 1 : Math.max(0, open - 1);
    depth = Math.max(depth, open);
    if (opens && open > usual) deep++;
  }
  return { depth, deep };
}

/** Keys behind a question mark (YAML 1.2.2, 8.2.2), which nothing that is read here needs. */
const explicitKeys = (text: string): number => text.match(/(?:^|[\s[{,?-])\?(?=\s|$)/gm)?.length ?? 0;
