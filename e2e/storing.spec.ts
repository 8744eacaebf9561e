import { once } from "node:events";
import { choose, expect, find, finding, home, row, seatOf, stored, test } from "./fixtures";
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
  const routed: string[] = [];
  page.on("request", (request) => {
    const isAhead = request.headers()["next-router-prefetch"] !== undefined;
    if (/\/plan\?.*_rsc=/.test(request.url()) && !isAhead) routed.push(request.url());
  });
  await find(page, "Small Fry.skiff");
  await expect(page.getByRole("switch", { name: label("Small Fry.skiff", false) })).toBeVisible();
  // The plan is shown already: of an answer of the router that does not come the page would be loaded anew.
  expect(routed).toEqual([]);
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
  await page.getByRole("dialog").getByRole("button", { name: "Create profile" }).click();
  await other.getByRole("button", { name: /^Profile:/ }).click();
  await expect(other.getByRole("menuitem", { name: "Seen Elsewhere" })).toBeVisible();
});

test("each window keeps its own profile and game, over a reload and whatever another one chooses", async ({
  watched: page,
  seating,
  context,
}) => {
  const menu = (window: typeof page, name: string) =>
    window.getByRole("button", { name: `Profile: ${name}` });
  const other = await context.newPage();
  await other.goto(`${seating.url}/overview`);
  await menu(other, "Long Descent").click();
  await other.getByRole("menuitem", { name: "Harbour Lights" }).click();
  await expect(menu(other, "Harbour Lights")).toBeVisible();
  await page.reload();
  await expect(menu(page, "Long Descent")).toBeVisible();
  await page.getByRole("link", { name: "Plan" }).click();
  await expect(page.locator("[role=grid]").first()).toBeVisible();
  await expect(page).toHaveURL(/profile=/);
  await page.reload();
  await expect(menu(page, "Long Descent")).toBeVisible();
  // A part of a view is an address of its own, and knows the profile as well.
  await page.getByRole("link", { name: "Lineups" }).click();
  for (const part of ["In", "Following", "Together"]) {
    await page.getByRole("link", { name: part, exact: true }).click();
    await expect(page).toHaveURL(new RegExp(`profile=.+part=${part.toLowerCase()}$`));
  }
  await page.goBack();
  await expect(page.getByRole("link", { name: "Following" })).toHaveAttribute("aria-current", "page");
  await page.reload();
  await expect(menu(page, "Long Descent")).toBeVisible();
  await other.reload();
  await expect(menu(other, "Harbour Lights")).toBeVisible();
  await menu(other, "Harbour Lights").click();
  await other.getByRole("menuitem", { name: "New profile…" }).click();
  await other.getByRole("dialog").getByLabel("Name").fill("Beside");
  await other.getByRole("dialog").getByRole("button", { name: "Create profile" }).click();
  await expect(menu(other, "Beside")).toBeVisible();
  await menu(page, "Long Descent").click();
  await expect(page.getByRole("menuitem", { name: "Beside" })).toBeVisible();
  await page.keyboard.press("Escape");
  await menu(other, "Beside").click();
  await other.getByRole("menuitem", { name: "Move to bin" }).click();
  await expect(menu(other, "Beside")).toHaveCount(0);
  await page.reload();
  await expect(menu(page, "Long Descent")).toBeVisible();
});

test("what is typed into a form stays over Escape, a reload and leaving it, until it is saved or discarded", async ({
  watched: page,
  seating,
}) => {
  await find(page, "Small Fry.skiff");
  await page.getByRole("button", { name: "Write a note…" }).click();
  await page.getByRole("textbox", { name: "Note" }).fill("Half a thought");
  await page.reload();
  await find(page, "Small Fry.skiff");
  await page.getByRole("button", { name: "Write a note…" }).click();
  await expect(page.getByRole("textbox", { name: "Note" })).toHaveValue("Half a thought");
  await page.getByRole("button", { name: "Save note" }).click();
  await expect(page.getByText("Half a thought")).toBeVisible();
  await page.getByRole("button", { name: "Change…" }).click();
  await expect(page.getByText("This was typed earlier")).toHaveCount(0);

  await page.keyboard.press("Alt+n");
  await page.getByLabel("Name", { exact: true }).fill("Not yet");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Alt+n");
  await expect(page.getByLabel("Name", { exact: true })).toHaveValue("Not yet");
  await page.getByRole("button", { name: "Discard draft" }).click();
  await expect(page.getByLabel("Name", { exact: true })).toHaveValue("");
  await page.getByRole("dialog").getByRole("button", { name: "Cancel" }).click();

  await page.goto(`${seating.url}/settings?part=definition`);
  const name = page.getByRole("textbox", { name: "Name", exact: true }).first();
  const before = await name.inputValue();
  await name.fill("Another name");
  await page.goto(`${seating.url}/overview`);
  await page.goto(`${seating.url}/settings?part=definition`);
  await expect(name).toHaveValue("Another name");
  await page.getByRole("button", { name: "Discard draft" }).click();
  await expect(name).toHaveValue(before);
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
  await page.getByRole("link", { name: /^Health/ }).click();
  await expect(finding(page, "Masters in a circle")).toHaveCount(1);
  await page.keyboard.press("Alt+n");
  await page.getByLabel("Name", { exact: true }).fill("<i>Try & see</i>");
  await choose(page.getByLabel("Start from"), "Harbour Lights");
  await page.getByRole("button", { name: "Create profile" }).click();
  await expect(menu("<i>Try & see</i>")).toBeVisible();
  await menu("<i>Try & see</i>").click();
  await page.getByRole("menuitem", { name: "Edit details…" }).click();
  await page.getByLabel("Name", { exact: true }).fill("Long Descent");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(
    page.locator("[data-message]").filter({ hasText: "There is a profile named “Long Descent” already" }),
  ).toBeVisible();
  await page.getByLabel("Name", { exact: true }).fill("Second try");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await menu("Second try").click();
  await page.getByRole("menuitem", { name: "Move to bin" }).click();
  await expect(menu("Long Descent")).toBeVisible();
  await menu("Long Descent").click();
  await page.getByRole("menuitem", { name: "Second try" }).click();
  await expect(menu("Second try")).toBeVisible();
});
