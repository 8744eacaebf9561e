import "server-only";
import type { ProfileId } from "@/core/model/ids";
import type { KeptFile, KeptFileStanding } from "@/core/model/kept-file";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { sha256Of } from "@/disk/game-files";
import { lookAtSettings, putSettings, settingsPath, type SettingsThere } from "@/disk/settings-files";
import { decodeText } from "@/formats/text";
import type { RegisteredGame } from "@/store/games";
import * as store from "@/store/kept-files";
import { listProfiles } from "@/store/profiles";
import type { Context } from "../context";
import { inTurn } from "./layout";
import { asMeant } from "./profile-of-game";
import { currentGame } from "./situation";

/** A file, what lies there now, whose that is, and what is kept of it. */
interface Seen {
  readonly file: KeptFile;
  readonly path: string;
  readonly there: SettingsThere;
  readonly lying: store.Lying;
  readonly kept: readonly store.KeptContents[];
}

const keptOf = ({ kept }: Pick<Seen, "kept">, profile: ProfileId | null): store.KeptContents | undefined =>
  kept.find((each) => each.profile === profile);

async function lookAt({ db }: Context, game: RegisteredGame): Promise<Outcome<Seen[]>> {
  const meant = await asMeant(game);
  // Which files of the game's own profiles are meant is not known yet: those of the game itself are.
  const files = (game.definition.keptFiles ?? []).filter(({ folder }) => meant.ok || folder !== "order");
  const { folders } = meant.ok ? meant.value : game;
  const kept = await store.listKept(db, game.id);
  const lying = await store.listLying(db, game.id);
  const seen: Seen[] = [];
  for (const file of files) {
    const path = settingsPath(file, folders);
    const there = await lookAtSettings(file, folders);
    if (!there.ok) return there;
    const own = kept.filter((each) => each.path === path);
    const said = lying.find((each) => each.path === path);
    const known = said ?? { path, profile: null, pending: null, made: [] };
    seen.push({ file, path, there: there.value, kept: own, lying: settled(known, there.value, own) });
  }
  return done(seen);
}

/** Where the server ended midway: what was to be put away is kept by then, so that all else is what was put there. */
function settled(
  lying: store.Lying,
  { contents }: SettingsThere,
  kept: readonly store.KeptContents[],
): store.Lying {
  const { pending, profile } = lying;
  if (!pending) return lying;
  const before = keptOf({ kept }, profile);
  const isAsBefore = before !== undefined && nameOf(before.contents) === nameOf(contents);
  return { ...lying, profile: isAsBefore ? profile : pending.profile, pending: null };
}

const nameOf = (contents: Uint8Array | null): string => (contents === null ? "absent" : sha256Of(contents));

/**
 * Has in each file that the game itself changes what a profile has there: its own, or, as for null, what all share that keep none. What
 * lies there is kept first, for whom it is. To be called in turn.
 */
export async function putKeptFiles(
  context: Context,
  game: RegisteredGame,
  profile: ProfileId | null,
): Promise<Outcome<null>> {
  const seen = await lookAt(context, game);
  if (!seen.ok) return seen;
  for (const each of seen.value) {
    const next = keptOf(each, profile)?.keeps === true ? profile : null;
    const put = each.lying.profile === next ? done(null) : await replace(context, game, each, next);
    if (!put.ok) return put;
  }
  return done(null);
}

async function replace(
  { db }: Context,
  { id }: RegisteredGame,
  { path, there, lying, kept }: Seen,
  next: ProfileId | null,
): Promise<Outcome<null>> {
  const wanted = keptOf({ kept }, next);
  const made = [...new Set([...lying.made, ...there.missing])];
  await db.transaction(async (tx) => {
    const { profile } = lying;
    const holder = keptOf({ kept }, profile);
    if (holder || profile === null)
      await store.saveKept(tx, id, { keeps: true, ...holder, path, profile, ...there });
    await store.saveLying(tx, id, { path, profile, pending: { profile: next }, made });
  });
  // Where all others had none yet, they have what lies there from now on.
  if (wanted) {
    const put = await putSettings(path, wanted.contents, wanted.changed, made);
    if (!put.ok) return put;
  }
  await db.transaction((tx) => store.saveLying(tx, id, { path, profile: next, pending: null, made }));
  return done(null);
}

/** Whether the present profile keeps its own of a file; it begins with what lies there, or with what it had before. */
export const keepOwnFile = (
  context: Context,
  fileId: string,
  keeps: boolean,
): Promise<Outcome<KeptFileStanding[]>> =>
  inTurn(context, async (game) => {
    const seen = await lookAt(context, game);
    if (!seen.ok) return seen;
    const one = seen.value.find(({ file }) => file.id === fileId);
    const profile = game.profileId;
    if (!one || !profile) return refuse("no-profile");
    const { path, there } = one;
    if (keptOf(one, profile)) await store.setKeeps(context.db, game.id, path, profile, keeps);
    else if (keeps) await store.saveKept(context.db, game.id, { path, profile, keeps, ...there });
    return standingOfFiles(context, game);
  });

export async function readKeptFiles(context: Context): Promise<Outcome<KeptFileStanding[]>> {
  const game = await currentGame(context);
  return game.ok ? standingOfFiles(context, game.value) : game;
}

async function standingOfFiles(context: Context, game: RegisteredGame): Promise<Outcome<KeptFileStanding[]>> {
  const seen = await lookAt(context, game);
  if (!seen.ok) return seen;
  const names = new Map((await listProfiles(context.db, game.id)).map(({ id, name }) => [id, name]));
  return done(
    seen.value.map((each): KeptFileStanding => {
      const { file, path, there, lying } = each;
      const own = game.profileId === null ? undefined : keptOf(each, game.profileId);
      const contentsOf = (profile: ProfileId | null) =>
        textOf(lying.profile === profile ? there.contents : (keptOf(each, profile)?.contents ?? null));
      return {
        id: file.id,
        label: file.label,
        path,
        keeps: own?.keeps === true,
        lies: liesOf(lying, game.profileId, names),
        takenAt: own?.takenAt.toISOString() ?? null,
        own: own ? contentsOf(game.profileId) : null,
        shared: contentsOf(null),
      };
    }),
  );
}

function liesOf(
  { profile }: store.Lying,
  own: ProfileId | null,
  names: ReadonlyMap<ProfileId, string>,
): KeptFileStanding["lies"] {
  if (profile === null) return { whose: "shared" };
  return profile === own ? { whose: "own" } : { whose: "other", name: names.get(profile) ?? "" };
}

function textOf(contents: Uint8Array | null): string | null {
  const text = contents && decodeText(contents, "");
  return text?.ok ? text.value.text : null;
}
