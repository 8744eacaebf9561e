import { readFile } from "node:fs/promises";
import { expect, find, seatOf, stored, test } from "./fixtures";

test.use({ contextOptions: { reducedMotion: "reduce" } });

test("by keyboard alone: the same path", async ({ watched: page }) => {
  const press = (...keys: string[]) =>
    keys.reduce((last, key) => last.then(() => page.keyboard.press(key)), Promise.resolve());
  const command = async (words: string) => {
    await press("Control+k");
    await page.keyboard.type(words);
    await page.getByRole("option", { name: words }).first().waitFor();
    await press("Enter");
  };
  const plan = page.getByRole("grid", { name: "Plugins in load order" });
  /** Focuses something by walking to it with Tab, as one must without a mouse. */
  const tabTo = async (name: RegExp) => {
    for (let tries = 0; tries < 60; tries++) {
      const label = await page.evaluate(() => {
        const { activeElement } = document;
        return (activeElement?.getAttribute("aria-label") ?? activeElement?.textContent ?? "").trim();
      });
      if (name.test(label)) return;
      await press("Tab");
    }
    throw new Error(`${name.source} cannot be reached with Tab`);
  };

  await test.step("what is missing or off is switched in the plan", async () => {
    await find(page, "Frozen Galleries.plank");
    await plan.focus();
    await press("Enter");
    await find(page, "Divers for Hire.plank");
    await plan.focus();
    await press("Enter");
    await stored(page);
    await expect(page.getByRole("contentinfo")).toContainText("4 blockers");
  });

  await test.step("the proposal is accepted with Enter", async () => {
    await press("Alt+o");
    await expect(page.getByRole("button", { name: "Accept 4 moves" })).toBeFocused();
    await press("Enter");
    await expect(plan).toBeVisible();
    await expect(page.getByRole("contentinfo")).toContainText("0 blockers");
  });

  await test.step("a plugin is picked up, carried over its barrier, refused, and put down where it may go", async () => {
    const before = await seatOf(page, "Murk and Silt.plank");
    await plan.focus();
    await press("Space");
    await expect(page.getByText("Picked up")).toBeAttached();
    await press("PageUp", "PageUp", "PageUp");
    await expect(page.getByTestId("carry")).toContainText("cannot go above");
    await press("Space");
    expect(await seatOf(page, "Murk and Silt.plank")).toBe(before);
    await plan.focus();
    await press("Space", "ArrowUp", "ArrowUp");
    await expect(page.getByTestId("carry")).toContainText("Carrying");
    await press("Space");
    await expect.poll(() => seatOf(page, "Murk and Silt.plank")).not.toBe(before);
    await press("Control+z");
    await expect.poll(() => seatOf(page, "Murk and Silt.plank")).toBe(before);
  });

  await test.step("a typed seat and single steps move it too", async () => {
    await press("Alt+m");
    await page.keyboard.type("Q7");
    await press("Enter");
    await expect(
      page.getByRole("dialog").getByRole("status").filter({ hasText: "is no seat here" }),
    ).toBeVisible();
    await press("Control+a");
    await page.keyboard.type("D1");
    await press("Enter");
    await expect.poll(() => seatOf(page, "Murk and Silt.plank")).toBe("D1");
    await plan.focus();
    await press("Alt+ArrowDown");
    await expect.poll(() => seatOf(page, "Murk and Silt.plank")).toBe("D2");
  });

  await test.step("the order is written and the game started", async () => {
    await press("Control+s");
    await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
    await press("Alt+t");
    await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText("ran");
    await tabTo(/^Close the panel$/);
    await press("Enter");
  });

  await test.step("the lineup is exported, chosen and reproduced", async () => {
    // Listening from here on, for a chooser that opens before anybody listens is the system's own.
    page.on("filechooser", () => undefined);
    await command("Go to Lineups");
    await expect(page.getByRole("heading", { name: "Lineups" })).toBeVisible();
    await tabTo(/^Export the lineup$/);
    const download = page.waitForEvent("download");
    await press("Enter");
    const file = await (await download).path();
    await command("Import a list");
    await tabTo(/^Choose a lineup$/);
    const chooser = page.waitForEvent("filechooser");
    await press("Enter");
    await (
      await chooser
    ).setFiles({
      name: "Long-Descent.lineup.json",
      mimeType: "application/json",
      buffer: await readFile(file),
    });
    await page.getByText(/^Found here/).waitFor();
    await tabTo(/^Create profile$/);
    await press("Enter");
    await expect(page.getByText("Reproduced exactly")).toBeVisible();
  });
});
