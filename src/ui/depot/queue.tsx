"use client";

import { plural, plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { Transfer, TransferState } from "@/core/model/transfer";
import { Button } from "../kit/button";
import { formatSize } from "../kit/format-size";
import type { GridColumn } from "../kit/grid/columns";
import { ListGrid } from "../workspace/list-grid";
import { useDepot } from "./depot.client";

const stateWords: Readonly<Record<TransferState, string>> = {
  waiting: "waits",
  "under-way": "under way",
  got: "on the shelf",
  failed: "failed",
  "by-hand": "by hand",
};

const stateLook: Readonly<Record<TransferState, string>> = {
  waiting: "text-ink2",
  "under-way": "text-ink2",
  got: "text-pine",
  failed: "text-brick",
  "by-hand": "text-ink2",
};

/** Why it did not come, or what its user has to do. */
function toSay({ state, problem }: Transfer): string {
  if (state === "by-hand")
    return "The depot has only its page. Get it there, and drop the archive anywhere in this window.";
  return problem && state !== "got" ? plainText(sayRefusal(problem)) : "";
}

const share = ({ received, size }: Transfer): number => Math.min(received, size) / Math.max(size, 1);
const keyOf = ({ file }: Transfer): string => file;

const columns: readonly GridColumn<Transfer>[] = [
  { id: "name", label: "Mod", width: 150, isFixed: true, isMain: true, text: ({ name }) => name },
  { id: "version", label: "Version", width: 76, isMono: true, text: ({ version }) => version },
  {
    id: "state",
    label: "State",
    width: 96,
    text: ({ state }) => stateWords[state],
    cell: ({ state }) => <span className={`font-semibold ${stateLook[state]}`}>{stateWords[state]}</span>,
  },
  {
    id: "came",
    label: "Came",
    width: 56,
    isFigure: true,
    text: (transfer) => (transfer.state === "by-hand" ? "" : `${Math.floor(share(transfer) * 100)} %`),
    sortBy: share,
  },
  {
    id: "size",
    label: "Size",
    width: 76,
    isFigure: true,
    text: ({ size }) => formatSize(size),
    sortBy: ({ size }) => size,
  },
  { id: "about", label: "What to know", width: 480, text: toSay },
];

/** What is got from the depot, a line for each archive: what came, what failed and why, what waits. */
export function Queue() {
  const { state, act, empty } = useDepot();
  if (!state || state.transfers.length === 0)
    return (
      <p className="text-ink2 px-3 py-3">What you get from the depot is listed here, with how far it is.</p>
    );
  const { transfers, running, halted } = state;
  const of = (wanted: TransferState) => transfers.filter((each) => each.state === wanted);
  const open = [...of("waiting"), ...of("under-way")];
  return (
    <section aria-label="Queue" className="flex min-h-0 grow flex-col">
      <div className="border-line flex min-h-9 shrink-0 flex-wrap items-center gap-2 border-b px-3 py-1">
        <h2 className="font-bold">Queue</h2>
        <Progress transfers={transfers} bytesPerSecond={state.bytesPerSecond} />
        <span className="ml-auto flex gap-2">
          {halted === "signed-out" && open.length > 0 && (
            <Button look="main" small onClick={() => void act("sign-in")}>
              Sign in to go on
            </Button>
          )}
          {running && (
            <Button small onClick={() => void act("pause")}>
              Pause
            </Button>
          )}
          {!running && halted !== "signed-out" && open.length > 0 && (
            <Button look="main" small onClick={() => void act("go-on")}>
              Go on
            </Button>
          )}
          {of("failed").length > 0 && (
            <Button small onClick={() => void act("retry")}>
              Try {of("failed").length} failed again
            </Button>
          )}
          {of("got").length + of("by-hand").length > 0 && (
            <Button small look="quiet" onClick={() => void act("clear")}>
              Clear what is done
            </Button>
          )}
          {open.length + of("failed").length > 0 && (
            <Button small look="quiet" onClick={() => void empty()}>
              Cancel the rest
            </Button>
          )}
        </span>
      </div>
      <ListGrid
        kind="queue"
        label="Archives of the queue"
        rows={transfers}
        keyOf={keyOf}
        columns={columns}
        className="min-h-0 grow"
      />
    </section>
  );
}

function Progress({ transfers, bytesPerSecond }: { transfers: readonly Transfer[]; bytesPerSecond: number }) {
  const count = (state: TransferState) => transfers.filter((each) => each.state === state).length;
  const wanted = transfers.filter(({ state }) => state !== "by-hand");
  const came = wanted.reduce((sum, each) => sum + Math.min(each.received, each.size), 0);
  const all = wanted.reduce((sum, each) => sum + each.size, 0);
  const left = bytesPerSecond > 0 ? Math.ceil((all - came) / bytesPerSecond) : null;
  return (
    <span role="status" className="text-ink2 font-mono text-sm">
      {count("got")} of {wanted.length} got
      {count("failed") > 0 && `, ${count("failed")} failed`}
      {count("by-hand") > 0 && `, ${count("by-hand")} by hand`} · {formatSize(came)} of {formatSize(all)}
      {left !== null && ` · ${formatSize(bytesPerSecond)}/s, ${plural(left, "second")} left`}
    </span>
  );
}
