import type { Subject } from "@/core/model/subject";
import type { Roster } from "@/core/roster/roster";
import { nameFromPath } from "../mod-name";

const isWordless = (at: string | undefined): boolean => at === undefined || !/[\p{L}\p{N}_-]/u.test(at);

/** Whether a text stands in a line as words of its own. */
function standsIn(line: string, text: string): boolean {
  for (let at = line.indexOf(text); at >= 0; at = line.indexOf(text, at + 1))
    if (isWordless(line[at - 1]) && isWordless(line[at + text.length])) return true;
  return false;
}

/**
 * Finds the line of a list, from 1, in which the first of some subjects that it names stands; null where it names none. A mod is named by
 * its id, its name, or as `written` has it by its id; what has no id, by its archive.
 */
export function linesIn(
  text: string | null,
  roster: Roster,
  written: ReadonlyMap<string, string>,
): (subjects: readonly Subject[]) => number | null {
  const lines = (text ?? "").split(/\r\n|\n|\r/).map((line) => line.toLowerCase());
  const known = new Map<string, number | null>();
  const find = (name: string): number | null => {
    const wanted = name.toLowerCase();
    if (wanted === "") return null;
    if (!known.has(wanted)) {
      const at = lines.findIndex((line) => standsIn(line, wanted));
      known.set(wanted, at < 0 ? null : at + 1);
    }
    return known.get(wanted)!;
  };
  const namesOfMod = (id: string): string[] => [
    id,
    written.get(id) ?? "",
    roster.modOf.get(id)?.mod?.name ?? "",
  ];
  const namesOf = ({ kind, id }: Subject): string[] => {
    if (kind === "mod") return namesOfMod(id);
    if (kind === "part") return namesOfMod(id.split(":")[0]!);
    return kind === "path" ? [id, nameFromPath(id).name] : [id];
  };
  return (subjects) => {
    for (const subject of subjects)
      for (const name of namesOf(subject)) {
        const line = find(name);
        if (line !== null) return line;
      }
    return null;
  };
}
