import type { Sql, Tx } from "./sql";

/** Every table that holds something of the user's, by name. */
export async function listTables(db: Sql): Promise<string[]> {
  const rows = await db.query<{ name: string }>(
    `select table_name as name from information_schema.tables
     where table_schema = 'public' and table_type = 'BASE TABLE' and table_name <> 'migration' order by table_name`,
  );
  return rows.map(({ name }) => name);
}

/** The newest migration that was applied: what the tables are shaped like. */
export async function schemaName(db: Sql): Promise<string> {
  const rows = await db.query<{ name: string }>("select name from migration order by name desc limit 1");
  return rows[0]!.name;
}

/** A table whole, as one JSON array; null where it is empty. `table` is one of `listTables`. */
export async function readTable(db: Sql, table: string): Promise<string | null> {
  const rows = await db.query<{ rows: string | null }>(
    `select json_agg(t)::text as rows from ${quoted(table)} t`,
  );
  return rows[0]?.rows ?? null;
}

/** Puts the rows in place of everything that the tables hold; to be called within a transaction. */
export async function replaceTables(tx: Tx, tables: ReadonlyMap<string, string>): Promise<void> {
  // Rows refer to one another across tables: whether all do is looked at in the end, not row by row.
  await tx.exec("set local session_replication_role = replica");
  for (const table of await listTables(tx)) {
    await tx.query(`delete from ${quoted(table)}`);
    const rows = tables.get(table);
    if (rows !== undefined)
      await tx.query(
        `insert into ${quoted(table)} select * from json_populate_recordset(null::${quoted(table)}, $1::json)`,
        [rows],
      );
  }
  await tx.exec("set local session_replication_role = origin");
}

/** Rows that refer to others which are not there, as the first of them is described; null where there are none. */
export async function findDangling(tx: Tx): Promise<string | null> {
  const keys = await tx.query<{ name: string; child: string; parent: string; on: string }>(
    `select c.conname as name, c.conrelid::regclass::text as child, c.confrelid::regclass::text as parent,
       (select string_agg(format('c.%I = p.%I', a.attname, b.attname), ' and ')
        from unnest(c.conkey, c.confkey) as k (child, parent)
        join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.child
        join pg_attribute b on b.attrelid = c.confrelid and b.attnum = k.parent) as on
     from pg_constraint c where c.contype = 'f' order by c.conname`,
  );
  for (const { name, child, parent, on } of keys) {
    const nulls = on.match(/c\.("[^"]+"|\w+)/g)!.map((column) => `${column} is not null`);
    const found = await tx.query(
      `select 1 from ${child} c where ${nulls.join(" and ")}
         and not exists (select 1 from ${parent} p where ${on}) limit 1`,
    );
    if (found.length > 0) return name;
  }
  return null;
}

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;
