"use client";

import Link from "next/link";
import { useMemo } from "react";
import { compareRosters } from "@/core/compare/rosters";
import { useEditor } from "../../workspace/workspace.client";
import { useFollowed } from "./use-followed";

const nothingTied = { mods: [], plugins: [] };

/** How the profile stands to the list that it follows, in a few words; nothing where it follows none. */
export function FollowedMark() {
  const followed = useFollowed();
  const roster = useEditor((state) => state.roster);
  const changed = useMemo(
    () => (followed ? compareRosters(roster, followed.pure, nothingTied).length : 0),
    [followed, roster],
  );
  if (!followed) return null;
  return (
    <Link
      href="/lineups?part=following"
      title={`It follows ${followed.lineup.title} ${followed.lineup.listVersion}`}
      className="hover:bg-sunk flex h-6 items-center rounded px-1"
    >
      {changed === 0 ? (
        <span className="text-ink2">as its list has it</span>
      ) : (
        <span className="text-saffron font-semibold">{changed} changed by you</span>
      )}
    </Link>
  );
}
