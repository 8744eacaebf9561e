import { rmSync } from "node:fs";
import { previewOf, type LayoutPreview, type LayoutProgress } from "@/core/layout/preview";
import type { Drift } from "@/core/layout/drift";
import type { LaidMod } from "@/core/layout/wanted";
import type { GameDefinition } from "@/core/model/game";
import type { LaidAs } from "@/core/model/ledger";
import { done, type Outcome } from "@/core/model/outcome";
import { openThreads } from "../threads";
import { keptIn, performLayout, planLayout, planTakingBack, type Layout, type LayoutPlaces } from "./lay-out";
import { keepBefore, putBefore } from "./before";
import { acceptFiles, lookAtDrift, setAside } from "./drift";

/** Mods that are to lie in the folder of their game, in order. */
export interface Laying {
  readonly game: GameDefinition;
  readonly mods: readonly LaidMod[];
  readonly as: LaidAs;
  /** Where the mods of some contents lie. */
  readonly paths: ReadonlyMap<string, string>;
}

interface Asked {
  readonly preview: { readonly laying: Laying };
  readonly "lay-out": {
    readonly laying: Laying;
    /** What somebody changed of it is put again, too. */
    readonly putAgain: boolean;
    /** The files in which the game reads its order. */
    readonly orderFiles: readonly string[];
    /** It is cancelled once the first number is not 0. */
    readonly stop: Int32Array;
  };
  readonly "preview-taking-back": object;
  /** `othersFiles`: those in which the game reads its order that somebody else has written since. */
  readonly "take-back": { readonly othersFiles: readonly string[] };
  readonly drift: { readonly game: GameDefinition };
  readonly accept: { readonly paths: readonly string[]; readonly isBare: boolean };
  readonly "set-aside": { readonly paths: readonly string[] };
}

type Does = keyof Asked;

/** What is asked of whoever lays out. */
export type LayoutJob<Kind extends Does = Does> = {
  [Each in Kind]: { readonly does: Each; readonly places: LayoutPlaces } & Asked[Each];
}[Kind];

/** What each comes to; of laying out and taking back, what that did. */
type Answer<Kind extends Does> = Kind extends "drift"
  ? Drift
  : Kind extends "accept" | "set-aside"
    ? null
    : LayoutPreview;

/** Lays out, one job after another. */
export type LayoutHand = <Kind extends Does>(
  job: LayoutJob<Kind>,
  onProgress?: (progress: LayoutProgress) => void,
) => Promise<Outcome<Answer<Kind>>>;

const shown = ({ plan, wanted, toUnpack }: Layout): Outcome<LayoutPreview> =>
  done(
    previewOf(
      plan,
      wanted,
      [...toUnpack.values()].reduce((sum, files) => sum + files.length, 0),
    ),
  );

export const layOutHere = (async (job, onProgress) => answer(job as LayoutJob, onProgress)) as LayoutHand;

async function answer(
  job: LayoutJob,
  onProgress: (progress: LayoutProgress) => void = () => undefined,
): Promise<Outcome<LayoutPreview | Drift | null>> {
  const { places } = job;
  switch (job.does) {
    case "preview": {
      const layout = planLayout(job.laying.game, job.laying.mods, places, { as: job.laying.as });
      return layout.ok ? shown(layout.value) : layout;
    }
    case "preview-taking-back": {
      const layout = planTakingBack(places, false);
      return layout.ok ? shown(layout.value) : layout;
    }
    case "lay-out":
      return layOut(job, onProgress);
    case "take-back": {
      const layout = planTakingBack(places, false);
      if (!layout.ok) return layout;
      // First, so that where it is cut short after that the order is not kept anew as it was before.
      putBefore(keptIn(places, "order-before"), (path) => job.othersFiles.includes(path));
      const taken = planTakingBack(places, true);
      return taken.ok ? shown(taken.value) : taken;
    }
    case "drift":
      return lookAtDrift(job.game, places);
    case "accept":
      return done(acceptFiles(places, job.paths, job.isBare));
    case "set-aside":
      return setAside(places, job.paths);
  }
}

async function layOut(
  { places, laying, putAgain, orderFiles, stop }: LayoutJob<"lay-out">,
  onProgress: (progress: LayoutProgress) => void,
): Promise<Outcome<LayoutPreview>> {
  const { game, mods, as, paths } = laying;
  const layout = planLayout(game, mods, places, { putAgain, as });
  if (!layout.ok) return layout;
  keepOrder(places, layout.value, orderFiles);
  const laid = await performLayout(game, places, layout.value, (content) => paths.get(content)!, {
    onProgress,
    as,
    isStopped: () => Atomics.load(stop, 0) !== 0,
  });
  return laid.ok ? shown(layout.value) : laid;
}

/** Keeps the files in which a game reads its order as they are before anything of Seating's lies in its folder. */
export function keepOrder(places: LayoutPlaces, { plan }: Layout, orderFiles: readonly string[]): void {
  const kept = keptIn(places, "order-before");
  // Of a time when laying out was begun and nothing came to lie there.
  if (plan.before.entries.length === 0) rmSync(kept, { force: true });
  keepBefore(kept, orderFiles);
}

/** In a thread that runs `program`, a bundled layout-worker: nothing else waits for the disk then. */
export const layOutInThread = (program: string): LayoutHand => {
  const ask = openThreads<LayoutJob>(program, 1);
  return (job, onProgress) => ask(job as LayoutJob, onProgress);
};
