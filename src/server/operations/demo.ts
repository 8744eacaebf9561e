import "server-only";
import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { DemoPlan } from "@/standin/demo/make-demo";
import { chooseProfile, findCurrentGame } from "@/store/games";
import { findProfile, listProfiles } from "@/store/profiles";
import type { Context } from "../context";
import { addGame } from "./games";
import { addProfile, deleteProfile } from "./profiles";
import { readShelfOfGame } from "./read-shelf";

/** Sets the demo up from its folder, once: registers its game, reads the shelf, makes its profiles. */
export async function setUpDemo(
  context: Context,
  folder: string,
  say: (line: string) => void,
): Promise<Outcome<null>> {
  if (await findCurrentGame(context.db)) {
    say("The demo is set up already; its data are kept");
    return done(null);
  }
  const plan = JSON.parse(await readFile(join(folder, "demo.json"), "utf8")) as DemoPlan;
  say("Registering the game …");
  const added = await addGame(context, {
    id: plan.game,
    gameFolder: join(folder, plan.gameFolder),
    shelfFolder: join(folder, plan.shelfFolder),
  });
  if (!added.ok) return added;
  const read = await readShelfOfGame(context, ({ done: count, total }) => {
    if (count % 20 === 0 || count === total) say(`Reading the shelf: ${count} of ${total}`);
  });
  if (!read.ok) return read;
  return addProfiles(context, plan, say);
}

async function addProfiles(
  context: Context,
  plan: DemoPlan,
  say: (line: string) => void,
): Promise<Outcome<null>> {
  const first = (await findCurrentGame(context.db))?.profileId ?? null;
  const ids: string[] = [];
  for (const { name, purpose, state } of plan.profiles) {
    say(`Making the profile ${name} …`);
    const made = await context.db.transaction((tx) => addProfile(tx, plan.game, name, purpose, state));
    if (!made.ok) return made;
    ids.push(made.value.id);
  }
  if (first !== null && (await findProfile(context.db, first))?.state.mods.entries.length === 0)
    await deleteProfile(context, first);
  await chooseProfile(context.db, plan.game, ids[0]!);
  const left = (await listProfiles(context.db, plan.game)).filter((each) => !each.deletedAt);
  return left.length > 0 ? done(null) : refuse("no-profile");
}
