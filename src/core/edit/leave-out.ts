import type { Edit } from "../model/edit";
import type { LeftOut, ProfileState } from "../model/profile";
import { foldName } from "../roster/fold";
import { leavesOut } from "../roster/left-out";
import type { Roster, SeatedMod } from "../roster/roster";
import { facets } from "../state/facets";
import { label, stepsBetween } from "./steps";

/**
 * Leaves a file of a mod, or a folder (ending in a slash), out of the profile, or brings it back. `files` are all paths of the mod
 * as the game sees them: where one file of a folder that is left out comes back, the others stay out. Null where nothing changes.
 */
export function leaveOutEdit(
  { game, profile }: Roster,
  item: Pick<SeatedMod, "id" | "leftOut">,
  path: string,
  out: boolean,
  files: readonly string[],
): Edit | null {
  const folded = foldName(game, path);
  const covers = (wider: string, narrower: string) =>
    wider === narrower || (wider.endsWith("/") && narrower.startsWith(wider));
  const own = out
    ? withPath(item.leftOut, folded, covers)
    : withoutPath(
        item.leftOut,
        folded,
        covers,
        files.map((each) => foldName(game, each)),
      );
  const others = profile.state.leftOut.filter(({ mod }) => mod !== item.id);
  const next: ProfileState = {
    ...profile.state,
    leftOut: [...others, ...own.map((each): LeftOut => ({ mod: item.id, path: each }))],
  };
  if (facets.leftOut.same(profile.state.leftOut, next.leftOut)) return null;
  return {
    label: label(out ? "leave-out" : "bring-back", { item: item.id, path }),
    steps: stepsBetween(profile.state, next),
  };
}

type Covers = (wider: string, narrower: string) => boolean;

/** What lies below it need not be said any more. */
const withPath = (leftOut: readonly string[], path: string, covers: Covers): string[] =>
  leftOut.some((each) => covers(each, path))
    ? [...leftOut]
    : [...leftOut.filter((each) => !covers(path, each)), path];

function withoutPath(
  leftOut: readonly string[],
  path: string,
  covers: Covers,
  files: readonly string[],
): string[] {
  const kept = leftOut.filter((each) => !covers(each, path) && !covers(path, each));
  const opened = leftOut.filter((each) => covers(each, path));
  const isOpened = leavesOut(opened);
  return [...kept, ...files.filter((file) => isOpened(file) && !covers(path, file))];
}
