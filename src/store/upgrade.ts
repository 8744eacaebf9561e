import type { Step } from "@/core/model/edit";
import type { ProfileId } from "@/core/model/ids";
import type { ProfileState } from "@/core/model/profile";
import type { Sql } from "./sql";

/** Pins entries of which no contents are named to these, by the mods' ids. */
export const pinEntries = (db: Sql, gameId: string, contents: ReadonlyMap<string, string>) =>
  db.query(
    `update profile_entry e set content = c.content
     from profile p, unnest($2::text[], $3::text[]) as c (id, content)
     where p.id = e.profile_id and p.game_id = $1 and e.list = 'mods' and e.content is null and e.id = c.id`,
    [gameId, [...contents.keys()], [...contents.values()]],
  );

export interface FirstSteps {
  readonly profileId: ProfileId;
  readonly number: number;
  readonly steps: unknown[];
  readonly inverse: unknown[];
}

/** Edits of which the steps are kept in the first form. */
export const listFirstSteps = (db: Sql, gameId: string) =>
  db.query<FirstSteps>(
    `select j.profile_id as "profileId", j.number, j.steps, j.inverse
     from journal j join profile p on p.id = j.profile_id
     where p.game_id = $1 and j.format = 1 order by j.profile_id, j.number`,
    [gameId],
  );

export const saveSteps = (
  db: Sql,
  profileId: ProfileId,
  number: number,
  steps: readonly Step[],
  inverse: readonly Step[],
) =>
  db.query("update journal set steps = $3, inverse = $4, format = 2 where profile_id = $1 and number = $2", [
    profileId,
    number,
    JSON.stringify(steps),
    JSON.stringify(inverse),
  ]);

/** A state that is kept beside the present one: a restore point, or the one that a trial ran well with. */
export interface KeptState {
  readonly kind: "point" | "run";
  readonly id: string;
  readonly state: unknown;
}

export const listStates = (db: Sql, gameId: string) =>
  db.query<KeptState>(
    `select 'point' as kind, r.id, r.state from restore_point r join profile p on p.id = r.profile_id
       where p.game_id = $1
     union all
     select 'run', id, ran_state from profile where game_id = $1 and ran_state is not null
     order by kind, id`,
    [gameId],
  );

/** Whether there are kept states from before there were files that are left out. */
export async function hasUnpinnedStates(db: Sql, gameId: string): Promise<boolean> {
  const rows = await db.query(
    `select 1 from restore_point r join profile p on p.id = r.profile_id
       where p.game_id = $1 and not r.state ? 'leftOut'
     union all
     select 1 from profile where game_id = $1 and ran_state is not null and not ran_state ? 'leftOut' limit 1`,
    [gameId],
  );
  return rows.length > 0;
}

export const saveKeptState = (db: Sql, { kind, id }: KeptState, state: ProfileState) =>
  db.query(
    kind === "point"
      ? "update restore_point set state = $2 where id = $1"
      : "update profile set ran_state = $2 where id = $1",
    [id, JSON.stringify(state)],
  );
