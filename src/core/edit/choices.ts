import type { Edit, Step } from "../model/edit";
import type { Choice } from "../model/profile";
import { addAbsentPlugins, arrivalSteps } from "./arrivals";
import { chosenParts, partsOf, unmetCondition, type Part, type Present, type Unmet } from "../roster/parts";
import type { Roster, SeatedMod } from "../roster/roster";
import { advisedSections } from "../roster/advised-sections";
import { label } from "./steps";

/** A part of a package in a profile: whether it is chosen, and what stands against it. */
export interface PartState extends Part {
  readonly chosen: boolean;
  readonly unmet: Unmet | null;
}

const presentIn = ({ modOf, profile }: Roster): Present => ({
  isModOn: (id) => modOf.get(id)?.loads === true,
  expansions: profile.state.expansions,
});

/** The parts of a package as a choice takes them; without one, as the profile does. */
export function partStates(roster: Roster, { mod, choice }: SeatedMod, wanted: Choice = choice): PartState[] {
  const chosen = chosenParts(wanted);
  const present = presentIn(roster);
  return partsOf(mod?.manifest ?? null).map((each) => ({
    ...each,
    chosen: chosen.has(each.key),
    unmet: unmetCondition(each.part.when, present),
  }));
}

/** A choice with a part taken or left; of a question that has one answer, the others are left. */
export function withPart(choice: Choice, { part, question }: Part, taken: boolean, one: boolean): Choice {
  if (question === null) {
    const others = choice.components.filter((id) => id !== part.id);
    return { ...choice, components: taken ? [...others, part.id] : others };
  }
  const { [question]: present = [], ...rest } = choice.options;
  const others = one ? [] : present.filter((id) => id !== part.id);
  const answer = taken ? [...others, part.id] : others;
  return { ...choice, options: answer.length > 0 ? { ...rest, [question]: answer } : rest };
}

/**
 * Takes a choice for a package. Plugins that come with it take their seats, switched on, or are switched on where they sit
 * already; those of parts that are left keep their seats and do not load. Null where nothing changes.
 */
export function chooseEdit(roster: Roster, item: SeatedMod, choice: Choice): Edit | null {
  if (!item.mod || JSON.stringify(choice) === JSON.stringify(item.choice)) return null;
  const { game, profile } = roster;
  const choices = [...profile.state.choices.filter((each) => each.mod !== item.id), choice];
  const homes = advisedSections(roster, [item.mod]);
  const next = addAbsentPlugins(game, { ...profile.state, choices }, [item.mod], true, homes);
  const before = chosenParts(item.choice);
  const taken = new Set([...chosenParts(choice)].filter((part) => !before.has(part)));
  const turned = roster.plugins.filter(
    ({ mod, entry, file }) => mod === item && !entry.on && file?.part !== undefined && taken.has(file.part),
  );
  const steps: Step[] = [{ kind: "decide", facet: "choices", key: item.id, item: choice }];
  if (turned.length > 0)
    steps.push({ kind: "switch", list: "plugins", ids: turned.map(({ id }) => id), on: true });
  return {
    label: label("choose", { item: item.id, count: chosenParts(choice).size }),
    steps: [...steps, ...arrivalSteps("plugins", profile.state, next)],
  };
}

/** Questions of a package that have one answer and were not given any. */
export const openQuestions = ({ mod, choice }: SeatedMod): string[] =>
  (mod?.manifest?.options ?? [])
    .filter(({ id, choose }) => choose === "one" && (choice.options[id]?.length ?? 0) === 0)
    .map(({ label: words }) => words);
