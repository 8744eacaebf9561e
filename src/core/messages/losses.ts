import type { BesidePart } from "../model/claim";
import type { Loss } from "../lineup/losses";
import { plural } from "./parts";

const lossText: Readonly<Record<Loss["aspect"], (count: number) => string>> = {
  off: (count) => `${plural(count, "item")} that are off: they are left out`,
  versions: () => "versions of the mods",
  hashes: (count) => `hashes: that the contents of ${plural(count, "mod")} are the same cannot be told`,
  mods: (count) => `the mods: ${count} of them`,
  plugins: (count) => `the order of ${plural(count, "plugin")}`,
  sections: (count) => `${plural(count, "section")}; the order itself stays`,
  numbers: (count) => `${plural(count, "number")} of its sheet`,
  parts: (count) => `what is chosen of ${plural(count, "package")}`,
  "left-out": (count) => `${plural(count, "file")} or folders that are left out`,
  settings: (count) => `${plural(count, "setting")}: expansions, parts of the game, how it is launched`,
  rules: (count) => plural(count, "rule"),
  notes: (count) => `notes and conditions of ${plural(count, "mod")}`,
  facts: () => "author, read-me, keys, pictures and changes",
};

/** What did not come along of a list, whether or not it had any. */
export const besideWords = {
  sections: "its sections",
  numbers: "the numbers of its sheet",
  rules: "its rules and rulebooks",
  notes: "notes and conditions of its mods",
  facts: "who made it, its read-me, keys, pictures and changes",
} as const satisfies Record<BesidePart, string>;

/** What a format leaves behind, in words. */
export const sayLoss = ({ aspect, count }: Loss): string => lossText[aspect](count);
