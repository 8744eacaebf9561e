import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Outcome } from "@/core/model/outcome";
import type { ProfileId } from "@/core/model/ids";
import type { Profile } from "@/core/model/profile";
import { makeDemo } from "@/standin/demo/make-demo";
import { findProfile } from "@/store/profiles";
import { openUpToDate } from "@/store/testing/up-to-date";
import { newContext, type Context } from "../context";
import { openDepots } from "../depot/depots";
import { setUpDemo } from "../operations/demo";

/** What an outcome answers; throws, with the refusal, where it is one. */
export function value<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  return outcome.value;
}

/** What is stored of a profile, past what the server remembers of it. */
export const storedProfile = ({ db }: Context, id: ProfileId): Promise<Profile | null> =>
  db.transaction((tx) => findProfile(tx, id));

/** A database in memory, up to date and empty. */
export async function makeContext(folder = join(tmpdir(), "seating-none")): Promise<Context> {
  const db = await openUpToDate();
  // A test does not wait for a slow line.
  return newContext(db, folder, openDepots(folder, 1e9));
}

export interface DemoContext {
  readonly folder: string;
  readonly context: Context;
  readonly end: () => Promise<void>;
}

/** The same with a demo of this size taken in, in a folder of its own. */
export async function makeDemoContext(mods: number): Promise<DemoContext> {
  const folder = await mkdtemp(join(tmpdir(), "seating-server-"));
  await makeDemo(folder, 7, mods);
  const context = await makeContext(folder);
  value(await setUpDemo(context, folder, () => undefined));
  const end = async () => {
    await context.db.close();
    await rm(folder, { recursive: true, force: true });
  };
  return { folder, context, end };
}
