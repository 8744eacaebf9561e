"use client";

import { useMemo, useState } from "react";
import {
  comparisonText,
  differenceItem,
  differenceName,
  differenceSides,
  groupDifferences,
} from "@/core/messages/profile-differences";
import { plural } from "@/core/messages/parts";
import { compareRosters, takeOver } from "@/core/compare/rosters";
import { keyOfDifference, type Difference } from "@/core/compare/states";
import { findItem, type Roster } from "@/core/roster/roster";
import type { Edit } from "@/core/model/edit";
import type { StateSource } from "@/server/operations/profiles";
import { Button } from "../kit/button";
import { LongList } from "../kit/long-list";
import { saveText } from "../kit/save-text";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { nameOfSource, tiedPairs, useOther } from "./use-other";

/** In what the profile that is worked on differs from another state, and how to make it agree. */
export function Comparison({ source }: { source: StateSource }) {
  const view = useEditor((state) => state.view);
  const there = useOther(source);
  if (!there) return <p className="text-ink2 py-3">Reading it…</p>;
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
  const turn = (keys: readonly string[], take: boolean) => {
    const next = new Set(left);
    for (const key of keys)
      if (take) next.delete(key);
      else next.add(key);
    setLeft(next);
  };
  const taken = shown.filter((each) => !left.has(keyOfDifference(each)));
  const order = all.filter((each) => each.matters !== undefined);
  const matter = order.filter((each) => each.matters).length;
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2">
        <h3 className="text-lg font-bold">
          <span role="status">
            {all.length === 0
              ? `No difference from ${name}`
              : `${plural(all.length, "difference")} from ${name}`}
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
            Of {plural(order.length, "move")} only {matter} that change a tie or a winner
          </label>
        )}
        {all.length > 0 && (
          <span className="ml-auto flex gap-2">
            <Button
              onClick={() =>
                saveText(
                  `${here.profile.name} and ${name}.txt`,
                  comparisonText(here, there, [here.profile.name, name], all),
                )
              }
            >
              Save as text
            </Button>
            <TakeOver there={there} taken={taken} name={name} {...taking} />
          </span>
        )}
      </div>
      {groupDifferences(shown).map(({ title, members }) => (
        <Group
          key={title}
          title={title}
          here={here}
          there={there}
          differences={members}
          choice={{ left, onTurn: turn }}
        />
      ))}
    </>
  );
}

/** What an edit would change, before it is made: `there` is the profile as it would be. */
export function Changes({ there }: { there: Roster }) {
  const here = useEditor((state) => state.roster);
  const ties = useEditor((state) => state.ties);
  const all = useMemo(() => compareRosters(here, there, tiedPairs(here, ties)), [here, there, ties]);
  return (
    <section aria-labelledby="changes">
      <h3 id="changes" className="mb-1 font-bold">
        {all.length === 0
          ? `Nothing changes in ${here.profile.name}`
          : `${plural(all.length, "change")} in ${here.profile.name}`}
      </h3>
      {all.length > 0 && <p className="text-ink2 mb-2 text-sm">Here is as it is now, there as it will be.</p>}
      {groupDifferences(all).map(({ title, members }) => (
        <Group key={title} title={title} here={here} there={there} differences={members} />
      ))}
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
      restorePoint: `Before taking over from ${name}`.slice(0, 80),
    });
    if (!outcome.ok) return;
    tell([`${plural(taken.length, "difference")} taken over. Undo takes them back.`]);
    onTaken?.();
  };
  return (
    <Button look="main" disabled={taken.length === 0} onClick={() => void take()}>
      Take over {taken.length}
    </Button>
  );
}

/** Which of the differences are left, by their keys. */
interface TakingOver {
  readonly left: ReadonlySet<string>;
  readonly onTurn: (keys: readonly string[], take: boolean) => void;
}

function Group({
  title,
  here,
  there,
  differences,
  choice,
}: {
  title: string;
  here: Roster;
  there: Roster;
  differences: readonly Difference[];
  choice?: TakingOver;
}) {
  const keys = differences.map(keyOfDifference);
  const all = choice && keys.every((key) => !choice.left.has(key));
  return (
    <section className="mb-4">
      <h4 className="border-line flex items-center gap-2 border-b pb-1 font-bold">
        {choice && (
          <input
            type="checkbox"
            checked={all}
            onChange={() => choice.onTurn(keys, !all)}
            aria-label={`Take over all: ${title}`}
            className="accent-pine"
          />
        )}
        {title}
        <span className="text-ink2 font-mono text-sm font-normal">{differences.length}</span>
      </h4>
      <LongList
        label={title}
        rows={differences}
        keyOf={keyOfDifference}
        rowHeight={28}
        rowLook="flex items-center gap-2"
        className="max-h-[60vh]"
      >
        {(each) => (
          <>
            {choice && (
              <input
                type="checkbox"
                checked={!choice.left.has(keyOfDifference(each))}
                onChange={(event) => choice.onTurn([keyOfDifference(each)], event.target.checked)}
                aria-label={`Take over: ${differenceName(here, there, each)}`}
                className="accent-pine"
              />
            )}
            <span className="text-pine w-12 shrink-0 font-mono text-sm font-semibold">
              {seatOf(here, there, each)}
            </span>
            <span className="min-w-0 grow truncate">{differenceName(here, there, each)}</span>
            <Sides here={here} there={there} difference={each} />
          </>
        )}
      </LongList>
    </section>
  );
}

function seatOf(here: Roster, there: Roster, difference: Difference): string | undefined {
  const item = differenceItem(difference);
  return item === null ? undefined : (findItem(here, item) ?? findItem(there, item))?.seat;
}

function Sides({ here, there, difference }: { here: Roster; there: Roster; difference: Difference }) {
  const { facet, kind, matters } = difference;
  const isOneSided = kind.endsWith("only-here") || kind.endsWith("only-there");
  if (isOneSided && (facet === "mods" || facet === "plugins")) return null;
  const [mine, theirs] = differenceSides(here, there, difference);
  if (isOneSided && facet === "rules")
    return <span className="text-ink2 max-w-72 truncate">{mine || theirs}</span>;
  return (
    <span className="text-ink2 flex shrink-0 items-center gap-2 text-sm">
      {matters !== undefined && (
        <span className={matters ? "text-ink font-semibold" : "text-ink3"}>
          {matters ? "changes a tie or a winner" : "changes nothing"}
        </span>
      )}
      <span className="max-w-56 truncate font-mono">{mine || "none"}</span>
      <span aria-label="there">→</span>
      <span className="max-w-56 truncate font-mono">{theirs || "none"}</span>
    </span>
  );
}
