import { say } from "../language/say";
import type { BesidePart } from "../model/claim";
import type { Loss } from "../lineup/losses";

const lossText: Readonly<Record<Loss["aspect"], (count: number) => string>> = {
  off: (count) => say("losses.lossText.off", { count }),
  versions: () => say("losses.lossText.versions"),
  hashes: (count) => say("losses.lossText.hashes", { count }),
  mods: (count) => say("losses.lossText.mods", { count }),
  plugins: (count) => say("losses.lossText.plugins", { count }),
  sections: (count) => say("losses.lossText.sections", { count }),
  numbers: (count) => say("losses.lossText.numbers", { count }),
  parts: (count) => say("losses.lossText.parts", { count }),
  "left-out": (count) => say("losses.lossText.left-out", { count }),
  settings: (count) => say("losses.lossText.settings", { count }),
  rules: (count) => say("losses.lossText.rules", { count }),
  notes: (count) => say("losses.lossText.notes", { count }),
  advice: (count) => say("losses.lossText.advice", { count }),
  facts: () => say("losses.lossText.facts"),
};

/** What did not come along of a list, whether or not it had any. */
export const besideWords = {
  get sections() {
    return say("losses.besideWords.sections");
  },
  get numbers() {
    return say("losses.besideWords.numbers");
  },
  get rules() {
    return say("losses.besideWords.rules");
  },
  get notes() {
    return say("losses.besideWords.notes");
  },
  get facts() {
    return say("losses.besideWords.facts");
  },
} as const satisfies Record<BesidePart, string>;

/** What a format leaves behind, in words. */
export const sayLoss = ({ aspect, count }: Loss): string => lossText[aspect](count);
