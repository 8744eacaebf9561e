import type { Finding, Fix } from "../model/finding";
import type { ListName } from "../model/profile";
import { chosenParts, partsOf } from "../roster/parts";
import type { Roster } from "../roster/roster";
import { mod, subject, type Check } from "./check";
import { leavePart, switchOff } from "./fixes";

/** What was found of conflicts was found a moment ago: an item may have gone off since. */
const stillOn = (roster: Roster, list: ListName, id: string): boolean =>
  roster.lists[list].itemOf.get(id)?.loads === true;

/** A mod of which another one brings everything in the same contents. */
export const copied: Check = {
  reads: ["mods", "overlaps"],
  find: ({ roster }) =>
    roster.overlaps.standing.copies
      .filter(({ id, of }) => stillOn(roster, "mods", id) && stillOn(roster, "mods", of))
      .map(({ id, of }) => ({
        check: "copied",
        id: "copied",
        data: { item: id, other: of },
        level: "hint",
        subjects: [mod(id)],
        besides: [{ kind: "mod", id: of }],
        fixes: [switchOff("mods", id)],
      })),
};

/** An item that does nothing: others win all that it brings. */
export const covered: Check = {
  reads: ["plugins", "mods", "overlaps"],
  find: ({ roster }) =>
    (["mods", "plugins"] as const).flatMap((list) =>
      roster.overlaps.standing.covered[list]
        .filter((id) => stillOn(roster, list, id))
        .map((id): Finding => ({
          check: "covered",
          id: `covered-${list}`,
          data: { item: id },
          level: "hint",
          subjects: [subject(list, id)],
          fixes: [switchOff(list, id)],
        })),
    ),
};

/** Items meet in what is unlike, and nothing but the order says who wins. */
export const undecided: Check = {
  reads: ["overlaps"],
  find: ({ roster }) =>
    (["mods", "plugins"] as const).flatMap((list): Finding[] => {
      const found = roster.overlaps.standing.undecided[list];
      if (!found) return [];
      return [
        {
          check: "undecided",
          id: `undecided-${list}`,
          data: found,
          level: "hint",
          subjects: [],
          besides: [{ kind: "list", id: "" }],
          fixes: [lookAtUndecided(list)],
        },
      ];
    }),
};

const lookAtUndecided = (list: ListName): Fix => ({
  id: "look-at-conflicts",
  data: {},
  does: { act: "look-at-conflicts", of: list === "mods" ? "files" : "records" },
});

/** What lies packed loses to what lies loose, whatever the order says. */
export const packedHidden: Check = {
  reads: ["mods", "overlaps"],
  find: ({ roster }) =>
    roster.overlaps.standing.hidden
      .filter(
        ({ hidden, by }) => stillOn(roster, "mods", hidden) && (by === "" || stillOn(roster, "mods", by)),
      )
      .map((found) => ({
        check: "packed-hidden",
        id: "packed-hidden",
        data: found,
        level: "problem",
        subjects: [mod(found.hidden)],
        besides: found.by === "" ? [] : [{ kind: "mod", id: found.by }],
        fixes: [],
      })),
};

/** The same part comes with two packages. */
export const partTwice: Check = {
  reads: ["mods", "overlaps"],
  find: ({ roster }) =>
    roster.overlaps.standing.twice.flatMap(({ mods, parts }) => {
      const items = mods.map((id) => roster.modOf.get(id));
      const isTaken = items.every((item, at) => item?.loads && chosenParts(item.taken).has(parts[at]!));
      if (!isTaken) return [];
      const labels = items.map((item, at) => labelOf(item!.mod?.manifest ?? null, parts[at]!));
      return {
        check: "part-twice",
        id: "part-twice",
        data: { item: mods[1], part: labels[1]!, other: mods[0], otherPart: labels[0]! },
        level: "problem" as const,
        subjects: [mod(mods[1])],
        besides: mods.map((id, at) => ({ kind: "part" as const, id: `${id}:${parts[at]}` })),
        fixes: mods.map((id, at) => leavePart(id, parts[at]!, labels[at]!)),
      };
    }),
};

const labelOf = (manifest: Parameters<typeof partsOf>[0], key: string): string =>
  partsOf(manifest).find((each) => each.key === key)?.part.label ?? key;
