import { expect, find, row, seatOf, stored, test } from "./fixtures";

test.beforeEach(async ({ watched: page }) => {
  await page.getByRole("link", { name: /^Plan/ }).click();
  await row(page, "Brinehollow.keel").waitFor();
});

test("several rows are selected and dragged together, keep their order, and go back with one undo", async ({
  watched: page,
}) => {
  await find(page, "Quiet Compass.skiff");
  const [first, second] = [
    await seatOf(page, "Quiet Compass.skiff"),
    await seatOf(page, "Shallow Dials.skiff"),
  ];
  await row(page, "Quiet Compass.skiff").click();
  await row(page, "Shallow Dials.skiff").click({ modifiers: ["Shift"] });
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText(
    "2 plugins are selected",
  );
  // Away from the lower edge, where the list would scroll under the pointer.
  await page.mouse.wheel(0, 160);
  await page.waitForTimeout(300);
  const [start, end] = [
    await row(page, "Quiet Compass.skiff").boundingBox(),
    await row(page, "Verdigris Dials.plank").boundingBox(),
  ];
  await page.mouse.move(start!.x + 400, start!.y + 16);
  await page.mouse.down();
  await page.mouse.move(start!.x + 404, start!.y + 26);
  await page.mouse.move(end!.x + 400, end!.y + 30, { steps: 12 });
  await expect(page.getByTestId("carry")).toContainText(/2 plugins: after C9 Verdigris Dials\.plank in C/);
  await page.mouse.up();
  await stored(page);
  const number = (seat: string) => Number(seat.slice(1));
  const [newFirst, newSecond] = [
    await seatOf(page, "Quiet Compass.skiff"),
    await seatOf(page, "Shallow Dials.skiff"),
  ];
  expect(number(newSecond) - number(newFirst)).toBe(1);
  expect(number(newFirst)).toBeGreaterThan(number(first));
  await page.getByRole("button", { name: /^Undo: move Quiet Compass\.skiff and 1 more to C/ }).click();
  await expect.poll(() => seatOf(page, "Quiet Compass.skiff")).toBe(first);
  expect(await seatOf(page, "Shallow Dials.skiff")).toBe(second);
});

test("built-in plugins neither move nor switch off, and say why", async ({ watched: page }) => {
  await row(page, "Brinehollow.keel").click();
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText(
    "Built in: the game loads it at this place, always",
  );
  await expect(page.getByRole("button", { name: "Move to…" })).toHaveCount(0);
  await page.getByRole("grid").press("Space");
  await expect(page.locator("[data-message]")).toContainText("A1 Brinehollow.keel is built in");
  await row(page, "Brinehollow.keel").getByRole("switch").click({ force: true });
  await expect(
    page.getByRole("switch", { name: "Brinehollow.keel is built in and always on" }),
  ).toHaveAttribute("aria-checked", "true");
  await expect(page.getByRole("button", { name: "Undo: nothing" })).toBeDisabled();
});

test("the inspector tells why, what needs it, and where else; a typed seat goes there", async ({
  watched: page,
}) => {
  await page.keyboard.press("Control+k");
  await page.keyboard.type("d5");
  await page
    .getByRole("option", { name: /Glass Tides\.plank/ })
    .first()
    .waitFor();
  await page.keyboard.press("Enter");
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(inspector.getByRole("heading", { level: 2 })).toContainText("Glass Tides.plank");
  await expect(inspector).toContainText("After B3 Tidal Core.keel: it is a master of this one.");
  await expect(inspector).toContainText("your rule, “fog must be set first”");
  await expect(inspector).toContainText(
    "Before D1 Tides × Weather.plank: this is a master of it. Broken now.",
  );
  await expect(inspector).toContainText("4 need it, directly or through others");
  await expect(inspector).toContainText(/Can be from C1 to D5 while the others stay/);
  await page.getByRole("button", { name: "Inspector" }).click();
  await expect(inspector).toHaveCount(0);
});

test("a plugin off is not its mod off; one whose mod is off takes it along when it goes on", async ({
  watched: page,
}) => {
  await find(page, "Old Porthole.plank");
  await expect(
    page.getByRole("switch", { name: "Old Porthole.plank is on, but its mod is off" }),
  ).toBeVisible();
  await row(page, "Old Porthole.plank").getByRole("switch").click();
  await expect(page.getByRole("switch", { name: "Old Porthole.plank is on" })).toBeVisible();
  await expect(page.getByRole("contentinfo")).toContainText("59 of 72 mods on");
  await row(page, "Old Porthole.plank").getByRole("switch").click();
  await expect(page.getByRole("switch", { name: "Old Porthole.plank is off" })).toBeVisible();
  await expect(page.getByRole("contentinfo")).toContainText("59 of 72 mods on");
  await page.getByRole("link", { name: "On the shelf" }).click();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(inspector.getByRole("heading", { name: "Porthole Classic" })).toBeVisible();
  await inspector.getByRole("button", { name: "Remove from this profile" }).click();
  await stored(page);
  await expect(inspector.getByRole("button", { name: "Switch on", exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Undo: remove Porthole Classic" }).click();
  await expect(inspector.getByRole("button", { name: "Remove from this profile" })).toBeVisible();
});

test("a circle of masters is shown with its links, and still gives an order", async ({ watched: page }) => {
  await page.getByRole("button", { name: "Profile: Long Descent" }).click();
  await page.getByRole("menuitem", { name: "Harbour Lights" }).click();
  await expect(page.getByRole("button", { name: "Profile: Harbour Lights" })).toBeVisible();
  await page.keyboard.press("Alt+o");
  const notices = page.getByRole("list", { name: "What cannot be kept" });
  await expect(notices).toContainText("2 plugins need one another in a circle");
  await expect(notices).toContainText(/Twin Lanterns East\.plank is a master of .+Twin Lanterns West\.plank/);
  await page.getByRole("button", { name: "Cancel" }).click();
  await expect(page.getByRole("grid", { name: "Plugins in load order" })).toBeVisible();
});
