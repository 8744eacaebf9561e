import type { EditLabel } from "../model/edit";
import { plural } from "./parts";

const words: Record<EditLabel["id"], (d: EditLabel["data"]) => string> = {
  move: (d) => (Number(d.count) > 1 ? `move ${d.count} plugins` : `move ${d.item}`),
  "switch-on": (d) => (Number(d.count) > 1 ? `switch on ${d.count}` : `switch on ${d.item}`),
  "switch-off": (d) => (Number(d.count) > 1 ? `switch off ${d.count}` : `switch off ${d.item}`),
  accept: (d) => `accept ${plural(d.moves, "move")}`,
  drop: (d) => (Number(d.count) > 1 ? `take out ${d.count} mods` : `take out ${d.item}`),
  restore: (d) => `go back to “${d.name}”`,
  arrivals: (d) => `take in ${plural(d.count, "new plugin")}`,
};

/** What an edit does, to stand behind "Undo" or "Redo". */
export const labelText = ({ id, data }: EditLabel): string => words[id](data);
