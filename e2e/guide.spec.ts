import { mkdir, readFile, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { test as base, type Download, type Page } from "@playwright/test";
import type { GuideTask } from "@/core/model/guide";
import { expect, find, stored, test, visit, type Seating } from "./fixtures";
import { folderOf, startSeating } from "./server";
import { walkGuide, type Walk } from "./walk-guide";

const languages = ["en", "de"] as const;

test.use({ actionTimeout: 15_000 });

const speak = (page: Page, url: string, value: string) =>
  page.context().addCookies([{ name: "seating-language", value, url }]);

/** A task on the demo, in both languages; `prepare` makes what its reader has already, and tells what they do by themselves. */
function task(id: GuideTask, prepare: (page: Page, seating: Seating) => Promise<Walk> | Walk): void {
  for (const language of languages)
    test(`${id}, in ${language}: what the guide says is there, and leads to its end`, async ({
      watched: page,
      seating,
    }) => {
      await speak(page, seating.url, language);
      await visit(page, `${seating.url}/overview`);
      const walk = await prepare(page, seating);
      await walkGuide(page, language, id, walk);
    });
}

const list = async (page: Page, { url }: Seating): Promise<string> => {
  await visit(page, `${url}/lineups`);
  const href = await page.locator("a[href*='format=lineup']").getAttribute("href");
  return (await page.request.get(`${url}${href!}`)).text();
};

const code = async (page: Page, { url }: Seating): Promise<string> => {
  await visit(page, `${url}/lineups`);
  const field = page.locator("textarea[readonly], input[readonly]").first();
  await expect(field).toHaveValue(/^S2-/);
  return field.inputValue();
};

/** Works on the profile of the demo that lacks nothing. */
async function atHarbour(page: Page): Promise<void> {
  // The key does nothing until the page has come to life.
  await expect(async () => {
    await page.keyboard.press("Alt+p");
    await expect(page.getByRole("dialog")).toBeVisible({ timeout: 500 });
  }).toPass();
  await page.keyboard.type("Harbour");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: /: Harbour Lights/ }).waitFor();
}

const strip = (page: Page) => page.getByRole("contentinfo");

for (const language of languages)
  base(
    `first-evening, in ${language}: from empty folders to an order that the game reads`,
    async ({ page }) => {
      const own = folderOf("evening");
      await rm(own, { recursive: true, force: true });
      await mkdir(join(own, "game"), { recursive: true });
      await mkdir(join(own, "mods", "Tall Reeds-1.0"), { recursive: true });
      await writeFile(join(own, "game", "lantern.exe"), "lantern");
      await writeFile(join(own, "mods", "Tall Reeds-1.0", "reeds.txt"), "reeds");
      const server = await startSeating("start.mjs", join(own, "data"));
      try {
        await speak(page, server.url, language);
        await page.goto(server.url);
        const select = (name: string) => page.getByRole("row", { name: new RegExp(name) }).click();
        await walkGuide(page, language, "first-evening", {
          typed: { "/games/lantern-isle": join(own, "game"), "/games/mods": join(own, "mods") },
          before: {
            10: async () => {
              await mkdir(join(own, "mods", "Low Fog-2.0"));
              await writeFile(join(own, "mods", "Low Fog-2.0", "fog.txt"), "fog");
            },
            11: () => select("Tall Reeds"),
            12: () => select("Low Fog"),
          },
        });
        await expect(strip(page)).toContainText(/2 (of|von) 2/);
        const order = await readFile(join(own, "game", "load-order.txt"), "utf8");
        expect(order.trim().split("\n").length).toBe(2);

        // And out it goes: from empty folders to a list that others can take in.
        await page.context().grantPermissions(["clipboard-read", "clipboard-write"]);
        const download = nextDownload(page);
        await walkGuide(page, language, "share");
        const list = await readFile(await (await download).path(), "utf8");
        const { mods, author } = JSON.parse(list) as { mods: { name: string }[]; author: string };
        expect([mods.map(({ name }) => name), author]).toEqual([["Tall Reeds", "Low Fog"], "Wren"]);
      } finally {
        await server.stop();
        await rm(own, { recursive: true, force: true });
      }
    },
  );

/** What is saved next, however long the reader takes to get there. */
const nextDownload = (page: Page): Promise<Download> =>
  new Promise((resolve) => page.once("download", resolve));

task("order-plugins", (page) => ({
  after: { 3: () => stored(page) },
  end: () => expect(strip(page).getByRole("button")).toHaveCount(0),
}));

task("correct-and-remember", (page) => ({
  before: { 1: () => find(page, "Murk and Silt.plank") },
  after: {
    5: () => page.getByRole("dialog").getByRole("option").first().click(),
    6: () => stored(page),
  },
  end: () => expect(page.getByText("the seam shows").first()).toBeVisible(),
}));

const firstRow = (page: Page) => page.getByRole("grid").first().locator("[role=row][data-key]").first();

task("conflicts", (page) => ({
  before: { 1: () => visit(page, new URL("/rules", page.url()).href) },
  after: {
    3: () => firstRow(page).click(),
    4: () => stored(page),
    5: () => firstRow(page).click(),
  },
  end: () => stored(page),
}));

task("blend", (page) => ({
  end: () => expect(page.getByText(/^(The blend is current|Die Mischung ist aktuell)/).first()).toBeVisible(),
}));

task("several-profiles", (page) => ({
  after: {
    3: () => page.getByRole("button", { name: /: Long evenings/ }).waitFor(),
    5: () => page.locator("li button, [role=row]").filter({ hasText: "Harbour Lights" }).first().click(),
  },
}));

task("extend-a-list", (page) => ({
  after: {
    1: () =>
      page
        .getByRole("row", { name: /Lantern/i })
        .first()
        .click(),
    4: () => page.getByRole("row", { name: /Twin Lanterns East/ }).click(),
  },
}));

task("share", async (page) => {
  await page.context().grantPermissions(["clipboard-read", "clipboard-write"]);
  const download = nextDownload(page);
  return {
    end: async () => {
      expect((await download).suggestedFilename()).toBe("Long-Descent.lineup.json");
      await expect.poll(() => page.evaluate(() => navigator.clipboard.readText())).toMatch(/^S2-/);
    },
  };
});

task("follow", async (page, seating) => {
  const first = await list(page, seating);
  const { listVersion: _, ...said } = JSON.parse(first) as { listVersion: string; mods: { id: string }[] };
  const next = { ...said, listVersion: "2.0", mods: said.mods.filter(({ id }) => id !== "quiet-compass") };
  return {
    typed: { "the code": first, "the next code": JSON.stringify(next) },
    end: () => expect(page.getByRole("heading", { name: /^Long Descent 2\.0/ })).toBeVisible(),
  };
});

task("play-together", async (page, seating) => {
  await atHarbour(page);
  const typed = { "the code": await code(page, seating), "the digits": "" };
  return {
    typed,
    before: {
      4: async () => {
        typed["the digits"] = await page.locator("main p span.font-mono").first().innerText();
      },
    },
  };
});

task("own-game", async (page) => {
  await page.getByRole("button", { name: /: Brinehollow/ }).click();
  await page.getByRole("menuitem", { name: /^Kitefall Cup/ }).click();
  await page.getByRole("button", { name: /: Kitefall Cup/ }).waitFor();
  return {
    after: {
      4: () =>
        page
          .getByRole("listitem")
          .filter({ hasText: /running$/ })
          .waitFor(),
    },
    end: () =>
      expect(page.getByText(/^(Nothing of your mods lies in|In .+ liegt noch nichts)/)).toBeVisible(),
  };
});

task("sheet", async (page) => {
  const file = test.info().outputPath("sheet.csv");
  const saved = nextDownload(page).then((download) => download.saveAs(file));
  page.on("filechooser", (chooser) => void saved.then(() => chooser.setFiles(file)));
  return Promise.resolve({
    end: () =>
      expect(
        page.getByText(/^(The order of|Die Reihenfolge von) .* (applied|übernommen)\./).first(),
      ).toBeVisible(),
  });
});

task("your-data", (page) => {
  const download = nextDownload(page);
  return { end: async () => expect((await download).suggestedFilename()).toMatch(/\.zip$/) };
});

task("when-something-is-wrong", async (page) => {
  await find(page, "Murk and Silt.plank");
  await page.getByRole("grid").focus();
  await page.keyboard.press("Alt+ArrowDown");
  await stored(page);
  return {
    before: {
      7: () =>
        page
          .getByRole("tabpanel", { name: /^(History|Verlauf)/ })
          .getByRole("row")
          .nth(2)
          .click(),
    },
    end: () =>
      expect(page.getByRole("button", { name: /^(Redo|Wiederholen): .*Murk and Silt/ })).toBeVisible(),
  };
});
