import type { ProfileId } from "@/core/model/ids";
import { decisions, type KeyedName, type ProfileState } from "@/core/model/profile";
import { facets, keyedNames } from "@/core/state/facets";
import type { KeyedFacet } from "@/core/state/keyed-facet";
import type { Sql, Tx } from "./sql";

type Decided = Omit<ProfileState, "mods" | "plugins">;

// Of one name facet and value fit, which a loop over names loses.
const facetOf = (name: KeyedName) => facets[name] as unknown as KeyedFacet<unknown, unknown>;

/** Everything that a profile decides beside its orders, and what all profiles of its game share. */
export async function readDecisions(db: Sql, gameId: string, profileId: ProfileId): Promise<Decided> {
  const rows = await db.query<{ facet: KeyedName; item: unknown }>(
    `select facet, item, 0 as shared, position from profile_decision where profile_id = $1
     union all
     select facet, item, 1, position from game_decision where game_id = $2
     order by facet, shared, position`,
    [profileId, gameId],
  );
  const items = new Map<string, unknown[]>(keyedNames.map((name) => [name, []]));
  for (const { facet, item } of rows) items.get(facet)?.push(decisions[facet].parse(item));
  return Object.fromEntries(
    keyedNames.map((name) => [name, facetOf(name).from(items.get(name)!)]),
  ) as unknown as Decided;
}

/** Stores the facets that are another object than before. A profile that is new brings nothing for the others of its game. */
export async function saveDecisions(
  tx: Tx,
  profileId: ProfileId,
  state: ProfileState,
  before: ProfileState | null,
): Promise<void> {
  const known = before ? new Set<string>() : await sharedKeys(tx, profileId);
  for (const name of keyedNames) {
    if (state[name] === before?.[name]) continue;
    const facet = facetOf(name);
    const all = facet.items(state[name]);
    const own = all.filter((item) => facet.isOwn(item) && !known.has(`${name} ${facet.keyOf(item)}`));
    await saveItems(tx, "profile", profileId, facet, name, own);
    const shared = all.filter((item) => !facet.isOwn(item));
    const wereShared = before ? facet.items(before[name]).some((item) => !facet.isOwn(item)) : false;
    if (before && (shared.length > 0 || wereShared))
      await saveItems(tx, "game", await gameOf(tx, profileId), facet, name, shared);
  }
}

/** What all profiles of its game share is not a new profile's own as well. */
async function sharedKeys(db: Sql, profileId: ProfileId): Promise<Set<string>> {
  const rows = await db.query<{ facet: string; key: string }>(
    `select d.facet, d.key from game_decision d join profile p on p.game_id = d.game_id
     where p.id = $1 order by d.facet, d.key`,
    [profileId],
  );
  return new Set(rows.map(({ facet, key }) => `${facet} ${key}`));
}

async function gameOf(db: Sql, profileId: ProfileId): Promise<string> {
  const [row] = await db.query<{ game: string }>(
    `select game_id as "game" from profile where id = $1 order by id`,
    [profileId],
  );
  return row!.game;
}

async function saveItems(
  db: Sql,
  owner: "profile" | "game",
  id: string,
  facet: KeyedFacet<unknown, unknown>,
  name: KeyedName,
  items: readonly unknown[],
): Promise<void> {
  await db.query(`delete from ${owner}_decision where ${owner}_id = $1 and facet = $2`, [id, name]);
  await db.query(
    `insert into ${owner}_decision (${owner}_id, facet, key, position, item)
     select $1, $2, d.key, d.position, d.item
     from rows from (jsonb_to_recordset($3::jsonb) as (key text, item jsonb))
       with ordinality as d (key, item, position)`,
    [id, name, JSON.stringify(items.map((item) => ({ key: facet.keyOf(item), item })))],
  );
}
