import { orderFileGap, standingOf, type OrderFileGap, type OrderFileStanding } from "@/core/check/order-file";
import { plural } from "@/core/messages/parts";
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

function standingWords(standing: OrderFileStanding, gap: OrderFileGap | null): string {
  if (!gap) return "The game reads this order";
  if (standing === "absent") return "The game’s order file is not written yet";
  if (standing === "theirs") return "Another program wrote the game’s order file";
  if (standing === "ahead") return "The game’s order file is ahead: it was written before you undid";
  const changes = [gap.added > 0 && `${gap.added} to add`, gap.removed > 0 && `${gap.removed} to take out`];
  const listed = changes.filter(Boolean).join(", ");
  if (gap.moves > 0)
    return `The game’s order file is ${plural(gap.moves, "move")} behind${listed ? `, ${listed}` : ""}`;
  return listed ? `The game’s order file has ${listed}` : "The game opens other mods than these";
}
