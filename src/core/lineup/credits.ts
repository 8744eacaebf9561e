import { say } from "../language/say";
import type { Credit } from "../model/lineup";
import type { Roster } from "../roster/roster";

/** Who made what the profile holds: authors by name, each with their mods in order; those without one under an empty name, last. */
export function creditsOf({ mods }: Pick<Roster, "mods">): Credit[] {
  const byAuthor = new Map<string, string[]>();
  for (const { mod } of mods) {
    if (!mod?.content) continue;
    const author = (mod.author ?? "").slice(0, 200);
    byAuthor.set(author, [...(byAuthor.get(author) ?? []), mod.name]);
  }
  const order = (a: string, b: string) => Number(a === "") - Number(b === "") || (a < b ? -1 : 1);
  return [...byAuthor].sort(([a], [b]) => order(a, b)).map(([author, own]) => ({ author, mods: own }));
}

/** The credits as a text to be put beside a lineup. */
export const creditsText = (title: string, credits: readonly Credit[]): string =>
  [
    say("lineup.thanksToThoseWhoseModsMake", { title }),
    "",
    ...credits.map(({ author, mods }) => `${author || say("lineup.authorNotNamed")}: ${mods.join(", ")}`),
    "",
  ].join("\n");
