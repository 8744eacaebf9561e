import { openQuestions, partStates } from "../edit/choices";
import { hasParts } from "../roster/parts";
import type { Roster, SeatedMod } from "../roster/roster";
import { unmetWords } from "../messages/parts-of-mods";
import { mod as subject, readsMods, type Check } from "./check";

const packagesOn = ({ mods }: Roster): SeatedMod[] =>
  mods.filter(({ loads, mod }) => loads && hasParts(mod?.manifest ?? null));

/** A part is taken whose condition does not hold in this profile. */
export const partRefused: Check = {
  reads: readsMods,
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
          fixes: [
            {
              id: "leave-part",
              data: { part: part.label },
              does: { act: "leave-part", mod: item.id, part: key },
            },
          ],
        })),
    ),
};

/** A package asks a question to which nothing was answered. */
export const questionOpen: Check = {
  reads: readsMods,
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
        fixes: [],
      };
    }),
};
