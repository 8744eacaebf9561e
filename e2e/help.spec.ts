import { mkdir, rm } from "node:fs/promises";
import { join } from "node:path";
import { test as base } from "@playwright/test";
import { zipSync } from "fflate";
import { dropFile } from "./drop-file";
import { choose, expect, find, stored, test, visit } from "./fixtures";
import { folderOf, pristine, startSeating } from "./server";

test("F1 opens the guide at the view, the word or the dialog in question; it is searched, and gives the focus back", async ({
  watched: page,
  seating,
}) => {
  const guide = page.getByRole("tabpanel", { name: "Guide" });
  const shown = guide.getByRole("article");
  const at = async (address: string, title: string) => {
    await visit(page, `${seating.url}${address}`);
    // The key does nothing until the page has come to life.
    await expect(async () => {
      await page.keyboard.press("F1");
      await expect(shown).toHaveAccessibleName(title, { timeout: 1000 });
    }).toPass();
  };
  await at("/overview", "When something is wrong");
  await at("/plan", "Order 250 plugins");
  await at("/rules", "Correct, and let it be remembered");
  await at("/lineups?part=together", "Play together");
  await at("/settings", "Your data: what is written where, backup, moving, removing");

  // What has the focus says more than the view, in a field too.
  await visit(page, `${seating.url}/shelf`);
  await page.getByRole("heading", { level: 1 }).getByText("Shelf").focus();
  await expect(page.getByRole("tooltip")).toContainText("Everything that you have for a game");
  await page.keyboard.press("F1");
  await expect(shown).toHaveAccessibleName("Words");
  await expect(guide.getByRole("heading", { name: "Shelf", exact: true })).toBeInViewport();
  await page.getByLabel("Filter the shelf").focus();
  await page.keyboard.press("F1");
  await expect(shown).toHaveAccessibleName("Add three mods to somebody's list");
  await page.keyboard.press("Escape");
  await expect(page.getByLabel("Filter the shelf")).toBeFocused();

  // The history below is explained where something is wrong; a search finds parts, with a slip too.
  await page.keyboard.press("Alt+h");
  await page.getByRole("tabpanel", { name: "History" }).getByRole("link").focus();
  await page.keyboard.press("F1");
  await expect(shown).toHaveAccessibleName("When something is wrong");
  await guide.getByLabel("Search the guide").fill("spredsheet");
  await guide.getByRole("button", { name: /^A sheet in between/ }).click();
  await expect(shown).toHaveAccessibleName("A sheet in between");
  await guide.getByLabel("Search the guide").fill("zzzz");
  await expect(guide.getByRole("status")).toHaveText("Nothing in the guide has “zzzz”.");
  await guide.getByLabel("Search the guide").fill("");
  await guide.getByRole("button", { name: "Order 250 plugins" }).click();

  // A dialog lets nobody out: there the guide has a window of its own.
  await visit(page, `${seating.url}/plan`);
  await page.getByRole("button", { name: "View", exact: true }).click();
  await page.getByRole("menuitem", { name: "Numbers of the sections…" }).click();
  await page.getByRole("dialog").waitFor();
  const [apart] = await Promise.all([page.waitForEvent("popup"), page.keyboard.press("F1")]);
  await expect(apart.getByRole("article")).toHaveAccessibleName("A sheet in between");
  await apart.getByRole("button", { name: "Words" }).click();
  await expect(apart).toHaveURL(/\/guide#glossary$/);
});

test("our own words are explained at their headings, by pointer and by keyboard", async ({
  watched: page,
  seating,
}) => {
  const tip = page.getByRole("tooltip");
  for (const [level, means] of [
    [/^blockers?$/, "The game will not start"],
    [/^problems?$/, "Something is likely to be wrong in the game"],
    [/^hints?$/, "Worth a look"],
  ] as const) {
    await page.locator("dt span", { hasText: level }).focus();
    await expect(tip).toContainText(means);
  }
  await visit(page, `${seating.url}/health`);
  await page.getByRole("main").getByRole("heading", { name: "Health" }).getByText("Health").hover();
  await expect(tip).toContainText("Something that the checks saw");
  await visit(page, `${seating.url}/plan`);
  await page.getByRole("columnheader", { name: "Seat" }).getByRole("button").hover();
  await expect(tip).toContainText("the letter of a section and a number within it");
  await page.mouse.move(0, 0);
  await find(page, "Murk and Silt.plank");
  await page.getByRole("grid").focus();
  for (const key of ["Home", "ArrowUp", "ArrowLeft", "ArrowLeft"]) await page.keyboard.press(key);
  await expect(tip).toContainText("the letter of a section and a number within it");
  await page.keyboard.press("F1");
  await expect(page.getByRole("tabpanel", { name: "Guide" }).getByRole("article")).toHaveAccessibleName(
    "Words",
  );
});

test("the first steps lead from view to view with the guide beside, tick themselves, are put away and found again", async ({
  watched: page,
}) => {
  const steps = page.getByRole("region", { name: "First steps" });
  await expect(steps.getByRole("listitem")).toHaveCount(6);
  await expect(steps).toContainText("2 of 6 done");
  await steps.getByRole("button", { name: /^Put them in order/ }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Plan");
  await expect(page.getByRole("article", { name: "Order 250 plugins" })).toBeVisible();
  await page.getByRole("button", { name: "Propose an order" }).click();
  await page.getByRole("button", { name: /^Accept \d+ moves/ }).click();
  await page.getByRole("contentinfo").getByRole("button", { name: "Write order file" }).click();
  await stored(page);
  await page.getByRole("link", { name: "Overview" }).click();
  await expect(steps).toContainText(/[34] of 6 done/);
  await steps.getByRole("button", { name: "Hide the first steps" }).click();
  await expect(steps).toHaveCount(0);
  await page.reload();
  await page.getByRole("heading", { level: 1 }).waitFor();
  await expect(steps).toHaveCount(0);
  await page.keyboard.press("Control+k");
  await page.keyboard.type("tutorial");
  await page.getByRole("option", { name: "Show the first steps" }).click();
  await expect(steps).toBeVisible();
});

test("what becomes of mods that are added, and when the bin asks, is set", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/settings?part=application`);
  await page.getByRole("radio", { name: "not added: on the shelf only" }).check();
  await page.getByRole("radio", { name: /^ask only where a profile would lose some/ }).check();
  const whistle = zipSync({ "textures/whistle.tex": new Uint8Array([1, 2, 3]) });
  const dialog = page.getByRole("dialog", { name: /^Add / });
  const way = dialog.getByRole("combobox", { name: "In this profile" });
  const drop = () => dropFile(page.locator("body"), "Tin Whistle-1.0.zip", whistle);
  await drop();
  await expect(way).toContainText("on the shelf only");
  await dialog.getByRole("button", { name: "Add to shelf" }).click();
  await expect(dialog).toHaveCount(0);
  await visit(page, `${seating.url}/shelf?q=tin+whistle`);
  const row = page.getByRole("row", { name: /^Tin Whistle is not in this profile/ });
  await row.click({ button: "right" });
  await page.getByRole("menuitem", { name: "Move 1 to bin…" }).click();
  await expect(page.getByText("1 mod moved to bin.")).toBeVisible();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await drop();
  await choose(way, "added and switched on");
  await dialog.getByRole("button", { name: "Add to shelf" }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole("switch", { name: "Tin Whistle is on" })).toBeVisible();
  await visit(page, `${seating.url}/shelf?q=tidal+core`);
  await page
    .getByRole("row", { name: /Tidal Core/ })
    .first()
    .click({ button: "right" });
  await page.getByRole("menuitem", { name: "Move 1 to bin…" }).click();
  await expect(page.getByRole("dialog")).toContainText("Long Descent would lose 1 mod");
  await page.keyboard.press("Escape");
});

base(
  "an empty Seating says what each view is for, and has its first action; the guide is there before any game",
  async ({ page }) => {
    const home = folderOf("nothing");
    await rm(home, { recursive: true, force: true });
    const server = await startSeating("start.mjs", home);
    try {
      await page.goto(server.url);
      await page.getByRole("button", { name: /^Guide: your first evening/ }).waitFor();
      await expect
        .poll(async () => {
          await page.keyboard.press("F1");
          return page.context().pages().length;
        })
        .toBe(2);
      const guide = page.context().pages()[1]!;
      await expect(guide.getByRole("article")).toHaveAccessibleName("The first evening with your own game");
      await guide.close();
      await mkdir(join(home, "shelf"), { recursive: true });
      await choose(page.getByLabel("Game", { exact: true }), /^Brinehollow/);
      await page
        .getByLabel("Folder of the game", { exact: true })
        .fill(join(pristine, "demo/brinehollow/game"));
      await page.getByLabel("Folder of the shelf", { exact: true }).fill(join(home, "shelf"));
      await page.getByRole("button", { name: "Use these folders" }).click();
      await page.getByRole("heading", { name: "First set" }).waitFor();
      const says = async (address: string, purpose: RegExp, action: string) => {
        await visit(page, `${server.url}${address}`);
        const main = page.getByRole("main");
        await expect(main.getByText(purpose)).toBeVisible();
        await expect(
          main
            .getByRole("button", { name: action })
            .or(main.getByRole("link", { name: action }))
            .last(),
        ).toBeVisible();
      };
      await says(
        "/shelf",
        /^The shelf shows every archive and every folder in/,
        "Scan the shelf for changes",
      );
      await says("/plan", /^The plan shows what is on, in load order/, "Choose mods on the shelf");
      await says("/rules", /^No rules yet/, "Go to the plan");
      await says("/lineups", /^What is on in this profile is what goes out/, "Choose mods on the shelf");
      await says("/lineups?part=following", /follows no list/, "Import a list…");
      await says("/profiles", /^A comparison shows in what two states differ/, "New profile…");
      await says("/depot", /^A depot offers mods with their versions/, "Add mods to the shelf…");
      await says("/overview", /^What is on belongs to this profile/, "Fill the shelf");
      const panel = page.getByRole("region", { name: "Panel" });
      const tab = async (name: string, purpose: RegExp, action: string) => {
        await panel.getByRole("tab", { name }).click();
        await expect(panel.getByText(purpose)).toBeVisible();
        await expect(
          panel.getByRole("button", { name: action }).or(panel.getByRole("link", { name: action })),
        ).toBeVisible();
      };
      await page.keyboard.press("Alt+h");
      await tab("History", /^Every edit of this profile is listed here/, "Go to the plan");
      await tab("Queue", /^What you get from the depot is listed here/, "Go to the depot");
      await tab("Trial", /^A trial starts the game with the order/, "Start a trial");
      await tab("Messages", /^What Seating tells you is kept here/, "Close the panel");
    } finally {
      await server.stop();
      await rm(home, { recursive: true, force: true });
    }
  },
);
