/** How the plan feels with 5,000 rows, in headless Chromium on the real application; see docs/BENCHMARKS.md. */
import { spawn, spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { createServer } from "node:net";
import { cpus } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";

const home = join(process.cwd(), ".cache", "bench-plan");
const demo = join(home, "demo");
const runs = 15;
/** Brings about 5,000 plugins. */
const mods = "3500";

const median = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1]!;

async function freePort(): Promise<number> {
  const server = createServer().listen(0, "127.0.0.1");
  await new Promise((done) => server.once("listening", done));
  const { port } = server.address() as { port: number };
  await new Promise((done) => server.close(done));
  return port;
}

/** A demo of this size, made once; its shelf is read by the first start. */
async function start(): Promise<{ url: string; stop: () => void }> {
  if (!existsSync(join(demo, "demo.json")))
    spawnSync(process.execPath, ["dist/make-demo.mjs", "--seed", "7", "--mods", mods, "--out", demo], {
      stdio: "inherit",
    });
  const port = await freePort();
  const env = { ...process.env, SEATING_HOME: home, SEATING_PORT: String(port) };
  const child = spawn(process.execPath, ["scripts/demo.mjs"], { env, stdio: ["ignore", "pipe", "inherit"] });
  await new Promise<void>((done, fail) => {
    child.stdout.on("data", (part) => String(part).includes("Seating is ready") && done());
    child.once("exit", (code) => fail(new Error(`the server ended with ${code}`)));
  });
  return { url: `http://127.0.0.1:${port}`, stop: () => child.kill("SIGTERM") };
}

/** From the end of the answer to the first painted row. */
async function opening(page: Page, url: string): Promise<number> {
  await page.goto(`${url}/plan`);
  await page.locator("[data-item]").first().waitFor();
  return page.evaluate(() => {
    const [navigation] = performance.getEntriesByType("navigation") as PerformanceNavigationTiming[];
    return (globalThis as unknown as { firstRow: number }).firstRow - navigation!.responseEnd;
  });
}

const watchFirstRow = () => {
  const seen = new MutationObserver(() => {
    if (!document.querySelector("[data-item]")) return;
    seen.disconnect();
    requestAnimationFrame(
      () => ((globalThis as unknown as { firstRow: number }).firstRow = performance.now()),
    );
  });
  seen.observe(document, { childList: true, subtree: true });
};

/** Frames a second while the list is scrolled by 120 px a frame. */
const scrolling = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const list = document.querySelector("[role=grid]")!;
    const frame = () => new Promise<number>((done) => requestAnimationFrame(done));
    const times: number[] = [];
    let last = await frame();
    for (let n = 0; n < 240; n++) {
      list.scrollTop += 120;
      const now = await frame();
      times.push(now - last);
      last = now;
    }
    list.scrollTop = 0;
    return 1000 / times.sort((a, b) => a - b)[times.length >> 1]!;
  });

/** A step by the keyboard: until the row is painted at its new seat, and until the strip says that it is stored. */
const moving = (page: Page, key: "ArrowUp" | "ArrowDown"): Promise<{ shown: number; stored: number }> =>
  page.evaluate(async (key) => {
    const frame = () => new Promise<number>((done) => requestAnimationFrame(done));
    const list = document.querySelector<HTMLElement>("[role=grid]")!;
    const name = list.querySelector<HTMLElement>("[aria-selected=true] [data-item]")!.dataset.item!;
    const seat = () =>
      list.querySelector(`[data-item="${CSS.escape(name)}"] [role=gridcell]`)?.textContent ?? "";
    const isStoring = () =>
      document.querySelector("footer, [role=contentinfo]")!.textContent.includes("Storing…");
    const before = seat();
    const start = performance.now();
    list.dispatchEvent(new KeyboardEvent("keydown", { key, altKey: true, bubbles: true }));
    while (seat() === before && performance.now() - start < 5000) await frame();
    const shown = performance.now() - start;
    while (isStoring() && performance.now() - start < 5000) await frame();
    return { shown, stored: performance.now() - start };
  }, key);

const { url, stop } = await start();
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium",
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
  ],
});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(watchFirstRow);
  const opened: number[] = [];
  for (let run = 0; run < 5; run++) opened.push(await opening(page, url));
  const plugins = await page.getByRole("grid").getAttribute("aria-rowcount");
  const fps = await scrolling(page);
  // A light plugin: nothing needs it, so that nothing bars its way down.
  await page.locator('[data-item$=".skiff"]').nth(2).click();
  const moves: { shown: number; stored: number }[] = [];
  for (let run = 0; run < runs; run++) {
    // One move, and not the findings of the one before.
    await page.waitForTimeout(500);
    moves.push(await moving(page, run % 2 === 0 ? "ArrowUp" : "ArrowDown"));
  }
  const rows = [
    ["rows of the plan", plugins ?? ""],
    ["first row painted after the answer, ms", opened.length ? median(opened).toFixed(0) : ""],
    ["frames a second, 120 px a frame", fps.toFixed(0)],
    ["a move painted, ms", median(moves.map(({ shown }) => shown)).toFixed(0)],
    ["a move stored, ms", median(moves.map(({ stored }) => stored)).toFixed(0)],
  ];
  process.stdout.write(
    `\n| what | median |\n| --- | --- |\n${rows.map((row) => `| ${row.join(" | ")} |`).join("\n")}\n\n` +
      `${cpus().length} processors, Node.js ${process.versions.node}, Chromium ${browser.version()}.\n`,
  );
} finally {
  await browser.close();
  stop();
}
