import { mkdir, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { expect, find, finding, home, row, seatOf, stored, test } from "./fixtures";

const depot = join(home, "demo/brinehollow/depot/rulebooks");

test("a move is remembered as a rule, and the next proposal keeps it, also after a restart", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/plan`);
  await find(page, "Murk and Silt.plank");
  await page.getByRole("grid").focus();
  await page.keyboard.press("Alt+ArrowUp");
  const bar = page.getByRole("region", { name: "Remember the move" });
  const offer = bar.getByRole("button", { name: /^after D/ });
  const words = await offer.locator(":scope > span").innerText();
  await offer.click();
  await expect(page.getByRole("button", { name: /^Undo: remember a rule for Murk and Silt/ })).toBeVisible();
  await stored(page);
  const seat = await seatOf(page, "Murk and Silt.plank");

  await page.getByRole("link", { name: /^Rules/ }).click();
  const rules = page.getByRole("list", { name: "Rules", exact: true });
  await expect(rules.getByRole("listitem")).toHaveCount(4);
  await expect(rules).toContainText(words.replace(/^after /, ""));
  await page
    .getByRole("button", { name: "Propose an order" })
    .first()
    .isVisible()
    .catch(() => false);
  await page.keyboard.press("Alt+o");
  await expect(page.getByRole("heading", { name: /of \d+ move; no valid order moves fewer/ })).toBeVisible();
  await expect(page.getByRole("group", { name: "Moves" })).not.toContainText("Murk and Silt.plank");
  await page.getByRole("button", { name: "Cancel" }).click();

  await seating.restart();
  await page.goto(`${seating.url}/rules`);
  await expect(rules.getByRole("listitem")).toHaveCount(4);
  await page.getByRole("button", { name: /^Undo: remember a rule/ }).click();
  await expect(rules.getByRole("listitem")).toHaveCount(3);
  await page.getByRole("button", { name: /^Undo: move Murk and Silt/ }).click();
  await expect(page.getByRole("button", { name: /^Redo: move Murk and Silt/ })).toBeVisible();
  expect(await seatOf(page, "Murk and Silt.plank")).not.toBe(seat);
});

test("rules by a sentence contradict, and a way out is taken", async ({ watched: page, seating }) => {
  const say = async (sentence: string) => {
    await page.keyboard.press("Control+k");
    await page.keyboard.type(sentence);
    await expect(page.getByRole("option").first()).toContainText("Remember:");
    await page.keyboard.press("Enter");
  };
  await page.keyboard.press("Control+k");
  await page.keyboard.type("E3 after nobody");
  await expect(page.getByRole("option").first()).toContainText("Nothing in this profile is called “nobody”");
  await page.keyboard.press("Escape");
  await say("Bitter Narrows.plank must be after Cinder Reef.plank because the glow is lost");
  await say("Cinder Reef.plank must be after Bitter Narrows.plank");
  await page.getByRole("link", { name: /^Rules/ }).click();
  const contradictions = page.getByRole("list", { name: "Rules that contradict" });
  await expect(contradictions).toContainText("the glow is lost");
  await contradictions.getByRole("button", { name: /^Only prefer/ }).click();
  await expect(contradictions).toContainText("Bitter Narrows.plank loads later than");
  await contradictions
    .getByRole("button", { name: /^Switch off/ })
    .first()
    .click();
  await expect(contradictions).toHaveCount(0);
  await stored(page);
  await page.goto(`${seating.url}/rules`);
  await expect(page.getByRole("switch", { name: /: off$/ })).toHaveCount(1);

  const list = page.getByRole("list", { name: "Rules", exact: true });
  await list.getByRole("button", { name: /Glass Tides\.plank/ }).click();
  const about = page.getByRole("complementary", { name: "About the rule" });
  await expect(about).toContainText(/With it/);
  await about.getByRole("button", { name: "Change…" }).click();
  const dialog = page.getByRole("dialog", { name: "Change the rule" });
  await dialog.getByLabel("must: bars moves against it").check();
  await dialog.getByLabel("all of this game’s").check();
  await dialog.getByRole("button", { name: "Save", exact: true }).click();
  await expect(list.getByRole("listitem").last()).toContainText("all profiles");
  await about.getByRole("button", { name: "Delete" }).click();
  await expect(list.getByRole("button", { name: /Glass Tides\.plank/ })).toHaveCount(0);
});

test("a rulebook is brought in, updated with what it changes shown, and its rules give way to one’s own", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/rules`);
  const books = page.getByRole("region", { name: "Rulebooks" });
  await books.getByLabel("Rulebook file").setInputFiles(join(home, "demo/demo.json"));
  await expect(page.locator("[data-message]").first()).toContainText("is no rulebook");
  await books.getByLabel("Rulebook file").setInputFiles(join(depot, "soundings-1.0.json"));
  await page.getByRole("dialog").getByRole("button", { name: "Use", exact: true }).click();
  await expect(books).toContainText("4 rules, 0 off");
  await expect(books.getByRole("listitem").filter({ hasText: "Honest Prices.plank" })).toContainText(
    "set aside",
  );
  await books.getByRole("switch", { name: /^silt-after-tides/ }).click();
  await expect(books).toContainText("4 rules, 1 off");

  await books
    .getByRole("listitem")
    .filter({ hasText: "newer than 1.0, from the depot" })
    .getByRole("button")
    .click();
  const dialog = page.getByRole("dialog", { name: "Soundings: from 1.0 to 1.1" });
  await expect(dialog).toContainText("Prices go last, not first");
  await expect(dialog).toContainText("New advice 1");
  await expect(dialog).toContainText("Changed rules 1");
  await dialog.getByRole("button", { name: "Use 1.1" }).click();
  await expect(books).toContainText("5 rules, 1 off");
  await stored(page);
  await page.goto(`${seating.url}/health`);
  await expect(finding(page, "left over from its making")).toHaveCount(1);
  await page.getByRole("button", { name: /^Undo: use Soundings 1\.1/ }).click();
  await expect(finding(page, "left over from its making")).toHaveCount(0);

  await page.goto(`${seating.url}/rules`);
  await page.getByRole("button", { name: "Save as a rulebook…" }).click();
  const saved = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save the file" }).click();
  expect((await saved).suggestedFilename()).toBe("long-descent-1.0.json");
});

test("part of a proposal is taken; what is left can be remembered", async ({ watched: page, seating }) => {
  await page.goto(`${seating.url}/plan`);
  await page.getByRole("button", { name: "Propose an order" }).click();
  const moves = page.getByRole("group", { name: "Moves" });
  await moves.getByRole("switch", { name: /Storm Ledger/ }).click();
  await expect(page.getByRole("button", { name: "Accept 3 of 4 moves" })).toBeVisible();
  await page.getByRole("button", { name: "Accept 3 of 4 moves" }).click();
  await expect(page.getByRole("grid", { name: "Plugins in load order" })).toBeVisible();
  await page.getByRole("button", { name: "Propose an order" }).click();
  await expect(
    page.getByRole("heading", { name: /^1 of \d+ moves; no valid order moves fewer/ }),
  ).toBeVisible();
  await moves.getByRole("switch", { name: /Storm Ledger/ }).click();
  await moves.getByRole("button", { name: /Remember a rule/ }).click();
  await expect(page.getByRole("dialog", { name: "Remember as a rule" })).toContainText("Storm Ledger.plank");
});

test("the plan is filtered, switched in bulk, sorted to look at, and its sections are edited", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/plan`);
  await page.getByRole("button", { name: "Filter" }).click();
  const bar = page.getByRole("search", { name: "Filter of the plan" });
  await bar.getByLabel("Filter by name").fill("glass tides");
  await expect(bar.getByRole("status")).toHaveText(/^2 of \d+$/);
  await bar.getByRole("button", { name: "Switch 2 off" }).click();
  await expect(page.getByRole("button", { name: "Undo: switch off 2" })).toBeVisible();
  await stored(page);
  await page.getByRole("button", { name: "Undo: switch off 2" }).click();
  await expect(bar.getByRole("button", { name: "Switch 2 off" })).toBeEnabled();
  await bar.getByRole("button", { name: "Show all" }).click();

  await page.getByRole("button", { name: "Sort by Plugin" }).click();
  await expect(page.getByRole("grid", { name: "Plugins, sorted to look at" })).toBeVisible();
  await page.getByRole("grid").focus();
  await page.keyboard.press("Home");
  await page.keyboard.press("Space");
  await expect(page.locator("[data-message]").first()).toContainText("This is not the load order");
  await bar.getByRole("button", { name: "Back to the load order" }).click();

  await page.getByRole("button", { name: "Sections", exact: true }).click();
  const dialog = page.getByRole("dialog", { name: /^Sections/ });
  const sections = dialog.getByRole("option");
  const places = async () => (await sections.allInnerTexts()).map((text) => text.split("\n")[1]);
  await dialog.getByRole("listbox", { name: "Sections" }).focus();
  await page.keyboard.type("patch");
  await dialog.getByLabel("Name", { exact: true }).fill("Reconcilers");
  await page.keyboard.press("Enter");
  await expect(sections.filter({ hasText: "Reconcilers" })).toHaveAttribute("aria-selected", "true");
  const before = await places();
  await dialog.getByRole("listbox", { name: "Sections" }).focus();
  await page.keyboard.press("Alt+ArrowUp");
  await expect.poll(places).not.toEqual(before);
  // By mouse past several at once.
  const [from, to] = await Promise.all([
    sections.filter({ hasText: "Reconcilers" }).boundingBox(),
    sections.filter({ hasText: "Unseated" }).boundingBox(),
  ]);
  await page.mouse.move(from!.x + 90, from!.y + 12);
  await page.mouse.down();
  await page.mouse.move(to!.x + 90, to!.y + 14, { steps: 8 });
  await page.mouse.up();
  await expect.poll(async () => (await places()).indexOf("Reconcilers")).toBe(before.indexOf("Unseated"));
  await dialog.getByRole("button", { name: "Remove it" }).click();
  await expect(sections).toHaveCount(9);
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Undo: remove the section Reconcilers" })).toBeVisible();

  await find(page, "Murk and Silt.plank");
  await page.keyboard.press("Alt+m");
  await page.getByLabel("Where to").fill("after Quiet Compass");
  await page.keyboard.press("Enter");
  await expect(row(page, "Murk and Silt.plank")).toContainText("C7");
});

test("a newer rulebook in one’s own folder is offered before an order is proposed, used or left", async ({
  watched: page,
  seating,
}) => {
  const own = join(home, "books");
  await mkdir(own);
  const book = JSON.parse(await readFile(join(depot, "soundings-1.1.json"), "utf8")) as { version: string };
  await writeFile(join(own, "soundings.json"), JSON.stringify({ ...book, version: "2.0" }));
  await writeFile(join(own, "torn.json"), JSON.stringify({ ...book, rules: "none" }));
  await writeFile(join(own, "shopping.json"), "[]");
  await page.goto(`${seating.url}/rules`);
  const books = page.getByRole("region", { name: "Rulebooks" });
  await books.getByLabel("Rulebook file").setInputFiles(join(depot, "soundings-1.0.json"));
  await page.getByRole("dialog").getByRole("button", { name: "Use", exact: true }).click();
  await expect(books).toContainText("4 rules, 0 off");
  await books.getByRole("button", { name: "Folder of rulebooks…" }).click();
  const naming = page.getByRole("dialog", { name: "Folder of rulebooks" });
  await naming.getByLabel("Folder", { exact: true }).fill(own);
  await naming.getByRole("button", { name: "Use this folder" }).click();
  await expect(
    books.getByRole("listitem").filter({ hasText: "newer than 1.0, from your folder" }),
  ).toBeVisible();
  await expect(books).toContainText("torn.json was not used.");
  await expect(books).not.toContainText("shopping.json");

  await page.goto(`${seating.url}/plan`);
  await page.getByRole("button", { name: "Propose an order" }).first().click();
  const offer = page.getByRole("dialog", { name: "A rulebook that you use has a newer version" });
  await expect(offer).toContainText("Soundings: 2.0 from your folder, 1.0 is used");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("region", { name: "Proposal" })).toHaveCount(0);
  await page.getByRole("button", { name: "Propose an order" }).first().click();
  await offer.getByRole("button", { name: "Use and propose" }).click();
  await expect(page.getByRole("region", { name: "Proposal" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Undo: use Soundings 2.0" })).toBeVisible();
  await page.getByRole("button", { name: "Undo: use Soundings 2.0" }).click();
  await page.getByRole("region", { name: "Proposal" }).getByRole("button", { name: "Cancel" }).click();
  await page.getByRole("button", { name: "Propose an order" }).first().click();
  await offer.getByRole("button", { name: "Propose without it" }).click();
  await expect(page.getByRole("region", { name: "Proposal" })).toBeVisible();
});
