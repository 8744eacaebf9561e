"use client";

import { say } from "@/core/language/say";
import { useEffect, useMemo, useState } from "react";
import {
  compareVersionsOf,
  versionEdit,
  type VersionChange,
  type VersionDifference,
} from "@/core/edit/versions";
import { stateAfter } from "@/core/edit/steps";
import { versionLines } from "@/core/messages/versions";
import { HandChanges } from "../conflicts/hand-changes";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { compareContents } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** What other versions of mods would change in the profile, and which of them to take; all of them at first. */
export function VersionsDialog({
  open,
  onClose,
  changes,
}: {
  open: boolean;
  onClose: () => void;
  changes: readonly VersionChange[];
}) {
  const [single] = changes;
  const title =
    changes.length === 1 && single
      ? `${single.to.name}: ${single.item.mod?.version ?? say("common.notHere")} → ${single.to.version}`
      : say("versions.modsInOtherVersions", { count: changes.length });
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={title}
      hint={say("versions.nothingIsDeletedTheVersionThat")}
      size="medium"
      guide={{ page: "extend-a-list" }}
    >
      {open && <Versions changes={changes} onClose={onClose} />}
    </Dialog>
  );
}

function Versions({ changes, onClose }: { changes: readonly VersionChange[]; onClose: () => void }) {
  const { editor, tell } = useWorkspace();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const differences = useDifferences(changes);
  const taken = changes.filter(({ item }) => !left.has(item.id));
  const roster = useEditor((state) => state.roster);
  const then = useMemo(() => {
    const edit = versionEdit(
      roster,
      changes.filter(({ item }) => !left.has(item.id)),
    );
    return edit && stateAfter(roster.profile.state, edit);
  }, [roster, changes, left]);
  const take = () => {
    const edit = versionEdit(editor.getState().roster, taken);
    if (edit && !editor.dispatch(edit).ok) return;
    tell([say("versions.versionsTakenUndoTakesThemBack", { count: taken.length })]);
    onClose();
  };
  const turn = (id: string) => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
  };
  return (
    <>
      <ul aria-label={say("common.versions")} className="border-line border-t">
        {changes.map((change) => (
          <Version
            key={change.item.id}
            change={change}
            difference={differences.get(change.item.id)}
            taken={!left.has(change.item.id)}
            onTurn={changes.length > 1 ? () => turn(change.item.id) : null}
          />
        ))}
      </ul>
      <HandChanges state={then} />
      <div className="mt-3 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" disabled={taken.length === 0} onClick={take}>
          {say("versions.takeVersions", { count: taken.length })}
        </Button>
      </div>
    </>
  );
}

/** `onTurn` is null where there is only the one to take or to leave. */
function Version({
  change: { item, to },
  difference,
  taken,
  onTurn,
}: {
  change: VersionChange;
  difference: VersionDifference | undefined;
  taken: boolean;
  onTurn: (() => void) | null;
}) {
  const from = item.mod?.version ?? say("versions.notKnown");
  return (
    <li className="border-line border-b py-1.5">
      <label className="flex min-h-6 items-baseline gap-2">
        {onTurn && (
          <input
            type="checkbox"
            checked={taken}
            onChange={onTurn}
            aria-label={say("versions.take", { name: to.name, version: to.version })}
            className="accent-pine"
          />
        )}
        <span className="text-pine w-12 shrink-0 font-mono text-sm font-semibold">{item.seat}</span>
        <span className="min-w-0 grow font-semibold">{to.name}</span>
        <span className="font-mono text-sm">
          {from} <span aria-label={say("common.to")}>→</span> {to.version}
        </span>
      </label>
      <ul className="text-ink2 mt-0.5 list-disc pl-9 text-sm">
        {difference ? (
          versionLines(difference).map((line) => <li key={line}>{line}</li>)
        ) : (
          <li>{say("versions.nothingIsKnownOfTheVersion")}</li>
        )}
      </ul>
    </li>
  );
}

/** What changes, by the id of the mod; without those of which one side is not known. */
function useDifferences(changes: readonly VersionChange[]): ReadonlyMap<string, VersionDifference> {
  const game = useEditor((state) => state.view.game);
  const known = useMemo(() => changes.filter(({ item }) => item.mod?.content), [changes]);
  // Without the files until the server has answered which they are.
  const bare = useMemo(
    () =>
      new Map(
        known.map(({ item, to }) => [
          item.id,
          compareVersionsOf(game, item.mod!, to, [new Map(), new Map()]),
        ]),
      ),
    [known, game],
  );
  const [whole, setWhole] = useState<ReadonlyMap<string, VersionDifference> | null>(null);
  useEffect(() => {
    let wanted = true;
    const pairs = known.map(({ item, to }) => ({ id: item.id, from: item.mod!.content!, to: to.content! }));
    void compareContents(pairs).then((outcome) => {
      if (wanted && outcome.ok) setWhole(new Map(pairs.map(({ id }, at) => [id, outcome.value[at]!])));
    });
    return () => {
      wanted = false;
    };
  }, [known]);
  return whole ?? bare;
}
