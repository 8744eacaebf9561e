import { join } from "node:path";
import type { Db } from "./sql";
import { openInWorker } from "./worker-database";

let db: Db;
beforeAll(async () => {
  db = await openInWorker(join(process.cwd(), "dist", "database-worker.mjs"), "memory://");
}, 60_000);
afterAll(() => db.close());

test("a database in a worker thread answers like one in this process", async () => {
  await db.exec("create table thing (id integer primary key, name text, tags text[], big bigint)");
  await db.query("insert into thing values ($1, $2, $3, $4)", [1, "line\nbreak — “ok”", ["a", "b"], 2 ** 40]);
  expect(await db.query("select id, name, tags, big from thing order by id")).toEqual([
    { id: 1, name: "line\nbreak — “ok”", tags: ["a", "b"], big: 2 ** 40 },
  ]);
});

test("errors come over with their message and code, and the thread goes on", async () => {
  await expect(db.query("select nothing from nowhere")).rejects.toMatchObject({ code: "42P01" });
  await expect(db.query("insert into thing (id) values (1)")).rejects.toMatchObject({ code: "23505" });
  expect(await db.query("select 1 as one")).toEqual([{ one: 1 }]);
});

test("a transaction that fails leaves nothing, and others wait for it", async () => {
  const failed = db.transaction(async (tx) => {
    await tx.query("insert into thing (id) values (2)");
    throw new Error("changed my mind");
  });
  const count = db.query<{ count: number }>("select count(*)::integer as count from thing");
  await expect(failed).rejects.toThrow("changed my mind");
  expect(await count).toEqual([{ count: 1 }]);
});

test("what is notified is heard once the transaction is over, before whoever waits for it goes on", async () => {
  const heard: string[] = [];
  await db.listen("news", (payload) => heard.push(payload));
  await db.transaction(async (tx) => {
    await tx.query("select pg_notify('news', 'one'), pg_notify('other', 'none')");
    await tx.query("select 1");
    expect(heard).toEqual([]);
  });
  expect(heard).toEqual(["one"]);
  const failed = db.transaction(async (tx) => {
    await tx.query("select pg_notify('news', 'two')");
    throw new Error("changed my mind");
  });
  await expect(failed).rejects.toThrow();
  await db.query("select pg_notify('news', 'three')");
  expect(heard).toEqual(["one", "three"]);
});

test("a thread that has ended is told, to whoever asks later too", async () => {
  const other = await openInWorker(join(process.cwd(), "dist", "database-worker.mjs"), "memory://");
  await other.close();
  await expect(other.query("select 1")).rejects.toThrow("the database's thread has ended");
});

test("this thread is free while a query runs there", async () => {
  const slow = db.query("select count(*) from generate_series(1, 3000000)");
  let ticks = 0;
  const timer = setInterval(() => ticks++, 5);
  await slow;
  clearInterval(timer);
  expect(ticks).toBeGreaterThan(2);
});
