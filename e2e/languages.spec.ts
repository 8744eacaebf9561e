import { mkdir, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { choose, expect, home, test, visit } from "./fixtures";
import { views } from "./views";

const catalogue = async (tag: string) =>
  JSON.parse(await readFile(join("languages", `${tag}.json`), "utf8")) as Record<string, string>;

const language = (page: Page, name: string) => page.getByRole("combobox", { name });

test("the language is switched without a reload, and holds over one, in another window and for what the server says", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/settings?part=appearance`);
  await page.evaluate(() => Object.assign(window, { isSame: true }));
  await choose(language(page, "Language"), "Deutsch");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Einstellungen von Brinehollow");
  await expect(language(page, "Sprache")).toBeFocused();
  await expect(page.locator("html")).toHaveAttribute("lang", "de");
  expect(await page.evaluate(() => "isSame" in window)).toBe(true);
  await page.reload();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Einstellungen von Brinehollow");
  await page.getByRole("link", { name: /^Profile/ }).click();
  await page.getByRole("button", { name: "Neues Profil…" }).click();
  await page.getByLabel("Name").fill("Long Descent");
  await page.getByRole("button", { name: "Profil anlegen" }).click();
  await expect(page.getByText("Es gibt schon ein Profil namens „Long Descent“.")).toBeVisible();
  // What stands beside a heading is there in every language.
  await visit(page, `${seating.url}/settings?part=definition`);
  await expect(page.getByRole("combobox", { name: "Art der Datei" })).toBeVisible();
  await expect(page.getByText("An einem Plugin ausprobieren:")).toBeVisible();
  const missing = await page.request.get(`${seating.url}/lineup/gone`);
  expect(await missing.text()).toMatch(/nicht|Anfrage/);
});

test("in German no view says anything in English", async ({ watched: page, seating }) => {
  test.setTimeout(180_000);
  const [english, german] = [await catalogue("en"), await catalogue("de")];
  // What the definition of the demo's game says is as it is.
  const ofGame = await readFile("src/standin/brinehollow/definition.json", "utf8");
  const words = [...ofGame.matchAll(/: "([^"]+)"/g)].flatMap(([, text]) => [text!, text!.toLowerCase()]);
  const same = new Set([...Object.values(german), ...words]);
  const strange = new Set(
    Object.values(english).filter((text) => !/[{]/.test(text) && text.length > 3 && !same.has(text)),
  );
  await page.context().addCookies([{ name: "seating-language", value: "de", url: seating.url }]);
  for (const view of views) {
    await visit(page, `${seating.url}/${view}`);
    await page.getByRole("heading", { level: 1 }).first().waitFor();
    const said = await page.evaluate(() => {
      const texts: string[] = [];
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      while (walker.nextNode()) texts.push(walker.currentNode.textContent ?? "");
      for (const each of document.querySelectorAll("[aria-label], [title], [placeholder]"))
        for (const name of ["aria-label", "title", "placeholder"]) texts.push(each.getAttribute(name) ?? "");
      return texts;
    });
    expect(said.length).toBeGreaterThan(40);
    expect({ view, english: said.filter((text) => strange.has(text.trim())) }).toEqual({ view, english: [] });
  }
});

test("a catalogue that somebody adds is a language to choose, and what it lacks or has wrong is said in English", async ({
  watched: page,
  seating,
}) => {
  await mkdir(join(home, "languages"), { recursive: true });
  const texts = {
    "game.appearance.language": "Taal",
    "game.appearance.theme": "{broken",
    "frame.view.plan": "Indeling",
  };
  await writeFile(join(home, "languages", "nl.json"), JSON.stringify(texts));
  await visit(page, `${seating.url}/settings?part=appearance`);
  await choose(language(page, "Language"), "Nederlands");
  await expect(language(page, "Taal")).toBeVisible();
  await expect(page.getByRole("group", { name: "Theme" })).toBeVisible();
  await expect(page.locator("html")).toHaveAttribute("lang", "nl");
});

test("theme, size of text and dates are set, and all go back to the standard at once, which can be undone", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/settings?part=appearance`);
  const rowHeight = () =>
    page.getByRole("link", { name: "Overview" }).evaluate((row) => row.getBoundingClientRect().height);
  const usual = await rowHeight();
  await page.getByRole("radio", { name: "dark" }).check();
  await page.getByRole("radio", { name: "very large" }).check();
  await page.getByRole("radio", { name: /how long ago/ }).check();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dark");
  expect(await rowHeight()).toBeGreaterThan(usual * 1.2);
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dark");
  expect(await rowHeight()).toBeGreaterThan(usual * 1.2);
  await visit(page, `${seating.url}/profiles`);
  await expect(page.getByText(/made (now|\d+ \w+ ago)/).first()).toBeVisible();
  await visit(page, `${seating.url}/settings?part=appearance`);
  await page.getByRole("button", { name: "Reset all settings" }).click();
  await expect(page.getByRole("radio", { name: "as the system has it" })).toBeChecked();
  expect(await rowHeight()).toBe(usual);
  await page.getByRole("button", { name: "Undo", exact: true }).last().click();
  await expect(page.getByRole("radio", { name: "dark" })).toBeChecked();
});
