import type { Locator, Page } from "@playwright/test";
import { expect, find, test, visit } from "./fixtures";

const message = (page: Page, text: string | RegExp) => page.locator("[data-message]", { hasText: text });
const log = (page: Page) => page.getByRole("list", { name: "Message log" });
const tab = (page: Page, name: string) => page.getByRole("tab", { name, exact: true });
const boxOf = async (what: Locator) => (await what.boundingBox())!;

const overlap = (
  a: { x: number; y: number; width: number; height: number },
  b: { x: number; y: number; width: number; height: number },
): boolean => a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

test("what is told stands over nothing, can be acted on from the log, and is kept over a reload", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await find(page, "Brinehollow.keel");
  await page.getByRole("grid", { name: /^Plugins/ }).focus();
  await page.keyboard.press("Alt+ArrowDown");
  const told = message(page, "A1 Brinehollow.keel is built in");
  await expect(told).toBeVisible();
  const place = await boxOf(told);
  for (const other of [
    page.locator("[data-item='Brinehollow.keel']"),
    page.getByRole("grid", { name: /^Plugins/ }),
    page.getByRole("complementary", { name: "Inspector" }),
    page.getByRole("navigation", { name: "Views" }),
    page.getByRole("contentinfo"),
  ])
    expect(overlap(place, await boxOf(other)), String(other)).toBe(false);
  // A pointer that rests on it keeps it.
  await told.hover();
  await page.waitForTimeout(200);
  await told.getByRole("button", { name: "Close the message" }).click();
  await expect(told).toHaveCount(0);

  const bell = page.getByRole("button", { name: "Messages, 1 new" });
  await bell.click();
  await expect(log(page)).toContainText("A1 Brinehollow.keel is built in");
  await expect(page.getByRole("button", { name: "Messages", exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Close the panel" }).click();
  await expect(log(page)).toHaveCount(0);

  await page.reload();
  await page.getByRole("button", { name: "Messages", exact: true }).click();
  await expect(log(page)).toContainText("A1 Brinehollow.keel is built in");
});

test("what was offered with a message is still there in the log, once", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/shelf`);
  const grid = page.getByRole("grid", { name: "Mods on the shelf" });
  const name = "Glass Tides";
  await page.getByLabel("Filter the shelf").fill(name);
  await grid.getByText(name, { exact: true }).first().click({ button: "right" });
  await page.getByRole("menuitem", { name: /^Tag/ }).click();
  await page.getByRole("dialog").getByLabel("Tag").fill("later");
  await page.getByRole("dialog").getByLabel("Tag").press("Enter");
  const told = message(page, /^1 mod .*later/);
  await told.getByRole("button", { name: "Close the message" }).click();
  await page.getByRole("button", { name: /^Messages/ }).click();
  await log(page).getByRole("button", { name: "Undo" }).click();
  await expect(log(page).getByRole("button", { name: "Undo" })).toHaveCount(0);
});

test("by keyboard: the panel below opens with a trial, leaves most of the view, changes its height, and closes with Escape", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await find(page, "Glass Tides.plank");
  const plan = page.getByRole("grid", { name: /^Plugins/ });
  await plan.focus();
  const whole = (await boxOf(page.locator("main"))).height;
  await page.keyboard.press("Alt+t");
  await expect(page.getByRole("region", { name: "Trial" })).toBeVisible();
  await expect(
    page.getByRole("button", { name: "Write this profile’s order and start", exact: true }),
  ).toBeFocused();
  const left = (await boxOf(page.locator("main"))).height;
  expect(left).toBeGreaterThan(whole / 2);

  const edge = page.getByRole("separator", { name: "Height of the panel" });
  await edge.focus();
  await page.keyboard.press("ArrowDown");
  await expect.poll(async () => (await boxOf(page.locator("main"))).height).toBeGreaterThan(left);
  const lower = (await boxOf(page.locator("main"))).height;

  await tab(page, "Trial").focus();
  await page.keyboard.press("ArrowRight");
  await expect(tab(page, "Queue")).toHaveAttribute("aria-selected", "true");
  await page.keyboard.press("ArrowRight");
  await expect(tab(page, "History")).toHaveAttribute("aria-selected", "true");
  await page.keyboard.press("ArrowRight");
  await expect(tab(page, "Messages")).toBeFocused();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("tablist", { name: "Panel" })).toHaveCount(0);

  await page.reload();
  await page.getByRole("button", { name: /^Messages/ }).click();
  await expect.poll(async () => Math.abs((await boxOf(page.locator("main"))).height - lower)).toBeLessThan(3);
  await expect(page.getByRole("separator", { name: "Height of the panel" })).toBeVisible();
});

test("rail and inspector change their width by mouse and keyboard, fold, and are found so again in every view", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  const rail = page.getByRole("navigation", { name: "Views" });
  const width = async (what: Locator) => (await boxOf(what)).width;
  const before = await width(inspector);
  const edge = await boxOf(page.getByRole("separator", { name: "Width of the inspector" }));
  await page.mouse.move(edge.x, edge.y + 300);
  await page.mouse.down();
  await page.mouse.move(edge.x - 80, edge.y + 300, { steps: 5 });
  await page.mouse.up();
  await expect.poll(() => width(inspector)).toBeGreaterThan(before + 70);
  const wide = await width(inspector);

  await page.getByRole("link", { name: "Shelf" }).first().click();
  await expect(page.getByRole("heading", { name: "Shelf", level: 1 })).toBeVisible();
  await expect.poll(async () => Math.abs((await width(inspector)) - wide)).toBeLessThan(3);

  const railEdge = page.getByRole("separator", { name: "Width of the rail" });
  await railEdge.focus();
  const narrow = await width(rail);
  await page.keyboard.press("ArrowRight");
  await expect.poll(() => width(rail)).toBeGreaterThan(narrow);
  await page.getByRole("button", { name: "Narrow the rail" }).press("Enter");
  await expect.poll(() => width(rail)).toBeLessThan(60);
  await page.getByRole("button", { name: "Inspector" }).press("Enter");
  await expect(inspector).toHaveCount(0);

  await page.reload();
  await expect(page.getByRole("heading", { name: "Shelf", level: 1 })).toBeVisible();
  await expect(inspector).toHaveCount(0);
  expect(await width(rail)).toBeLessThan(60);
  await page.getByRole("button", { name: "Inspector" }).click();
  await expect.poll(async () => Math.abs((await width(inspector)) - wide)).toBeLessThan(3);
});

test("where there is no room beside, the inspector comes over the view and gives the focus back", async ({
  watched: page,
  seating,
}) => {
  await page.setViewportSize({ width: 640, height: 400 });
  await visit(page, `${seating.url}/plan`);
  await expect(page.getByRole("complementary", { name: "Inspector" })).toHaveCount(0);
  const button = page.getByRole("button", { name: "Inspector" });
  await button.press("Enter");
  const sheet = page.getByRole("dialog", { name: "Inspector" });
  await expect(sheet).toContainText("What is where");
  await page.keyboard.press("Escape");
  await expect(sheet).toHaveCount(0);
  await expect(button).toBeFocused();
});
