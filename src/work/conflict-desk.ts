import { wrap, type Remote } from "comlink";
import type { HandSummary } from "@/core/conflict/hand-summary";
import type { PackedLibrary } from "@/core/conflict/packed-library";
import type { Profile, ProfileState } from "@/core/model/profile";
import type { Overlaps, Roster } from "@/core/roster/roster";
import type { ConflictJobs } from "./conflict-jobs";

/** Reads what is known of contents; null where that cannot be had now. */
type ReadLibrary = (wanted: readonly string[]) => Promise<PackedLibrary | null>;

/** The worker that keeps the index of conflicts of what a window shows. It is asked one thing after another. */
export class ConflictDesk {
  private jobs: Remote<ConflictJobs> | null = null;
  private known: Pick<Roster, "game" | "stock"> | null = null;
  private newest: symbol | null = null;
  private last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly read: ReadLibrary,
    private readonly start: () => Remote<ConflictJobs> = startWorker,
  ) {}

  /** Who meets whom in a roster; null where that is as it was told last, or cannot be known now. */
  show = (roster: Roster): Promise<Overlaps | null> =>
    this.inTurn(
      async (jobs) => ((await this.learn(jobs, roster.profile)) ? jobs.show(roster.profile) : null),
      roster,
    );

  /** What would change hands from the roster that was shown last to a state; null where a newer question came, or it cannot be known now. */
  preview(shown: Roster, state: ProfileState): Promise<HandSummary | null> {
    const own = (this.newest = Symbol("preview"));
    const profile = { ...shown.profile, state };
    return this.inTurn(
      async (jobs) =>
        own === this.newest && (await this.learn(jobs, profile)) ? jobs.preview(profile) : null,
      shown,
    );
  }

  private async learn(jobs: Remote<ConflictJobs>, profile: Profile): Promise<boolean> {
    const missing = await jobs.needed(profile);
    if (!missing) return true;
    const read = await this.read(missing);
    if (read) await jobs.learn(read);
    return read !== null;
  }

  private inTurn<T>(ask: (jobs: Remote<ConflictJobs>) => Promise<T>, of: Roster): Promise<T> {
    const answer = this.last.then(async () => {
      const jobs = (this.jobs ??= this.start());
      const { game, stock } = of;
      if (this.known?.game !== game || this.known.stock !== stock) {
        await jobs.know(game, stock);
        this.known = { game, stock };
      }
      return ask(jobs);
    });
    this.last = answer.catch(() => undefined);
    return answer;
  }
}

const startWorker = (): Remote<ConflictJobs> =>
  wrap<ConflictJobs>(new Worker(new URL("./conflict-worker.ts", import.meta.url), { type: "module" }));
