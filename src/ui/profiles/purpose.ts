import { say } from "@/core/language/say";
import { usualPurposes } from "@/core/model/profile";

type UsualPurpose = (typeof usualPurposes)[number];

const words: Readonly<Record<UsualPurpose, string>> = {
  get play() {
    return say("profiles.toPlay");
  },
  get make() {
    return say("profiles.toMakeThings");
  },
  get test() {
    return say("profiles.toTest");
  },
};

export const isUsual = (purpose: string): purpose is UsualPurpose =>
  (usualPurposes as readonly string[]).includes(purpose);

/** A purpose as it stands behind "a set": the usual ones in our words, others in the curator's own. */
export const purposeWords = (purpose: string): string => (isUsual(purpose) ? words[purpose] : purpose);
