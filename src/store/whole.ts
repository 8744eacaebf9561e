import type { Sql, Tx } from "./sql";

/** Every table that holds something of the user's, by name. */
export async function listTables(db: Sql): Promise<string[]> {
  const rows = await db.query<{ name: string }>(
    `select table_name as name from information_schema.tables
     where table_schema = current_schema() and table_type = 'BASE TABLE' and table_name <> 'migration' order by table_name`,
  );
  return rows.map(({ name }) => name);
}

/** The newest migration that was applied: what the tables are shaped like. */
export async function schemaName(db: Sql): Promise<string> {
  const rows = await db.query<{ name: string }>("select name from migration order by name desc limit 1");
  return rows[0]!.name;
}

/** Characters of rows after which no more are read at once: one may be as large as a file of a game, and the next one tiny. */
const atOnce = 2 ** 20;

/** No JSON holds it as it is (RFC 8259), so that rows can be told apart by it; arrays of them would take long to take apart. */
const separator = "\u0001";

const nextRows = `create or replace function pg_temp.next_rows(cursor refcursor, signs integer) returns text
  language plpgsql as $$
    declare
      next text;
      rows text[] := '{}';
      size integer := 0;
    begin
      while size < signs loop
        fetch cursor into next;
        exit when not found;
        rows := rows || next;
        size := size + length(next);
      end loop;
      return array_to_string(rows, chr(1));
    end $$`;

/** The rows of a table, as JSON, some at a time; none where it is empty. `table` is one of `listTables`. */
export async function* readTable(tx: Tx, table: string): AsyncGenerator<string[]> {
  await tx.exec(nextRows);
  await tx.exec(`declare all_rows cursor for select row_to_json(t)::text as row from ${quoted(table)} t`);
  for (;;) {
    const [next] = await tx.query<{ rows: string }>("select pg_temp.next_rows('all_rows', $1) as rows", [
      atOnce,
    ]);
    if (next!.rows === "") break;
    yield next!.rows.split(separator);
  }
  await tx.exec("close all_rows");
}

/** Adds rows, each JSON as `readTable` gives it. */
export const addRows = (tx: Tx, table: string, rows: readonly string[]) =>
  tx.query(
    `insert into ${quoted(table)} select * from json_populate_recordset(null::${quoted(table)}, $1::json)`,
    [`[${rows.join(",")}]`],
  );

export const emptyTable = (tx: Tx, table: string) => tx.query(`delete from ${quoted(table)}`);

/** Rows refer to one another across tables: within `work` it is not looked at whether all do. */
export async function withoutReferences(tx: Tx, work: () => Promise<void>): Promise<void> {
  await tx.exec("set local session_replication_role = replica");
  await work();
  await tx.exec("set local session_replication_role = origin");
}

const aside = "arriving";

/** Until the transaction ends, or `bringIn` is called, every table that is named is one of a place aside, where there is none yet. */
export const goAside = (tx: Tx) => tx.exec(`create schema ${aside}; set local search_path = ${aside}`);

/** Puts all that stands aside in the place of what is there. */
export async function bringIn(tx: Tx): Promise<void> {
  await tx.exec("set local search_path = public");
  await withoutReferences(tx, async () => {
    for (const table of await listTables(tx)) {
      await emptyTable(tx, table);
      await tx.query(`insert into ${quoted(table)} select * from ${aside}.${quoted(table)}`);
    }
  });
  await tx.exec(`drop schema ${aside} cascade`);
}

/** Rows that refer to others which are not there, as the first of them is described; null where there are none. */
export async function findDangling(tx: Tx): Promise<string | null> {
  const keys = await tx.query<{ name: string; child: string; parent: string; on: string }>(
    `select c.conname as name, c.conrelid::regclass::text as child, c.confrelid::regclass::text as parent,
       (select string_agg(format('c.%I = p.%I', a.attname, b.attname), ' and ')
        from unnest(c.conkey, c.confkey) as k (child, parent)
        join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.child
        join pg_attribute b on b.attrelid = c.confrelid and b.attnum = k.parent) as on
     from pg_constraint c where c.contype = 'f' and c.connamespace = current_schema()::regnamespace
     order by c.conname`,
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
