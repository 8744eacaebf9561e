import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { chromium, type Browser, type Page } from "@playwright/test";
import { makeRandom, type Random } from "@/core/random";
import { expect, home, test, visit } from "./fixtures";
import config from "../playwright.config";

/** Seconds of work; SEATING_MINUTES makes them more. */
const seconds = Number(process.env.SEATING_MINUTES ?? 0.4) * 60;
const seed = Number(process.env.SEATING_SEED ?? 3);

test("two windows in each of two browsers work at once on one profile, and end with the same; nothing that one did is lost", async ({
  seating,
}) => {
  test.setTimeout((seconds + 180) * 1000);
  const { launchOptions = {}, viewport } = config.use!;
  const browsers = await Promise.all([chromium.launch(launchOptions), chromium.launch(launchOptions)]);
  const told: string[] = [];
  try {
    const windows = (
      await Promise.all(browsers.map((browser) => openTwo(browser, seating.url, viewport)))
    ).flat();
    for (const page of windows) watchLosses(page, told);
    const token = (await readFile(join(home, "token"), "utf8")).trim();
    const until = Date.now() + seconds * 1000;
    const done = await Promise.all(
      windows.map((page, at) => work(page, makeRandom(seed + at), token, until)),
    );
    expect(done.reduce((sum, count) => sum + count)).toBeGreaterThan(windows.length * 3);
    for (const page of windows) {
      await expect(page.getByText("Storing…")).toHaveCount(0);
      await expect(page.getByRole("button", { name: /not stored yet$/ })).toHaveCount(0);
      await page.getByRole("link", { name: "Lineups" }).click();
      // Its address is the view that it shows, once it shows it.
      await expect(fingerprint(page)).toBeVisible();
    }
    // What is stored, and what each comes to, for the last thing that another one did has still to be heard of.
    const newcomer = await windows[0]!.context().newPage();
    await newcomer.goto(windows[0]!.url());
    await expect(fingerprint(newcomer)).toBeVisible();
    const print = await fingerprint(newcomer).innerText();
    for (const page of windows) await expect(fingerprint(page)).toHaveText(print);
    expect(told).toEqual([]);
  } finally {
    await Promise.all(browsers.map((browser) => browser.close()));
  }
});

test("what happens while a window comes is seen in it, whether it listens itself or another one does", async ({
  watched: writer,
  seating,
  browser,
}) => {
  test.setTimeout(120_000);
  const others = await browser.newContext();
  let wave = 0;
  /** The name of the profile is changed between what the server says with the page and what the page hears of. */
  const missedBy = async (address: string) => {
    const page = await others.newPage();
    const held = newGate();
    const reached = newGate();
    await page.route(address, async (route) => {
      reached.open();
      await held.passed;
      await route.continue();
    });
    await page.goto(`${seating.url}/overview`, { waitUntil: "commit" });
    await reached.passed;
    const name = `Wave ${(wave += 1)}`;
    const answer = await writer.evaluate(
      async ([id, to]) => {
        const response = await fetch("/api/act/changeProfileFacts", {
          method: "POST",
          headers: { "content-type": "application/json" },
          body: JSON.stringify([id, { name: to, purpose: "playing" }]),
        });
        return (await response.json()) as unknown;
      },
      [new URL(writer.url()).searchParams.get("profile"), name] as const,
    );
    expect(answer).toEqual({ ok: true, value: null });
    held.open();
    await expect(page.getByRole("button", { name: new RegExp(name) }).first()).toBeVisible();
  };
  await missedBy("**/api/events");
  await missedBy("**/_next/static/**/*.js");
  await others.close();
});

test("what is told late, and already shown, is not read again", async ({ watched: page, seating }) => {
  const view = page.waitForResponse(/\/api\/workspace/);
  await visit(page, `${seating.url}/shelf`);
  const { at, game } = (await (await view).json()) as { at: string; game: { id: string } };
  const [run, count] = at.split(".") as [string, string];
  let asked = 0;
  page.on("request", (request) => {
    if (new URL(request.url()).pathname === "/api/workspace") asked += 1;
  });
  const tellOf = (moment: string) =>
    page.evaluate(
      ([moment, game]) =>
        new BroadcastChannel("seating-events").postMessage({
          kind: "heard",
          at: moment,
          event: { kind: "stock", game },
        }),
      [moment, game.id],
    );
  await tellOf(at);
  await page.waitForTimeout(1000);
  expect(asked).toBe(0);
  await tellOf(`${run}.${Number(count) + 1}`);
  await expect.poll(() => asked).toBe(1);
});

function newGate(): { readonly passed: Promise<void>; readonly open: () => void } {
  let open = () => {};
  const passed = new Promise<void>((done) => (open = done));
  return { passed, open };
}

async function openTwo(browser: Browser, url: string, viewport: unknown): Promise<Page[]> {
  const context = await browser.newContext({ viewport: viewport as { width: number; height: number } });
  const pages = [await context.newPage(), await context.newPage()];
  for (const page of pages) {
    await page.goto(`${url}/plan`);
    await page.getByRole("switch").first().waitFor();
  }
  return pages;
}

/** Edits that a window had to give up, which it tells. */
function watchLosses(page: Page, told: string[]): void {
  page.on("pageerror", (error) => told.push(error.message));
  void page.exposeFunction("tellLoss", (text: string) => told.push(text));
  void page.evaluate(() => {
    new MutationObserver(() => {
      for (const message of document.querySelectorAll("[data-message]:not([data-seen])")) {
        message.setAttribute("data-seen", "");
        if (message.textContent?.includes("Not stored"))
          (window as unknown as { tellLoss: (text: string) => void }).tellLoss(message.textContent);
      }
    }).observe(document.body, { childList: true, subtree: true });
  });
}

/** Switches, undoes, does again, reads the shelf and brings lists in, until it is time; answers how much. */
async function work(page: Page, random: Random, token: string, until: number): Promise<number> {
  let count = 0;
  for (; Date.now() < until; count++) {
    const kind = random.below(20);
    if (kind < 14) await switchOne(page, random);
    else if (kind < 17) await page.keyboard.press(kind === 16 ? "Control+Shift+z" : "Control+z");
    else if (kind === 17)
      await page.evaluate(() => fetch("/api/shelf", { method: "POST" }).then((answer) => answer.text()));
    else if (kind === 18) await bringIn(page, count, token);
    else await page.waitForTimeout(random.below(400));
  }
  return count;
}

async function switchOne(page: Page, random: Random): Promise<void> {
  const switches = page.locator("main").getByRole("switch");
  const there = await switches.count();
  // It may be drawn anew meanwhile: then it is somebody else's turn.
  await switches
    .nth(random.below(Math.max(1, there)))
    .click({ timeout: 2000 })
    .catch(() => undefined);
}

/** The list of the window's own profile, as a new one beside it. */
const bringIn = (page: Page, count: number, token: string): Promise<void> =>
  page.evaluate(
    async ([number, secret]) => {
      const profile = new URLSearchParams(location.search).get("profile")!;
      const headers = { "x-seating-profile": profile, "x-seating-token": secret };
      const list = await fetch(`/api/lineups?profile=${profile}&format=lineup`, { headers });
      const kept = await fetch("/api/lineups", {
        method: "POST",
        headers: { ...headers, "x-file-name": "list.json" },
        body: await list.text(),
      });
      const { value } = (await kept.json()) as { value: { importId: string } };
      const target = { way: "new", name: `Beside ${number} ${crypto.randomUUID().slice(0, 8)}` };
      await fetch("/api/act/acceptImport", {
        method: "POST",
        headers: { ...headers, "content-type": "application/json" },
        body: JSON.stringify([value.importId, { target, keepMine: [] }]),
      });
    },
    [count, token] as const,
  );

const fingerprint = (page: Page) => page.getByText(/^Fingerprint /).first();
