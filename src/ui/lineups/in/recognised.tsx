"use client";

import { say } from "@/core/language/say";
import { useEffect, useMemo, useState, type ReactNode } from "react";
import { versionRelation } from "@/core/lineup/same-list";
import { relationText } from "@/core/messages/list-versions";
import type { ProfileId } from "@/core/model/ids";
import type { ResolvedList } from "@/formats/lineup/resolve";
import type { Followers } from "@/server/operations/followed";
import { Button } from "../../kit/button";
import { findFollowers } from "../../workspace/server";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";

/**
 * The profiles that follow the list already: to merge it with what was changed there comes before everything else. What is inside stands
 * below them, and is there once they are known: what came above it later would move it away from under the pointer.
 */
export function BelowFollowers({
  resolved,
  onMerge,
  children,
}: {
  resolved: ResolvedList;
  onMerge: (profile: ProfileId) => void;
  children: ReactNode;
}) {
  const followers = useFollowers(resolved);
  return (
    followers && (
      <>
        <Recognised resolved={resolved} known={followers} onMerge={onMerge} />
        {children}
      </>
    )
  );
}

function Recognised({
  resolved,
  known: { compared, others },
  onMerge,
}: {
  resolved: ResolvedList;
  known: Followers;
  onMerge: (profile: ProfileId) => void;
}) {
  const followers = useMemo(
    () =>
      compared.map(({ profile, name, followed }) => ({
        profile,
        name,
        mine: followed.lineup.listVersion,
        relation: versionRelation(followed, resolved),
      })),
    [compared, resolved],
  );
  if (followers.length === 0) return null;
  return (
    <section
      aria-labelledby="known-list"
      className="border-pine bg-pine-soft space-y-3 rounded-md border p-3"
    >
      <h3 id="known-list" className="font-bold">
        {say("lineups.youFollowThisList")}
      </h3>
      {followers.map(({ profile, name, mine, relation }) => (
        <div key={profile} className="space-y-2">
          <p>{relationText[relation](name, mine, resolved.lineup.listVersion)}</p>
          <Button look="main" onClick={() => onMerge(profile)}>
            {relation === "same"
              ? say("lineups.seeWhetherItHoldsIn", { name })
              : say("lineups.mergeItInto", { name })}
          </Button>
        </div>
      ))}
      {others > 0 && <p>{say("lineups.othersFollowIt", { count: others })}</p>}
      <p className="text-ink2 text-sm">{say("lineups.mergingKeepsWhatYouChangedBelow")}</p>
    </section>
  );
}

const none: Followers = { compared: [], others: 0 };

/** Null before it is known. */
function useFollowers({
  lineup: { list, title, author },
  claim: { fingerprint },
}: ResolvedList): Followers | null {
  const { unwrap } = useWorkspace();
  const game = useEditor((state) => state.view.game.id);
  const wanted = useMemo(
    () => ({ ...(list !== undefined && { list }), title, author, fingerprint }),
    [list, title, author, fingerprint],
  );
  const [followers, setFollowers] = useState<Followers | null>(null);
  useEffect(() => {
    let isWanted = true;
    void findFollowers(game, wanted).then((outcome) => {
      const found = unwrap(outcome);
      if (isWanted) setFollowers(found ?? none);
    });
    return () => {
      isWanted = false;
    };
  }, [game, wanted, unwrap]);
  return followers;
}
