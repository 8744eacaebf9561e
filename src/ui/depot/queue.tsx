"use client";

import { say } from "@/core/language/say";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { Transfer, TransferState } from "@/core/model/transfer";
import { Button } from "../kit/button";
import { Empty } from "../kit/empty";
import { TextLink } from "../workspace/view-link";
import { formatSize } from "../kit/format-size";
import type { GridColumn } from "../kit/grid/columns";
import { ListGrid } from "../workspace/list-grid";
import { useDepot } from "./depot.client";

const stateWords: Readonly<Record<TransferState, string>> = {
  get waiting() {
    return say("depot.waits");
  },
  get "under-way"() {
    return say("depot.underWay");
  },
  get got() {
    return say("common.onTheShelf");
  },
  get failed() {
    return say("depot.failed2");
  },
  get "by-hand"() {
    return say("depot.byHand");
  },
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
  if (state === "by-hand") return say("depot.theDepotHasOnlyItsPage");
  return problem && state !== "got" ? plainText(sayRefusal(problem)) : "";
}

const share = ({ received, size }: Transfer): number => Math.min(received, size) / Math.max(size, 1);
const keyOf = ({ file }: Transfer): string => file;

const columns: readonly GridColumn<Transfer>[] = [
  {
    id: "name",
    get label() {
      return say("common.mod");
    },
    width: 150,
    isFixed: true,
    isMain: true,
    text: ({ name }) => name,
  },
  {
    id: "version",
    get label() {
      return say("common.version");
    },
    width: 76,
    isMono: true,
    text: ({ version }) => version,
  },
  {
    id: "state",
    get label() {
      return say("common.state");
    },
    width: 96,
    text: ({ state }) => stateWords[state],
    cell: ({ state }) => <span className={`font-semibold ${stateLook[state]}`}>{stateWords[state]}</span>,
  },
  {
    id: "came",
    get label() {
      return say("depot.came");
    },
    width: 56,
    isFigure: true,
    text: (transfer) => (transfer.state === "by-hand" ? "" : `${Math.floor(share(transfer) * 100)} %`),
    sortBy: share,
  },
  {
    id: "size",
    get label() {
      return say("common.size");
    },
    width: 76,
    isFigure: true,
    text: ({ size }) => formatSize(size),
    sortBy: ({ size }) => size,
  },
  {
    id: "about",
    get label() {
      return say("depot.whatToKnow");
    },
    width: 480,
    text: toSay,
  },
];

/** What is got from the depot, a line for each archive: what came, what failed and why, what waits. Empty it shows only as a view of its own. */
export function Queue({ isView = false }: { isView?: boolean }) {
  const { state, act, empty } = useDepot();
  if (!isView && (state?.transfers.length ?? 0) === 0) return null;
  if (!state || state.transfers.length === 0)
    return (
      <Empty purpose={say("depot.whatYouGetFromTheDepot")}>
        <TextLink href="/depot">{say("depot.goToTheDepot")}</TextLink>
      </Empty>
    );
  const { transfers, running, halted } = state;
  const of = (wanted: TransferState) => transfers.filter((each) => each.state === wanted);
  const open = [...of("waiting"), ...of("under-way")];
  return (
    <section aria-label={say("common.queue")} className="flex min-h-0 grow flex-col">
      <div className="border-line flex min-h-9 shrink-0 flex-wrap items-center gap-2 border-b px-3 py-1">
        <h2 className="font-bold">{say("common.queue")}</h2>
        <Progress transfers={transfers} bytesPerSecond={state.bytesPerSecond} />
        <span className="ml-auto flex gap-2">
          {halted === "signed-out" && open.length > 0 && (
            <Button look="main" small onClick={() => void act("sign-in")}>
              {say("depot.signInToGoOn")}
            </Button>
          )}
          {running && (
            <Button small onClick={() => void act("pause")}>
              {say("depot.pause")}
            </Button>
          )}
          {!running && halted !== "signed-out" && open.length > 0 && (
            <Button look="main" small onClick={() => void act("go-on")}>
              {say("depot.goOn")}
            </Button>
          )}
          {of("failed").length > 0 && (
            <Button small onClick={() => void act("retry")}>
              {say("depot.tryFailedAgain", { count: of("failed").length })}
            </Button>
          )}
          {of("got").length + of("by-hand").length > 0 && (
            <Button small look="quiet" onClick={() => void act("clear")}>
              {say("depot.clearWhatIsDone")}
            </Button>
          )}
          {open.length + of("failed").length > 0 && (
            <Button small look="quiet" onClick={() => void empty()}>
              {say("depot.cancelTheRest")}
            </Button>
          )}
        </span>
      </div>
      <ListGrid
        kind="queue"
        label={say("depot.archivesOfTheQueue")}
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
      {say("depot.ofGot", { count: count("got"), count2: wanted.length })}
      {count("failed") > 0 && say("depot.failed", { count: count("failed") })}
      {say("depot.of", {
        rest: count("by-hand") > 0 && say("depot.byHand2", { count: count("by-hand") }),
        came: formatSize(came),
        all: formatSize(all),
      })}
      {left !== null && say("depot.sSecondsLeft", { bytesPerSecond: formatSize(bytesPerSecond), left })}
    </span>
  );
}
