import type { Section } from "@/core/model/game";
import type {
  Entry,
  ListName,
  Note,
  Order,
  Profile,
  ProfilePurpose,
  ProfileState,
  Rule,
} from "@/core/model/profile";
import type { ProfileBook } from "@/core/model/rulebook";
import { saveEntries } from "./entries";
import type { Sql } from "./sql";

export interface ProfileSummary {
  readonly id: string;
  readonly name: string;
  readonly purpose: ProfilePurpose;
  readonly modsOn: number;
  readonly deletedAt: Date | null;
}

/** Profiles of a game, those in the bin too (`deletedAt`). */
export const listProfiles = (db: Sql, gameId: string) =>
  db.query<ProfileSummary>(
    `select p.id, p.name, p.purpose, p.deleted_at as "deletedAt",
       (select count(*) from profile_entry e where e.profile_id = p.id and e.list = 'mods' and e.is_on)::integer as "modsOn"
     from profile p where p.game_id = $1 order by p.made_at, p.id`,
    [gameId],
  );

/** By mod the names of the profiles that hold it, but for one, in the order in which they were made. */
export const listUsage = (db: Sql, gameId: string, except: string) =>
  db.query<{ id: string; profiles: string[] }>(
    `select e.id, array_agg(p.name order by p.made_at, p.id) as profiles
     from profile_entry e join profile p on p.id = e.profile_id
     where p.game_id = $1 and p.id <> $2 and p.deleted_at is null and e.list = 'mods'
     group by e.id order by e.id`,
    [gameId, except],
  );

/** The orders of a profile as they were read at a version of it, so that they need not be read again. */
export interface KnownOrders {
  readonly version: number;
  readonly mods: Order;
  readonly plugins: Order;
}

/** The whole profile; null where there is none of this id, or it is in the bin. */
export async function findProfile(db: Sql, id: string, known?: KnownOrders): Promise<Profile | null> {
  const [head] = await db.query<Omit<Profile, "state"> & { expansions: string[]; broaderFirst: boolean }>(
    `select id, game_id as "game", name, purpose, version, expansions, broader_first as "broaderFirst"
     from profile where id = $1 and deleted_at is null order by id`,
    [id],
  );
  if (!head) return null;
  const { expansions, broaderFirst, ...facts } = head;
  const { mods, plugins } = known?.version === head.version ? known : await readOrders(db, id);
  const rules = await readRules(db, head.game, id);
  const breadth = broaderFirst ? {} : { broaderFirst: false as const };
  const books = await readBooks(db, id);
  const goesBy = books.length > 0 ? { books } : {};
  const notes = await readNotes(db, id);
  const noted = notes.length > 0 ? { notes } : {};
  return { ...facts, state: { mods, plugins, rules, expansions, ...breadth, ...goesBy, ...noted } };
}

async function readOrders(db: Sql, id: string): Promise<Omit<KnownOrders, "version">> {
  const [mods, plugins] = await Promise.all([readOrder(db, id, "mods"), readOrder(db, id, "plugins")]);
  return { mods, plugins };
}

const readBooks = (db: Sql, id: string) =>
  db.query<ProfileBook>("select id, version, off from profile_book where profile_id = $1 order by position", [
    id,
  ]);

async function readRules(db: Sql, gameId: string, profileId: string): Promise<Rule[]> {
  const rows = await db.query<{ [K in keyof Rule]-?: Rule[K] | null } & { position: number }>(
    `select id, rule, note, made, nullif(off, false) as off, null::boolean as shared, list, position from profile_rule where profile_id = $1
     union all
     select id, rule, note, made, nullif(off, false), true, list, position from game_rule where game_id = $2
     order by shared nulls first, position`,
    [profileId, gameId],
  );
  return rows.map(({ position: _, ...row }) => withoutNulls<Rule>("off", "shared", "list")(row));
}

const readNotes = (db: Sql, id: string) =>
  db.query<Note>(
    "select list, item, text, author, at from profile_note where profile_id = $1 order by position",
    [id],
  );

async function readOrder(db: Sql, profileId: string, list: ListName): Promise<Order> {
  const sections = await db.query<{ [K in keyof Section]-?: Section[K] | null }>(
    `select id, name, rank, guidance, tags, hue, nullif(unseated, false) as unseated, block,
       nullif(closed, false) as closed from profile_section
     where profile_id = $1 and list = $2 order by position`,
    [profileId, list],
  );
  const entries = await db.query<{ [K in keyof Entry]-?: Entry[K] | null }>(
    `select id, is_on as "on", section, home, content, nullif(fresh, false) as fresh from profile_entry
     where profile_id = $1 and list = $2 order by position`,
    [profileId, list],
  );
  return {
    sections: sections.map(withoutNulls<Section>("tags", "hue", "unseated", "block", "closed")),
    entries: entries.map(withoutNulls<Entry>("home", "content", "fresh")),
  };
}

/** Optional fields are absent in the model and null in a row. */
const withoutNulls =
  <T>(...optional: (keyof T & string)[]) =>
  (row: object): T =>
    Object.fromEntries(
      Object.entries(row).filter(([key, value]) => value !== null || !optional.includes(key as never)),
    ) as T;

export const insertProfile = (db: Sql, { id, game, name, purpose, version, state }: Profile) =>
  db.query(
    `insert into profile (id, game_id, name, purpose, version, expansions, broader_first)
     values ($1, $2, $3, $4, $5, $6, $7)`,
    [id, game, name, purpose, version, state.expansions, state.broaderFirst !== false],
  );

/** Stores what an edit changed: the new version, and of the state what is another object than before. */
export async function saveState(
  db: Sql,
  id: string,
  version: number,
  state: ProfileState,
  before: ProfileState | null,
): Promise<void> {
  await db.query("update profile set version = $2, expansions = $3, broader_first = $4 where id = $1", [
    id,
    version,
    state.expansions,
    state.broaderFirst !== false,
  ]);
  for (const list of ["mods", "plugins"] as const) {
    if (state[list].sections !== before?.[list].sections)
      await saveSections(db, id, list, state[list].sections);
    if (state[list].entries !== before?.[list].entries)
      await saveEntries(db, id, list, state[list].entries, before?.[list].entries ?? []);
  }
  if (state.rules !== before?.rules) await saveRules(db, id, state.rules, before === null);
  if (state.books !== before?.books) await saveBooks(db, id, state.books ?? []);
  if (state.notes !== before?.notes) await saveNotes(db, id, state.notes ?? []);
}

async function saveSections(
  db: Sql,
  id: string,
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

async function saveBooks(db: Sql, id: string, books: readonly ProfileBook[]): Promise<void> {
  await db.query("delete from profile_book where profile_id = $1", [id]);
  await db.query(
    `insert into profile_book (profile_id, position, id, version, off)
     select $1, b.position, b.id, b.version, b.off
     from rows from (jsonb_to_recordset($2::jsonb) as (id text, version text, off text[]))
       with ordinality as b (id, version, off, position)`,
    [id, JSON.stringify(books)],
  );
}

async function saveNotes(db: Sql, id: string, notes: readonly Note[]): Promise<void> {
  await db.query("delete from profile_note where profile_id = $1", [id]);
  await db.query(
    `insert into profile_note (profile_id, position, list, item, text, author, at)
     select $1, n.position, n.list, n.item, n.text, n.author, n.at
     from rows from (jsonb_to_recordset($2::jsonb) as (list text, item text, text text, author text, at text))
       with ordinality as n (list, item, text, author, at, position)`,
    [id, JSON.stringify(notes)],
  );
}

/** A profile that is new brings no rules for the others of its game. */
async function saveRules(db: Sql, id: string, rules: readonly Rule[], isNew: boolean): Promise<void> {
  await saveRulesOf(
    db,
    "profile",
    id,
    rules.filter((rule) => !rule.shared),
  );
  if (isNew) return;
  const [profile] = await db.query<{ game: string }>(
    `select game_id as "game" from profile where id = $1 order by id`,
    [id],
  );
  await saveRulesOf(
    db,
    "game",
    profile!.game,
    rules.filter((rule) => rule.shared),
  );
}

async function saveRulesOf(
  db: Sql,
  owner: "profile" | "game",
  id: string,
  rules: readonly Rule[],
): Promise<void> {
  await db.query(`delete from ${owner}_rule where ${owner}_id = $1`, [id]);
  await db.query(
    `insert into ${owner}_rule (${owner}_id, position, id, rule, note, made, off, list)
     select $1, r.position, r.id, r.rule, r.note, r.made, coalesce(r.off, false), r.list
     from rows from (
       jsonb_to_recordset($2::jsonb) as (id text, rule jsonb, note text, made text, off boolean, list text))
       with ordinality as r (id, rule, note, made, off, list, position)`,
    [id, JSON.stringify(rules)],
  );
}

export const renameProfile = (db: Sql, id: string, name: string, purpose: ProfilePurpose) =>
  db.query("update profile set name = $2, purpose = $3 where id = $1", [id, name, purpose]);

/** Into the bin, or out of it again. */
export const setDeleted = (db: Sql, id: string, deleted: boolean) =>
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
