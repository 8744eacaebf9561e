import { mod as subject, type Check } from "./check";

/** A mod that is on in the profile but lies nowhere on the shelf. */
export const notOnShelf: Check = ({ roster }) =>
  roster.mods
    .filter((mod) => mod.loads && mod.mod === null)
    .map(({ id }) => ({
      check: "not-on-shelf",
      id: "not-on-shelf",
      data: { mod: id },
      level: "problem",
      subjects: [subject(id)],
      fixes: [],
    }));
