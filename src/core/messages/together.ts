import type { SetupDifference } from "../lineup/compare";
import type { FingerprintFacts } from "../lineup/fingerprint";

interface Two {
  readonly mine: FingerprintFacts;
  readonly theirs: FingerprintFacts;
  readonly titleOf: (id: string) => string;
}

const versionIn = ({ mods }: FingerprintFacts, id: string): string =>
  mods.find((mod) => mod.id === id)?.version ?? "";

/** What either of two who want to play together has to change, so that a difference between them is gone: one of the two is enough. */
export function waysTogether(
  { facet, kind, key }: SetupDifference,
  { mine, theirs, titleOf }: Two,
): readonly [you: string, they: string] {
  const name = facet === "mods" || facet === "expansions" ? titleOf(key) : key;
  if (facet === "game") return [`play version ${theirs.game.version}`, `play version ${mine.game.version}`];
  if (facet === "choices") return [`choose parts of ${titleOf(key)} as they do`, `choose them as you do`];
  if (facet === "leftOut" || facet === "launch" || facet === "baseOff")
    return [`set ${key} as they have it`, `set it as you have it`];
  switch (kind) {
    case "only-there":
      return [`have ${name} on`, `switch it off`];
    case "only-here":
      return [`switch ${name} off`, `have it on`];
    case "content":
      return facet === "mods"
        ? [
            `take ${name} ${versionIn(theirs, key)}, in their contents`,
            `take ${versionIn(mine, key)}, in yours`,
          ]
        : [`bring the mod of ${name} to their version`, `bring it to yours`];
    default:
      return [`move ${name} to where they have it`, `move it to where you have it`];
  }
}
