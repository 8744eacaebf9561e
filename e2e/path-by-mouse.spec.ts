import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { expect, finding, gameFolder, row, seatOf, stored, takeWayOut, test } from "./fixtures";

test("by mouse: findings, proposal, order file, trial, lineup out and in", async ({ watched: page }) => {
  await test.step("the trial stops at what the findings say", async () => {
    await page.getByRole("button", { name: "Write order file" }).last().click();
    await expect(page.getByText("saves/lading.lst is written")).toBeVisible();
    await page.getByRole("button", { name: "Start a trial" }).click();
    await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText(
      "stopped at start",
    );
    await expect(page.getByRole("list", { name: "Start log" })).toContainText(
      /stopped: Tides × Weather\.plank .+ needs Glass Tides\.plank, which loads later/,
    );
    await page.getByRole("button", { name: "Close the panel" }).click();
  });

  await test.step("fixes take away what a proposal cannot", async () => {
    await page.getByRole("link", { name: /^Health/ }).click();
    await takeWayOut(page, "Expansion missing", /Switch off/);
    await expect(finding(page, "Expansion missing")).toHaveCount(0);
    await takeWayOut(page, "Master off", /Switch on/);
    await expect(finding(page, "Master off")).toHaveCount(0);
    await stored(page);
    await page.getByRole("link", { name: /^Overview/ }).click();
  });

  await test.step("a proposal is looked at and accepted", async () => {
    await page.getByRole("button", { name: "Propose an order" }).first().click();
    await expect(
      page.getByRole("heading", { name: /^4 of \d+ move; no valid order moves fewer$/ }),
    ).toBeVisible();
    const moves = page.getByRole("group", { name: "Moves" });
    await expect(moves).toContainText("the game would stop at start");
    await expect(moves).toContainText("the seam shows again if storms are written down after it");
    await page.getByRole("button", { name: "Accept 4 moves" }).click();
    await expect(page.getByRole("grid", { name: "Plugins in load order" })).toBeVisible();
    await expect(page.getByRole("contentinfo")).toContainText("0 blockers");
  });

  await test.step("a plugin is dragged where it may go, and refused where it may not", async () => {
    await page.getByRole("link", { name: /^Plan/ }).click();
    const before = await seatOf(page, "Murk and Silt.plank");
    const drag = async (from: string, to: string, below: boolean) => {
      const [start, end] = [await row(page, from).boundingBox(), await row(page, to).boundingBox()];
      await page.mouse.move(start!.x + 400, start!.y + 16);
      await page.mouse.down();
      // As a hand does, towards where it goes: the other way may be into the edge at which the list scrolls.
      await page.mouse.move(start!.x + 404, start!.y + (end!.y > start!.y ? 26 : 6));
      await page.mouse.move(end!.x + 400, end!.y + (below ? 30 : 2), { steps: 12 });
    };
    await drag("Murk and Silt.plank", "Lamplight Rework.plank", false);
    await expect(page.getByTestId("carry")).toContainText("Carrying Murk and Silt.plank: after");
    await page.mouse.up();
    await expect.poll(() => seatOf(page, "Murk and Silt.plank")).not.toBe(before);
    await stored(page);
    await drag("Kelp Shelf Seams.skiff", "Storm Ledger.plank", false);
    await expect(page.getByTestId("carry")).toContainText("Storm Ledger.plank: your rule");
    await page.mouse.up();
    await expect(page.locator("[data-message]", { hasText: "cannot go above" })).toContainText(
      "Storm Ledger.plank",
    );
    await page.getByRole("button", { name: "Undo: move Murk and Silt.plank" }).click();
    await expect.poll(() => seatOf(page, "Murk and Silt.plank")).toBe(before);
  });

  await test.step("the order is written where the game reads it, and the game runs", async () => {
    await page.getByRole("button", { name: "Write order file" }).last().click();
    await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
    await page.getByRole("button", { name: "Start a trial" }).click();
    await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText("ran");
    const loaded = (
      await page.getByRole("list", { name: "Start log" }).getByText(/load /).allInnerTexts()
    ).map((line) => line.replace(/^\d*\s*load /, ""));
    const written = (await readFile(join(gameFolder, "saves/lading.lst"), "utf8")).trim().split("\n");
    expect(loaded.slice(-written.length)).toEqual(written);
    await page.getByRole("button", { name: "Close the panel" }).click();
  });

  await test.step("the setup goes out as a lineup and comes back in with an equal fingerprint", async () => {
    await page.getByRole("link", { name: "Lineups" }).click();
    const download = page.waitForEvent("download");
    await page.getByRole("link", { name: "Export the lineup" }).click();
    const file = await (await download).path();
    await page.getByRole("link", { name: "In", exact: true }).click();
    await page.getByLabel("Lineup file").setInputFiles({
      name: "Long-Descent.lineup.json",
      mimeType: "application/json",
      buffer: await readFile(file),
    });
    await expect(page.getByText(/^Found here/)).toContainText("59");
    await expect(page.getByText(/^To get/)).toHaveCount(0);
    await page.getByRole("button", { name: "Create profile" }).click();
    await expect(page.getByText("Reproduced exactly")).toBeVisible();
    const [wanted, here] = await page.locator("dd.font-mono").allInnerTexts();
    expect(here).toBe(wanted);
    await expect(page.getByRole("button", { name: "Profile: Long Descent (2)" })).toBeVisible();
  });
});
