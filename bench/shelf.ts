/** The shelf with 5,000 mods of 500,000 files, on the real application; see docs/BENCHMARKS.md. */
import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { rm } from "node:fs/promises";
import { cpus } from "node:os";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { launchBrowser, makeDemo, median, startBare, startWithDemo, writeTable } from "./lib/application";

const cache = join(process.cwd(), ".cache");
const large = join(cache, "bench-shelf");
const medium = join(cache, "bench-shelf-1000");
const mods = 5000;
const filesMore = 96;

const seconds = async (work: () => Promise<unknown>): Promise<number> => {
  const began = performance.now();
  await work();
  return (performance.now() - began) / 1000;
};

/** Seconds that a shell takes for a line, in the shelf's folder. */
function shell(line: string): number {
  const began = performance.now();
  spawnSync("sh", ["-c", line], { cwd: join(large, "demo/brinehollow/shelf"), stdio: "ignore" });
  return (performance.now() - began) / 1000;
}

/** What the system's own tools take to read the same bytes: each archive tested, each file of the folders hashed. */
const readWithTools = (): number =>
  shell(
    'for each in *.zip; do unzip -tq "$each"; done; find . -mindepth 2 -type f -print0 | xargs -0 sha256sum',
  );

/** And to look at the size and time of each file. */
const lookWithTools = (): number => shell("find . -printf '%p %s %T@\\n'");

/** Seconds of the demo's first reading, by the lines that the server says; the profiles come after it. */
async function firstReading(url: string): Promise<number> {
  const response = await fetch(`${url}/api/demo`, { method: "POST" });
  const decoder = new TextDecoder();
  let said = "";
  let began = 0;
  let ended = 0;
  for await (const part of response.body!) {
    said += decoder.decode(part, { stream: true });
    if (began === 0 && said.includes("Registering brinehollow")) began = performance.now();
    if (ended === 0 && said.includes("Making the profile")) ended = performance.now();
  }
  if (!response.ok || ended === 0) throw new Error(said);
  return (ended - began) / 1000;
}

const readAgain = (url: string): Promise<number> =>
  seconds(async () => (await fetch(`${url}/api/shelf`, { method: "POST" })).text());

/** From a key in the search field to painted rows, one letter after another. */
async function keystrokes(page: Page, url: string, words: string): Promise<number[]> {
  await page.goto(`${url}/shelf`);
  await page.getByText(/^\d+ of \d+ shown$/).waitFor();
  await page.waitForTimeout(3000);
  const times: number[] = [];
  for (let length = 1; length <= words.length; length++) {
    times.push(
      await page.evaluate(
        async (text) => {
          const field = document.querySelector<HTMLInputElement>("[aria-label='Filter the shelf']")!;
          const status = document.querySelector("header [role=status]")!;
          const before = status.textContent;
          // As React hears it: by the element's own setter, and an event.
          Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!.set!.call(field, text);
          const began = performance.now();
          field.dispatchEvent(new Event("input", { bubbles: true }));
          while (status.textContent === before && performance.now() - began < 1500)
            await new Promise((done) => requestAnimationFrame(done));
          // A letter that narrows nothing further is not seen to be painted.
          return status.textContent === before ? Number.NaN : performance.now() - began;
        },
        words.slice(0, length),
      ),
    );
    await page.waitForTimeout(300);
  }
  return times.filter((time) => !Number.isNaN(time));
}

/** From the choice in the profile menu until the other profile is shown. */
async function switches(page: Page, url: string, names: readonly string[]): Promise<number[]> {
  await page.goto(`${url}/overview`);
  await page.getByRole("button", { name: /^Profile: / }).waitFor();
  await page.waitForTimeout(2000);
  const times: number[] = [];
  for (let run = 0; run < 10; run++) {
    const name = names[run % names.length]!;
    await page.getByRole("button", { name: /^Profile: / }).click();
    await page.getByRole("menuitem", { name }).waitFor();
    times.push(
      await page.evaluate(async (name) => {
        const item = [...document.querySelectorAll<HTMLElement>("[role=menuitem]")].find((each) =>
          each.textContent.startsWith(name),
        )!;
        const began = performance.now();
        item.click();
        const isShown = () => document.querySelector("h1")?.textContent === name;
        while (!isShown() && performance.now() - began < 10_000)
          await new Promise((done) => requestAnimationFrame(done));
        return performance.now() - began;
      }, name),
    );
    await page.waitForTimeout(800);
  }
  // Each has been read once by then.
  return times.slice(names.length);
}

function residentMiB(pid: number): number {
  const status = readFileSync(`/proc/${pid}/status`, "utf8");
  return Number(/VmRSS:\s+(\d+)/.exec(status)![1]) / 1024;
}

const sizeMiB = (path: string): number =>
  Number(spawnSync("du", ["-sm", path], { encoding: "utf8" }).stdout.split("\t")[0]);

makeDemo(large, mods, filesMore);
makeDemo(medium, 1000);
for (const home of [large, medium])
  for (const name of ["database", "server.lock"])
    await rm(join(home, name), { recursive: true, force: true });

let server = await startBare(large);
const first = await firstReading(server.url);
const second = await readAgain(server.url);
await server.stop();
const tools = { read: readWithTools(), look: lookWithTools() };

server = await startBare(large);
const browser = await launchBrowser();
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const typed = await keystrokes(page, server.url, "glass tides of old");
  const memory = residentMiB(server.pid());
  await server.stop();
  const database = sizeMiB(join(large, "database"));
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
