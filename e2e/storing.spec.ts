import { once } from "node:events";
import { expect, find, home, row, seatOf, stored, test } from "./fixtures";
import { freePort, run } from "./server";

const label = (id: string, on: boolean) => `${id} is ${on ? "on" : "off"}`;

test("undo and redo survive a reload and a restart, and a proposal leaves a restore point", async ({
  watched: page,
  seating,
}) => {
  await page.getByRole("button", { name: "Propose an order" }).first().click();
  await page.getByRole("button", { name: "Accept 4 moves" }).click();
  await stored(page);
  const moved = await seatOf(page, "Tides × Weather.plank");
  await page.reload();
  await page.getByRole("button", { name: "Undo: accept 4 moves" }).click();
  await expect.poll(() => seatOf(page, "Tides × Weather.plank")).not.toBe(moved);
  await seating.restart();
  await page.goto(`${seating.url}/plan`);
  await page.getByRole("button", { name: "Redo: accept 4 moves" }).click();
  await expect.poll(() => seatOf(page, "Tides × Weather.plank")).toBe(moved);
  await page.goto(`${seating.url}/overview`);
  await expect(page.getByText("Before an accepted proposal")).toBeVisible();
  await page.getByRole("button", { name: "Go back" }).click();
  await expect(page.getByText("Back at “Before an accepted proposal”")).toBeVisible();
  await expect(page.getByRole("contentinfo")).toContainText("7 blockers");
  await page.getByRole("button", { name: "Undo: go back to" }).click();
  await expect(page.getByRole("contentinfo")).toContainText("3 blockers");
});

test("what is done while the server is away is marked, outlives its window, and is stored when the server is back", async ({
  watched: page,
  seating,
  context,
}) => {
  await find(page, "Small Fry.skiff");
  await seating.stop();
  await row(page, "Small Fry.skiff").getByRole("switch").click();
  await expect(page.getByRole("switch", { name: label("Small Fry.skiff", false) })).toBeVisible();
  await page.getByRole("button", { name: "1 change not stored yet" }).click();
  await expect(page.getByRole("dialog")).toContainText("switch off Small Fry.skiff");
  await page.keyboard.press("Escape");
  await seating.start();
  await expect(page.getByRole("button", { name: "not stored yet" })).toHaveCount(0);
  await page.reload();
  await find(page, "Small Fry.skiff");
  await expect(page.getByRole("switch", { name: label("Small Fry.skiff", false) })).toBeVisible();
  await seating.stop();
  await row(page, "Small Fry.skiff").getByRole("switch").click();
  await expect(page.getByRole("button", { name: "1 change not stored yet" })).toBeVisible();
  await page.close();
  await seating.start();
  const next = await context.newPage();
  await next.goto(`${seating.url}/plan`);
  await expect(next.getByRole("button", { name: "Undo: switch on Small Fry.skiff" })).toBeVisible();
  await find(next, "Small Fry.skiff");
  await expect(next.getByRole("switch", { name: label("Small Fry.skiff", true) })).toBeVisible();
});

test("leaving with something that is not stored asks", async ({ watched: page, seating }) => {
  await find(page, "Small Fry.skiff");
  await seating.stop();
  await row(page, "Small Fry.skiff").getByRole("switch").click();
  await expect(page.getByRole("button", { name: "1 change not stored yet" })).toBeVisible();
  const asked = page.waitForEvent("dialog");
  void page.close({ runBeforeUnload: true });
  const dialog = await asked;
  expect(dialog.type()).toBe("beforeunload");
  await dialog.dismiss();
  await seating.start();
  await expect(page.getByRole("button", { name: "not stored yet" })).toHaveCount(0);
});

test("another window sees edits, shared rules and new profiles as they happen, and keeps its selection", async ({
  watched: page,
  seating,
  context,
}) => {
  const other = await context.newPage();
  await other.goto(`${seating.url}/plan`);
  await find(other, "Small Fry.skiff");
  await row(other, "Small Fry.skiff").click();
  await find(page, "Small Fry.skiff");
  await row(page, "Small Fry.skiff").getByRole("switch").click();
  await expect(other.getByRole("switch", { name: label("Small Fry.skiff", false) })).toBeVisible();
  const selected = other.locator('[aria-selected="true"]');
  await expect(selected.filter({ has: row(other, "Small Fry.skiff") })).toHaveCount(1);
  await other.getByRole("button", { name: "Undo: switch off Small Fry.skiff" }).click();
  await expect(page.getByRole("switch", { name: label("Small Fry.skiff", true) })).toBeVisible();
  await page.getByRole("button", { name: "Profile: Long Descent" }).click();
  await page.getByRole("menuitem", { name: "New profile…" }).click();
  await page.getByRole("dialog").getByLabel("Name").fill("Seen Elsewhere");
  await page.getByRole("dialog").getByRole("button", { name: "Make it" }).click();
  await other.getByRole("button", { name: /^Profile:/ }).click();
  await expect(other.getByRole("menuitem", { name: "Seen Elsewhere" })).toBeVisible();
});

test("a second server on the same data folder is refused and names the first", async ({ seating }) => {
  const second = run("start.mjs", await freePort());
  const [code] = (await once(second, "exit")) as [number];
  expect(code).toBe(1);
  expect(second.said()).toContain(
    `Seating already runs with the data folder ${home}: ${seating.url} (process `,
  );
});

test("profiles are made, renamed, switched, put into the bin and brought back", async ({ watched: page }) => {
  const menu = (name: string) => page.getByRole("button", { name: `Profile: ${name}` });
  await menu("Long Descent").click();
  await page.getByRole("menuitem", { name: "Harbour Lights" }).click();
  await expect(menu("Harbour Lights")).toBeVisible();
  await expect(page.locator("#findings")).toContainText("Masters in a circle");
  await page.keyboard.press("Alt+n");
  await page.getByLabel("Name", { exact: true }).fill("<i>Try & see</i>");
  await page.getByLabel("Begins").selectOption({ label: "Harbour Lights" });
  await page.getByRole("button", { name: "Make it" }).click();
  await expect(menu("<i>Try & see</i>")).toBeVisible();
  await menu("<i>Try & see</i>").click();
  await page.getByRole("menuitem", { name: "What this one is…" }).click();
  await page.getByLabel("Name", { exact: true }).fill("Long Descent");
  await page.getByRole("button", { name: "Store" }).click();
  await expect(page.locator("[data-sonner-toast]")).toContainText(
    "There is a profile named “Long Descent” already",
  );
  await page.getByLabel("Name", { exact: true }).fill("Second try");
  await page.getByRole("button", { name: "Store" }).click();
  await menu("Second try").click();
  await page.getByRole("menuitem", { name: "Put this one into the bin" }).click();
  await expect(menu("Long Descent")).toBeVisible();
  await menu("Long Descent").click();
  await page.getByRole("menuitem", { name: "Second try" }).click();
  await expect(menu("Second try")).toBeVisible();
});
