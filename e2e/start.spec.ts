import { chmodSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { expect, gameFolder, stored, test, visit } from "./fixtures";

const trial = (page: Page) => page.getByRole("region", { name: "Trial" });
const status = (page: Page) => trial(page).getByRole("status");
/** The number of the process that runs a script. */
const processOf = (script: string): number =>
  Number(
    readdirSync("/proc").find(
      (pid) => /^\d+$/.test(pid) && readFileSync(`/proc/${pid}/cmdline`, "utf8").split("\0").includes(script),
    ),
  );
const kites = join(gameFolder, "../../kitefall-cup/game");

test("a way is chosen and remembered, one of one's own is named, and what a definition brings is read before it runs", async ({
  watched: page,
  seating,
}) => {
  await page.keyboard.press("Control+s");
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
  await page.keyboard.press("Alt+t");
  await expect(status(page)).toHaveText("stopped at start");
  await trial(page).getByRole("button", { name: "Ways to start …" }).click();
  const dialog = page.getByRole("dialog", { name: "Ways to start" });
  await expect(dialog).toContainText("--bare");
  await dialog.getByRole("button", { name: "Start Brinehollow without mods" }).click();
  await expect(status(page)).toHaveText("ran");
  await expect(trial(page).getByRole("list", { name: "Start log" })).toContainText("without mods");
  await page.getByRole("group", { name: "How was it?" }).getByLabel("Note").fill("only to see");
  await page.getByRole("button", { name: "Not sure" }).click();
  await expect(page.getByText("Kept with the trial.")).toBeVisible();
  await expect(
    page.getByRole("complementary").getByText("only to see").or(page.getByText("only to see")).first(),
  ).toBeVisible();

  await trial(page).getByRole("button", { name: "Ways to start …" }).click();
  await dialog.getByRole("button", { name: "Add this way" }).click();
  await expect(dialog).toContainText("Name the whole path of a program");
  const own = join(gameFolder, "program/mine");
  mkdirSync(join(gameFolder, "program"), { recursive: true });
  writeFileSync(own, '#!/bin/sh\nprintf "told <%s>\\n" "$@"\n');
  chmodSync(own, 0o755);
  const form = dialog.getByRole("form", { name: "A way of your own" });
  await form.getByLabel("Name").fill("Mine");
  await form.getByLabel("Program").fill(own);
  await form.getByLabel("Arguments").fill("two words\n--and=$HOME");
  await form.getByLabel("Arguments").press("Tab");
  await page.keyboard.press("Enter");
  await dialog.getByRole("button", { name: "Start Mine" }).click();
  await expect(status(page)).toHaveText("ran");
  await expect(trial(page).getByRole("list", { name: "Start log" })).toContainText("told <--and=$HOME>");

  // Whoever changes the definition has to read what it runs.
  await visit(page, `${seating.url}/settings?part=definition`);
  await page.getByLabel("Arguments").first().fill("--order\n{order}\n--stay\n0");
  await page.getByRole("button", { name: "Save definition" }).click();
  await expect(page.getByText("The definition is saved")).toBeVisible();
  await page.keyboard.press("Alt+t");
  await expect(trial(page).getByRole("list", { name: "Start log" })).toContainText("told <two words>");
  await expect(status(page)).toHaveText("ran");
  await trial(page).getByRole("button", { name: "Ways to start …" }).click();
  await dialog.getByRole("button", { name: "Start Brinehollow", exact: true }).click();
  const question = page.getByRole("group", { name: "What would run" });
  await expect(question).toContainText("--stay");
  await expect(status(page)).toHaveText("not started yet");
  await expect(question.getByRole("button", { name: "Confirm and start" })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(status(page)).toHaveText(/^ran$|stopped at start/);
});

test("while the game runs the strip says so, also after a reload; what is changed waits for its end, and is written then", async ({
  watched: page,
  seating,
}) => {
  await page.getByRole("button", { name: "Game: Brinehollow" }).click();
  await page.getByRole("menuitem", { name: /^Kitefall Cup/ }).click();
  await page.getByRole("link", { name: /^Plan/ }).click();
  const grid = page.getByRole("grid", { name: "Mods in load order" });
  const strip = page.getByRole("contentinfo");
  await expect(grid).toBeVisible();
  await page.getByRole("button", { name: "Propose an order" }).click();
  await page.getByRole("button", { name: /^Accept \d+ moves?$/ }).click();
  await stored(page);
  await page.keyboard.press("Control+s");
  await page.getByRole("dialog").getByRole("button", { name: "Keep a copy and overwrite" }).click();
  await expect(strip).toContainText("The game reads this order");
  await page.keyboard.press("Alt+t");
  await expect(status(page)).toHaveText("ran");
  await trial(page).getByRole("button", { name: "Ways to start …" }).click();
  await page.getByRole("button", { name: "Start Kitefall, flown for a minute" }).click();
  await expect(status(page)).toHaveText("running");
  await expect(strip).toContainText("The game runs since");
  const order = () => readFileSync(join(kites, "setup/flightcard.txt"), "utf8");
  const before = order();
  await grid.getByRole("switch").nth(1).click();
  await stored(page);
  await expect(strip).toContainText("1 change waits for its end.");
  await page.keyboard.press("Control+s");
  await expect(page.getByText("Kitefall Cup runs. Wait until it has ended.").first()).toBeVisible();
  // Nor is it started twice, by whatever way: that is said.
  const close = page.getByRole("button", { name: "Close the message" });
  for (let left = await close.count(); left > 0; left--) await close.first().click();
  await expect(page.getByText("Kitefall Cup runs. Wait until it has ended.")).toHaveCount(0);
  await trial(page).getByRole("button", { name: "Ways to start …" }).click();
  await page.getByRole("button", { name: "Start Kitefall without mods" }).click();
  await expect(page.getByText("Kitefall Cup runs. Wait until it has ended.").first()).toBeVisible();
  await expect(status(page)).toHaveText("running");
  await visit(page, `${seating.url}/plan`);
  await expect(strip).toContainText("The game runs since");
  expect(order()).toBe(before);
  process.kill(processOf(join(kites, "program/game.mjs")), "SIGTERM");
  await expect(strip).not.toContainText("The game runs since");
  await expect.poll(order).not.toBe(before);
  await expect(strip).toContainText("The game reads this order");
});

test("conditions are ticked in their order before the start; what to look at, what is normal and the game’s own log are shown", async ({
  watched: page,
}) => {
  await page.getByRole("button", { name: /^Profile: / }).click();
  await page.getByRole("menuitem", { name: /^Harbour Lights/ }).click();
  await expect(page.getByRole("button", { name: /^Profile: Harbour Lights/ })).toBeVisible();
  await page.keyboard.press("Alt+t");
  const conditions = page.getByRole("group", { name: "Before the start" });
  const [bench, mail] = [/The drawing bench runs/, /The harbour mail is signed in/].map((name) =>
    conditions.getByRole("checkbox", { name }),
  );
  await expect(conditions).toContainText("2 things come before the start, in this order.");
  await expect(status(page)).toHaveText("not started yet");
  await expect(mail!).toBeDisabled();
  await expect(bench!).toBeFocused();
  await page.keyboard.press("Space");
  await expect(mail!).toBeEnabled();
  await expect(conditions.getByRole("button", { name: "Start the game" })).toBeDisabled();
  await mail!.press("Space");
  await conditions.getByRole("button", { name: "Start the game" }).click();
  await page.getByRole("button", { name: "Write this profile’s order and start", exact: true }).click();
  await expect(status(page)).toHaveText(/^ran$|stopped at start/);
  const notes = page.getByRole("complementary", { name: "Notes for the start" });
  await expect(notes).toContainText("The lamps at the quay: all lit, none doubled. Load the save");
  await expect(notes).toContainText("the screen stays black for about a minute");
  const log = trial(page).getByRole("list", { name: "Start log" });
  await expect(log).toContainText("Brinehollow 1.6.2, stand-in");
  await trial(page).getByRole("button", { name: "Log of the game: saves/voyage.log" }).click();
  await expect(log.getByRole("listitem").first()).toContainText("Brinehollow 1.6.2, stand-in");

  // The one is forgotten, the other stays ticked; a note of one's own comes in between, and goes again.
  await trial(page).getByRole("button", { name: "Notes for the start …" }).click();
  const dialog = page.getByRole("dialog", { name: "Notes for the start" });
  await dialog.getByLabel("What", { exact: true }).fill("The lamps are oiled.");
  await dialog.getByRole("button", { name: "Add this note" }).click();
  await expect(dialog.getByRole("listitem").filter({ hasText: "The lamps are oiled." })).toBeVisible();
  await page.keyboard.press("Escape");
  await stored(page);
  await page.keyboard.press("Alt+t");
  await expect(conditions).toContainText("2 things come before the start");
  await expect(bench!).not.toBeChecked();
  await expect(mail!).toBeChecked();
  await conditions.getByRole("button", { name: "Start without ticking" }).click();
  await expect(status(page)).toHaveText(/^ran$|stopped at start/);
  await trial(page).getByRole("button", { name: "Notes for the start …" }).click();
  await dialog.getByRole("button", { name: "Remove “The lamps are oiled.”" }).click();
  await expect(dialog.getByText("The lamps are oiled.")).toHaveCount(0);
});

test("a profile keeps its own of what the game sets itself; it is compared with that of all others", async ({
  watched: page,
}) => {
  const ini = () => readFileSync(join(gameFolder, "saves/helm.ini"), "utf8");
  await page.keyboard.press("Control+s");
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
  await page.getByRole("switch", { name: "This profile keeps its own: Helm and view" }).click();
  await expect(page.getByText("From the next start.")).toBeVisible();
  const start = async (way: string, name: string) => {
    await trial(page).getByRole("button", { name: "Ways to start …" }).click();
    await page.getByRole("button", { name: way, exact: true }).click();
    await expect(trial(page).locator("header")).toContainText(name);
    await expect(status(page)).toHaveText(/^ran$|stopped at start/);
  };
  await page.keyboard.press("Alt+t");
  await expect(status(page)).toHaveText(/^ran$|stopped at start/);
  await start("Start Brinehollow without mods", "Brinehollow without mods");
  expect(ini()).toBe("starts=1\n");
  await start("Start Brinehollow without mods", "Brinehollow without mods");
  await expect.poll(ini).toBe("starts=2\n");
  await page.getByRole("button", { name: "Compare Helm and view" }).click();
  const difference = page.getByRole("dialog", { name: "Compare Helm and view" });
  await expect(difference).toContainText("starts=2");
});
