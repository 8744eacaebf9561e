import "server-only";
import { zipSync } from "fflate";
import { recipeOf, type BlendRecipe } from "@/core/blend/decisions";
import { blendReport } from "@/core/blend/report";
import { dayOf } from "@/core/day-of";
import { takeBlend } from "@/core/edit/take-blend";
import type { BlendReport } from "@/core/model/blend-report";
import type { ProfileId } from "@/core/model/ids";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ShelfMod } from "@/core/model/shelf";
import type { Stock } from "@/core/roster/roster";
import { blendOfProfile, recipeFor, type BlendFile } from "@/formats/profile-blend";
import { addReport, listReports } from "@/store/blend-reports";
import type { RegisteredGame } from "@/store/games";
import type { Context } from "../context";
import { getStock } from "../stock";
import { storeEdit, type Stored } from "./edit-profile";
import { libraryFor } from "./read-library";
import { putOnShelf } from "./put-on-shelf";
import { currentGame, readSituation } from "./situation";

/**
 * Makes the blend of what a profile loads: a mod of its own on the shelf, and in the profile its contents, on and last. Where nothing has
 * to be blended the one that is there goes off. `incoming` is where what comes in waits; `name`: what it is called from now on.
 */
export async function buildBlend(
  context: Context,
  incoming: string,
  profileId: ProfileId,
  version: number,
  name: string | null = null,
): Promise<Outcome<Stored>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  const { roster } = situation.value;
  if (roster.profile.version !== version) return refuse("stale");
  const recipe = { ...recipeFor(roster), ...(name !== null && { name }) };
  const { plugins, made, file } = blendOfProfile(
    roster,
    await libraryFor(context, game.value, roster),
    recipe,
  );
  if (!file.ok) return file;
  const mod = file.value ? await onTheShelf(context, incoming, game.value, recipe, file.value) : done(null);
  if (!mod.ok) return mod;
  const now = await readSituation(context, profileId);
  if (!now.ok) return now;
  const edit = takeBlend(now.value.roster, recipe, mod.value, dayOf(new Date()));
  if (!edit) return refuse("blend-current");
  const plugin = file.value?.plugin.name ?? null;
  const report = blendReport(roster, plugins, made, { plugin, date: new Date().toISOString() });
  return storeEdit(context, profileId, now.value.roster.profile.version, edit, {
    also: (tx) => addReport(tx, profileId, report),
  });
}

/** Makes the blend of a profile that was just made of a list, where nothing else of it is missing. */
export async function buildListedBlend(
  context: Context,
  incoming: string,
  profileId: ProfileId,
): Promise<void> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return;
  const { mods, profile } = situation.value.roster;
  const recipe = recipeOf(profile.state);
  const gone = mods.filter((mod) => mod.loads && mod.gone);
  if (recipe && gone.length === 1 && gone[0]!.id === recipe.mod)
    await buildBlend(context, incoming, profileId, profile.version);
}

export const readReports = async ({ db }: Context, profileId: ProfileId): Promise<Outcome<BlendReport[]>> =>
  done(await listReports(db, profileId));

/** The mod as it lies on the shelf, put there where it does not yet. */
async function onTheShelf(
  context: Context,
  incoming: string,
  game: RegisteredGame,
  { mod: id, name }: BlendRecipe,
  file: BlendFile,
): Promise<Outcome<ShelfMod>> {
  const known = modWith(await getStock(context, game), id, file);
  if (known) return done(known);
  const archive = zipSync(Object.fromEntries(file.files));
  const put = await putOnShelf(context, incoming, `${name} ${file.sha256.slice(0, 8)}.zip`, archive);
  if (!put.ok) return put;
  const mod = modWith(await getStock(context, game), id, file);
  return mod ? done(mod) : refuse("not-on-shelf", { path: name });
}

const modWith = ({ shelf }: Stock, id: string, { sha256 }: BlendFile): ShelfMod | undefined =>
  shelf.find((mod) => mod.id === id && mod.plugins.some((plugin) => plugin.sha256 === sha256));
