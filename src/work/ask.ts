import { wrap, type Remote } from "comlink";
import type { GameDefinition } from "@/core/model/game";
import type { Profile } from "@/core/model/profile";
import type { PluginProposal } from "@/core/profile/accept";
import type { Stock } from "@/core/profile/roster";
import type { Jobs } from "./jobs";

interface Helper {
  readonly remote: Remote<Jobs>;
  /** What the worker has been told of; not told again with every question, for it is large. */
  known: Stock | null;
  busy: boolean;
  /** Ends the worker; a question under way is answered with null. */
  readonly end: () => void;
  readonly ended: Promise<null>;
}

let helper: Helper | null = null;

function start(): Helper {
  const thread = new Worker(new URL("./worker.ts", import.meta.url), { type: "module" });
  let answerNull!: (answer: null) => void;
  const ended = new Promise<null>((resolve) => (answerNull = resolve));
  const end = () => {
    thread.terminate();
    answerNull(null);
  };
  return { remote: wrap<Jobs>(thread), known: null, busy: false, end, ended };
}

/** The proposal, computed in a web worker. A newer question, or `cancelWork`, ends an older one: its answer is null. */
export async function askForProposal(
  game: GameDefinition,
  stock: Stock,
  profile: Profile,
): Promise<PluginProposal | null> {
  cancelWork();
  const own = (helper ??= start());
  own.busy = true;
  try {
    return await Promise.race([own.ended, propose(own, game, stock, profile)]);
  } finally {
    own.busy = false;
  }
}

async function propose(own: Helper, game: GameDefinition, stock: Stock, profile: Profile) {
  if (own.known !== stock) await own.remote.know(game, stock);
  own.known = stock;
  return own.remote.propose(profile);
}

/** Ends the worker if it is at work; the next question starts another. */
export function cancelWork(): void {
  if (!helper?.busy) return;
  helper.end();
  helper = null;
}
