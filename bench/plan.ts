/** How the plan feels with 5,000 rows, in headless Chromium on the real application; see docs/BENCHMARKS.md. */
import { cpus } from "node:os";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { launchBrowser, makeDemo, median, startWithDemo, writeTable } from "./lib/application";
import { opening, viewport } from "./lib/in-page";

const home = join(process.cwd(), ".cache", "bench-plan");
const runs = 15;
/** The profile of the demo that holds everything. */
const large = "All at Once";

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

/** Frames a second while the square of the conflicts, zoomed to cells of some pixels, is pulled to and fro. */
const panning = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const square = document.querySelector("[role=application]")!;
    const frame = () => new Promise<number>((done) => requestAnimationFrame(done));
    const { left, top, width, height } = square.getBoundingClientRect();
    const at = { clientX: left + width / 2, clientY: top + height / 2, bubbles: true, cancelable: true };
    for (let n = 0; n < 12; n++) square.dispatchEvent(new WheelEvent("wheel", { ...at, deltaY: -120 }));
    await frame();
    square.dispatchEvent(new PointerEvent("pointerdown", { ...at, button: 0, pointerId: 1 }));
    const times: number[] = [];
    let last = await frame();
    for (let n = 0; n < 240; n++) {
      const by = 6 * (n % 80 < 40 ? n % 40 : 40 - (n % 40));
      const to = { ...at, clientX: at.clientX - by, clientY: at.clientY - by, pointerId: 1 };
      square.dispatchEvent(new PointerEvent("pointermove", to));
      const now = await frame();
      times.push(now - last);
      last = now;
    }
    square.dispatchEvent(new PointerEvent("pointerup", { ...at, pointerId: 1 }));
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

// Brings about 5,000 plugins.
makeDemo(home, 3500);
const { url, stop } = await startWithDemo(home);
const browser = await launchBrowser();
try {
  const context = await browser.newContext({ viewport });
  const page = await context.newPage();
  await page.goto(`${url}/overview`);
  const profile = page.getByRole("button", { name: /^Profile: / });
  await profile.waitFor();
  // The run before has left it so.
  if ((await page.getByRole("button", { name: `Profile: ${large}` }).count()) === 0) {
    await profile.click();
    await page.getByRole("menuitem", { name: large }).click();
    await page.getByRole("heading", { level: 1, name: large }).waitFor();
  }
  // The profile that a window has stands in its address.
  const plan = `${url}/plan?profile=${new URL(page.url()).searchParams.get("profile")}`;
  const opened: number[] = [];
  for (let run = 0; run < 5; run++) opened.push(await opening(context, plan, "[data-item]"));
  await page.goto(plan);
  await page.locator("[data-item]").first().waitFor();
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
  await page.goto(`${url}/conflicts${new URL(plan).search}`);
  await page.getByRole("application").waitFor();
  const square = await panning(page);
  writeTable("median", [
    ["rows of the plan", plugins ?? ""],
    ["first row painted, ms", median(opened).toFixed(0)],
    ["frames a second, 120 px a frame", fps.toFixed(0)],
    ["frames a second, the square of conflicts pulled about", square.toFixed(0)],
    ["a move painted, ms", median(moves.map(({ shown }) => shown)).toFixed(0)],
    ["a move stored, ms", median(moves.map(({ stored }) => stored)).toFixed(0)],
  ]);
  process.stdout.write(
    `${cpus().length} processors, Node.js ${process.versions.node}, Chromium ${browser.version()}.\n`,
  );
} finally {
  await browser.close();
  await stop();
}
