import { openQuestions, partStates } from "../edit/choices";
import { chosenParts, hasParts, partsOf, type Part } from "../roster/parts";
import type { Roster, SeatedMod } from "../roster/roster";
import { unmetWords } from "../messages/parts-of-mods";
import { mod as subject, type Check } from "./check";
import { damagesSaves } from "./damages-saves";
import { leavePart, lookAtParts, takePart } from "./fixes";

const packagesOn = ({ mods }: Roster): SeatedMod[] =>
  mods.filter(({ loads, mod }) => loads && hasParts(mod?.manifest ?? null));

/** A part is taken whose condition does not hold in this profile. */
export const partRefused: Check = {
  reads: ["mods", "stock", "expansions"],
  find: ({ roster }) =>
    packagesOn(roster).flatMap((item) =>
      partStates(roster, item)
        .filter(({ chosen, unmet }) => chosen && unmet)
        .map(({ key, part, unmet }) => ({
          check: "part-refused",
          id: "part-refused",
          data: { item: item.id, part: part.label, why: unmetWords(roster, unmet!) },
          level: "problem" as const,
          subjects: [subject(item.id)],
          besides: [{ kind: "part" as const, id: `${item.id}:${key}` }],
          fixes: [leavePart(item.id, key, part.label)],
        })),
    ),
};

/** A package asks a question to which nothing was answered. */
export const questionOpen: Check = {
  reads: ["mods"],
  find: ({ roster }) =>
    packagesOn(roster).flatMap((item) => {
      const open = openQuestions(item);
      if (open.length === 0) return [];
      return {
        check: "question-open",
        id: "question-open",
        data: { item: item.id, count: open.length, first: open[0]! },
        level: "hint" as const,
        subjects: [subject(item.id)],
        fixes: [lookAtParts(item.id)],
      };
    }),
};

/** A part whose condition came true is not taken, and nobody has said why: what it is for is here now. */
export const partOpen: Check = {
  reads: ["mods", "expansions"],
  find: ({ roster }) =>
    packagesOn(roster).flatMap((item) =>
      partStates(roster, item)
        .filter(({ chosen, unmet, part }) => !chosen && !unmet && part.when?.mod !== undefined)
        .filter(({ key }) => !item.choice.reasons?.[key])
        .map(({ key, part }) => ({
          check: "part-open",
          id: "part-open",
          data: { item: item.id, part: part.label, other: part.when!.mod! },
          level: "hint" as const,
          subjects: [subject(item.id)],
          besides: [{ kind: "part" as const, id: `${item.id}:${key}` }],
          fixes: [takePart(item.id, key, part.label), lookAtParts(item.id)],
        })),
    ),
};

/** A part is taken of which its author says that one had better not, and nobody has said why. */
export const partCaution: Check = {
  reads: ["mods", "expansions"],
  find: ({ roster }) =>
    packagesOn(roster).flatMap((item) =>
      partStates(roster, item)
        .filter(({ chosen, unmet, part }) => chosen && !unmet && part.caution)
        .filter(({ key }) => !item.choice.reasons?.[key])
        .map(({ key, part }) => ({
          check: "part-caution",
          id: "part-caution",
          data: { item: item.id, part: part.label, why: part.caution! },
          level: "hint" as const,
          subjects: [subject(item.id)],
          besides: [{ kind: "part" as const, id: `${item.id}:${key}` }],
          fixes: [leavePart(item.id, key, part.label)],
        })),
    ),
};

/** Two parts are taken, of one package or of two, of which one says that it cannot stand the other. */
export const partsClash: Check = {
  reads: ["mods"],
  find: ({ roster }) =>
    packagesOn(roster).flatMap((item) =>
      takenParts(item).flatMap(({ key, part }) =>
        (part.clashes ?? []).flatMap(({ mod = item.id, part: otherKey, reason = "" }) => {
          const stranger = roster.modOf.get(mod);
          const other = stranger?.loads && takenParts(stranger).find((each) => each.key === otherKey);
          if (!other) return [];
          return {
            check: "parts-clash",
            id: "parts-clash" as const,
            data: { item: item.id, part: part.label, other: mod, otherPart: other.part.label, reason },
            level: damagesSaves(reason) ? ("blocker" as const) : ("problem" as const),
            subjects: [subject(item.id)],
            besides: [
              { kind: "part" as const, id: `${item.id}:${key}` },
              { kind: "part" as const, id: `${mod}:${otherKey}` },
            ],
            fixes: [leavePart(item.id, key, part.label), leavePart(mod, otherKey, other.part.label)],
          };
        }),
      ),
    ),
};

const takenParts = ({ mod, taken }: SeatedMod): Part[] => {
  const chosen = chosenParts(taken);
  return partsOf(mod?.manifest ?? null).filter(({ key }) => chosen.has(key));
};
