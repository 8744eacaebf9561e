import { say } from "../language/say";
import type { LineupRole, LineupTerms } from "../model/lineup";

/** What a mod is to its list, where it is not simply a part of it. */
export const roleWords: Readonly<Record<LineupRole, string>> = {
  get optional() {
    return say("roles.roleWords.optional");
  },
  get helper() {
    return say("roles.helper");
  },
  get once() {
    return say("roles.roleWords.once");
  },
};

/** On what terms others get a mod, where that is known. */
export const termWords: Readonly<Record<LineupTerms["kind"], string>> = {
  get paid() {
    return say("roles.termWords.paid");
  },
  get "not-passed-on"() {
    return say("roles.termWords.not-passed-on");
  },
};
