import { say } from "../language/say";
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
  if (facet === "game")
    return [
      say("together.playVersion", { version: theirs.game.version }),
      say("together.playVersion", { version: mine.game.version }),
    ];
  if (facet === "choices")
    return [
      say("together.choosePartsOfAsTheyDo", { titleOf: titleOf(key) }),
      say("together.chooseThemAsYouDo"),
    ];
  if (facet === "leftOut" || facet === "launch" || facet === "settings" || facet === "baseOff")
    return [say("together.setAsTheyHaveIt", { key }), say("together.setItAsYouHaveIt")];
  switch (kind) {
    case "only-there":
      return [say("together.haveOn", { name }), say("together.switchItOff")];
    case "only-here":
      return [say("together.switchOff", { name }), say("together.haveItOn")];
    case "content":
      return facet === "mods"
        ? [
            say("together.takeInTheirContents", { name, versionIn: versionIn(theirs, key) }),
            say("together.takeInYours", { versionIn: versionIn(mine, key) }),
          ]
        : [say("together.bringTheModOfToTheir", { name }), say("together.bringItToYours")];
    default:
      return [say("together.moveToWhereTheyHaveIt", { name }), say("together.moveItToWhereYouHave")];
  }
}
