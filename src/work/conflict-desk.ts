import { wrap, type Remote } from "comlink";
import type { HandSummary } from "@/core/conflict/hand-summary";
import type { PackedLibrary } from "@/core/conflict/packed-library";
import type { Profile, ProfileState } from "@/core/model/profile";
import type { Overlaps } from "@/core/roster/overlaps";
import type { Roster } from "@/core/roster/roster";
import type { ConflictJobs } from "./conflict-jobs";
import { failureOf } from "./thread";

/** Reads what is known of contents; rejects where that cannot be had now. */
type ReadLibrary = (wanted: readonly string[]) => Promise<PackedLibrary>;

/** The worker, what it was told last, and that it broke down, if it does. */
interface Started {
  readonly jobs: Remote<ConflictJobs>;
  readonly failed: Promise<never>;
  known: Pick<Roster, "game" | "stock"> | null;
  brought: Profile | null;
}

/**
 * The worker that keeps the index of conflicts of what a window shows. It is asked one thing after another. An answer rejects where it
 * cannot be had; after a worker that broke down another one is started.
 */
export class ConflictDesk {
  private worker: Started | null = null;
  private newest: symbol | null = null;
  private last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly read: ReadLibrary,
    private readonly start: () => Pick<Started, "jobs" | "failed"> = startWorker,
  ) {}

  /** Who meets whom in a roster, and what that comes to: what of it is not as it was told last; null where all of it is. */
  show = (roster: Roster): Promise<Partial<Overlaps> | null> => this.ask(roster, (jobs) => jobs.show());

  /** Asks of the conflicts of a roster. */
  ask = <T>(roster: Roster, question: (jobs: Remote<ConflictJobs>) => Promise<T>): Promise<T> =>
    this.inTurn(roster, async (worker) => {
      await this.bring(worker, roster.profile);
      return question(worker.jobs);
    });

  /** What would change hands from the roster that was shown last to a state; null where a newer question came. */
  preview(shown: Roster, state: ProfileState): Promise<HandSummary | null> {
    const own = (this.newest = Symbol("preview"));
    const profile = { ...shown.profile, state };
    return this.inTurn(shown, async (worker) => {
      if (own !== this.newest) return null;
      await this.bring(worker, profile);
      return worker.jobs.preview();
    });
  }

  /** A profile of thousands takes its time from thread to thread: one goes over once, however much is asked of it. */
  private async bring(worker: Started, profile: Profile): Promise<void> {
    if (worker.brought === profile) return;
    worker.brought = null;
    const missing = await worker.jobs.bring(profile);
    if (missing) await worker.jobs.learn(missing, await this.read(missing));
    worker.brought = profile;
  }

  private inTurn<T>({ game, stock }: Roster, ask: (worker: Started) => Promise<T>): Promise<T> {
    const answer = this.last.then(() => {
      const worker = (this.worker ??= { ...this.start(), known: null, brought: null });
      const asked = async () => {
        if (worker.known?.game !== game || worker.known.stock !== stock) {
          await worker.jobs.know(game, stock);
          worker.known = { game, stock };
          worker.brought = null;
        }
        return ask(worker);
      };
      worker.failed.catch(() => {
        if (this.worker === worker) this.worker = null;
      });
      return Promise.race([worker.failed, asked()]);
    });
    this.last = answer.catch(() => undefined);
    return answer;
  }
}

function startWorker(): Pick<Started, "jobs" | "failed"> {
  const thread = new Worker(new URL("./conflict-worker.ts", import.meta.url), { type: "module" });
  return { jobs: wrap<ConflictJobs>(thread), failed: failureOf(thread) };
}
