/** The shelf with 5,000 mods of 500,000 files, on the real application; see docs/BENCHMARKS.md. */
import { rm } from "node:fs/promises";
import { cpus } from "node:os";
import { join } from "node:path";
import { launchBrowser, makeDemo, median, startBare, startWithDemo, writeTable } from "./lib/application";
import { keystrokes, switches, viewport } from "./lib/in-page";
import { firstReading, folderMiB, lookWithTools, memoryMiB, readAgain, readWithTools } from "./lib/readings";

const cache = join(process.cwd(), ".cache");
const large = join(cache, "bench-shelf");
const medium = join(cache, "bench-shelf-1000");
const mods = 5000;
const filesMore = 96;

makeDemo(large, mods, filesMore);
makeDemo(medium, 1000);
for (const home of [large, medium])
  for (const name of ["database", "server.lock"])
    await rm(join(home, name), { recursive: true, force: true });

let server = await startBare(large);
const first = await firstReading(server.url);
const second = await readAgain(server.url);
await server.stop();
const tools = { read: readWithTools(large), look: lookWithTools(large) };

server = await startBare(large);
const browser = await launchBrowser();
try {
  const page = await browser.newPage({ viewport });
  const typed = await keystrokes(page, server.url, "glass tides of old");
  const memory = memoryMiB(server.pid(), "VmRSS");
  await server.stop();
  const database = folderMiB(join(large, "database"));
  server = await startWithDemo(medium);
  const switched = await switches(page, server.url, ["All at Once", "Long Descent"]);
  const files = mods * (filesMore + 4);
  writeTable("measured", [
    ["mods, and files in them (about)", `${mods}, ${files}`],
    ["first reading, with every file hashed and stored, s", first.toFixed(0)],
    ["files a second", (files / first).toFixed(0)],
    ["`unzip -tq` over the archives, `sha256sum` over the folders’ files, s", tools.read.toFixed(1)],
    ["first reading, as a multiple of that", (first / tools.read).toFixed(1)],
    ["second reading, nothing changed, s", second.toFixed(1)],
    ["`find -printf` over all of it, s", tools.look.toFixed(2)],
    ["second reading, as a multiple of that", (second / tools.look).toFixed(1)],
    ["a letter typed to painted rows, ms, median", median(typed).toFixed(0)],
    ["the slowest letter, ms", Math.max(...typed).toFixed(0)],
    ["switch between profiles of 1,000 and 200 mods, ms, median", median(switched).toFixed(0)],
    ["memory of the server after a restart, MiB", memory.toFixed(0)],
    ["its database, MiB", String(database)],
  ]);
  process.stdout.write(
    `${cpus().length} processors, Node.js ${process.versions.node}, Chromium ${browser.version()}.\n`,
  );
} finally {
  await browser.close();
  await server.stop();
}
