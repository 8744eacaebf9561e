import { readFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import { expect, stored, test, visit } from "./fixtures";

/** The conflicts of the game that has mods only, where they meet most. */
async function kites(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Game: Brinehollow" }).click();
  await page.getByRole("menuitem", { name: /^Kitefall Cup/ }).click();
  await expect(page.getByRole("button", { name: "Profile: Club Evenings" })).toBeVisible();
  await page.getByRole("link", { name: "Conflicts" }).click();
  await expect(pairs(page).getByRole("row").nth(1)).toBeVisible();
}

const pairs = (page: Page) => page.getByRole("grid", { name: "Pairs of which one overrides the other" });
const files = (page: Page) => page.getByRole("grid", { name: "Contested files" });
const inspector = (page: Page) => page.getByRole("complementary", { name: "Inspector" });
const sheet = (page: Page, name: string) => page.getByRole("tab", { name, exact: true }).click();
const toDecide = (page: Page) => page.getByRole("button", { name: /^Keep what wins now \(\d+\)$/ });
const openPairs = async (page: Page) => Number(/\d+/.exec(await toDecide(page).innerText())![0]);

test("a pair is decided by mouse: a rule keeps what wins, or turns it round, and is taken back", async ({
  watched: page,
}) => {
  await kites(page);
  const before = await openPairs(page);
  await pairs(page)
    .getByRole("row", { name: /Lofty Hangar/ })
    .first()
    .click();
  await expect(inspector(page)).toContainText("Undecided: nothing says which one should win");
  const [loser, winner] = await Promise.all(
    [0, 1].map((at) =>
      inspector(page)
        .getByRole("heading", { level: 2 })
        .locator("span.font-semibold")
        .nth(at * 2 + 1)
        .innerText(),
    ),
  );
  await expect(inspector(page)).toContainText(new RegExp(`If .*${loser} wins:`));
  await inspector(page)
    .getByRole("button", { name: new RegExp(`Let .*${loser} win`) })
    .click();
  await expect(page.getByRole("button", { name: `Undo: decide that ${loser} wins` })).toBeVisible();
  await expect(inspector(page)).toContainText("Decided: which one wins is certain");
  await expect(inspector(page)).toContainText(new RegExp(`${loser} loads later and wins [1-9]`));
  await expect.poll(() => openPairs(page)).toBeLessThan(before);
  await inspector(page).getByRole("button", { name: "Delete rule" }).click();
  await expect(inspector(page)).toContainText("Undecided");
  await inspector(page)
    .getByRole("button", { name: new RegExp(`Let .*${winner} win`) })
    .click();
  await expect(inspector(page)).toContainText(new RegExp(`${winner} loads later and wins [1-9]`));
  await stored(page);
  await page.getByRole("link", { name: "Rules" }).click();
  await expect(page.getByRole("list", { name: "Rules" })).toContainText(
    new RegExp(`${winner} loads later than \\S+ ${loser}`),
  );
});

test("by keyboard: several pairs are kept at once, one is turned round, and all that is shown is kept with the fewest rules", async ({
  watched: page,
}) => {
  await kites(page);
  const grid = pairs(page);
  const before = await openPairs(page);
  await grid.focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("k");
  await expect(page.getByRole("button", { name: /^Undo: decide / })).toBeVisible();
  await expect.poll(() => openPairs(page)).toBeLessThan(before);
  await page.keyboard.press("Home");
  const first = grid.locator("[role=row][data-active]");
  const [winner, loser] = await first
    .getByRole("gridcell")
    .evaluateAll((cells) => cells.slice(0, 2).map((cell) => cell.textContent.replace(/^\S+ /, "")));
  await page.keyboard.press("o");
  await expect(page.getByRole("button", { name: `Undo: decide that ${loser} wins` })).toBeVisible();
  expect(winner).not.toBe(loser);
  await toDecide(page).click();
  await expect(toDecide(page)).toHaveText("Keep what wins now (0)");
  await expect(toDecide(page)).toBeDisabled();
  await expect(page.getByRole("button", { name: "Unequal (45)" })).toBeVisible();
  await stored(page);
});

test("one file is won by leaving it out elsewhere; what is left out is listed with what that does, and comes back", async ({
  watched: page,
}) => {
  await kites(page);
  await sheet(page, "List");
  await files(page)
    .getByRole("row", { name: /kites\/plain-10\.dat/ })
    .click();
  const providers = inspector(page).getByRole("grid", { name: "Providers, first to last" });
  await providers.getByRole("row").nth(1).click();
  const chosen = inspector(page).getByRole("region", { name: "The chosen provider" });
  const name = (await chosen.locator("p").first().innerText()).replace(/^\S+ /, "");
  await chosen.getByRole("button", { name: "Let this one win here" }).click();
  await expect(page.getByRole("button", { name: `Undo: let ${name} win kites/plain-10.dat` })).toBeVisible();
  await expect(files(page).getByRole("row", { name: /kites\/plain-10\.dat/ })).toHaveCount(0);
  await expect(inspector(page)).toContainText("1 provides it.");
  await sheet(page, "Left out (6)");
  const left = page.getByRole("grid", { name: "Left out" });
  await expect(
    left.getByRole("row", { name: new RegExp(`1 file goes to \\S+ ${name} instead`) }),
  ).not.toHaveCount(0);
  await left.focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Control+a");
  await page.keyboard.press("Delete");
  await expect(page.getByText(/^This profile leaves nothing out\./)).toBeVisible();
  await stored(page);
});

test("all that bring one file are put into an order by keyboard and mouse, and all pairs of a mod are decided at once", async ({
  watched: page,
}) => {
  await kites(page);
  await sheet(page, "List");
  await files(page)
    .getByRole("row", { name: /kites\/plain-11\.dat/ })
    .click();
  await inspector(page).getByRole("button", { name: "Put into order…" }).click();
  const dialog = page.getByRole("dialog", { name: "Put into order…" });
  const names = () => dialog.locator("li span.font-semibold:not(.font-mono)").allInnerTexts();
  const [first, second, third] = await names();
  await dialog.locator("li > div").first().focus();
  await page.keyboard.press("Alt+ArrowDown");
  expect(await names()).toEqual([second, first, third]);
  await page.keyboard.press("Alt+ArrowDown");
  await expect(dialog.locator("li > div").nth(2)).toBeFocused();
  await dialog.getByRole("button", { name: "Move to place 2" }).first().click();
  expect(await names()).toEqual([third, second, first]);
  await dialog.getByRole("button", { name: "Decide this order" }).click();
  await expect(page.getByRole("button", { name: "Undo: decide 2 pairs" })).toBeVisible();
  await expect(files(page).getByRole("row", { name: /kites\/plain-11\.dat/ })).toContainText("decided");
  await expect(files(page).getByRole("row", { name: /kites\/plain-11\.dat/ })).toContainText(first!);

  await sheet(page, "Who overrides whom");
  await pairs(page)
    .getByRole("row", { name: /Thistle Delta/ })
    .first()
    .click();
  await inspector(page)
    .getByRole("button", { name: /^All conflicts of .*Thistle Delta/ })
    .click();
  await expect(inspector(page)).toContainText(/\d+ files: overrides \d+ of \d+ mods, is overridden in \d+/);
  await inspector(page)
    .getByRole("button", { name: /^Decide \d+ undecided pairs?$/ })
    .click();
  await page.getByRole("menuitem", { name: "Keep what wins now" }).click();
  await expect(inspector(page).getByRole("button", { name: /^Decide/ })).toHaveCount(0);
  await stored(page);
});

test("the square is walked and read by keyboard, says what the table says, and lights up what is searched", async ({
  watched: page,
}) => {
  await kites(page);
  const square = page.getByRole("application", { name: /^Who overrides whom: \d+ mods/ });
  // The table beside it holds hundreds of pairs: neither it nor the square is as high as that.
  const { height } = page.viewportSize()!;
  expect((await square.boundingBox())!.height).toBeLessThan(height);
  expect((await pairs(page).boundingBox())!.height).toBeLessThan(height);
  await square.focus();
  await page.keyboard.press("ArrowDown");
  const said = page.getByRole("status").filter({ hasText: "override" });
  await expect(said).toContainText(/overrides .+ in \d+ files?/);
  await expect(inspector(page).getByRole("heading", { level: 2 })).toContainText(" and ");
  const cell = /^(\S+) (.+) overrides (\S+) (.+) in (\d+)/.exec(await said.innerText())!;
  const selected = pairs(page).getByRole("row", { selected: true });
  await expect(selected).toContainText(cell[2]!);
  await expect(selected).toContainText(cell[4]!);
  await expect(selected.getByRole("gridcell").nth(2)).toHaveText(cell[5]!);
  await page.keyboard.press("End");
  await page.keyboard.press("Home");
  await expect(said).toContainText(/does not override|overrides/);
  for (const key of ["+", "+", "-", "0"]) await page.keyboard.press(key);
  await page.getByRole("radio", { name: "by kinship" }).click();
  await square.focus();
  await page.keyboard.press("Control+ArrowRight");
  await expect(said).toContainText(/override/);
  // What is lit changes the picture.
  const picture = () => square.locator("canvas").evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  const before = await picture();
  await page.getByRole("textbox", { name: "Light up names" }).fill("seam");
  await expect.poll(picture).not.toBe(before);
});

test("filters say how much they would leave, stand in the address, and decide what is saved as a table", async ({
  watched: page,
}) => {
  await kites(page);
  await sheet(page, "List");
  await page.getByRole("combobox", { name: "Kind of file" }).click();
  await page.getByRole("option", { name: /^\.txt \(\d\)$/ }).click();
  await expect(page).toHaveURL(/kind=\.txt/);
  const rows = files(page).locator("[role=row][data-key]");
  await expect(rows).toHaveCount(2);
  await page.getByRole("button", { name: "Undecided (1)" }).click();
  await expect(rows).toHaveCount(1);
  await page.reload();
  await expect(rows).toHaveCount(1);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Save as table (CSV)" }).click(),
  ]);
  expect(download.suggestedFilename()).toBe("Club Evenings files.csv");
  const table = await readFile(await download.path(), "utf8");
  expect(table.split("\r\n").slice(0, -1)).toHaveLength(2);
  expect(table).toMatch(/^File,Wins,"Providers, first to last",equal,decided\r\nmenus\/evening-card\.txt,/);
  await page.getByRole("button", { name: "Show all" }).click();
  await expect(page).not.toHaveURL(/kind=/);
});

test("contents are compared side by side, packed ones too; why something is no conflict is said", async ({
  watched: page,
}) => {
  await kites(page);
  await sheet(page, "List");
  await files(page)
    .getByRole("row", { name: /evening-card/ })
    .click();
  const providers = inspector(page).getByRole("grid", { name: "Providers, first to last" });
  await providers
    .getByRole("row", { name: /unequal/ })
    .first()
    .click();
  await inspector(page).getByRole("button", { name: "Compare contents" }).click();
  const dialog = page.getByRole("dialog", { name: "menus/evening-card.txt" });
  await expect(dialog.getByLabel("Difference, line by line")).toContainText(/[+−] \w+/);
  await page.keyboard.press("Escape");

  await files(page)
    .getByRole("row", { name: /skies\/plain-0/ })
    .click();
  await providers.getByRole("row").nth(1).click();
  await expect(inspector(page)).toContainText("Packed in skies/whole-sky.spool.");
  await inspector(page).getByRole("button", { name: "Compare contents" }).click();
  await expect(page.getByRole("dialog", { name: "skies/plain-0.dat" })).toContainText("Whole Sky");
  await expect(page.getByRole("dialog").getByLabel("Difference, line by line")).toBeVisible();
  await page.keyboard.press("Escape");
  await inspector(page).getByRole("button", { name: "Show the pair" }).click();
  const tree = inspector(page).getByRole("grid");
  await expect(tree).toContainText("packed in");
  // A whole folder of one of the two is left out from its line.
  await tree.getByRole("row", { name: /skies\// }).click({ button: "right" });
  await page.getByRole("menuitem", { name: /^Leave out of .*Whole Sky/ }).click();
  await expect(page.getByRole("button", { name: "Undo: leave skies/ of Whole Sky out" })).toBeVisible();
  await expect(tree).toContainText("left out of");
  await page.getByRole("tab", { name: "Left out (1)" }).click();
  await expect(
    page.getByRole("grid", { name: "Left out" }).getByRole("row", { name: /skies\// }),
  ).toBeVisible();
});

test("a covered mod and a copy are told, and switched off from there; one that is switched on says what it overrides", async ({
  watched: page,
  seating,
}) => {
  await kites(page);
  await expect(inspector(page)).toContainText("Thin Seam is covered: every file loses");
  await expect(inspector(page)).toContainText(/Bridle Kit Again is a copy of \S+ Bridle Kit/);
  await inspector(page)
    .getByRole("button", { name: /Thin Seam/ })
    .click();
  await expect(inspector(page)).toContainText("Covered: all 2 files lose");
  await inspector(page).getByRole("button", { name: "Switch off", exact: true }).click();
  await expect(inspector(page)).toContainText("It provides nothing");
  await stored(page);
  await visit(page, `${seating.url}/shelf?mod=thin-seam`);
  await expect(inspector(page)).toContainText("Switched on: No file or record changes hands.");
  await inspector(page).getByRole("button", { name: "Switch on" }).click();
  const told = page.getByText(
    /Thin Seam: 2 files: overrides 0 of 0 mods, is overridden in 2, 0 are its alone\. It does nothing in the game\./,
  );
  await expect(told.first()).toBeVisible();
  await expect(inspector(page)).toContainText("2 files: overrides 0");
  await inspector(page).getByRole("link", { name: "Show its conflicts" }).click();
  await expect(page).toHaveURL(/\/conflicts\?.*about=thin-seam/);
});

test("a record has ways out; two winners are accepted with a reason, and no finding any more", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/conflicts?of=records`);
  await pairs(page)
    .getByRole("row", { name: /Glass Tides\.plank/ })
    .first()
    .click();
  await expect(inspector(page)).toContainText("A record cannot be left out.");
  await sheet(page, "Two orders");
  const two = page.getByRole("grid", { name: "Pairs with two winners" });
  const rows = two.locator("[role=row][data-key]");
  await expect(rows.first()).toBeVisible();
  await two.focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("a");
  const dialog = page.getByRole("dialog", { name: "Accept two winners" });
  await dialog.getByLabel("Reason").fill("its pictures are better");
  await page.keyboard.press("Enter");
  await expect(two.getByRole("row", { name: /its pictures are better/ })).toBeVisible();
  await stored(page);
  await page.getByRole("button", { name: "Align the mods with the plugins" }).click();
  await expect(page.getByRole("button", { name: /^Accept \d+ moves?$/ })).toBeVisible();
});
