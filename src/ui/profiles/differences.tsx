"use client";

import { say } from "@/core/language/say";
import { useMemo, useState } from "react";
import { comparisonText, sidesOfChange, sidesWith } from "@/core/messages/profile-differences";
import { compareRosters, takeOver } from "@/core/compare/rosters";
import { keyOfDifference, type Difference } from "@/core/compare/states";
import type { Roster } from "@/core/roster/roster";
import type { Edit } from "@/core/model/edit";
import type { StateSource } from "@/server/operations/profiles";
import { Button } from "../kit/button";
import { saveText } from "../kit/save-text";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { DifferenceGrid } from "./difference-grid";
import { nameOfSource, tiedPairs, useOther } from "./use-other";

/** In what the profile that is worked on differs from another state, and how to make it agree. */
export function Comparison({ source }: { source: StateSource }) {
  const view = useEditor((state) => state.view);
  const there = useOther(source);
  if (!there) return <p className="text-ink2 py-3">{say("common.readingIt")}</p>;
  return <Differences there={there} name={nameOfSource(view, source)} />;
}

interface Taking {
  /** What else is a part of the edit by which differences are taken over; null where that cannot be. */
  readonly also?: () => Promise<Partial<Edit> | null>;
  readonly onTaken?: () => void;
}

/** The same of a state that is there already. */
export function Differences({ there, name, ...taking }: { there: Roster; name: string } & Taking) {
  const here = useEditor((state) => state.roster);
  const ties = useEditor((state) => state.ties);
  const [onlyMattering, setOnlyMattering] = useState(false);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const all = useMemo(() => compareRosters(here, there, tiedPairs(here, ties)), [here, there, ties]);
  const shown = all.filter((each) => !onlyMattering || each.matters !== false);
  const choice = useMemo(
    () => ({
      left,
      onTurn: (keys: readonly string[], take: boolean) => {
        const next = new Set(left);
        for (const key of keys)
          if (take) next.delete(key);
          else next.add(key);
        setLeft(next);
      },
    }),
    [left],
  );
  const sides = useMemo(() => sidesWith(name), [name]);
  const taken = shown.filter((each) => !left.has(keyOfDifference(each)));
  const order = all.filter((each) => each.matters !== undefined);
  const matter = order.filter((each) => each.matters).length;
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2">
        <h3 className="text-lg font-bold">
          <span role="status">
            {all.length === 0
              ? say("profiles.noDifferenceFrom", { name })
              : say("profiles.differencesFrom", { count: all.length, name })}
          </span>
        </h3>
        {order.length > 0 && (
          <label className="text-ink2 flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={onlyMattering}
              onChange={(event) => setOnlyMattering(event.target.checked)}
              className="accent-pine"
            />
            {say("profiles.ofMovesOnlyThatChangeA", { count: order.length, matter })}
          </label>
        )}
        {all.length > 0 && (
          <span className="ml-auto flex gap-2">
            <Button
              onClick={() =>
                saveText(
                  say("profiles.fileOfDifferences", { here: here.profile.name, there: name }),
                  comparisonText(here, there, [here.profile.name, name], all),
                )
              }
            >
              {say("profiles.saveAsText")}
            </Button>
            <TakeOver there={there} taken={taken} name={name} {...taking} />
          </span>
        )}
      </div>
      <DifferenceGrid here={here} there={there} sides={sides} differences={shown} choice={choice} />
    </>
  );
}

/** What an edit would change, before it is made: `there` is the profile as it would be. */
export function Changes({ there }: { there: Roster }) {
  const here = useEditor((state) => state.roster);
  const ties = useEditor((state) => state.ties);
  const all = useMemo(() => compareRosters(here, there, tiedPairs(here, ties)), [here, there, ties]);
  const sides = useMemo(() => sidesOfChange(), []);
  return (
    <section aria-labelledby="changes">
      <h3 id="changes" className="mb-1 font-bold">
        {all.length === 0
          ? say("profiles.nothingChangesIn", { name: here.profile.name })
          : say("profiles.changesIn", { count: all.length, name: here.profile.name })}
      </h3>
      <DifferenceGrid here={here} there={there} sides={sides} differences={all} />
    </section>
  );
}

function TakeOver({
  there,
  taken,
  name,
  also,
  onTaken,
}: {
  there: Roster;
  taken: readonly Difference[];
  name: string;
} & Taking) {
  const { editor, tell } = useWorkspace();
  const take = async () => {
    const more = also ? await also() : {};
    // What was done here while that was waited for counts.
    const edit = more && takeOver(editor.getState().roster, there, taken, name);
    if (!edit) return;
    const outcome = editor.dispatch({
      ...edit,
      ...more,
      restorePoint: say("profiles.beforeTakingOverFrom", { name }).slice(0, 80),
    });
    if (!outcome.ok) return;
    tell([say("profiles.differencesTakenOverUndoTakesThem", { count: taken.length })]);
    onTaken?.();
  };
  return (
    <Button look="main" disabled={taken.length === 0} onClick={() => void take()}>
      {say("profiles.applyChanges", { count: taken.length })}
    </Button>
  );
}
