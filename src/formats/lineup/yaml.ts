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

/** The value, in the types that JSON has; throws where it is none, or where its aliases would multiply it. */
export const readYaml = (text: string): unknown =>
  parse(text, { schema: "core", maxAliasCount: 100, merge: false, logLevel: "silent" });
