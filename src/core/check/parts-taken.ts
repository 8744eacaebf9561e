import { chooseEdit, openQuestions, partStates, withPart } from "../edit/choices";
import { hasParts } from "../roster/parts";
import type { Roster, SeatedMod } from "../roster/roster";
import { unmetWords } from "../messages/parts-of-mods";
import { mod as subject, type Check } from "./check";

const packagesOn = ({ mods }: Roster): SeatedMod[] =>
  mods.filter(({ loads, mod }) => loads && hasParts(mod?.manifest ?? null));

/** A part is taken whose condition does not hold in this profile. */
export const partRefused: Check = ({ roster }) =>
  packagesOn(roster).flatMap((item) =>
    partStates(roster, item)
      .filter(({ chosen, unmet }) => chosen && unmet)
      .map((state) => {
        const edit = chooseEdit(roster, item, withPart(item.choice, state, false, false));
        return {
          check: "part-refused",
          id: "part-refused",
          data: { item: item.id, part: state.part.label, why: unmetWords(roster, state.unmet!) },
          level: "problem" as const,
          subjects: [subject(item.id)],
          fixes: edit ? [{ id: "leave-part", data: { part: state.part.label }, does: { edit } }] : [],
        };
      }),
  );

/** A package asks a question to which nothing was answered. */
export const questionOpen: Check = ({ roster }) =>
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
  });
