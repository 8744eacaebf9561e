import { say } from "@/core/language/say";
import { orderFileGap, standingOf, type OrderFileGap, type OrderFileStanding } from "@/core/check/order-file";
import type { LayoutGap } from "@/core/layout/laid-as";
import { useEditor } from "../workspace/workspace.client";

interface Standing {
  readonly gap: OrderFileGap | null;
  readonly standing: OrderFileStanding;
  /** In a few words. */
  readonly words: string;
}

/** How the file in which the game reads its order stands to the profile. */
export function useStanding(): Standing {
  const { roster, onDisk, profile, history } = useEditor((state) => state);
  const gap = orderFileGap(roster, onDisk);
  const standing = standingOf(gap, onDisk, profile.id, history.edits);
  return { gap, standing, words: standingWords(standing, gap) };
}

/** Of a game in whose folder the mods lie. */
function layoutWords({ isOtherLaw, comes, goes, changes, moves, isOtherDates }: LayoutGap): string {
  if (isOtherLaw) return say("layout.otherLaw");
  const parts = [
    comes.length > 0 && say("layout.modsCome", { count: comes.length }),
    goes.length > 0 && say("layout.modsGo", { count: goes.length }),
    changes.length > 0 && say("layout.modsChange", { count: changes.length }),
    moves.length > 0 && say("layout.modsMove", { count: moves.length }),
    isOtherDates && say("layout.otherDates"),
  ];
  return say("layout.differs", { parts: parts.filter(Boolean).join(", ") });
}

function standingWords(standing: OrderFileStanding, gap: OrderFileGap | null): string {
  if (!gap) return say("orderFile.theGameReadsThisOrder");
  const lacks = gap.layout && layoutWords(gap.layout);
  if (lacks && standing !== "theirs") return lacks;
  if (standing === "absent") return say("orderFile.theGameSOrderFileIs");
  if (standing === "theirs") return say("orderFile.anotherProgramWroteTheGameS");
  if (standing === "ahead") return say("orderFile.theGameSOrderFileIs2");
  const changes = [
    gap.added > 0 && say("common.toAdd", { added: gap.added }),
    gap.removed > 0 && say("common.toTakeOut", { removed: gap.removed }),
  ];
  const listed = changes.filter(Boolean).join(", ");
  if (gap.moves > 0)
    return say("orderFile.theGameSOrderFileIs3", { moves: gap.moves, rest: listed ? `, ${listed}` : "" });
  if (!listed && !gap.modsDiffer) return say("orderFile.linesOfSettings");
  return listed
    ? say("orderFile.theGameSOrderFileHas", { listed })
    : say("orderFile.theGameOpensOtherModsThan");
}
