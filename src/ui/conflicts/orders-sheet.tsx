"use client";

import { useMemo, useState } from "react";
import { say } from "@/core/language/say";
import type { Contested } from "@/core/conflict/conflicts";
import { twoWinners, type TwoWinnersTold, type Unaligned } from "@/core/conflict/two-winners";
import { acceptDisagreement } from "@/core/edit/accept-disagreement";
import type { Roster } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Empty } from "../kit/empty";
import { inputLook } from "../kit/field";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { newRule } from "../rules/new-rule";
import { ListGrid } from "../workspace/list-grid";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { holderText } from "./holder";
import type { Looked } from "./conflicts-address";

const keyOf = ({ meeting }: TwoWinnersTold): string => `${meeting.in} ${meeting.items.join(" ")}`;

/** Pairs of which the one wins with its files and the other with its records. */
export function OrdersSheet({ onLook }: { onLook: (of: Contested, looked: Looked) => void }) {
  const { editor, propose } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const pairs = useMemo(() => twoWinners(roster), [roster]);
  const columns = useMemo(() => columnsOf(roster), [roster]);
  const [asked, ask] = useState<TwoWinnersTold | null>(null);
  const commands = useMemo(
    (): readonly GridCommand<TwoWinnersTold>[] => [
      {
        id: "look",
        keys: ["Enter"],
        title: () => say("conflicts.lookAtPair"),
        isPossible: (rows) => rows.length === 1,
        run: ([row]) => row && onLook(row.meeting.in, { kind: "pair", pair: row.meeting.items }),
      },
      {
        id: "accept",
        keys: ["a"],
        title: () => say("conflicts.acceptTwo"),
        isPossible: (rows) => rows.length === 1 && rows[0]!.accepted === null,
        run: ([row]) => row && ask(row),
      },
    ],
    [onLook],
  );
  if (pairs.length === 0) return <Empty purpose={say("conflicts.ordersAgree")} />;
  const can = (list: "mods" | "plugins") => pairs.some(({ held }) => held[list] === null);
  return (
    <>
      <div className="border-line flex flex-wrap items-center gap-2 border-b px-3 py-1.5">
        <p className="text-ink2 min-w-0 grow basis-60">{say("conflicts.ordersHint")}</p>
        <Button disabled={!can("mods")} onClick={() => void propose({ list: "mods", how: "align" })}>
          {say("findings.alignTheModsWithThePlugins")}
        </Button>
        <Button disabled={!can("plugins")} onClick={() => void propose({ list: "plugins", how: "align" })}>
          {say("findings.alignThePluginsWithTheMods")}
        </Button>
      </div>
      <ListGrid
        kind="two-orders"
        label={say("conflicts.twoOrders")}
        rows={pairs}
        keyOf={keyOf}
        columns={columns}
        commands={commands}
        className="min-h-0 grow"
      />
      <AcceptDialog
        pair={asked}
        onClose={() => ask(null)}
        onAccept={(pair, reason) => {
          editor.dispatch(acceptDisagreement(editor.getState().roster, pair, reason, newRule));
          ask(null);
        }}
      />
    </>
  );
}

const heldText = (held: Unaligned | null): string =>
  held === null ? say("conflicts.canBeAligned") : say(`conflicts.held.${held}`);

const columnsOf = (roster: Roster): readonly GridColumn<TwoWinnersTold>[] => [
  {
    id: "files",
    label: say("conflicts.winsWithFiles"),
    width: 150,
    isFixed: true,
    isMain: true,
    text: ({ byMods }) => holderText(roster, byMods[1]),
  },
  {
    id: "records",
    label: say("conflicts.winsWithRecords"),
    width: 150,
    text: ({ byPlugins }) => holderText(roster, byPlugins![1]),
  },
  {
    id: "in",
    label: say("conflicts.meetIn"),
    width: 80,
    text: ({ meeting }) => say(`conflicts.${meeting.in}`),
  },
  { id: "mods", label: say("conflicts.orderOfMods"), width: 140, text: ({ held }) => heldText(held.mods) },
  {
    id: "plugins",
    label: say("conflicts.orderOfPlugins"),
    width: 150,
    text: ({ held }) => heldText(held.plugins),
  },
  { id: "accepted", label: say("conflicts.accepted"), width: 160, text: ({ accepted }) => accepted ?? "" },
];

function AcceptDialog({
  pair,
  onClose,
  onAccept,
}: {
  pair: TwoWinnersTold | null;
  onClose: () => void;
  onAccept: (pair: TwoWinnersTold, reason: string) => void;
}) {
  const [reason, setReason] = useState("");
  return (
    <Dialog
      open={pair !== null}
      onClose={onClose}
      title={say("conflicts.acceptTwo")}
      hint={say("conflicts.acceptHint")}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!pair || reason.trim() === "") return;
          onAccept(pair, reason.trim().slice(0, 500));
          setReason("");
        }}
      >
        <label className="block">
          <span className="text-ink2 mb-1 block text-sm font-semibold">{say("conflicts.reason")}</span>
          <input
            value={reason}
            maxLength={500}
            onChange={(event) => setReason(event.target.value)}
            className={inputLook}
          />
        </label>
        <div className="mt-3 flex justify-end gap-2">
          <Button onClick={onClose}>{say("common.cancel")}</Button>
          <Button look="main" type="submit" disabled={reason.trim() === ""}>
            {say("conflicts.accept")}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
