import { writeFile } from "node:fs/promises";
import { join } from "node:path";
import { strToU8, zipSync } from "fflate";
import { expect, find, finding, row, shelfFolder, stored, takeWayOut, test } from "./fixtures";

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
  await page.goto(`${seating.url}/health`);
  const newer = finding(page, "has a newer version here");
  await takeWayOut(page, "has a newer version here", /See what they change/);
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText("Seam Repair: 1.0.0 → 1.1.0");
  await expect(dialog).toContainText("1 requirement new: bridle-kit");
  await expect(dialog).toContainText("1 file new: skies/plain-2.dat");
  await expect(dialog).toContainText("2 files changed: kites/plain-3.dat, seating-mod.json");
  await dialog.getByRole("button", { name: "Take 1 version" }).click();
  await expect(newer).toHaveCount(0);
  await page.getByRole("button", { name: /^Undo: take Seam Repair 1\.1\.0/ }).click();
  await expect(newer).toBeVisible();

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
  await inspector.getByRole("switch", { name: "Leave out Quiet Compass.skiff" }).click();
  await expect(row(page, "Quiet Compass.skiff").getByRole("switch")).toHaveAccessibleName(
    /its file is left out of this profile/,
  );
  await expect(inspector).toContainText("1 left out");
  await stored(page);
  await seating.restart();
  await page.goto(`${seating.url}/plan`);
  await find(page, "Quiet Compass.skiff");
  await inspector.getByRole("button", { name: /^Show its \d+ files, 1 left out$/ }).click();
  await inspector.getByRole("switch", { name: "Bring back Quiet Compass.skiff" }).click();
  await expect(row(page, "Quiet Compass.skiff").getByRole("switch")).toHaveAccessibleName(/is on$/);

  // Several at once, by keyboard.
  const files = inspector.getByRole("grid", { name: "Files of Quiet Compass" });
  await files.focus();
  await page.keyboard.press("Control+a");
  await page.keyboard.press("Delete");
  await expect(files.getByRole("switch", { name: /^Bring back / })).toHaveCount(3);
  await page.getByRole("button", { name: /^Undo: leave 3 files of .* out$/ }).click();
  await expect(files.getByRole("switch", { name: /^Leave out / })).toHaveCount(3);
});

test("archives that only their names make one mod are asked about once, and one is named anew", async ({
  watched: page,
  seating,
}) => {
  const archive = zipSync({ "textures/sail.tex": strToU8("one") });
  await writeFile(join(shelfFolder, "Common Sail-1.0.zip"), archive);
  await writeFile(join(shelfFolder, "Common Sail-1.1.zip"), zipSync({ "textures/sail.tex": strToU8("two") }));
  await page.goto(`${seating.url}/shelf?q=common+sail`);
  await page.getByRole("button", { name: "Scan for changes" }).click();
  const asked = page.getByRole("region", { name: "Versions or mods of their own" });
  await expect(asked).toContainText("Common Sail-1.0.zip, Common Sail-1.1.zip");
  await asked.getByRole("button", { name: "Mods of their own" }).click();
  await expect(asked).toHaveCount(0);
  await page
    .getByRole("row", { name: /Common Sail/ })
    .first()
    .click();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await inspector.getByRole("button", { name: "Name and version of…" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Name").fill("Sail of the Commons");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole("row", { name: /Sail of the Commons/ })).toBeVisible();
  await seating.restart();
  await page.goto(`${seating.url}/shelf?q=sail`);
  await page.getByRole("button", { name: "Scan for changes" }).click();
  await expect(page.getByRole("row", { name: /Sail of the Commons/ })).toBeVisible();
  await expect(asked).toHaveCount(0);
});
