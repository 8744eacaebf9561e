import { wrap, type Remote } from "comlink";
import type { PackedLibrary } from "@/core/conflict/packed-library";
import type { Overlaps, Roster } from "@/core/roster/roster";
import type { ConflictJobs } from "./conflict-jobs";

/** Reads what is known of contents; null where that cannot be had now. */
type ReadLibrary = (wanted: readonly string[]) => Promise<PackedLibrary | null>;

/** The worker that keeps the index of conflicts of what a window shows. It is asked one thing after another. */
export class ConflictDesk {
  private jobs: Remote<ConflictJobs> | null = null;
  private known: Pick<Roster, "game" | "stock"> | null = null;
  private last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly read: ReadLibrary,
    private readonly start: () => Remote<ConflictJobs> = startWorker,
  ) {}

  /** Who meets whom in a roster; null where that is as it was told last, or cannot be known now. */
  show = (roster: Roster): Promise<Overlaps | null> =>
    this.inTurn(async (jobs) => {
      const missing = await jobs.needed(roster.profile);
      if (missing) {
        const read = await this.read(missing);
        if (!read) return null;
        await jobs.learn(read);
      }
      return jobs.show(roster.profile);
    }, roster);

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
