/** How the whole feels as a collection grows: 1,000, 2,500 and 5,000 mods with a hundred files each; see docs/BENCHMARKS.md. */
import { rm } from "node:fs/promises";
import { readFileSync } from "node:fs";
import { cpus } from "node:os";
import { join } from "node:path";
import type { BrowserContext, Page } from "@playwright/test";
import { tokenHeader } from "@/core/model/window-headers";
import type { Outcome } from "@/core/model/outcome";
import type { Profile } from "@/core/model/profile";
import type { WorkspaceView } from "@/server/views/workspace";
import { launchBrowser, makeDemo, median, startBare } from "./lib/application";
import { keystrokes, opening, painted, switches, viewport, type Painted } from "./lib/in-page";
import { firstReading, folderMiB, lookWithTools, memoryMiB, readAgain, readWithTools } from "./lib/readings";

const sizes = process.argv.length > 2 ? process.argv.slice(2).map(Number) : [1000, 2500, 5000];
const filesMore = 96;
const copies = 8;
const [large, small] = ["All at Once", "Long Descent"];
const runs = 7;

/** What was measured of one size, by what it is called. */
type Figures = Map<string, string>;

const ms = (value: number): string => value.toFixed(0);
const mib = (value: number): string => value.toFixed(0);

async function measure(mods: number): Promise<Figures> {
  const home = join(process.cwd(), ".cache", `bench-size-${mods}`);
  makeDemo(home, mods, filesMore);
  for (const name of ["database", "server.lock"])
    await rm(join(home, name), { recursive: true, force: true });
  const figures: Figures = new Map();
  await measureReadings(home, figures);
  const server = await startBare(home);
  const browser = await launchBrowser();
  try {
    const token = readFileSync(join(home, "token"), "utf8").trim();
    await makeBigProfiles(server.url, token);
    const context = await browser.newContext({ viewport });
    await measureOpening(context, server.url, figures);
    const page = await context.newPage();
    await measurePlan(page, server.url, figures);
    await measureSearching(page, server.url, figures);
    await measureComparing(page, server.url, figures);
    await measureLists(page, server.url, token, figures);
    figures.set(
      `switch between the profiles of all and 200 mods, ms`,
      ms(median(await switches(page, server.url, [large, small]))),
    );
    figures.set("the browser’s heap, MiB", mib(await heapMiB(page)));
    figures.set("memory of the server after all of this, MiB", mib(memoryMiB(server.pid(), "VmRSS")));
  } finally {
    await browser.close();
    await server.stop();
  }
  return figures;
}

/** The server alone: what is read of the shelf, and what it keeps of that. */
async function measureReadings(home: string, figures: Figures): Promise<void> {
  // What is read first comes from the disk for whoever reads it: both are to find it in memory.
  readWithTools(home);
  let server = await startBare(home);
  const first = await firstReading(server.url);
  const peak = memoryMiB(server.pid(), "VmHWM");
  const second = await readAgain(server.url);
  await server.stop();
  const tools = { read: readWithTools(home), look: lookWithTools(home) };
  server = await startBare(home);
  const { url, pid } = server;
  await workspaceOf(url, readFileSync(join(home, "token"), "utf8").trim());
  const memory = memoryMiB(pid(), "VmRSS");
  await server.stop();
  figures.set("first reading, s", first.toFixed(1));
  figures.set("as a multiple of the system’s own tools", (first / tools.read).toFixed(1));
  figures.set("another reading, nothing changed, s", second.toFixed(1));
  figures.set("as a multiple of `find -printf`", (second / tools.look).toFixed(1));
  figures.set("memory of the server while reading, MiB", mib(peak));
  figures.set("memory of the server after a restart and a first window, MiB", mib(memory));
  figures.set("its database, MiB", String(folderMiB(join(home, "database"))));
}

async function workspaceOf(url: string, token: string): Promise<WorkspaceView> {
  const headers = { [tokenHeader]: token };
  await (await fetch(`${url}/api/stock`, { headers })).arrayBuffer();
  return (await (await fetch(`${url}/api/workspace`, { headers })).json()) as WorkspaceView;
}

async function makeBigProfiles(url: string, token: string): Promise<void> {
  const { profiles } = await workspaceOf(url, token);
  const source = profiles.find(({ name }) => name === large)!.id;
  for (let copy = 1; copy <= copies; copy++) {
    const wanted = { facts: { name: `Copy ${copy}`, purpose: "play" }, from: { profile: source } };
    const answer = await fetch(`${url}/api/act/createProfile`, {
      method: "POST",
      headers: { [tokenHeader]: token, "content-type": "application/json" },
      body: JSON.stringify([wanted]),
    });
    const made = (await answer.json()) as Outcome<Profile>;
    if (!made.ok) throw new Error(made.refusal.code);
  }
}

async function measureOpening(browser: BrowserContext, url: string, figures: Figures): Promise<void> {
  const views = [
    ["first row of the plan, ms", "/plan", "[data-item]"],
    ["overview, ms", "/overview", "main h1"],
    ["first row of the shelf, ms", "/shelf", "[role=grid] [role=row] [role=gridcell]"],
    ["profiles, ms", "/profiles", "main h1"],
  ] as const;
  for (const [what, path, selector] of views) {
    const times: number[] = [];
    for (let run = 0; run < 4; run++) times.push(await opening(browser, `${url}${path}`, selector));
    // The first of each warms server and browser.
    figures.set(what, ms(median(times.slice(1))));
  }
  const page = await fetch(`${url}/plan`);
  figures.set("HTML of the plan, kB", ((await page.arrayBuffer()).byteLength / 1000).toFixed(0));
}

const selected = "[aria-selected=true]";

async function measurePlan(page: Page, url: string, figures: Figures): Promise<void> {
  await page.goto(`${url}/plan`);
  await page.locator("[data-item]").first().waitFor();
  await page.waitForTimeout(3000);
  figures.set("rows of the plan", (await page.getByRole("grid").getAttribute("aria-rowcount")) ?? "");
  const seat = { of: `${selected} [role=gridcell]` };
  const key = (name: string, more: object) =>
    ({ does: "key", on: "[role=grid]", key: name, ...more }) as const;
  const acts = {
    move: () => painted(page, key("ArrowUp", { alt: true }), seat, 2000),
    undo: () => painted(page, key("z", { ctrl: true }), seat),
    redo: () => painted(page, key("z", { ctrl: true, shift: true }), seat),
    switch: () =>
      painted(
        page,
        { does: "click", on: `${selected} [role=switch]` },
        { of: `${selected} [role=switch]`, attribute: "aria-checked" },
      ),
  };
  // A light plugin, which few things bar.
  const light = page.locator('[data-item$=".skiff"]');
  for (let at = 2; ; at++) {
    await light.nth(at).click();
    const { ms } = await acts.move();
    if (Number.isNaN(ms)) continue;
    await acts.undo();
    break;
  }
  const times = new Map<string, Painted[]>();
  for (let run = 0; run < runs; run++)
    for (const [what, act] of Object.entries(acts)) {
      times.set(what, [...(times.get(what) ?? []), await act()]);
    }
  for (const [what, all] of times) {
    figures.set(`${what} painted, ms`, ms(median(all.map((each) => each.ms))));
    figures.set(`longest task after ${what}, ms`, ms(median(all.map(({ longest }) => longest))));
  }
  const lenses: number[] = [];
  for (let run = 0; run < runs; run++)
    for (const [lens, list] of [
      ["mods", "Mods"],
      ["plugins", "Plugins"],
    ] as const) {
      const shown = { of: "[role=grid]", attribute: "aria-label", holds: list };
      lenses.push((await painted(page, { does: "click", on: "[role=radio]", named: lens }, shown)).ms);
    }
  figures.set("turning the lens, ms", ms(median(lenses)));
  const proposals: number[] = [];
  for (let run = 0; run < 3; run++) {
    const propose = { does: "click", on: "button", named: "Propose an order" } as const;
    proposals.push((await painted(page, propose, { of: "main h1", holds: "of" })).ms);
    await page.getByRole("button", { name: "Cancel" }).click();
    await page.getByRole("grid").waitFor();
  }
  figures.set("proposal shown, ms", ms(median(proposals)));
}

async function measureSearching(page: Page, url: string, figures: Figures): Promise<void> {
  const typed = await keystrokes(page, url, "glass tides of old");
  figures.set("a letter in the filter of the shelf, ms", ms(median(typed)));
  figures.set("the slowest one, ms", ms(Math.max(...typed)));
  await page.keyboard.press("Control+k");
  await page.getByRole("combobox", { name: /^Search/ }).waitFor();
  const times: number[] = [];
  const words = "glass tides";
  for (let length = 1; length <= words.length; length++) {
    const enter = { does: "enter", on: "[role=combobox]", text: words.slice(0, length) } as const;
    times.push((await painted(page, enter, { of: "[role=listbox]" }, 1500)).ms);
  }
  figures.set("a letter in the command field, ms", ms(median(times.filter((time) => !Number.isNaN(time)))));
  await page.keyboard.press("Escape");
}

async function measureComparing(page: Page, url: string, figures: Figures): Promise<void> {
  await page.goto(`${url}/profiles`);
  await page.waitForTimeout(2000);
  await page.getByRole("combobox", { name: "Compare it with" }).click();
  await page.getByRole("option", { name: small, exact: true }).waitFor();
  const choose = { does: "click", on: "[role=option]", named: small } as const;
  const { ms: shown } = await painted(page, choose, { of: "main h3 [role=status]", holds: small });
  figures.set("two profiles compared, ms", ms(shown));
  figures.set("differences between them", await page.locator("main h3 [role=status]").innerText());
}

async function measureLists(page: Page, url: string, token: string, figures: Figures): Promise<void> {
  const { profile } = await workspaceOf(url, token);
  const query = new URLSearchParams({ profile: profile.id, format: "lineup", token });
  const exports: number[] = [];
  let text = "";
  for (let run = 0; run < 3; run++) {
    const began = performance.now();
    text = await (await fetch(`${url}/api/lineups?${query}`)).text();
    exports.push(performance.now() - began);
  }
  figures.set("export of the lineup, ms", ms(median(exports)));
  await page.goto(`${url}/lineups?part=in`);
  await page.getByLabel("Lineup file").waitFor({ state: "attached" });
  await page.waitForTimeout(2000);
  const began = performance.now();
  await page
    .getByLabel("Lineup file")
    .setInputFiles({ name: "all.lineup.json", mimeType: "application/json", buffer: Buffer.from(text) });
  await page.getByRole("button", { name: "Create profile" }).waitFor();
  figures.set("import of it, to a shown preview, ms", ms(performance.now() - began));
  const made = await painted(
    page,
    { does: "click", on: "button", named: "Create profile" },
    { of: "header" },
  );
  figures.set("making the profile, ms", ms(made.ms));
}

async function heapMiB(page: Page): Promise<number> {
  const session = await page.context().newCDPSession(page);
  await session.send("HeapProfiler.collectGarbage");
  const { usedSize } = await session.send("Runtime.getHeapUsage");
  return usedSize / 2 ** 20;
}

const all: (readonly [number, Figures])[] = [];
for (const size of sizes) {
  all.push([size, await measure(size)]);
  console.error(size, Object.fromEntries(all.at(-1)![1]));
}
const names = [...all[0]![1].keys()];
const line = (cells: readonly string[]) => `| ${cells.join(" | ")} |\n`;
process.stdout.write(
  [
    line(["what", ...all.map(([size]) => `${size} mods`)]),
    line(["---", ...all.map(() => "---")]),
    ...names.map((name) => line([name, ...all.map(([, figures]) => figures.get(name) ?? "")])),
    `\n${cpus().length} processors, Node.js ${process.versions.node}.\n`,
  ].join(""),
);
