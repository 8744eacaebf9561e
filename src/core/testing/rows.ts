import canonicalize from "canonicalize";
import type { rowColumns } from "../lineup/rows";
import type { ListLine } from "../model/listing";

/** What a line that was read says, as the cell of a row from which it came. */
export function cellOf(line: ListLine, column: (typeof rowColumns)[number]): string {
  switch (column) {
    case "on":
      return line.on ? "on" : "off";
    case "parts":
      return line.parts && line.parts.components.length + Object.keys(line.parts.options).length > 0
        ? canonicalize(line.parts)!
        : "";
    case "left-out":
      return line.leftOut && line.leftOut.length > 0 ? canonicalize(line.leftOut)! : "";
    default:
      return String(line[column] ?? "");
  }
}
