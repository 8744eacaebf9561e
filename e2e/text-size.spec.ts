import { mkdir, mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import config from "../playwright.config";
import { cutOff, overlapping } from "./cut-off";
import { expect, test, visit } from "./fixtures";
import { views } from "./views";

/** Pixels that the browser's user has chosen for text, instead of 16. */
const large = 24;

test("text follows the size that is set in the browser, with nothing cut off", async ({ seating }) => {
  const folder = await mkdtemp(join(tmpdir(), "seating-large-"));
  await mkdir(join(folder, "Default"));
  const preferences = { webkit: { webprefs: { default_font_size: large } } };
  await writeFile(join(folder, "Default", "Preferences"), JSON.stringify(preferences));
  const { launchOptions = {}, viewport } = config.use!;
  const context = await chromium.launchPersistentContext(folder, {
    ...launchOptions,
    viewport: viewport ?? null,
  });
  try {
    const page = context.pages()[0] ?? (await context.newPage());
    await visit(page, `${seating.url}/plan`);
    const row = page.locator("[data-item]").first();
    const size = await row.evaluate((each) => [
      parseFloat(getComputedStyle(each).fontSize),
      each.getBoundingClientRect().height,
    ]);
    expect(size).toEqual([large * 0.8125, 32 * (large / 16)]);
    for (const view of views) {
      await visit(page, `${seating.url}/${view}`);
      await page.getByRole("heading", { level: 1 }).waitFor();
      expect(await page.evaluate(cutOff), view).toEqual([]);
      expect(await page.evaluate(overlapping), view).toEqual([]);
      expect(await page.evaluate(lowerThanText), view).toEqual([]);
    }
  } finally {
    await context.close();
    await rm(folder, { recursive: true, force: true });
  }
});

/** What is not as high as the lines of text in it. */
function lowerThanText(): string[] {
  const found: string[] = [];
  for (const each of document.querySelectorAll<HTMLElement>("main *, header *, footer *")) {
    if (each.closest(".sr-only, svg") || each.childElementCount > 0 || !each.textContent?.trim()) continue;
    // Only for those who hear it.
    if (each.getBoundingClientRect().width <= 1) continue;
    const range = document.createRange();
    range.selectNodeContents(each);
    const text = range.getBoundingClientRect();
    for (let around: HTMLElement | null = each; around; around = around.parentElement) {
      const { overflowY } = getComputedStyle(around);
      if (["auto", "scroll"].includes(overflowY)) break;
      const { top, bottom } = around.getBoundingClientRect();
      if (overflowY === "hidden" && (text.top < top - 2 || text.bottom > bottom + 2))
        found.push(`${each.textContent.slice(0, 40)} in ${around.outerHTML.slice(0, 100)}`);
    }
  }
  return [...new Set(found)].slice(0, 5);
}
