import type { LineupRole, LineupTerms } from "../model/lineup";

/** What a mod is to its list, where it is not simply a part of it. */
export const roleWords: Readonly<Record<LineupRole, string>> = {
  optional: "may be left out",
  helper: "helper",
  once: "needed once",
};

/** On what terms others get a mod, where that is known. */
export const termWords: Readonly<Record<LineupTerms["kind"], string>> = {
  paid: "to be paid for",
  "not-passed-on": "not to be passed on",
};
