import { openUpToDate } from "./testing/up-to-date";
import type { Db } from "./sql";
import { addRows, emptyTable, readTable } from "./whole";

let db: Db;
beforeAll(async () => {
  db = await openUpToDate();
  await db.exec("create table things (name text, note text, data json, bytes bytea)");
}, 60_000);
afterAll(() => db.close());

const batchesOf = () =>
  db.transaction(async (tx) => {
    const batches: string[][] = [];
    for await (const rows of readTable(tx, "things")) batches.push(rows);
    return batches;
  });

test("rows are read a megabyte at a time, however large those are that come behind small ones", async () => {
  await db.query("insert into things (name) select 'small ' || n from generate_series(1, 3000) n");
  await db.query(
    "insert into things (name, note) select 'large', repeat('x', 1500000) from generate_series(1, 4)",
  );
  await db.query("insert into things (name) select 'last ' || n from generate_series(1, 5) n");
  const batches = await batchesOf();
  const names = batches.flat().map((row) => (JSON.parse(row) as { name: string }).name);
  expect(names).toHaveLength(3009);
  expect([names[0], names[2999], names[3000], names.at(-1)]).toEqual([
    "small 1",
    "small 3000",
    "large",
    "last 5",
  ]);
  // Small rows come together, and no batch goes on once it has a megabyte.
  expect(batches.length).toBeLessThan(10);
  for (const rows of batches)
    expect(rows.slice(0, -1).reduce((sum, row) => sum + row.length, 0)).toBeLessThan(2 ** 20);
});

test("whatever stands in a row comes out of it and in again as it was; of an empty table nothing does", async () => {
  await db.transaction((tx) => emptyTable(tx, "things"));
  expect(await batchesOf()).toEqual([]);
  const odd = 'two\nlines, a \u0001 sign, "quotes", {braces}, a \\ and a 🦀';
  await db.query("insert into things values ($1, null, $2, $3), ('', '', null, null)", [
    odd,
    JSON.stringify({ odd }, null, 2),
    new Uint8Array([0, 1, 255]),
  ]);
  const all = () => db.query("select name, note, data::text, encode(bytes, 'hex') as bytes from things");
  const before = await all();
  const rows = (await batchesOf()).flat();
  expect(rows).toHaveLength(2);
  await db.transaction(async (tx) => {
    await emptyTable(tx, "things");
    await addRows(tx, "things", rows);
  });
  expect(await all()).toEqual(before);
});
