import { say } from "../language/say";
import type { ListName } from "../model/profile";
import { facetWord } from "./facets";
import type { EditLabel, LabelData } from "../model/edit";

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
    say("labels.words.move", {
      rest: d.count > 1 ? say("labels.andMore", { item, count: d.count - 1 }) : item,
      rest2: seat ? say("labels.to", { seat }) : "",
    }),
  "switch-on": (d, item) =>
    d.count > 1
      ? say("labels.words.switch-on", { count: d.count })
      : say("labels.words.switch-on2", { item }),
  "switch-off": (d, item) =>
    d.count > 1
      ? say("labels.words.switch-off", { count: d.count })
      : say("labels.words.switch-off2", { item }),
  accept: (d) => say("labels.words.accept", { moves: d.moves }),
  drop: (d, item) =>
    d.count > 1 ? say("labels.words.drop", { count: d.count }) : say("labels.words.drop2", { item }),
  restore: (d) => say("labels.words.restore", { name: d.name }),
  "add-rule": (d, item) => say("labels.words.add-rule", { item }),
  "change-rule": (d, item) => say("labels.words.change-rule", { item }),
  "drop-rule": (d, item) => say("labels.words.drop-rule", { item }),
  "rule-on": (d, item) => say("labels.words.rule-on", { item }),
  "rule-off": (d, item) => say("labels.words.rule-off", { item }),
  "broader-first": (d) => (d.on ? say("labels.words.broader-first") : say("labels.words.broader-first2")),
  "add-section": (d) => say("labels.words.add-section", { name: d.name }),
  "change-section": (d) => say("labels.words.change-section", { name: d.name }),
  "drop-section": (d) => say("labels.words.drop-section", { name: d.name }),
  "move-section": (d) => say("labels.words.move-section", { name: d.name }),
  "add-book": (d) => say("labels.words.add-book", { name: d.name }),
  "update-book": (d) => say("labels.words.update-book", { name: d.name, version: d.version }),
  "drop-book": (d) => say("labels.words.drop-book", { name: d.name }),
  "write-note": (d, item) => say("labels.words.write-note", { item }),
  "drop-note": (d, item) => say("labels.words.drop-note", { item }),
  "write-advice": (d, item) => say("labels.words.write-advice", { item }),
  "drop-advice": (d, item) => say("labels.words.drop-advice", { item }),
  "gather-files": (d) => say("labels.words.gather-files", { item: d.item }),
  "build-blend": (d) => say("labels.words.build-blend", { name: d.name }),
  "drop-blend": (d) => say("labels.words.drop-blend", { name: d.name }),
  "decide-blend": (d) => say("labels.words.decide-blend", { name: d.name }),
  "sure-ways": (d) => say("labels.words.sure-ways", { count: d.count }),
  "set-aside": (d) => say("labels.words.set-aside", { count: d.count }),
  "tell-again": (d) => say("labels.words.tell-again", { count: d.count }),
  remind: (d) => say("labels.words.remind", { name: d.name }),
  "drop-reminder": (d) => say("labels.words.drop-reminder", { name: d.name }),
  purpose: () => say("labels.words.purpose"),
  "start-note": (d) => say("labels.words.start-note", { name: d.name }),
  "drop-start-note": (d) => say("labels.words.drop-start-note", { name: d.name }),
  choose: (d, item) => say("labels.words.choose", { item }),
  versions: (d, item) =>
    d.count > 1
      ? say("labels.words.versions", { count: d.count })
      : say("labels.words.versions2", { item, version: d.version }),
  pin: (d, item) =>
    d.count > 1 ? say("labels.words.pin", { count: d.count }) : say("labels.words.pin2", { item }),
  "own-work": (d, item) =>
    d.count > 1 ? say("labels.words.own-work", { count: d.count }) : say("labels.words.own-work2", { item }),
  "leave-out": (d, item) =>
    say("labels.words.leave-out", {
      rest: d.count > 1 ? say("labels.files", { count: d.count }) : d.path,
      item,
    }),
  "bring-back": (d, item) =>
    say("labels.words.bring-back", {
      rest: d.count > 1 ? say("labels.files", { count: d.count }) : d.path,
      item,
    }),
  decide: (d, item) =>
    d.count > 1 ? say("labels.words.decidePairs", { count: d.count }) : say("labels.words.decide", { item }),
  "let-win": (d, item) => say("labels.words.let-win", { item, path: d.path }),
  "expansion-on": (d) => say("labels.words.expansion-on", { name: d.name }),
  "expansion-off": (d) => say("labels.words.expansion-off", { name: d.name }),
  "base-on": (d) => say("labels.words.base-on", { name: d.name }),
  "base-off": (d) => say("labels.words.base-off", { name: d.name }),
  launch: (d) => say("labels.words.launch", { name: d.name }),
  setting: (d) => say("labels.words.setting", { name: d.name }),
  "take-over": (d) => say("labels.words.take-over", { count: d.count, name: d.name }),
  number: (d, item) =>
    d.number === ""
      ? say("labels.words.number", { item })
      : say("labels.words.number2", { item, number: d.number }),
  renumber: (d) => say("labels.words.renumber", { list: facetWord(d.name as ListName, "many") }),
  follow: (d) => say("labels.words.follow", { value: [d.name, d.version].filter(Boolean).join(" ") }),
  unfollow: (d) => say("labels.words.unfollow", { name: d.name }),
  "take-in": (d) =>
    d.way === "order"
      ? say("labels.words.take-in", { name: d.name })
      : say("labels.words.take-in2", { name: d.name }),
  "take-over-order": (d) => say("labels.words.take-over-order", { path: d.path }),
  add: (d, item) =>
    d.count > 1 ? say("labels.words.add", { count: d.count }) : say("labels.words.add2", { item }),
  arrivals: (d) => say("labels.words.arrivals", { count: d.count }),
};

/** What an edit does, to stand behind "Undo" or "Redo". */
export function labelText({ id, data }: EditLabel, names: LabelNames = plain): string {
  const item = String(data.item ?? "");
  // Of one id the sentence and what is stored for it fit, which a union of ids loses.
  return (words[id] as Words<EditLabel["data"]>)(data, names.title(item), names.seat(item));
}
