import { rm } from "node:fs/promises";
import { join } from "node:path";
import { expect, test as base } from "@playwright/test";
import { choose, finding } from "./fixtures";
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
      await choose(page.getByLabel("Game", { exact: true }), "Kitefall Cup 1.5.0");
      await page.getByLabel("Folder of the game", { exact: true }).fill("/nowhere/at/all");
      await expect(page.getByLabel("Folder of the game", { exact: true })).toHaveAccessibleDescription(
        "There is no such folder.",
      );
      // What is said of a folder a moment after it was typed moves nothing away from under the pointer.
      const use = page.getByRole("button", { name: "Use these folders" });
      await page.getByLabel("Folder of the shelf", { exact: true }).fill(join(demo, "shelf"));
      const before = await use.boundingBox();
      await expect(page.getByLabel("Folder of the shelf", { exact: true })).toHaveAccessibleDescription(
        /Readable, \d+ archives/,
      );
      expect(await use.boundingBox()).toEqual(before);
      await use.click();
      await expect(
        page.getByRole("alert").filter({ hasText: "There is no folder at /nowhere/at/all" }),
      ).toBeVisible();
      // A folder of games, in quotes, in which that one does not lie: what does is offered.
      await page.getByLabel("Folder of the game", { exact: true }).fill(`"${demo}/"`);
      await expect(page.getByLabel("Folder of the game", { exact: true })).toHaveAccessibleDescription(
        `${demo}: the game is not here, readable, writable.`,
      );
      await page.getByRole("button", { name: `Use Brinehollow in ${join(demo, "game")}` }).click();
      await expect(page.getByLabel("Game", { exact: true })).toContainText("Brinehollow");
      await expect(page.getByLabel("Folder of the game", { exact: true })).toHaveValue(join(demo, "game"));
      // By the chooser: names of folders, one level after another, by keyboard.
      await page.getByLabel("Folder of the shelf", { exact: true }).fill(join(demo, "game/no such"));
      await page.getByRole("button", { name: "Choose: Folder of the shelf" }).click();
      const chooser = page.getByRole("dialog", { name: "Folder of the shelf" });
      await expect(chooser.getByRole("status")).toHaveText(join(demo, "game"));
      await expect(chooser.getByRole("button", { name: "The folder above" })).toBeFocused();
      await page.keyboard.press("Enter");
      await expect(chooser.getByRole("status")).toHaveText(demo);
      await page.keyboard.press("End");
      await expect(chooser.getByRole("button", { name: "shelf" })).toBeFocused();
      await page.keyboard.press("Enter");
      await expect(chooser.getByRole("status")).toHaveText(join(demo, "shelf"));
      await chooser.getByRole("button", { name: "Use this folder" }).click();
      await expect(page.getByLabel("Folder of the shelf", { exact: true })).toHaveValue(join(demo, "shelf"));
      await page.getByRole("button", { name: "Use these folders" }).click();
      await expect(page.getByRole("heading", { name: "First set" })).toBeVisible();
      await page.getByRole("link", { name: /^Shelf/ }).click();
      await expect(page.getByText("72 items: 72 read, 0 unchanged, 3 unusable")).toBeVisible();
      await page.getByLabel("Filter the shelf").fill("tidal core");
      await page.getByRole("row", { name: /Tidal Core/ }).click();
      await page.getByRole("button", { name: "Switch on", exact: true }).click();
      await expect(page.getByRole("contentinfo")).toContainText("1 of 72 mods on");
      await page.getByRole("link", { name: /^Health/ }).click();
      await expect(finding(page, "Tidal Core.keel needs Abyss Lib.keel")).toHaveCount(1);

      // The game is removed, and comes back from what was kept.
      await page.goto(`${server.url}/settings?part=data`);
      await page.getByRole("button", { name: "Remove Brinehollow…" }).click();
      const asked = page.getByRole("dialog", { name: "Remove Brinehollow?" });
      await expect(asked).toContainText("1 profile goes: First set");
      await asked.getByRole("button", { name: "Remove Brinehollow" }).click();
      await expect(page.getByRole("heading", { name: "Which game do you keep mods for?" })).toBeVisible();
      await page.getByRole("button", { name: "Restore" }).click();
      await expect(page.getByRole("heading", { name: "First set" })).toBeVisible();
      await expect(page.getByRole("contentinfo")).toContainText("1 of");
    } finally {
      await server.stop();
      await rm(home, { recursive: true, force: true });
    }
  },
);
