"use client";

import { plural, plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { Transfer, TransferState } from "@/core/model/transfer";
import { Button } from "../kit/button";
import { formatSize } from "../kit/format-size";
import { useDepot } from "./depot.client";

const stateWords: Readonly<Record<TransferState, string>> = {
  waiting: "waits",
  "under-way": "under way",
  got: "on the shelf",
  failed: "failed",
  "by-hand": "by hand",
};

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
              Get none of the rest
            </Button>
          )}
        </span>
      </div>
      <ul className="min-h-0 overflow-auto" tabIndex={0}>
        {transfers.map((each) => (
          <Line key={each.file} transfer={each} />
        ))}
      </ul>
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

function Line({ transfer }: { transfer: Transfer }) {
  const { name, version, size, state, received, problem } = transfer;
  return (
    <li className="border-line border-b px-3 py-1">
      <div className="flex items-center gap-3">
        <span className="min-w-0 grow truncate font-semibold">{name}</span>
        <span className="text-ink2 font-mono text-sm">{version}</span>
        <span className="text-ink2 w-32 text-right font-mono text-sm">
          {state === "under-way" || (state === "waiting" && received > 0)
            ? `${formatSize(received)} of ${formatSize(size)}`
            : formatSize(size)}
        </span>
        <span
          className={`w-24 text-right text-sm font-semibold ${state === "failed" ? "text-brick" : state === "got" ? "text-pine" : "text-ink2"}`}
        >
          {stateWords[state]}
        </span>
      </div>
      {problem && state !== "got" && <p className="text-ink2 text-sm">{plainText(sayRefusal(problem))}</p>}
      {state === "by-hand" && (
        <p className="text-ink2 text-sm">
          The depot has only its page. Get it there, and drop the archive anywhere in this window.
        </p>
      )}
    </li>
  );
}
