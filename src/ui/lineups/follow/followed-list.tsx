"use client";

import { say } from "@/core/language/say";
import { rich } from "../../kit/rich";
import { useEffect, useMemo, useState } from "react";
import { compareRosters } from "@/core/compare/rosters";
import { label } from "@/core/edit/steps";
import { Button } from "../../kit/button";
import { Dialog } from "../../kit/dialog";
import { Empty } from "../../kit/empty";
import { TextLink } from "../../workspace/view-link";
import { Queue } from "../../depot/queue";
import { Differences } from "../../profiles/differences";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";
import { Chooser } from "../in/chooser";
import { useListIn, type ListSource } from "../in/use-list-in";
import { CuratorSays } from "./curator-says";
import { LostChanges } from "./lost-changes";
import { MergeView } from "./merge-view";
import { Proof } from "./proof";
import { useFollowed, type Followed } from "./use-followed";

interface Opening {
  /** A version of the list that was opened elsewhere and waits to be merged. */
  readonly opened: ListSource | null;
  readonly onOpened: () => void;
}

/** The list that the profile came from: the proof, what was changed here, and new versions of it. */
export function FollowedList(opening: Opening) {
  const followed = useFollowed();
  const name = useEditor((state) => state.profile.name);
  if (!followed)
    return (
      <Empty purpose={say("lineups.followsNoListTakeOneIn", { name })}>
        <TextLink href="/lineups?part=in">{say("frame.importAList")}</TextLink>
      </Empty>
    );
  return (
    <div className="flex min-h-0 grow flex-col">
      <Following
        key={`${followed.lineup.title} ${followed.lineup.listVersion} ${followed.lineup.date}`}
        followed={followed}
        {...opening}
      />
      <Queue />
    </div>
  );
}

function Following({ followed, opened, onOpened }: { followed: Followed } & Opening) {
  const list = useListIn();
  const { open } = list;
  useEffect(() => {
    if (!opened) return;
    open(opened);
    onOpened();
  }, [opened, onOpened, open]);
  const { lineup, pure } = followed;
  const next = list.resolved;
  return (
    <div className="min-h-0 grow space-y-6 overflow-auto p-5">
      <section className="max-w-3xl space-y-3">
        <h2 className="text-lg font-bold">
          {lineup.title} {lineup.listVersion}
          {lineup.author && (
            <span className="text-ink2 font-normal">{say("common.by", { author: lineup.author })}</span>
          )}
        </h2>
        {!next && <Proof followed={followed} />}
        {!next && <CuratorSays lineup={lineup} />}
      </section>
      {next ? (
        <MergeView
          key={`${next.lineup.title} ${next.lineup.listVersion} ${next.lineup.date}`}
          followed={followed}
          next={next.lineup}
          claim={next.claim}
          onDone={list.close}
        />
      ) : (
        <>
          <section aria-label={say("lineups.changedByYou2")}>
            <ChangedByYou followed={followed} />
            <Differences there={pure} name={say("lineups.theList")} />
          </section>
          <section aria-labelledby="new-version">
            <h2 id="new-version" className="mb-2 text-lg font-bold">
              {say("lineups.bringItUpToDate")}
            </h2>
            <Chooser busy={list.busy} onSource={list.open} />
          </section>
        </>
      )}
    </div>
  );
}

function ChangedByYou({ followed: { lineup, pure } }: { followed: Followed }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const goPure = () =>
    editor.dispatch({
      label: label("restore", { name: lineup.title }),
      steps: [{ kind: "replace", state: pure.profile.state }],
      restorePoint: say("lineups.beforeGoingBackTo", { title: lineup.title }).slice(0, 80),
    });
  const changes = useMemo(
    () => compareRosters(roster, pure, { mods: [], plugins: [] }).length,
    [roster, pure],
  );
  const [asking, setAsking] = useState(false);
  const leave = () =>
    editor.dispatch({ label: label("unfollow", { name: lineup.title }), steps: [], follow: null });
  return (
    <header className="flex items-center gap-2">
      <h2 className="grow text-lg font-bold">
        {rich("lineups.changedByYou3", {
          text: <span className="text-ink2 font-mono font-normal">{changes}</span>,
        })}
      </h2>
      <Button disabled={changes === 0} onClick={() => setAsking(true)}>
        {say("lineups.backToThePureList")}
      </Button>
      <Button look="quiet" onClick={() => leave()}>
        {say("lineups.stopFollowing")}
      </Button>
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        title={say("lineups.backTo", { value: [lineup.title, lineup.listVersion].filter(Boolean).join(" ") })}
        hint={say("lineups.everythingThatThisProfileDecidesBecomes")}
        size="medium"
      >
        <LostChanges there={pure} />
        <div className="mt-3 flex gap-2">
          <Button
            look="main"
            onClick={() => {
              goPure();
              setAsking(false);
            }}
          >
            {say("lineups.setBackDifferences", { changes })}
          </Button>
          <Button look="quiet" onClick={() => setAsking(false)}>
            {say("common.cancel")}
          </Button>
        </div>
      </Dialog>
    </header>
  );
}
