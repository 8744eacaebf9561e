import type { Edit } from "../model/edit";
import type { LeftOut, ProfileState } from "../model/profile";
import { foldName } from "../roster/fold";
import { leavesOut } from "../roster/left-out";
import type { Roster, SeatedMod } from "../roster/roster";
import { facets } from "../state/facets";
import { label, stepsBetween } from "./steps";

/**
 * Leaves files of a mod, or folders (ending in a slash), out of the profile, or brings them back. `files` are all paths of the mod
 * as the game sees them: where one file of a folder that is left out comes back, the others stay out. Null where nothing changes.
 */
export function leaveOutEdit(
  { game, profile }: Roster,
  item: Pick<SeatedMod, "id" | "leftOut">,
  paths: readonly string[],
  out: boolean,
  files: readonly string[],
): Edit | null {
  const covers = (wider: string, narrower: string) =>
    wider === narrower || (wider.endsWith("/") && narrower.startsWith(wider));
  const all = files.map((each) => foldName(game, each));
  const own = paths
    .map((path) => foldName(game, path))
    .reduce(
      (left, path) => (out ? withPath(left, path, covers) : withoutPath(left, path, covers, all)),
      item.leftOut,
    );
  const others = profile.state.leftOut.filter(({ mod }) => mod !== item.id);
  const next: ProfileState = {
    ...profile.state,
    leftOut: [...others, ...own.map((each): LeftOut => ({ mod: item.id, path: each }))],
  };
  if (facets.leftOut.same(profile.state.leftOut, next.leftOut)) return null;
  return {
    label: label(out ? "leave-out" : "bring-back", {
      item: item.id,
      path: paths[0] ?? "",
      count: paths.length,
    }),
    steps: stepsBetween(profile.state, next),
  };
}

type Covers = (wider: string, narrower: string) => boolean;

/** What lies below it need not be said any more. */
const withPath = (leftOut: readonly string[], path: string, covers: Covers): readonly string[] =>
  leftOut.some((each) => covers(each, path))
    ? leftOut
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
