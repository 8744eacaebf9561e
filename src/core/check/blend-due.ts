import { recipeOf } from "../blend/decisions";
import { mod, type Check } from "./check";

/** What the blend of the profile says is not what a blend of all that loads would say now. */
export const blendDue: Check = {
  reads: ["overlaps", "blend"],
  find: ({ roster }) => {
    const recipe = recipeOf(roster.profile.state);
    if (!recipe || roster.overlaps.standing.blend !== "due") return [];
    return [
      {
        check: "blend-due",
        id: "blend-due",
        data: { name: recipe.name },
        level: "problem",
        subjects: [mod(recipe.mod)],
        fixes: [{ id: "look-at-blend", data: {}, does: { act: "look-at-blend" } }],
      },
    ];
  },
};
