import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Page } from "@playwright/test";
import { choose, expect, find, test, visit } from "./fixtures";
import { views } from "./views";

const axe = readFileSync(createRequire(__filename).resolve("axe-core/axe.min.js"), "utf8");

interface AxeResult {
  readonly violations: readonly {
    readonly id: string;
    readonly impact: string;
    readonly nodes: readonly { readonly html: string }[];
  }[];
}

interface AxeWindow {
  readonly axe: { readonly run: (context: string, options: object) => Promise<AxeResult> };
}

/** What depends on the theme is looked at in both. */
const passes = [
  { theme: "dark", options: { runOnly: ["color-contrast", "link-in-text-block"] } },
  { theme: "light", options: {} },
] as const;

/** Every fault of what is shown, of whatever level, by an automatic check. */
async function faultsOf(page: Page, within: string): Promise<string[]> {
  // Not by an element, which the page's own policy refuses.
  await page.evaluate(axe);
  const faults: string[] = [];
  for (const { theme, options } of passes) {
    const { violations } = await page.evaluate(
      ([theme, options, within]) => {
        document.documentElement.dataset.theme = theme;
        return (globalThis as unknown as AxeWindow).axe.run(within, options);
      },
      [theme, options, within] as const,
    );
    for (const { id, impact, nodes } of violations)
      faults.push(`${theme}: ${id} (${impact}) ${nodes[0]!.html.slice(0, 160)}`);
  }
  return faults;
}

const check = async (page: Page, what: string, within = "html") =>
  expect(await faultsOf(page, within), what).toEqual([]);

/** An open menu by itself: what lies behind it is hidden from everybody, as from this check. */
const checkMenu = (page: Page, what: string) => check(page, what, "[role=menu]");

/** In two halves, which can be checked side by side. */
const halves = [views.filter((_, at) => at % 2 === 0), views.filter((_, at) => at % 2 === 1)];

for (const [half, own] of halves.entries())
  test(`an automatic check of every view finds nothing, half ${half + 1}`, async ({
    watched: page,
    seating,
  }) => {
    for (const view of own) {
      await visit(page, `${seating.url}/${view}`);
      // A page of the guide is read once it is shown.
      await page.getByRole("heading", { level: 1 }).first().waitFor();
      if (view.startsWith("conflicts")) await page.getByText("Reading…").waitFor({ state: "detached" });
      if (view === "plan") await find(page, "Glass Tides.plank");
      if (view === "shelf") await page.getByRole("row", { name: /Glass Tides/ }).click();
      if (view === "rules") await page.getByRole("button", { name: /Glass Tides/ }).click();
      if (view === "profiles") await choose(page.getByLabel("Compare it with"), "All at Once");
      if (view === "profiles") await page.getByText(/differences from All at Once$/).waitFor();
      await check(page, view);
    }
  });

test("nor of dialogs and menus", async ({ watched: page, seating }) => {
  await visit(page, `${seating.url}/shelf?q=instrument`);
  await page.getByRole("row", { name: /Instrument Room/ }).click();
  await page.getByRole("button", { name: "Choose its parts…" }).click();
  await check(page, "parts");
  await page.keyboard.press("Escape");
  for (const name of ["Tags", "More", "Saved", "Columns"]) {
    await page.getByRole("button", { name, exact: true }).click();
    await check(page, name);
    await page.keyboard.press("Escape");
  }
  await page.getByRole("button", { name: "Add mods" }).click();
  await checkMenu(page, "add mods");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: /^With these/ }).click();
  await page.getByRole("menuitem", { name: /^Move 1 to bin/ }).click();
  await check(page, "drop");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Alt+p");
  await check(page, "another profile");
  await page.keyboard.press("Escape");
  await page.keyboard.press("?");
  await check(page, "keys");
  await page.keyboard.press("Escape");
  await visit(page, `${seating.url}/plan`);
  await find(page, "Glass Tides.plank");
  await page.getByRole("button", { name: "Remember…" }).click();
  await check(page, "rule dialog");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Sections", exact: true }).click();
  await check(page, "sections");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Alt+m");
  await page.getByLabel("Where to").fill("C4");
  await check(page, "move to");
  await page.keyboard.press("Escape");
  await page.getByRole("grid").press("Shift+F10");
  await checkMenu(page, "the menu of the plan");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Alt+t");
  await page.getByRole("button", { name: "Ways to start …" }).click();
  await page.getByRole("form", { name: "A way of your own" }).waitFor();
  await check(page, "ways to start");
});

test("nor of states: while carrying, searching, told something, with a panel, in a narrow window", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await page.getByRole("radio", { name: "mods" }).click();
  await find(page, "Glass Tides.plank");
  await page.getByRole("radio", { name: "mods" }).click();
  await page.getByRole("button", { name: "Write a note…" }).click();
  await check(page, "mods and a note");
  await page.getByRole("radio", { name: "plugins" }).click();
  await page.getByRole("grid").press("Space");
  await page.keyboard.press("PageUp");
  await check(page, "carrying");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Filter" }).click();
  await page.getByLabel("Filter by name").fill("tide");
  await check(page, "filter");
  await page.getByRole("button", { name: "Show all" }).click();
  await page.keyboard.press("Control+k");
  await page.keyboard.type("re");
  await check(page, "command field");
  await page.keyboard.press("Control+a");
  await page.keyboard.type("zzzz");
  await check(page, "command field that finds nothing");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Alt+o");
  await page.getByRole("heading", { name: /no valid order moves fewer/ }).waitFor();
  await check(page, "proposal");
  await page.keyboard.press("Alt+t");
  await check(page, "what a trial asks");
  await page.getByRole("button", { name: "Start with what is written", exact: true }).click();
  await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText(/^ran$|stopped/);
  await check(page, "trial");
  for (const name of ["History", "Queue", "Messages"]) {
    await page.getByRole("tab", { name, exact: true }).click();
    await check(page, name);
  }
  await page.setViewportSize({ width: 320, height: 640 });
  await check(page, "narrow");
  await page.getByRole("button", { name: "Views" }).click();
  await check(page, "the rail over a narrow window");
});

test("in forced colours switches, gauges, the free range and what is selected keep their meaning", async ({
  watched: page,
  seating,
}) => {
  await page.emulateMedia({ forcedColors: "active" });
  await visit(page, `${seating.url}/plan`);
  await page.getByRole("grid").focus();
  await page.keyboard.type("old porthole");
  const ground = (selector: string, pseudo?: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((each, of) => getComputedStyle(each, of).backgroundColor, pseudo);
  const on = "[role=switch][aria-checked=true]:not([aria-disabled]) > span";
  const off = "[data-item] [role=switch][aria-checked=false] > span";
  expect(await ground(on)).not.toBe(await ground(off));
  expect(await ground(`${on} > span`)).not.toBe(await ground(on));
  expect(await ground(`${off} > span`)).not.toBe(await ground(off));
  expect(await ground("[role=meter] > span")).not.toBe(await ground("[role=meter]"));
  expect(await ground("[aria-selected=true] [data-item]", "::before")).not.toBe(await ground("[data-item]"));
  const range = page.getByText(/^Can be/).locator("xpath=following::div[1]");
  const [run, mark] = await range
    .locator("span")
    .evaluateAll((spans) =>
      [spans.at(0)!, spans.at(-1)!].map((each) => getComputedStyle(each).backgroundColor),
    );
  expect(new Set([run, mark, await ground("main")]).size).toBe(3);
});
