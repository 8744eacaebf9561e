import type { ProfileId } from "@/core/model/ids";
import { movedBetween } from "@/core/graph/moved";
import type { Entry, ListName } from "@/core/model/profile";
import type { Sql, Tx } from "./sql";

/** Room between two neighbours, so that many can be put between them before all are numbered anew. */
const step = 1024;

interface Placed {
  readonly entry: Entry;
  readonly position: number;
}

/**
 * Stores an order of which `before` is what is stored already. Only what is new, moved or changed is written: of the
 * entries that both have, the most that stand in the same order keep their positions.
 */
export async function saveEntries(
  tx: Tx,
  profileId: ProfileId,
  list: ListName,
  entries: readonly Entry[],
  before: readonly Entry[],
): Promise<void> {
  const present = new Set(entries.map((entry) => entry.id));
  await dropEntries(
    tx,
    profileId,
    list,
    before.filter((entry) => !present.has(entry.id)),
  );
  const known = new Map(before.map((entry) => [entry.id, entry]));
  const ids = (rows: readonly Entry[]) => rows.map(({ id }) => id);
  const moved = new Set(movedBetween(ids(before), ids(entries)));
  const stay = new Set(ids(entries).filter((id) => known.has(id) && !moved.has(id)));
  const placed = await placeBetween(tx, profileId, list, entries, stay);
  if (!placed) return putEntries(tx, profileId, list, numbered(entries));
  await putEntries(tx, profileId, list, placed);
  const changed = entries.filter((entry) => stay.has(entry.id) && known.get(entry.id) !== entry);
  await changeEntries(tx, profileId, list, changed);
}

const numbered = (entries: readonly Entry[]): Placed[] =>
  entries.map((entry, at) => ({ entry, position: (at + 1) * step }));

/** Positions for those that do not stay; null where there is no room between two that do. */
async function placeBetween(
  db: Sql,
  profileId: ProfileId,
  list: ListName,
  entries: readonly Entry[],
  stay: ReadonlySet<string>,
): Promise<Placed[] | null> {
  const runs = findRuns(entries, stay);
  const beside = runs.flatMap(({ above, below }) => [above, below]).filter((id) => id !== null);
  const rows = await db.query<{ id: string; position: number }>(
    `select id, position from profile_entry
     where profile_id = $1 and list = $2 and id = any($3::text[]) order by position`,
    [profileId, list, beside],
  );
  const positionOf = new Map(rows.map(({ id, position }) => [id, position]));
  const placed: Placed[] = [];
  for (const { above, below, members } of runs) {
    const low = above === null ? null : positionOf.get(above)!;
    const high = below === null ? null : positionOf.get(below)!;
    const start = low ?? (high ?? 0) - step * (members.length + 1);
    const end = high ?? start + step * (members.length + 1);
    let last = start;
    for (const [at, entry] of members.entries()) {
      const position = start + ((end - start) * (at + 1)) / (members.length + 1);
      if (position <= last || position >= end) return null;
      placed.push({ entry, position });
      last = position;
    }
  }
  return placed;
}

/** Entries that do not stay, by those between which they come to stand. */
function findRuns(entries: readonly Entry[], stay: ReadonlySet<string>) {
  const runs: { above: string | null; below: string | null; members: Entry[] }[] = [];
  let above: string | null = null;
  let members: Entry[] = [];
  for (const entry of entries) {
    if (!stay.has(entry.id)) {
      members.push(entry);
      continue;
    }
    if (members.length > 0) runs.push({ above, below: entry.id, members });
    members = [];
    above = entry.id;
  }
  if (members.length > 0) runs.push({ above, below: null, members });
  return runs;
}

async function dropEntries(
  db: Sql,
  profileId: ProfileId,
  list: ListName,
  gone: readonly Entry[],
): Promise<void> {
  if (gone.length === 0) return;
  await db.query("delete from profile_entry where profile_id = $1 and list = $2 and id = any($3::text[])", [
    profileId,
    list,
    gone.map((entry) => entry.id),
  ]);
}

const columns = (entries: readonly Entry[]) => [
  entries.map((entry) => entry.id),
  entries.map((entry) => entry.on),
  entries.map((entry) => entry.section),
  entries.map((entry) => entry.home ?? null),
  entries.map((entry) => entry.content ?? null),
  entries.map((entry) => entry.fresh ?? false),
  entries.map((entry) => entry.placed ?? false),
];

async function putEntries(
  db: Sql,
  profileId: ProfileId,
  list: ListName,
  placed: readonly Placed[],
): Promise<void> {
  if (placed.length === 0) return;
  await db.query(
    `insert into profile_entry (profile_id, list, id, is_on, section, home, content, fresh, placed, position)
     select $1, $2, * from
       unnest($3::text[], $4::boolean[], $5::text[], $6::text[], $7::text[], $8::boolean[], $9::boolean[],
         $10::double precision[])
     on conflict (profile_id, list, id) do update set is_on = excluded.is_on, section = excluded.section,
       home = excluded.home, content = excluded.content, fresh = excluded.fresh, placed = excluded.placed,
       position = excluded.position`,
    [profileId, list, ...columns(placed.map(({ entry }) => entry)), placed.map(({ position }) => position)],
  );
}

async function changeEntries(
  db: Sql,
  profileId: ProfileId,
  list: ListName,
  entries: readonly Entry[],
): Promise<void> {
  if (entries.length === 0) return;
  await db.query(
    `update profile_entry e set is_on = g.is_on, section = g.section, home = g.home, content = g.content,
       fresh = g.fresh, placed = g.placed
     from unnest($3::text[], $4::boolean[], $5::text[], $6::text[], $7::text[], $8::boolean[], $9::boolean[])
       as g (id, is_on, section, home, content, fresh, placed)
     where e.profile_id = $1 and e.list = $2 and e.id = g.id`,
    [profileId, list, ...columns(entries)],
  );
}
