import { say } from "../../core/language/say";
import { CORE_SCHEMA, dump, load, YAMLException } from "js-yaml";
import { everything, type LineupFormat } from "./format";

/** The whole lineup, as in JSON. */
export const yaml: LineupFormat = {
  id: "yaml",
  label: "YAML",
  extension: ".yaml",
  mime: "application/yaml",
  carries: everything,
  write: (lineup) => dump(lineup, { lineWidth: -1, noRefs: true, skipInvalid: true }),
};

/**
 * The value, in the types that JSON has; throws where it is none, where it is nested beyond any use, or where it has aliases, of
 * which a few can stand for a value without end.
 */
export function readYaml(text: string): unknown {
  try {
    return load(text, { schema: CORE_SCHEMA, maxDepth: 100, maxAliases: 0 });
  } catch (error) {
    if (!(error instanceof YAMLException)) throw error;
    const line = error.mark ? say("formats.inLine", { line: error.mark.line + 1 }) : "";
    throw new Error(`${error.reason}${line}`, { cause: error });
  }
}
