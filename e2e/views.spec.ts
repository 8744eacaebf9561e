import { expect, test, visit } from "./fixtures";
import { cutOff, overlapping } from "./cut-off";
import { views } from "./views";

test("the theme is kept, and the first paint already has it", async ({ watched: page }) => {
  await page.getByRole("button", { name: "Dark theme" }).click();
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dark");
  await page.getByRole("button", { name: "Light theme" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "light");
});

test("the filter of the shelf lives in the address and says how much it shows", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/shelf?q=kelpwright`);
  await expect(page.getByText(/^\d+ of 72 shown$/)).toBeVisible();
  await expect(page.getByRole("row", { name: /Tidal Core/ })).toBeVisible();
  await page.getByRole("button", { name: "Show all" }).click();
  await expect(page).toHaveURL(/\/shelf\?profile=[^&]+$/);
  await expect(page.getByText("72 of 72 shown")).toBeVisible();
});

for (const size of [
  { width: 320, height: 640 },
  // 1280x800 at 200 %.
  { width: 640, height: 400 },
  { width: 1024, height: 700 },
  { width: 1920, height: 1080 },
]) {
  test(`nothing is cut off or stands over another at ${size.width}x${size.height}`, async ({
    watched: page,
    seating,
  }) => {
    await page.setViewportSize(size);
    for (const view of views) {
      await visit(page, `${seating.url}/${view}`);
      await page.getByRole("heading", { level: 1 }).waitFor();
      expect(await page.evaluate(cutOff), view).toEqual([]);
      expect(await page.evaluate(overlapping), view).toEqual([]);
    }
  });
}
