import type { EditLabel, LabelData } from "../model/edit";
import { plural } from "./parts";

/** How the items of an edit are called now; `seat` is null where a move is not done, and so leads to no seat yet. */
interface LabelNames {
  readonly title: (id: string) => string;
  readonly seat: (id: string) => string | null;
}

const plain: LabelNames = { title: (id) => id, seat: () => null };

type Words<Data> = (d: Data, item: string, seat: string | null) => string;

/** A sentence for every label, of just what it has to say; one that is missing, or says what is not there, does not compile. */
const words: { readonly [Id in keyof LabelData]: Words<LabelData[Id]> } = {
  move: (d, item, seat) =>
    `move ${d.count > 1 ? `${item} and ${d.count - 1} more` : item}${seat ? ` to ${seat}` : ""}`,
  "switch-on": (d, item) => (d.count > 1 ? `switch on ${d.count}` : `switch on ${item}`),
  "switch-off": (d, item) => (d.count > 1 ? `switch off ${d.count}` : `switch off ${item}`),
  accept: (d) => `accept ${plural(d.moves, "move")}`,
  drop: (d, item) => (d.count > 1 ? `take out ${d.count} mods` : `take out ${item}`),
  restore: (d) => `go back to “${d.name}”`,
  "add-rule": (d, item) => `remember a rule for ${item}`,
  "change-rule": (d, item) => `change a rule for ${item}`,
  "drop-rule": (d, item) => `delete a rule for ${item}`,
  "rule-on": (d, item) => `switch on a rule for ${item}`,
  "rule-off": (d, item) => `switch off a rule for ${item}`,
  "broader-first": (d) => (d.on ? "let the broader load earlier" : "not mind which is broader"),
  "add-section": (d) => `add the section ${d.name}`,
  "change-section": (d) => `change the section ${d.name}`,
  "drop-section": (d) => `remove the section ${d.name}`,
  "move-section": (d) => `move the section ${d.name}`,
  "add-book": (d) => `go by the rulebook ${d.name}`,
  "update-book": (d) => `go by ${d.name} ${d.version}`,
  "drop-book": (d) => `do without the rulebook ${d.name}`,
  "write-note": (d, item) => `write a note on ${item}`,
  "drop-note": (d, item) => `take away the note on ${item}`,
  choose: (d, item) => `choose the parts of ${item}`,
  versions: (d, item) => (d.count > 1 ? `take ${d.count} other versions` : `take ${item} ${d.version}`),
  pin: (d, item) => (d.count > 1 ? `take in ${d.count} mods that have arrived` : `take in ${item}`),
  "own-work": (d, item) =>
    d.count > 1 ? `follow ${d.count} mods of your own` : `follow ${item}, your own work`,
  "leave-out": (d, item) => `leave ${d.count > 1 ? `${d.count} files` : d.path} of ${item} out`,
  "bring-back": (d, item) => `bring ${d.count > 1 ? `${d.count} files` : d.path} of ${item} back`,
  "expansion-on": (d) => `switch on ${d.name}`,
  "expansion-off": (d) => `switch off ${d.name}`,
  "base-on": (d) => `switch on ${d.name}`,
  "base-off": (d) => `switch off ${d.name}`,
  launch: (d) => `set ${d.name}`,
  "take-over": (d) => `take over ${plural(d.count, "difference")} of ${d.name}`,
  number: (d, item) => (d.number === "" ? `take the number of ${item} away` : `number ${item} ${d.number}`),
  renumber: (d) => `number the ${d.name} anew`,
  follow: (d) => `follow ${[d.name, d.version].filter(Boolean).join(" ")}`,
  unfollow: (d) => `follow ${d.name} no longer`,
  "take-in": (d) => (d.way === "order" ? `take the order of ${d.name}` : `take ${d.name} in`),
  "take-over-order": (d) => `take over the order in ${d.path}`,
  add: (d, item) => (d.count > 1 ? `add ${d.count} mods` : `add ${item}`),
  arrivals: (d) => `take in ${plural(d.count, "new plugin")}`,
};

/** What an edit does, to stand behind "Undo" or "Redo". */
export function labelText({ id, data }: EditLabel, names: LabelNames = plain): string {
  const item = String(data.item ?? "");
  // Of one id the sentence and what is stored for it fit, which a union of ids loses.
  return (words[id] as Words<EditLabel["data"]>)(data, names.title(item), names.seat(item));
}
