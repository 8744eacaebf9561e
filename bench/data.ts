/** Everything that Seating keeps, out and in again, for a database of 500 MB; see docs/BENCHMARKS.md. */
import { randomBytes } from "node:crypto";
import { createReadStream, createWriteStream } from "node:fs";
import { mkdtemp, readFile, rm, stat, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { tokenHeader } from "@/core/model/window-headers";
import type { Outcome } from "@/core/model/outcome";
import type { DataArrived } from "@/server/data-files";
import { openConnection } from "@/store/pglite";
import { makeDemo, sizeOfFolder, startBare, startWithDemo, writeTable } from "./lib/application";

const megabytes = Number(process.argv[2] ?? 500);
const home = await mkdtemp(join(tmpdir(), "seating-bench-data-"));
const mb = (bytes: number): string => `${Math.round(bytes / 2 ** 20)} MB`;

/** Half of it in copies of files of a megabyte, half in the names of the files of many mods. */
async function fill(): Promise<void> {
  const db = await openConnection(join(home, "database"));
  const [{ id }] = (await db.query<{ id: string }>("select id from game limit 1", [])) as [{ id: string }];
  for (let n = 0; n < megabytes / 2; n++) {
    const contents = randomBytes(2 ** 20);
    await db.query(
      "insert into file_copy (id, game_id, path, sha256, contents) values ($1, $2, $3, $4, $5)",
      [`bench-${n}`, id, join(home, "saves", String(n)), contents.toString("hex", 0, 32), contents],
    );
  }
  const [{ columns }] = (await db.query<{ columns: string }>(
    "select string_agg(column_name, ', ') as columns from information_schema.columns where table_name = 'shelf_mod' and column_name not in ('path', 'content')",
    [],
  )) as [{ columns: string }];
  for (let n = 0; n < megabytes / 2; n++) {
    await db.query(
      `insert into shelf_mod (path, content, ${columns})
       select $1, $2, ${columns} from shelf_mod where game_id = $3 limit 1`,
      [`Many ${n}.zip`, `many-${n}`, id],
    );
    const paths = Array.from({ length: 10_000 }, () => `textures/${randomBytes(20).toString("hex")}.tex`);
    await db.query(
      "insert into contents (game_id, content, paths, hashes, records) values ($1, $2, $3, $4, '[]')",
      [id, `many-${n}`, paths.join("\n"), randomBytes(16 * paths.length)],
    );
  }
  await db.close();
}

/** Bytes that a process has in memory: now, and at most since `forgetPeak`. */
async function memoryOf(pid: number, what: "VmRSS" | "VmHWM"): Promise<number> {
  const status = await readFile(`/proc/${pid}/status`, "utf8");
  return Number(new RegExp(`^${what}:\\s+(\\d+) kB$`, "m").exec(status)![1]) * 1024;
}
const forgetPeak = (pid: number) => writeFile(`/proc/${pid}/clear_refs`, "5");

/** Beyond what the process had in memory `before` all of it, in bytes. */
async function grownBy(pid: number, before: number, work: () => Promise<void>): Promise<[string, string]> {
  await forgetPeak(pid);
  const began = performance.now();
  await work();
  const seconds = Math.round((performance.now() - began) / 1000);
  process.stderr.write(`${seconds} s\n`);
  return [mb((await memoryOf(pid, "VmHWM")) - before), `${seconds} s`];
}

try {
  makeDemo(home, 60);
  await (await startWithDemo(home)).stop();
  await fill();
  const database = mb(await sizeOfFolder(join(home, "database", "base")));
  const { url, pid, stop } = await startBare(home);
  const headers = { [tokenHeader]: (await readFile(join(home, "token"), "utf8")).trim() };
  for (const path of ["workspace", "stock"])
    await (await fetch(`${url}/api/${path}`, { headers })).arrayBuffer();
  const before = await memoryOf(pid(), "VmRSS");
  const archive = join(home, "everything.zip");
  const out = await grownBy(pid(), before, async () => {
    const response = await fetch(`${url}/api/data`, { headers });
    if (!response.ok) throw new Error(`the archive was answered by ${response.status}`);
    await pipeline(Readable.fromWeb(response.body as never), createWriteStream(archive));
  });
  let source: unknown;
  const received = await grownBy(pid(), before, async () => {
    const response = await fetch(`${url}/api/data`, {
      method: "POST",
      body: Readable.toWeb(createReadStream(archive)) as never,
      duplex: "half",
      headers: { ...headers, "x-file-name": "everything.zip" },
    } as RequestInit);
    const arrived = (await response.json()) as Outcome<DataArrived>;
    if (!arrived.ok) throw new Error(arrived.refusal.code);
    source = arrived.value.source;
  });
  const replaced = await grownBy(pid(), before, async () => {
    const body = JSON.stringify([source]);
    const act = { method: "POST", body, headers: { ...headers, "content-type": "application/json" } };
    const answer = (await (await fetch(`${url}/api/act/replaceData`, act)).json()) as Outcome<unknown>;
    if (!answer.ok) throw new Error(answer.refusal.code);
  });
  await stop();
  writeTable(`the database takes ${database}, the archive ${mb((await stat(archive)).size)}`, [
    ["out, to an archive", out.join(", in ")],
    ["in, looked at", received.join(", in ")],
    ["in, in the place of what was there, which is kept as an archive", replaced.join(", in ")],
  ]);
} finally {
  await rm(home, { recursive: true, force: true });
}
