import { expect, find, row, stored, test } from "./fixtures";

test("a newer version waits to be taken: what it changes is read, it is taken, undone, and an older one is taken by itself", async ({
  watched: page,
  seating,
}) => {
  await page.getByRole("button", { name: /^Game:/ }).click();
  await page.getByRole("menuitem", { name: /Kitefall Cup/ }).click();
  await expect(page.getByRole("button", { name: /^Game: Kitefall/ })).toBeVisible();
  await page.getByRole("button", { name: /^Profile:/ }).click();
  await page.getByRole("menuitem", { name: /Bare Field/ }).click();
  await expect(page.getByRole("button", { name: /^Profile: Bare Field/ })).toBeVisible();
  await page.goto(`${seating.url}/overview`);
  const finding = page.locator("#findings li", { hasText: "1 mod has a newer version here" });
  await finding.getByRole("button", { name: "See what they change" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText("Seam Repair: 1.0.0 → 1.1.0");
  await expect(dialog).toContainText("1 requirement new: bridle-kit");
  await expect(dialog).toContainText("1 file new: skies/plain-2.dat");
  await expect(dialog).toContainText("2 files changed: kites/plain-3.dat, seating-mod.json");
  await dialog.getByRole("button", { name: "Take 1 version" }).click();
  await expect(finding).toHaveCount(0);
  await page.getByRole("button", { name: /^Undo: take Seam Repair 1\.1\.0/ }).click();
  await expect(finding).toBeVisible();

  await page.goto(`${seating.url}/shelf?q=seam+repair`);
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await page
    .getByRole("row", { name: /Seam Repair/ })
    .first()
    .click();
  await inspector.getByRole("button", { name: "Take 1.1.0…" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Take 1 version" }).click();
  await expect(inspector.getByRole("button", { name: "Take 1.0.0…" })).toBeVisible();
  await stored(page);
  await seating.restart();
  await page.goto(`${seating.url}/shelf?q=seam+repair`);
  await page
    .getByRole("row", { name: /Seam Repair/ })
    .first()
    .click();
  await expect(inspector.getByRole("button", { name: "Take 1.0.0…" })).toBeVisible();
});

test("a file is left out of the profile and brought back, and its plugin does not load meanwhile", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/plan`);
  await find(page, "Quiet Compass.skiff");
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await inspector.getByRole("button", { name: /^Show its \d+ files$/ }).click();
  await inspector.getByRole("button", { name: "Leave out Quiet Compass.skiff" }).click();
  await expect(row(page, "Quiet Compass.skiff").getByRole("switch")).toHaveAccessibleName(
    /its file is left out of this profile/,
  );
  await expect(inspector).toContainText("1 left out");
  await stored(page);
  await seating.restart();
  await page.goto(`${seating.url}/plan`);
  await find(page, "Quiet Compass.skiff");
  await inspector.getByRole("button", { name: /^Show its \d+ files, 1 left out$/ }).click();
  await inspector.getByRole("button", { name: "Bring back Quiet Compass.skiff" }).click();
  await expect(row(page, "Quiet Compass.skiff").getByRole("switch")).toHaveAccessibleName(/is on$/);
});
