import { recipeOf } from "../blend/decisions";
import { newerVersions } from "../edit/versions";
import type { Fix } from "../model/finding";
import { newestHere, type Roster, type SeatedMod } from "../roster/roster";
import { wantOfMod } from "../depot/offers";
import { foldName } from "../roster/fold";
import { compareVersions } from "../version/version";
import { mod as subject, type Check } from "./check";
import { switchOff } from "./fixes";

/** A blend is built here, not got: that it is due says another check. */
function gettable({ mods, profile }: Roster): readonly SeatedMod[] {
  const recipe = recipeOf(profile.state);
  return recipe ? mods.filter(({ id }) => id !== recipe.mod) : mods;
}

/** A mod that is on in the profile but lies nowhere on the shelf, in no version. */
export const notOnShelf: Check = {
  reads: ["mods", "stock", "blend"],
  find: ({ roster }) =>
    gettable(roster)
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
  reads: ["mods", "stock", "blend"],
  find: ({ roster }) =>
    gettable(roster)
      .filter(({ id, loads, gone, mod }) => loads && gone && (mod !== null || newestHere(roster.stock, id)))
      .map((item) => ({
        check: "contents-gone",
        id: "contents-gone",
        data: {
          item: item.id,
          version: item.mod?.version ?? `${item.entry.content!.slice(0, 12)}…`,
          changed: isChanged(roster, item),
        },
        level: "problem",
        subjects: [subject(item.id)],
        fixes: takeHere(roster, item),
        wants: [wantOfMod(item)],
      })),
};

/** The same version lies there with other contents. */
function isChanged({ stock }: Roster, { id, mod }: SeatedMod): boolean {
  const here = newestHere(stock, id);
  return mod !== null && here !== undefined && here.version === mod.version && here.version !== "";
}

function takeHere(roster: Roster, item: SeatedMod): Fix[] {
  const to = newestHere(roster.stock, item.id);
  if (!to) return [];
  return [{ id: "take-version", data: { version: to.version }, does: { act: "take-newest", mod: item.id } }];
}

/** Two mods that are on are versions of one: they are called the same. */
export const twoVersions: Check = {
  reads: ["mods", "game"],
  find: ({ roster }) => {
    const first = new Map<string, SeatedMod>();
    return roster.mods.flatMap((item) => {
      if (!item.loads || !item.mod) return [];
      const name = foldName(roster.game, item.mod.name).toLowerCase();
      const before = first.get(name);
      if (!before) first.set(name, item);
      if (!before?.mod || before.mod.version === item.mod.version) return [];
      const [older, newer] =
        compareVersions(before.mod.version, item.mod.version) < 0 ? [before, item] : [item, before];
      return {
        check: "two-versions",
        id: "two-versions",
        data: {
          item: older.id,
          version: older.mod!.version,
          other: newer.id,
          otherVersion: newer.mod!.version,
        },
        level: "problem",
        subjects: [subject(older.id), subject(newer.id)],
        fixes: [switchOff("mods", older.id), switchOff("mods", newer.id)],
      };
    });
  },
};

/** Newer versions of what the profile holds lie on the shelf. */
export const newerHere: Check = {
  reads: ["mods", "stock"],
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
