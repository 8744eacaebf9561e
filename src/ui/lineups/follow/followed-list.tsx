"use client";

import { compareRosters } from "@/core/compare/rosters";
import { label } from "@/core/edit/steps";
import { Button } from "../../kit/button";
import { Queue } from "../../depot/queue";
import { Differences } from "../../profiles/differences";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";
import { Chooser } from "../in/chooser";
import { useListIn } from "../in/use-list-in";
import { CuratorSays } from "./curator-says";
import { MergeView } from "./merge-view";
import { Proof } from "./proof";
import { useFollowed, type Followed } from "./use-followed";

/** The list that the profile came from: the proof, what was changed here, and new versions of it. */
export function FollowedList() {
  const followed = useFollowed();
  const name = useEditor((state) => state.profile.name);
  if (!followed)
    return (
      <p className="text-ink2 p-5">
        {name} follows no list. Take one in, as a new profile or into this one; from then on you see here what
        is no longer as its author has it, and bring it up to date.
      </p>
    );
  return (
    <div className="flex min-h-0 grow flex-col">
      <Following
        key={`${followed.lineup.title} ${followed.lineup.listVersion} ${followed.lineup.date}`}
        followed={followed}
      />
      <Queue />
    </div>
  );
}

function Following({ followed }: { followed: Followed }) {
  const list = useListIn();
  const { lineup, pure } = followed;
  const next = list.resolved;
  return (
    <div className="min-h-0 grow space-y-6 overflow-auto p-5">
      <section className="max-w-3xl space-y-3">
        <h2 className="text-lg font-bold">
          {lineup.title} {lineup.listVersion}
          {lineup.author && <span className="text-ink2 font-normal"> by {lineup.author}</span>}
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
          <section aria-label="Changed by you">
            <ChangedByYou followed={followed} />
            <Differences there={pure} name="the list" />
          </section>
          <section aria-labelledby="new-version">
            <h2 id="new-version" className="mb-2 text-lg font-bold">
              Bring it up to date
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
      restorePoint: `Before going back to ${lineup.title}`.slice(0, 80),
    });
  const leave = () =>
    editor.dispatch({ label: label("unfollow", { name: lineup.title }), steps: [], follow: null });
  return (
    <header className="flex items-center gap-2">
      <h2 className="grow text-lg font-bold">Changed by you</h2>
      <Button
        disabled={compareRosters(roster, pure, { mods: [], plugins: [] }).length === 0}
        onClick={() => goPure()}
      >
        Back to the pure list
      </Button>
      <Button look="quiet" onClick={() => leave()}>
        Follow it no longer
      </Button>
    </header>
  );
}
