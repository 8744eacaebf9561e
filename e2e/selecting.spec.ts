import type { Page } from "@playwright/test";
import { expect, find, row, test, visit } from "./fixtures";

const plan = (page: Page) => page.getByRole("grid", { name: "Plugins in load order" });
const selected = (page: Page) =>
  plan(page)
    .locator("[role=row][aria-selected=true] [data-item]")
    .evaluateAll((rows) => rows.map((each) => (each as HTMLElement).dataset.item));

test("in the plan a range grows and shrinks either way, names are typed, all are taken, and the menu acts on what is selected", async ({
  watched: page,
  seating,
  context,
}) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await visit(page, `${seating.url}/plan`);
  await plan(page).focus();
  await page.keyboard.type("murk");
  await expect.poll(() => selected(page)).toEqual(["Murk and Silt.plank"]);
  const [only] = await selected(page);
  for (const key of ["Shift+ArrowDown", "Shift+ArrowDown"]) await page.keyboard.press(key);
  await expect.poll(async () => (await selected(page)).length).toBe(3);
  // The range goes over to the other side of where it began.
  for (let n = 0; n < 3; n++) await page.keyboard.press("Shift+ArrowUp");
  await expect.poll(async () => (await selected(page)).length).toBe(2);
  expect((await selected(page)).at(-1)).toBe(only);

  await page.keyboard.press("Shift+F10");
  await expect(page.getByRole("menuitem", { name: "On the shelf" })).toBeDisabled();
  await page.getByRole("menuitem", { name: /^Copy with seats/ }).click();
  await expect(plan(page)).toBeFocused();
  const seat = (await row(page, only!).locator("[role=gridcell]").first().innerText()).trim();
  await expect
    .poll(() => page.evaluate(() => navigator.clipboard.readText()))
    .toMatch(new RegExp(`\\n${seat} Murk and Silt\\.plank$`));

  // A key of the menu does the same.
  const switches = plan(page).locator("[role=row][aria-selected=true] [role=switch]");
  const states = () => switches.evaluateAll((all) => all.map((each) => each.getAttribute("aria-checked")));
  expect(await states()).toEqual(["true", "true"]);
  await page.keyboard.press("Enter");
  await expect.poll(states).toEqual(["false", "false"]);
  await page.keyboard.press("Control+z");
  await expect.poll(states).toEqual(["true", "true"]);

  // With the other button on a row that is not selected, that row is.
  await row(page, only!).click({ button: "right" });
  await expect(page.getByText("With these 2")).toBeVisible();
  await page.keyboard.press("Escape");
  await plan(page).press("Escape");
  await row(page, only!).click({ button: "right" });
  await expect(page.getByText("With this one")).toBeVisible();
  await page.getByRole("menuitem", { name: "On the shelf" }).click();
  await expect(page).toHaveURL(/\/shelf\?/);
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText("Murk and Silt");

  await page.getByRole("link", { name: /^Plan/ }).click();
  await plan(page).press("Control+a");
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText("83");

  // Sections are folded by keyboard: the row before the folded section has the focus then.
  await page.keyboard.press("Home");
  const bands = page.getByRole("button", { name: /^Unfold / });
  await page.keyboard.press("ArrowLeft");
  await expect(bands).toHaveCount(1);
  await expect.poll(async () => (await selected(page)).length).toBe(1);
  await page.keyboard.press("ArrowLeft");
  await expect(bands).toHaveCount(2);
  await page.keyboard.press("ArrowRight");
  await expect(bands).toHaveCount(1);
});

test("the plan has headings that are read, sort it to be looked at by mouse and keyboard, and lead back", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  const heading = (name: string) => page.getByRole("columnheader", { name, exact: true });
  await expect(plan(page).getByRole("columnheader")).toHaveCount(5);
  await expect(heading("Seat")).toHaveAttribute("aria-sort", "ascending");
  const [head, cell] = await Promise.all([
    heading("Class").boundingBox(),
    row(page, "Brinehollow.keel").getByText("built in", { exact: true }).boundingBox(),
  ]);
  expect(Math.abs(head!.x - cell!.x)).toBeLessThan(2);

  await plan(page).focus();
  await page.keyboard.press("Home");
  await page.keyboard.press("ArrowUp");
  const active = () =>
    plan(page)
      .or(page.getByRole("grid", { name: "Plugins, sorted to look at" }))
      .evaluate((grid) =>
        document.getElementById(grid.getAttribute("aria-activedescendant")!)?.textContent?.trim(),
      );
  expect(await active()).toBe("Plugin");
  await page.keyboard.press("Enter");
  const sorted = page.getByRole("grid", { name: "Plugins, sorted to look at" });
  await expect(heading("Plugin")).toHaveAttribute("aria-sort", "ascending");
  const first = () =>
    sorted
      .locator("[data-item]")
      .evaluateAll((rows) =>
        rows.slice(0, 5).map((each) => (each as HTMLElement).dataset.item!.toLowerCase()),
      );
  expect(await first()).toEqual([...(await first())].sort());
  await page.keyboard.press("Enter");
  await expect(heading("Plugin")).toHaveAttribute("aria-sort", "descending");
  expect(await first()).toEqual([...(await first())].sort().reverse());
  await page.keyboard.press("Enter");
  await expect(plan(page)).toBeVisible();
  await page.keyboard.press("ArrowDown");
  expect(await active()).toContain("Brinehollow.keel");

  // Headings stay in sight, and bands below them.
  await page.keyboard.press("End");
  await expect(heading("Plugin")).toBeInViewport();
  await heading("Class").getByRole("button").click();
  await expect(sorted).toBeVisible();
  await page.getByRole("button", { name: "Sort by Seat" }).click();
  await expect(plan(page)).toBeVisible();
});

test("columns of the plan are chosen, made wider and moved by mouse and keyboard, and stay so", async ({
  watched: page,
  seating,
}) => {
  await page.setViewportSize({ width: 1920, height: 1080 });
  await visit(page, `${seating.url}/plan`);
  const heading = (name: string) => page.getByRole("columnheader", { name, exact: true });
  const names = () => page.getByRole("grid").getByRole("columnheader").allInnerTexts();
  expect((await names()).map((name) => name.trim())).toEqual([
    "Seat",
    "On",
    "Plugin",
    "State",
    "Class",
    "Mod",
  ]);

  await plan(page).focus();
  await page.keyboard.press("Home");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("ArrowRight");
  const width = async (name: string) => (await heading(name).boundingBox())!.width;
  const before = await width("State");
  await page.keyboard.press("Alt+ArrowRight");
  await expect.poll(() => width("State")).toBe(before + 16);
  await page.keyboard.press("Control+ArrowRight");
  expect((await names()).map((name) => name.trim()).slice(3)).toEqual(["Class", "State", "Mod"]);
  await heading("Class").click({ button: "right" });
  await page.getByRole("menuitem", { name: "Hide this column" }).click();
  await expect(heading("Class")).toHaveCount(0);
  await page.getByRole("button", { name: "Columns", exact: true }).click();
  await page.getByRole("checkbox", { name: "Masters" }).check();
  await page.keyboard.press("Escape");
  await heading("Masters").getByRole("button").click();
  await heading("Masters").getByRole("button").click();
  const most = page.getByRole("grid", { name: "Plugins, sorted to look at" }).locator("[data-item]").first();
  expect(Number(await most.getByRole("gridcell").nth(3).innerText())).toBeGreaterThan(2);
  // At once: what was chosen last is stored as the window goes.
  await page.reload();
  await expect(heading("Seat")).toBeVisible();
  await expect
    .poll(async () => (await names()).map((name) => name.trim()).slice(3))
    .toEqual(["Masters ↓", "State", "Mod"]);
  expect(await width("State")).toBe(before + 16);

  // Where there is no room for its column, the mark of a state stands beside the name.
  await page.setViewportSize({ width: 640, height: 800 });
  await expect(heading("Mod")).toHaveCount(0);
  await expect(heading("Plugin")).toBeVisible();
});

test("the plan is kept between views and in its address: list, item, folded sections, filter, sort", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await find(page, "Glass Tides.plank");
  await page.getByRole("button", { name: "Fold Interface" }).click();
  await page.getByRole("button", { name: "Filter" }).click();
  const bar = page.getByRole("search", { name: "Filter of the plan" });
  await bar.getByLabel("Filter by name").fill("tides");
  await expect(bar.getByRole("status")).toHaveText(/^\d+ of \d+$/);
  const shown = await bar.getByRole("status").innerText();
  await expect(page).toHaveURL(/item=Glass\+Tides\.plank.*fold=interface.*q=tides/);
  const address = page.url();

  // To another view and back, by the rail.
  await page.getByRole("link", { name: /^Rules/ }).click();
  await page.getByRole("heading", { name: "Rules", level: 1 }).waitFor();
  await page.getByRole("link", { name: /^Plan/ }).click();
  await expect(bar.getByRole("status")).toHaveText(shown);
  await expect(row(page, "Glass Tides.plank").locator("xpath=..")).toHaveAttribute("aria-selected", "true");

  // In another window.
  await page.goto("about:blank");
  await page.goto(address);
  await expect(bar.getByRole("status")).toHaveText(shown);
  await expect(row(page, "Glass Tides.plank").locator("xpath=..")).toHaveAttribute("aria-selected", "true");
  await bar.getByRole("button", { name: "Show all" }).click();
  await expect(page.getByRole("button", { name: "Unfold Interface" })).toHaveCount(1);

  // The mod that is looked at on the shelf stays in the address too.
  await page.goto(`${seating.url}/shelf?mod=glass-tides`);
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText("Glass Tides");
  await expect(page).toHaveURL(/mod=glass-tides/);
});
