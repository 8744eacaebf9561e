import { rm } from "node:fs/promises";
import { join } from "node:path";
import { expect, test as base } from "@playwright/test";
import { folderOf, pristine, startSeating } from "./server";

const home = folderOf("first");
const demo = join(pristine, "demo/brinehollow");

base(
  "without the demo, one names the folders of a game and begins with an empty profile",
  async ({ page }) => {
    await rm(home, { recursive: true, force: true });
    const server = await startSeating("start.mjs", home);
    try {
      await page.goto(server.url);
      await page.getByLabel("Folder of the game").fill("/nowhere/at/all");
      await page.getByLabel("Folder of the shelf").fill(join(demo, "shelf"));
      await page.getByRole("button", { name: "Use these folders" }).click();
      await expect(
        page.getByRole("alert").filter({ hasText: "There is no folder at /nowhere/at/all" }),
      ).toBeVisible();
      await page.getByLabel("Folder of the game").fill(join(demo, "game"));
      await page.getByRole("button", { name: "Use these folders" }).click();
      await expect(page.getByRole("heading", { name: "First set" })).toBeVisible();
      await page.getByRole("link", { name: /^Shelf/ }).click();
      await expect(page.getByText("72 items: 72 read, 0 unchanged, 3 unsound")).toBeVisible();
      await page.getByLabel("Filter the shelf").fill("tidal core");
      await page.getByRole("row", { name: /Tidal Core/ }).click();
      await page.getByRole("button", { name: "Add to this profile" }).click();
      await expect(page.getByRole("contentinfo")).toContainText("1 of 72 mods on");
      await page.getByRole("link", { name: "Overview" }).click();
      await expect(page.locator("#findings")).toContainText("Tidal Core.keel needs Abyss Lib.keel");
    } finally {
      await server.stop();
      await rm(home, { recursive: true, force: true });
    }
  },
);
