import { cp, readFile, rm } from "node:fs/promises";
import { join } from "node:path";
import { expect, test, type Page } from "@playwright/test";
import { home, pristine, startSeating, type Server } from "./server";

const kills = 20;

/** The server itself is killed, not what watches it: nothing gets a chance to close anything. */
async function kill(server: Server): Promise<void> {
  const { pid } = JSON.parse(await readFile(join(home, "server.lock"), "utf8")) as { pid: number };
  process.kill(pid, "SIGKILL");
  await server.stop();
}

/** What the server has answered as stored, by the newest version of the profile that it named. */
function watchAnswers(page: Page): { newest: number } {
  const seen = { newest: 0 };
  page.on("response", (response) => {
    if (!new URL(response.url()).pathname.startsWith("/api/act/")) return;
    void response
      .text()
      .then((text) => {
        for (const [, version] of text.matchAll(/"version":(\d+)/g))
          seen.newest = Math.max(seen.newest, Number(version));
      })
      .catch(() => undefined);
  });
  return seen;
}

test.describe("a server that is killed", () => {
  test.setTimeout(600_000);

  test(`${kills} times during edits and readings has everything that it said was stored`, async ({
    page,
  }) => {
    await rm(home, { recursive: true, force: true });
    await cp(pristine, home, { recursive: true, preserveTimestamps: true });
    let server = await startSeating("start.mjs");
    const answers = watchAnswers(page);
    for (let round = 0; round < kills; round++) {
      await page.goto(`${server.url}/shelf?q=small+fry`);
      const fry = page.getByRole("switch", { name: /^Small Fry is/ });
      await expect(fry).toBeVisible();
      const before = answers.newest;
      // A click before the page is alive is lost.
      await expect(async () => {
        await fry.click();
        await expect.poll(() => answers.newest, { timeout: 3000 }).toBeGreaterThan(before);
      }).toPass();
      const reading = round % 2 === 0 ? fetch(`${server.url}/api/shelf`, { method: "POST" }) : null;
      reading?.then((response) => response.text()).catch(() => undefined);
      for (let n = 0; n < (round * 7) % 5; n++) await fry.click();
      await page.waitForTimeout((round * 37) % 260);
      const promised = answers.newest;
      await kill(server);
      server = await startSeating("start.mjs");
      const stored = await storedVersion(page, server);
      expect(stored, `round ${round}: ${before} before, ${promised} promised`).toBeGreaterThanOrEqual(
        promised,
      );
    }
    await server.stop();
  });
});

/** As the server tells it that came after. */
async function storedVersion(page: Page, server: Server): Promise<number> {
  const text = await (await page.request.get(`${server.url}/overview`)).text();
  return Number(/\\?"version\\?":(\d+),\\?"state/.exec(text)?.[1]);
}
