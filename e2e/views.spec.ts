import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Page } from "@playwright/test";
import { expect, find, test, visit } from "./fixtures";

const axe = readFileSync(createRequire(__filename).resolve("axe-core/axe.min.js"), "utf8");

interface AxeResult {
  readonly violations: readonly {
    readonly id: string;
    readonly impact: string;
    readonly nodes: readonly { readonly html: string }[];
  }[];
}

interface AxeWindow {
  readonly axe: { readonly run: (context: Document, options: object) => Promise<AxeResult> };
}

/** What depends on the theme is looked at in both. */
const passes = [
  { theme: "dark", options: { runOnly: ["color-contrast", "link-in-text-block"] } },
  { theme: "light", options: {} },
] as const;

/** Every serious fault of what is shown, by an automatic check. */
async function faultsOf(page: Page): Promise<string[]> {
  // Not by an element, which the page's own policy refuses.
  await page.evaluate(axe);
  const faults: string[] = [];
  for (const { theme, options } of passes) {
    const { violations } = await page.evaluate(
      ([theme, options]) => {
        document.documentElement.dataset.theme = theme;
        return (globalThis as unknown as AxeWindow).axe.run(document, options);
      },
      [theme, options] as const,
    );
    for (const { id, impact, nodes } of violations)
      if (impact === "serious" || impact === "critical")
        faults.push(`${theme}: ${id} ${nodes[0]!.html.slice(0, 160)}`);
  }
  return faults;
}

test("an automatic check of every view finds nothing serious", async ({ watched: page, seating }) => {
  const check = async (what: string) => expect(await faultsOf(page), what).toEqual([]);
  for (const view of [
    "overview",
    "shelf",
    "plan",
    "rules",
    "lineups",
    "lineups?part=in",
    "lineups?part=following",
    "profiles",
    "depot",
    "settings",
  ]) {
    await visit(page, `${seating.url}/${view}`);
    if (view === "plan") await find(page, "Glass Tides.plank");
    if (view === "shelf") await page.getByRole("row", { name: /Glass Tides/ }).click();
    if (view === "rules") await page.getByRole("button", { name: /Glass Tides/ }).click();
    if (view === "profiles")
      await page.getByRole("combobox", { name: "Compare it with" }).selectOption({ label: "All at Once" });
    if (view === "profiles") await page.getByText(/differences from All at Once$/).waitFor();
    await check(view);
  }
  await page.goto(`${seating.url}/shelf?q=instrument`);
  await page.getByRole("row", { name: /Instrument Room/ }).click();
  await page.getByRole("button", { name: "Choose its parts…" }).click();
  await check("parts");
  await page.keyboard.press("Escape");
  for (const name of ["Tags", "More", "Saved", "Columns"]) {
    await page.getByRole("button", { name, exact: true }).click();
    await check(name);
    await page.keyboard.press("Escape");
  }
  await page.getByRole("button", { name: /^With these/ }).click();
  await page.getByRole("menuitem", { name: /^Drop/ }).click();
  await check("drop");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Alt+p");
  await check("another profile");
  await page.keyboard.press("Escape");
  await page.goto(`${seating.url}/plan`);
  await find(page, "Glass Tides.plank");
  await page.getByRole("button", { name: "Remember…" }).click();
  await check("rule dialog");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Sections", exact: true }).click();
  await check("sections");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Alt+m");
  await page.getByLabel("Where to").fill("C4");
  await check("move to");
  await page.keyboard.press("Escape");
  await page.getByRole("radio", { name: "mods" }).click();
  await page.getByRole("button", { name: "Write a note…" }).click();
  await check("mods and a note");
  await page.getByRole("radio", { name: "plugins" }).click();
  await page.getByRole("button", { name: "Filter" }).click();
  await page.getByLabel("Show what is called").fill("tide");
  await check("filter");
  await page.keyboard.press("Alt+o");
  await page.getByRole("heading", { name: /no valid order moves fewer/ }).waitFor();
  await check("proposal");
  await page.keyboard.press("Alt+t");
  await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText(/running|stopped/);
  await check("trial");
});

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
  { width: 1024, height: 700 },
  { width: 1920, height: 1080 },
]) {
  test(`nothing is cut off at ${size.width}x${size.height}`, async ({ watched: page, seating }) => {
    await page.setViewportSize(size);
    for (const view of ["overview", "shelf", "plan", "rules", "lineups", "lineups?part=in", "depot"]) {
      await visit(page, `${seating.url}/${view}`);
      const over = await page.evaluate(() => [
        document.documentElement.scrollWidth - innerWidth,
        document.querySelector("header")!.scrollWidth - document.querySelector("header")!.clientWidth,
      ]);
      expect(over, view).toEqual([0, 0]);
    }
  });
}
