import { runToEnd } from "@/core/run-to-end";
import type { Ties } from "@/core/roster/ties";
import { deriving, derivingTies, type Derived, type EditorState } from "./editor-state";

/** Milliseconds; a frame is painted by then. */
const begins = 30;
/** Milliseconds of work between two moments in which the page can do something else. */
const slice = 12;

/** What is being derived, and of what. */
interface UnderWay extends Pick<EditorState, "roster" | "onDisk"> {
  readonly steps: Generator<void, Derived>;
}

/** Derives what follows from the order that is shown, in slices after it has been painted, or at once where it is asked for. */
export class Derivation {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private underWay: UnderWay | null = null;

  constructor(
    private readonly state: () => EditorState,
    private readonly take: (derived: Partial<Derived>) => void,
  ) {}

  soon(): void {
    this.after(begins);
  }

  finish(): void {
    this.go(Infinity);
  }

  /** Of what shows, at once: without them no edit can be judged. */
  ties(): Ties {
    const { roster, derivedFrom, ties } = this.state();
    if (derivedFrom === roster) return ties;
    const now = runToEnd(derivingTies(roster, { ties, derivedFrom }));
    this.take({ ties: now, derivedFrom: roster });
    return now;
  }

  private after(ms: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.go(slice), ms);
  }

  private go(patience: number): void {
    clearTimeout(this.timer);
    const steps = this.stepsNow();
    if (!steps) return;
    for (const end = performance.now() + patience; ;) {
      const { done, value } = steps.next();
      if (done) {
        this.underWay = null;
        return this.take(value);
      }
      if (performance.now() >= end) return this.after(0);
    }
  }

  /** Those that are under way, unless something else shows by now; null where all is derived of what shows. */
  private stepsNow(): Generator<void, Derived> | null {
    const { roster, onDisk, checked } = this.state();
    if (checked?.input.roster === roster && checked.input.onDisk === onDisk) return null;
    if (this.underWay?.roster !== roster || this.underWay.onDisk !== onDisk)
      this.underWay = { roster, onDisk, steps: deriving(roster, onDisk, this.state()) };
    return this.underWay.steps;
  }
}
