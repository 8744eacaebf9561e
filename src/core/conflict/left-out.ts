import { stateAfter } from "../edit/steps";
import type { LeftOut } from "../model/profile";
import { makeRoster, type Roster } from "../roster/roster";
import type { Conflicts } from "./conflicts";

/** What leaving a file or a folder out does: how many files of the mod it keeps away, and of those which others win instead. */
export interface AboutLeftOut extends LeftOut {
  readonly files: number;
  /** Files that it would win if it came back. */
  readonly wouldWin: number;
  /** Who wins them now, most first; null: nobody. */
  readonly instead: readonly (string | null)[];
}

/** Everything that the profile leaves out, by mod and path. */
export function aboutLeftOut(conflicts: Conflicts, roster: Roster): AboutLeftOut[] {
  const { leftOut } = roster.profile.state;
  return leftOut.map(({ mod, path }) => {
    const brought = conflicts.broughtBy("files", mod);
    const covers = (name: string) => (path.endsWith("/") ? name.startsWith(path) : name === path);
    const files = [...brought.keys()].filter((key) => covers(conflicts.path(key)));
    const steps = [
      {
        kind: "replace" as const,
        state: { leftOut: leftOut.filter((each) => each.mod !== mod || each.path !== path) },
      },
    ];
    const then = makeRoster(
      roster.game,
      { ...roster.profile, state: stateAfter(roster.profile.state, { steps })! },
      roster.stock,
      roster,
    );
    const won = conflicts.preview(roster, then).files.filter(({ to }) => to === mod);
    const counts = new Map<string | null, number>();
    for (const { from } of won) counts.set(from, (counts.get(from) ?? 0) + 1);
    const instead = [...counts].sort((a, b) => b[1] - a[1]).map(([id]) => id);
    return { mod, path, files: files.length, wouldWin: won.length, instead };
  });
}
