import { mod as subject, type Check } from "./check";
import { switchOff } from "./fixes";

/** A mod that is on takes the game's awards away, by its own word. */
export const awardsOff: Check = {
  reads: ["mods"],
  find: ({ roster }) =>
    roster.mods
      .filter(({ loads, mod }) => loads && mod?.manifest?.awards === false)
      .map(({ id }) => ({
        check: "awards-off",
        id: "awards-off",
        data: { item: id },
        level: "hint" as const,
        subjects: [subject(id)],
        fixes: [switchOff("mods", id)],
      })),
};
