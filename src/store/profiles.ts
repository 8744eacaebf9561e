import type { Section } from "@/core/model/game";
import type { ProfileId, ModId } from "@/core/model/ids";
import {
  ProfileState,
  type Entry,
  type ListName,
  type Profile,
  type ProfileFacts,
} from "@/core/model/profile";
import { readDecisions, saveDecisions } from "./decisions";
import { saveEntries } from "./entries";
import type { Sql, Tx } from "./sql";

interface ProfileSummary {
  readonly id: ProfileId;
  readonly name: string;
  readonly purpose: string;
  readonly hue: number | null;
  readonly note: string | null;
  readonly notedAt: Date | null;
  /** On, and there. */
  readonly modsOn: number;
  readonly mods: number;
  /** Bytes on the disk of what is on. */
  readonly size: number;
  readonly madeAt: Date;
  readonly ranAt: Date | null;
  readonly deletedAt: Date | null;
}

interface ProfileRow extends Omit<ProfileSummary, "mods" | "modsOn" | "size"> {
  readonly mods: number | null;
  /** Ids, parted by `between`. */
  readonly on: string | null;
}

/** Stands in no id. */
const between = "\u001f";

/**
 * Profiles of a game, those in the bin too (`deletedAt`). The sizes are summed here: joined in the database, with thousands of mods, they
 * make it write files.
 */
export async function listProfiles(db: Sql, gameId: string): Promise<ProfileSummary[]> {
  const lying = await db.query<{ id: string; size: number }>(
    `select id, max(size)::bigint as size from shelf_mod where game_id = $1 and problem is null
     group by id order by id`,
    [gameId],
  );
  const sizeOf = new Map(lying.map(({ id, size }) => [id, size]));
  const rows = await db.query<ProfileRow>(
    `select p.id, p.name, p.purpose, p.hue, p.note, p.noted_at as "notedAt", p.deleted_at as "deletedAt",
       p.made_at as "madeAt", p.ran_at as "ranAt", h.mods, h.on_ids as "on"
     from profile p left join (
       select profile_id, count(*)::integer as mods, string_agg(id, $2) filter (where is_on) as on_ids
       from profile_entry where list = 'mods' group by profile_id
     ) h on h.profile_id = p.id
     where p.game_id = $1 order by p.made_at, p.id`,
    [gameId, between],
  );
  return rows.map(({ on, mods, ...profile }) => {
    const sizes = (on === null ? [] : on.split(between)).flatMap((id) => sizeOf.get(id) ?? []);
    return {
      ...profile,
      mods: mods ?? 0,
      modsOn: sizes.length,
      size: sizes.reduce((sum, size) => sum + size, 0),
    };
  });
}

/** Profiles that hold a mod in certain contents. */
export interface Usage {
  readonly id: ModId;
  readonly content: string | null;
  readonly profiles: readonly ProfileId[];
}

/** By mod and the contents in which they hold it the ids of the profiles, in the order in which they were made. */
export async function listUsage(db: Sql, gameId: string): Promise<Usage[]> {
  const rows = await db.query<{ id: ProfileId; mods: string; contents: string }>(
    `select p.id, string_agg(e.id, $2 order by e.position) as mods,
       string_agg(coalesce(e.content, ''), $2 order by e.position) as contents
     from profile p join profile_entry e on e.profile_id = p.id and e.list = 'mods'
     where p.game_id = $1 and p.deleted_at is null group by p.id, p.made_at order by p.made_at, p.id`,
    [gameId, between],
  );
  const found = new Map<string, { id: ModId; content: string | null; profiles: ProfileId[] }>();
  for (const { id: profile, mods, contents } of rows) {
    const contentAt = contents.split(between);
    for (const [at, id] of mods.split(between).entries()) {
      const content = contentAt[at] || null;
      const key = `${id}${between}${content}`;
      const usage = found.get(key) ?? { id: id as ModId, content, profiles: [] };
      usage.profiles.push(profile);
      found.set(key, usage);
    }
  }
  return [...found.values()];
}

/** The orders of a profile as they were read at a version of it, so that they need not be read again. */
export interface KnownOrders {
  readonly version: number;
  readonly mods: ProfileState["mods"];
  readonly plugins: ProfileState["plugins"];
}

/** The whole profile; null where there is none of this id, or it is in the bin. */
export async function findProfile(tx: Tx, id: ProfileId, known?: KnownOrders): Promise<Profile | null> {
  const [head] = await tx.query<Omit<Profile, "state">>(
    `select id, game_id as "game", name, purpose, hue, note, version
     from profile where id = $1 and deleted_at is null order by id`,
    [id],
  );
  if (!head) return null;
  const facts = withoutNulls<Omit<Profile, "state">>("hue", "note")(head);
  const { mods, plugins } = known?.version === head.version ? known : await readOrders(tx, id);
  return { ...facts, state: { mods, plugins, ...(await readDecisions(tx, head.game, id)) } };
}

async function readOrders(tx: Tx, id: ProfileId): Promise<Omit<KnownOrders, "version">> {
  const [mods, plugins] = await Promise.all([readOrder(tx, id, "mods"), readOrder(tx, id, "plugins")]);
  return { mods, plugins };
}

async function readOrder<List extends ListName>(
  db: Sql,
  profileId: ProfileId,
  list: List,
): Promise<ProfileState[List]> {
  const sections = await db.query<{ [K in keyof Section]-?: Section[K] | null }>(
    `select id, name, rank, guidance, tags, hue, nullif(unseated, false) as unseated, block,
       nullif(closed, false) as closed from profile_section
     where profile_id = $1 and list = $2 order by position`,
    [profileId, list],
  );
  const entries = await db.query<{ [K in keyof Entry]-?: Entry[K] | null }>(
    `select id, is_on as "on", section, home, content, nullif(fresh, false) as fresh,
       nullif(placed, false) as placed from profile_entry
     where profile_id = $1 and list = $2 order by position`,
    [profileId, list],
  );
  return {
    sections: sections.map(withoutNulls<Section>("tags", "hue", "unseated", "block", "closed")),
    entries: entries.map(withoutNulls<Entry>("home", "content", "fresh", "placed")),
  } as ProfileState[List];
}

/** Optional fields are absent in the model and null in a row. */
const withoutNulls =
  <T>(...optional: (keyof T & string)[]) =>
  (row: object): T =>
    Object.fromEntries(
      Object.entries(row).filter(([key, value]) => value !== null || !optional.includes(key as never)),
    ) as T;

/** The highest version that a profile has; 0 where there is none. */
export async function latestVersion(db: Sql): Promise<number> {
  const rows = await db.query<{ version: number }>(
    "select coalesce(max(version), 0) as version from profile",
  );
  return rows[0]!.version;
}

/** Makes the version of every profile higher by so much. */
export const raiseVersions = (tx: Tx, by: number) =>
  tx.query("update profile set version = version + $1", [by]);

export const insertProfile = (db: Sql, { id, game, name, purpose, hue, note, version }: Profile) =>
  db.query(
    `insert into profile (id, game_id, name, purpose, hue, note, noted_at, version)
     values ($1, $2, $3, $4, $5, $6::text, case when $6::text is not null then now() end, $7)`,
    [id, game, name, purpose, hue ?? null, note ?? null, version],
  );

/** Stores what an edit changed: the new version, and of the state what is another object than before. */
export async function saveState(
  tx: Tx,
  id: ProfileId,
  version: number,
  state: ProfileState,
  before: ProfileState | null,
): Promise<void> {
  await tx.query("update profile set version = $2 where id = $1", [id, version]);
  for (const list of ["mods", "plugins"] as const) {
    if (state[list].sections !== before?.[list].sections)
      await saveSections(tx, id, list, state[list].sections);
    if (state[list].entries !== before?.[list].entries)
      await saveEntries(tx, id, list, state[list].entries, before?.[list].entries ?? []);
  }
  await saveDecisions(tx, id, state, before);
}

async function saveSections(
  db: Sql,
  id: ProfileId,
  list: ListName,
  sections: readonly Section[],
): Promise<void> {
  await db.query("delete from profile_section where profile_id = $1 and list = $2", [id, list]);
  await db.query(
    `insert into profile_section
       (profile_id, list, position, id, name, rank, guidance, tags, hue, unseated, block, closed)
     select $1, $2, s.position, s.id, s.name, s.rank, s.guidance, s.tags, s.hue, coalesce(s.unseated, false),
       s.block, coalesce(s.closed, false)
     from rows from (
       jsonb_to_recordset($3::jsonb) as (id text, name text, rank text, guidance text, tags text[], hue integer,
         unseated boolean, block text, closed boolean))
       with ordinality as s (id, name, rank, guidance, tags, hue, unseated, block, closed, position)`,
    [id, list, JSON.stringify(sections)],
  );
}

export const saveFacts = (db: Sql, id: ProfileId, { name, purpose, hue, note }: ProfileFacts) =>
  db.query(
    `update profile set name = $2, purpose = $3, hue = $4, note = $5,
       noted_at = case when note is distinct from $5 then now() else noted_at end
     where id = $1`,
    [id, name, purpose, hue ?? null, note || null],
  );

/** Remembers that the game ran with this state in a trial, so that one can see what has changed since. */
export const saveRun = (db: Sql, id: ProfileId, trial: string, state: ProfileState) =>
  db.query(
    `update profile set ran_before_at = ran_at, ran_before_state = ran_state,
       ran_at = now(), ran_state = $3, ran_trial = $2
     where id = $1`,
    [id, trial, JSON.stringify(state)],
  );

/** Goes back to when it ran well before that trial, or, told so again, to that trial; nothing where another one came after it. */
export const turnRun = (db: Sql, id: ProfileId, trial: string) =>
  db.query(
    `update profile set ran_at = ran_before_at, ran_state = ran_before_state,
       ran_before_at = ran_at, ran_before_state = ran_state
     where id = $1 and ran_trial = $2`,
    [id, trial],
  );

/** The state that the game last ran with; null if it never did. */
export async function findRun(db: Sql, id: ProfileId): Promise<{ at: Date; state: ProfileState } | null> {
  const rows = await db.query<{ at: Date; state: unknown }>(
    "select ran_at as at, ran_state as state from profile where id = $1 and ran_at is not null order by id",
    [id],
  );
  return rows[0] ? { at: rows[0].at, state: ProfileState.parse(rows[0].state) } : null;
}

export const setProfileOfGame = (db: Sql, id: ProfileId, name: string | null) =>
  db.query("update profile set of_game = $2 where id = $1", [id, name]);

export const setName = (db: Sql, id: ProfileId, name: string) =>
  db.query("update profile set name = $2 where id = $1", [id, name]);

/** Into the bin, or out of it again. */
export const setDeleted = (db: Sql, id: ProfileId, deleted: boolean) =>
  db.query("update profile set deleted_at = case when $2 then now() end where id = $1", [id, deleted]);

/** Whether another profile of the game, not in the bin, bears the name. */
export async function isNameTaken(
  db: Sql,
  gameId: string,
  name: string,
  except: string | null,
): Promise<boolean> {
  const rows = await db.query(
    `select 1 from profile where game_id = $1 and lower(name) = lower($2) and deleted_at is null
       and id is distinct from $3 order by id`,
    [gameId, name, except],
  );
  return rows.length > 0;
}
