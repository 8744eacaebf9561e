import { readdir, rm } from "node:fs/promises";
import { join } from "node:path";
import { expect, find, finding, shelfFolder, test } from "./fixtures";

test("what is missing is got where it is reported, with what it needs, and once", async ({
  watched: page,
  seating,
}) => {
  const lying = async (name: string) => (await readdir(shelfFolder)).filter((each) => each.startsWith(name));
  for (const name of ["Glass Tides", "Tidal Core"])
    for (const file of await lying(name)) await rm(join(shelfFolder, file), { recursive: true });
  await page.goto(`${seating.url}/overview`);
  await page.getByRole("button", { name: "Scan for changes" }).click();
  await page.getByText(/^\d+ items: /).waitFor();
  await expect(page.getByRole("link", { name: "2 mods of this profile not on the shelf" })).toBeVisible();
  await page.goto(`${seating.url}/health?by=single`);
  await finding(page, /Glass Tides.*version/)
    .first()
    .click();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(
    inspector.getByRole("button", { name: "Get it, with the one it needs" }).first(),
  ).toBeVisible();

  // In the plan and on the shelf the same; whatever was asked for once says so everywhere.
  await find(page, "Glass Tides.plank");
  await expect(
    page
      .getByRole("complementary", { name: "Inspector" })
      .getByRole("button", { name: /^Get it/ })
      .first(),
  ).toBeVisible();
  await page.goto(`${seating.url}/shelf?state=missing`);
  const row = page.getByRole("row", { name: /Glass Tides/ });
  await row.getByRole("button", { name: "Get it", exact: true }).click();
  await expect(row.getByRole("button", { name: "In the depot’s queue" })).toBeDisabled();
  await page.goto(`${seating.url}/health?by=single`);
  await finding(page, /Glass Tides.*version/)
    .first()
    .click();
  await expect(page.getByRole("button", { name: "In the depot’s queue" }).first()).toBeVisible();
  await page.goto(`${seating.url}/depot`);
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page.getByText(/^Glass Tides/).first()).toBeVisible();
  await expect.poll(() => lying("Glass Tides"), { timeout: 60_000 }).toHaveLength(1);
  await expect.poll(() => lying("Tidal Core"), { timeout: 60_000 }).toHaveLength(1);
  await page.goto(`${seating.url}/overview`);
  await expect(page.getByRole("link", { name: /not on the shelf$/ })).toHaveCount(0);
  await page.goto(`${seating.url}/health`);
  await expect(page.getByRole("button", { name: /^Get |^On its way|^Waits/ })).toHaveCount(0);
});
