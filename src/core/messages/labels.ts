import type { EditLabel } from "../model/edit";
import { plural } from "./parts";

const words: Record<EditLabel["id"], (d: EditLabel["data"]) => string> = {
  move: (d) => (Number(d.count) > 1 ? `move ${d.count} plugins` : `move ${d.item}`),
  "switch-on": (d) => (Number(d.count) > 1 ? `switch on ${d.count}` : `switch on ${d.item}`),
  "switch-off": (d) => (Number(d.count) > 1 ? `switch off ${d.count}` : `switch off ${d.item}`),
  accept: (d) => `accept ${plural(d.moves, "move")}`,
  drop: (d) => (Number(d.count) > 1 ? `take out ${d.count} mods` : `take out ${d.item}`),
  restore: (d) => `go back to “${d.name}”`,
  "add-rule": (d) => `remember a rule for ${d.item}`,
  "change-rule": (d) => `change a rule for ${d.item}`,
  "drop-rule": (d) => `delete a rule for ${d.item}`,
  "rule-on": (d) => `switch on a rule for ${d.item}`,
  "rule-off": (d) => `switch off a rule for ${d.item}`,
  "broader-first": (d) => (d.on ? "let the broader load earlier" : "not mind which is broader"),
  "add-section": (d) => `add the section ${d.name}`,
  "change-section": (d) => `change the section ${d.name}`,
  "drop-section": (d) => `remove the section ${d.name}`,
  "move-section": (d) => `move the section ${d.name}`,
  "add-book": (d) => `go by the rulebook ${d.name}`,
  "update-book": (d) => `go by ${d.name} ${d.version}`,
  "drop-book": (d) => `do without the rulebook ${d.name}`,
  "write-note": (d) => `write a note on ${d.item}`,
  "drop-note": (d) => `take away the note on ${d.item}`,
  arrivals: (d) => `take in ${plural(d.count, "new plugin")}`,
};

/** What an edit does, to stand behind "Undo" or "Redo". */
export const labelText = ({ id, data }: EditLabel): string => words[id](data);
