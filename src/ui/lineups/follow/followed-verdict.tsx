"use client";

import { verdictTitle } from "@/core/messages/verdict";
import { useFollowed, useVerdict, type Followed } from "./use-followed";
import { TextLink } from "../../workspace/view-link";

/** The list that the profile follows, and the verdict on it, with the way to all that is said of it. */
export function FollowedVerdict() {
  const followed = useFollowed();
  return followed && <Told followed={followed} />;
}

function Told({ followed }: { followed: Followed }) {
  const { title, listVersion } = followed.lineup;
  return (
    <p>
      {[title, listVersion].filter(Boolean).join(" ")}:{" "}
      <TextLink href="/lineups?part=following">{verdictTitle(useVerdict(followed))}</TextLink>
    </p>
  );
}
