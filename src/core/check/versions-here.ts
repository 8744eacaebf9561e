import { newerVersions } from "../edit/versions";
import type { Fix } from "../model/finding";
import { newestHere, type Roster, type SeatedMod } from "../roster/roster";
import { wantOfMod } from "../depot/offers";
import { mod as subject, readsMods, type Check } from "./check";

/** A mod that is on in the profile but lies nowhere on the shelf, in no version. */
export const notOnShelf: Check = {
  reads: readsMods,
  find: ({ roster }) =>
    roster.mods
      .filter(({ id, loads, gone, mod }) => loads && gone && !mod && !newestHere(roster.stock, id))
      .map((item) => ({
        check: "not-on-shelf",
        id: "not-on-shelf",
        data: { mod: item.id },
        level: "problem",
        subjects: [subject(item.id)],
        fixes: [],
        wants: [wantOfMod(item)],
      })),
};

/** The contents in which a profile holds a mod that is on are not on the shelf any more. */
export const contentsGone: Check = {
  reads: readsMods,
  find: ({ roster }) =>
    roster.mods
      .filter(({ id, loads, gone, mod }) => loads && gone && (mod !== null || newestHere(roster.stock, id)))
      .map((item) => ({
        check: "contents-gone",
        id: "contents-gone",
        data: { item: item.id, version: item.mod?.version ?? `${item.entry.content!.slice(0, 12)}…` },
        level: "problem",
        subjects: [subject(item.id)],
        fixes: takeHere(roster, item),
        wants: [wantOfMod(item)],
      })),
};

function takeHere(roster: Roster, item: SeatedMod): Fix[] {
  const to = newestHere(roster.stock, item.id);
  if (!to) return [];
  return [{ id: "take-version", data: { version: to.version }, does: { act: "take-newest", mod: item.id } }];
}

/** Newer versions of what the profile holds lie on the shelf. */
export const newerHere: Check = {
  reads: readsMods,
  find: ({ roster }) => {
    const newer = newerVersions(roster);
    if (newer.length === 0) return [];
    return [
      {
        check: "newer-here",
        id: "newer-here",
        data: { count: newer.length, first: newer[0]!.item.id },
        level: "hint",
        subjects: newer.map(({ item }) => subject(item.id)),
        fixes: [{ id: "versions", data: {}, does: { act: "versions" } }],
      },
    ];
  },
};
