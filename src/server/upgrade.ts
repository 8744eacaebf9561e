import "server-only";
import { presentStep } from "@/core/model/first-steps";
import type { Step } from "@/core/model/edit";
import type { ModId } from "@/core/model/ids";
import { ProfileState, type Order } from "@/core/model/profile";
import { newestById } from "@/core/roster/roster";
import { listGames } from "@/store/games";
import { listAsRead } from "@/store/shelf";
import type { Db, Tx } from "@/store/sql";
import * as store from "@/store/upgrade";

/**
 * Brings what an earlier version kept into the present form where SQL cannot: steps of the history become those of today, and every
 * mod of a profile, wherever a state of it is kept, is pinned to the contents that counted for it until now, the newest on the
 * shelf. Does nothing where everything is in that form.
 */
export async function upgradeStored(db: Db): Promise<void> {
  for (const { id } of await listGames(db)) await db.transaction((tx) => upgradeGame(tx, id));
}

/** The same for one game. */
export async function upgradeGame(tx: Tx, gameId: string): Promise<void> {
  const newest = [...newestById(await listAsRead(tx, gameId))];
  const contents = new Map(newest.map(([id, { content }]) => [id, content!]));
  await store.pinEntries(tx, gameId, contents);
  await upgradeHistory(tx, gameId, contents);
}

type Contents = ReadonlyMap<string, string>;

async function upgradeHistory(tx: Tx, gameId: string, contents: Contents): Promise<void> {
  const first = await store.listFirstSteps(tx, gameId);
  if (first.length === 0 && !(await store.hasUnpinnedStates(tx, gameId))) return;
  const present = (steps: readonly unknown[]) => steps.map((step) => pinnedStep(presentStep(step), contents));
  for (const { profileId, number, steps, inverse } of first)
    await store.saveSteps(tx, profileId, number, present(steps), present(inverse));
  for (const kept of await store.listStates(tx, gameId)) {
    const state = ProfileState.parse(kept.state);
    await store.saveKeptState(tx, kept, { ...state, mods: pinnedOrder(state.mods, contents) });
  }
}

const pinnedOrder = ({ sections, entries }: Order<ModId>, contents: Contents): Order<ModId> => ({
  sections,
  entries: entries.map((entry) => withContent(entry, contents)),
});

function withContent<T extends { readonly id: string; readonly content?: string | undefined }>(
  entry: T,
  contents: Contents,
): T {
  const content = entry.content ?? contents.get(entry.id);
  return content === undefined ? entry : { ...entry, content };
}

function pinnedStep(step: Step, contents: Contents): Step {
  if ((step.kind === "put" || step.kind === "arrange") && step.list === "mods")
    return { ...step, entries: step.entries.map((entry) => withContent(entry, contents)) };
  if (step.kind === "replace" && step.state.mods)
    return { ...step, state: { ...step.state, mods: pinnedOrder(step.state.mods, contents) } };
  return step;
}
