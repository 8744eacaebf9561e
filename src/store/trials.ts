import type { ProfileId } from "@/core/model/ids";
import { OwnWay } from "@/core/model/start";
import type { Trial, Verdict } from "@/core/model/trial";
import type { Sql } from "./sql";

/** By which a process is known again. */
interface ProcessMark {
  readonly pid: number;
  readonly started: string | null;
}

type KeptTrial = Omit<Trial, "began" | "ended"> & { readonly began: Date; readonly ended: Date | null };

const columns = `id, profile_id as profile, way, began, ended, code, fingerprint, verdict, note, log,
  file_log as "fileLog"`;

const asTrial = ({ began, ended, ...rest }: KeptTrial): Trial => ({
  ...rest,
  began: began.toISOString(),
  ended: ended?.toISOString() ?? null,
});

export const beginTrial = (
  db: Sql,
  {
    id,
    profile,
    way,
    fingerprint,
    process,
  }: Pick<Trial, "id" | "profile" | "way" | "fingerprint"> & {
    readonly process: ProcessMark;
  },
) =>
  db.query(
    `insert into trial (id, profile_id, way, fingerprint, process, log) values ($1, $2, $3, $4, $5::jsonb, '[]')`,
    [id, profile, way, fingerprint, JSON.stringify(process)],
  );

/** `code`: null where nobody saw it end. */
export const endTrial = (
  db: Sql,
  id: string,
  { code, log, fileLog }: Pick<Trial, "code" | "log" | "fileLog">,
) =>
  db.query(
    `update trial set ended = now(), process = null, code = $2, log = $3::jsonb, file_log = $4::jsonb
     where id = $1 and ended is null`,
    [id, code, JSON.stringify(log), JSON.stringify(fileLog)],
  );

export const judgeTrial = (db: Sql, id: string, verdict: Verdict | null, note: string) =>
  db.query("update trial set verdict = $2, note = $3 where id = $1", [id, verdict, note]);

/** The last trial of a profile; null where there was none. */
export async function findTrial(db: Sql, profileId: ProfileId): Promise<Trial | null> {
  const [row] = await db.query<KeptTrial>(
    `select ${columns} from trial where profile_id = $1 order by began desc, id limit 1`,
    [profileId],
  );
  return row ? asTrial(row) : null;
}

export async function getTrial(db: Sql, id: string): Promise<Trial | null> {
  const [row] = await db.query<KeptTrial>(`select ${columns} from trial where id = $1 order by id`, [id]);
  return row ? asTrial(row) : null;
}

/** Trials that had not ended when they were last heard of. */
export const listUnderWay = (db: Sql) =>
  db.query<{ id: string; game: string; profile: ProfileId; process: ProcessMark }>(
    `select t.id, p.game_id as game, t.profile_id as profile, t.process
     from trial t join profile p on p.id = t.profile_id where t.ended is null order by t.began`,
  );

export const confirmWay = (db: Sql, gameId: string, digest: string) =>
  db.query("insert into confirmed_way (game_id, way) values ($1, $2) on conflict do nothing", [
    gameId,
    digest,
  ]);

export const listConfirmed = async (db: Sql, gameId: string): Promise<ReadonlySet<string>> => {
  const rows = await db.query<{ way: string }>(
    "select way from confirmed_way where game_id = $1 order by way",
    [gameId],
  );
  return new Set(rows.map(({ way }) => way));
};

/** What was confirmed elsewhere is confirmed by nobody here. */
export async function forgetConfirmed(db: Sql): Promise<void> {
  await db.query("delete from confirmed_way");
  // Nor is a process of another machine one of this.
  await db.query("update trial set ended = coalesce(ended, began), process = null");
}

export async function listOwnWays(db: Sql, gameId: string): Promise<OwnWay[]> {
  const rows = await db.query<{ way: unknown }>("select way from own_way where game_id = $1 order by id", [
    gameId,
  ]);
  return rows.map(({ way }) => OwnWay.parse(way));
}

export const saveOwnWay = (db: Sql, gameId: string, way: OwnWay) =>
  db.query(
    `insert into own_way (game_id, id, way) values ($1, $2, $3::jsonb)
     on conflict (game_id, id) do update set way = excluded.way`,
    [gameId, way.id, JSON.stringify(way)],
  );

export const removeOwnWay = (db: Sql, gameId: string, id: string) =>
  db.query("delete from own_way where game_id = $1 and id = $2", [gameId, id]);

export async function lastWay(db: Sql, profileId: ProfileId): Promise<string | null> {
  const [row] = await db.query<{ way: string | null }>("select way from profile where id = $1 order by id", [
    profileId,
  ]);
  return row?.way ?? null;
}

export const setLastWay = (db: Sql, profileId: ProfileId, way: string) =>
  db.query("update profile set way = $2 where id = $1", [profileId, way]);
