import type { Page } from "@playwright/test";
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

const sizes = [
  { width: 1920, height: 1080 },
  { width: 1024, height: 700 },
  // 1280x800 at 200 %.
  { width: 640, height: 400 },
  { width: 320, height: 640 },
];

/** The window in another size, laid out. */
async function resize(page: Page, size: (typeof sizes)[number]): Promise<void> {
  await page.setViewportSize(size);
  await page.evaluate(
    () => new Promise((laidOut) => requestAnimationFrame(() => requestAnimationFrame(laidOut))),
  );
}

for (const half of [1, 2]) {
  test(`nothing is cut off or stands over another in a window of whatever size, half ${half}`, async ({
    watched: page,
    seating,
  }) => {
    for (const view of views.filter((_, at) => at % 2 === half - 1)) {
      await resize(page, sizes[0]!);
      await visit(page, `${seating.url}/${view}`);
      await page.getByRole("heading", { level: 1 }).waitFor();
      for (const size of sizes) {
        await resize(page, size);
        const told = `${view} at ${size.width}x${size.height}`;
        await expect.poll(() => page.evaluate(cutOff), told).toEqual([]);
        await expect.poll(() => page.evaluate(overlapping), told).toEqual([]);
      }
    }
  });
}
