import { blendChoiceKey, type BlendChoice } from "../model/additive-list";
import type { Edit } from "../model/edit";
import type { ProfileState } from "../model/profile";
import { label } from "../edit/steps";
import { decisionKey, type BlendDecisions } from "./blend";

export type BlendRecipe = Extract<BlendChoice, { kind: "recipe" }>;

/** The blend that a profile has; null where it has none. */
export const recipeOf = ({ blend }: Pick<ProfileState, "blend">): BlendRecipe | null =>
  blend.find((choice) => choice.kind === "recipe") ?? null;

/** What a profile has decided of its blend, as the blend is made by it. */
export const decisionsOf = ({ blend }: Pick<ProfileState, "blend">): BlendDecisions => ({
  winners: new Map(
    blend.flatMap((choice) =>
      choice.kind === "winner" ? [[decisionKey(choice.record, choice.name), choice.plugin] as const] : [],
    ),
  ),
  over: new Set(blend.flatMap((choice) => (choice.kind === "over" ? choice.record : []))),
  leave: new Set(blend.flatMap((choice) => (choice.kind === "leave" ? choice.record : []))),
});

/** Leaves some lists as they are. */
export const leaveLists = (records: readonly string[]): Edit => ({
  label: label("decide-blend", { name: records[0] ?? "" }),
  steps: records.map((record) => {
    const choice = { kind: "leave" as const, record };
    return { kind: "decide", facet: "blend", key: blendChoiceKey(choice), item: choice };
  }),
});

/** Decides something of the blend, or, where `on` is false, no longer. */
export const decideBlend = (choice: BlendChoice, on = true): Edit => ({
  label: label("decide-blend", { name: "record" in choice ? choice.record : choice.name }),
  steps: [{ kind: "decide", facet: "blend", key: blendChoiceKey(choice), item: on ? choice : null }],
});
