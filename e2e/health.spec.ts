import { expect, finding, find, home, row, stored, takeWayOut, test, visit } from "./fixtures";

test("from a broken set to a start, by keyboard alone: the list, its ways out by number, a proposal, a trial", async ({
  watched: page,
}) => {
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };
  const grid = page.getByRole("grid", { name: "Findings" });
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  const toGrid = async () => {
    await press("Alt+0");
    await grid.waitFor();
    for (let tries = 0; tries < 40; tries++) {
      if (await grid.evaluate((element) => element === document.activeElement)) return;
      await press("Tab");
    }
    throw new Error("the findings cannot be reached with Tab");
  };
  /** Walks on until a finding is looked at. */
  const walkTo = async (title: string) => {
    for (let tries = 0; tries < 30; tries++) {
      if ((await inspector.getByRole("heading", { level: 2 }).innerText()) === title) return;
      await press("n");
    }
    throw new Error(`${title} cannot be reached with n`);
  };
  await toGrid();
  await press("Home");
  await walkTo("Expansion missing");
  await press("1");
  await expect(finding(page, "Expansion missing")).toHaveCount(0);
  await press("Home");
  await walkTo("Master off");
  await press("1");
  await expect(finding(page, "Master off")).toHaveCount(0);
  await stored(page);
  await press("Home");
  await walkTo("Master loads later");
  await press("1");
  await expect(page.getByRole("button", { name: "Accept 4 moves" })).toBeFocused();
  await press("Enter");
  await expect(page.getByRole("contentinfo")).toContainText("0 blockers");
  await press("Alt+1");
  await expect(page.getByRole("region", { name: "Can I play?" })).not.toContainText("Not yet");
  await press("Alt+t");
  await page.getByRole("button", { name: "Write this profile’s order and start", exact: true }).waitFor();
  await press("Enter");
  await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText("ran");
});

test("a way out says what goes and comes before it is taken; the sure ones are taken together and taken back at once", async ({
  watched: page,
}) => {
  await page.getByRole("link", { name: /^Health/ }).click();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await finding(page, "Master off").click();
  await expect(inspector).toContainText("2 findings go.");
  await expect(inspector).toContainText("The game stops at its start.");
  await page.getByRole("button", { name: "Take 1 sure way out…" }).click();
  const dialog = page.getByRole("dialog", { name: "Take 1 sure way out…" });
  await expect(dialog).toContainText("2 findings go");
  await dialog.getByRole("button", { name: "Take them" }).click();
  await expect(finding(page, "Master off")).toHaveCount(0);
  await expect(page.getByRole("button", { name: "Nothing is sure" })).toBeDisabled();
  await page.getByRole("button", { name: "Undo: take a sure way out" }).click();
  await expect(finding(page, "Master off")).toHaveCount(1);
});

test("a finding is set aside with a reason, survives a restart, and is told again", async ({
  watched: page,
  seating,
}) => {
  await page.getByRole("link", { name: /^Health/ }).click();
  await finding(page, "Expansion missing").click();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await inspector.getByRole("button", { name: "Set aside…" }).click();
  await inspector.getByLabel("Why you live with it").fill("my friend has the trench");
  await inspector.getByRole("button", { name: "Set aside", exact: true }).click();
  await expect(finding(page, "Expansion missing")).toHaveCount(0);
  await stored(page);
  await seating.restart();
  await visit(page, `${seating.url}/health?by=aside`);
  await expect(finding(page, "my friend has the trench")).toHaveCount(1);
  await inspector.getByRole("button", { name: "Tell it again" }).click();
  await page.getByRole("tab", { name: "By cause" }).click();
  await expect(finding(page, "Expansion missing")).toHaveCount(1);
});

test("what was read on a page is written down and found from then on; a reminder comes when it is due", async ({
  watched: page,
  seating,
}) => {
  await find(page, "Small Fry.skiff");
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await inspector.getByRole("button", { name: "Write down what is known…" }).click();
  const dialog = page.getByRole("dialog", { name: "What is known of Small Fry.skiff" });
  await dialog.getByRole("combobox", { name: "What it needs" }).fill("Old Porthole");
  await dialog.getByRole("option", { name: /Old Porthole/ }).click();
  await dialog.getByLabel("Why (optional)").fill("else the shoals stand still");
  await dialog.getByLabel("Read where (optional)").fill("the page of Small Fry");
  await dialog.getByRole("button", { name: "Store" }).click();
  await expect(inspector).toContainText("needs Old Porthole.plank: else the shoals stand still");
  await visit(page, `${seating.url}/health`);
  await finding(page, "Needs another one").click();
  await expect(inspector).toContainText("You wrote it down, the page of Small Fry");
  await takeWayOut(page, "Needs another one", /Switch on/);
  await expect(finding(page, "Needs another one")).toHaveCount(0);

  await page.getByRole("button", { name: "Reminders…" }).click();
  const reminders = page.getByRole("dialog", { name: "Reminders…" });
  await reminders.getByLabel("What to remind you of").fill("Look at the frames again");
  await reminders.getByLabel("Which mod").fill("Wide Lens");
  await reminders.getByRole("button", { name: "Remind me" }).click();
  await expect(finding(page, "Wide Lens is on the shelf now: Look at the frames again")).toHaveCount(1);
  await takeWayOut(page, "Look at the frames again", /Done/);
  await expect(finding(page, "Look at the frames again")).toHaveCount(0);
});

test("the text of a page is pasted, and what is found in it is stored as far as it is ticked", async ({
  watched: page,
  seating,
}) => {
  await find(page, "Small Fry.skiff");
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await inspector.getByRole("button", { name: "Paste a page…" }).click();
  const dialog = page.getByRole("dialog", { name: "What is known of Small Fry.skiff" });
  await dialog
    .getByLabel("Text of the page")
    .fill(
      "Requirements\n- Wide Lens\n- Porthole Classic\nIncompatible with Glass Tides.\nStart a new game; you must.",
    );
  await expect(dialog).toContainText("4 things found in it");
  await dialog.getByLabel(/Does not go with Glass Tides/).uncheck();
  await dialog.getByLabel("Read where (optional)").fill("its page");
  await dialog.getByRole("button", { name: "Store 3" }).click();
  await expect(inspector).toContainText("needs Wide Lens");
  await expect(inspector).toContainText("you must");
  await expect(inspector).not.toContainText("Glass Tides.");
  await stored(page);
  await visit(page, `${seating.url}/health?by=single`);
  await expect(finding(page, /Small Fry.*needs .*Porthole Classic/)).toHaveCount(1);
});

test("a helper’s report names what is found and the last trial, no folder of the machine, and what is ticked of it", async ({
  watched: page,
}) => {
  await page.keyboard.press("Alt+t");
  await page.getByRole("button", { name: "Write this profile’s order and start", exact: true }).click();
  await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText(
    "stopped at start",
  );
  await page.getByRole("button", { name: "Close the panel" }).click();
  await page.getByRole("link", { name: /^Health/ }).click();
  await page.getByRole("button", { name: "Report…" }).click();
  const report = page.getByRole("textbox", { name: "A report for a helper" });
  await expect(report).toHaveValue(/it stopped\./);
  await expect(report).toHaveValue(/blocker: Master loads later/);
  await expect(report).not.toHaveValue(new RegExp(home));
  await expect(report).not.toHaveValue(/Processors/);
  await page.getByLabel("Processors").check();
  await expect(report).toHaveValue(/Processors: \d+/);
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save the file" }).click();
  expect((await saving).suggestedFilename()).toBe("report.md");
});

test("the overview says how the last trial ended and how findings came and went by day; what appeared stands in the messages once", async ({
  watched: page,
}) => {
  await expect(page.getByText("This profile has not been tried yet.")).toBeVisible();
  await expect(page.getByRole("img", { name: "Findings by day" })).toBeVisible();
  const days = page.getByRole("table").filter({ has: page.getByRole("img", { name: "blockers" }) });
  await expect(days.getByRole("row")).toHaveCount(11);
  const today = days.getByRole("row").nth(1);
  await expect(today.getByRole("cell").nth(1)).toHaveText("7");

  await page.keyboard.press("Alt+t");
  await page.getByRole("button", { name: "Write this profile’s order and start", exact: true }).click();
  await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText(
    "stopped at start",
  );
  await expect(page.getByText("Nothing that matters has changed since.")).toBeVisible();
  // Also where nothing else is found than before.
  const told = page.waitForRequest(/noteFindings/, { timeout: 20_000 });
  await page.getByRole("region", { name: "Trial" }).getByRole("button", { name: "Start again" }).click();
  await told;
  await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText(
    "stopped at start",
  );
  await page.getByRole("button", { name: "Close the panel" }).click();

  await find(page, "Tidal Core.keel");
  await row(page, "Tidal Core.keel").getByRole("switch").click();
  await expect(page.getByRole("contentinfo")).not.toContainText("7 blockers");
  await page.getByRole("link", { name: /^Overview/ }).click();
  await expect(page.getByText("The set has changed since.")).toBeVisible();
  await expect(today.getByRole("cell").nth(1)).not.toHaveText("7");
  await page.getByRole("button", { name: /^Messages/ }).click();
  const messages = page.getByRole("list", { name: "Message log" });
  await expect(messages.getByText(/^\d+ new findings: /)).toHaveCount(1);
  await page.getByRole("button", { name: "Close the panel" }).click();

  // A mark in the plan and the shelf leads to what is found there.
  await find(page, "Frozen Galleries.plank");
  await row(page, "Frozen Galleries.plank").getByRole("link").click();
  await expect(page).toHaveURL(/\/health\?.*item=Frozen/);
  await expect(finding(page, "Cold Trench.keel")).toHaveCount(1);
  await page.getByRole("link", { name: /^Shelf/ }).click();
  await page.getByRole("heading", { level: 1, name: "Shelf" }).waitFor();
  await page
    .getByRole("row", { name: /Frozen Galleries/ })
    .first()
    .click();
  await page.getByRole("link", { name: "Ways out, in Health" }).click();
  await expect(page).toHaveURL(/\/health\?.*item=frozen-galleries/);
  await expect(finding(page, "Cold Trench.keel")).toHaveCount(1);
});

test("what a plugin needs and what needs it is walked by keyboard; what falls with it is told, switched off at once and taken back; all of it is on the page that is printed", async ({
  watched: page,
}) => {
  await page.goto(new URL("/health?by=needs&of=plugin:Tidal%20Core.keel", page.url()).href);
  const drawing = page.getByRole("group", { name: "Requirements, drawn" });
  const node = (name: string) => drawing.getByRole("button", { name, exact: true });
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  const on = page.getByRole("contentinfo").getByText(/of 72 mods on/);
  await expect(inspector).toContainText("It needs 4, and 11 need it, directly or through others.");
  await expect(inspector).toContainText("11 plugins fall with it:");
  await node("Tidal Core.keel, on").focus();
  await page.keyboard.press("ArrowRight");
  await expect(node("Bellbuoy Narrows.skiff, on")).toBeFocused();
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("ArrowLeft");
  await expect(node("Abyss Lib.keel, on")).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 2, name: "Abyss Lib.keel" })).toBeVisible();
  await page.getByRole("button", { name: "Back" }).click();
  await expect(page.getByRole("heading", { level: 2, name: "Tidal Core.keel" })).toBeVisible();

  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("contentinfo")).toBeHidden();
  await expect(
    page.getByRole("listitem").filter({ hasText: "Storm Ledger.plank, on, needs it (2)" }),
  ).toBeVisible();
  await page.emulateMedia({ media: "screen" });

  await page.getByRole("button", { name: "Switch off with all that falls" }).click();
  await expect(node("Tidal Core.keel, off")).toBeVisible();
  await expect(inspector).toContainText("If it comes");
  for (const name of ["Storm Ledger.plank", "Glass Tides.plank", "Tides × Lamps.plank"])
    await expect(node(`${name}, off`)).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(node("Storm Ledger.plank, on")).toBeVisible();
  await expect(on).toContainText("58");

  await page.getByRole("textbox", { name: "Find a mod, plugin or expansion" }).fill("cold trench");
  await page
    .getByRole("grid", { name: /found/ })
    .getByRole("row")
    .filter({ hasText: "Cold Trench.keel" })
    .click();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 2, name: "Cold Trench.keel" })).toBeVisible();
  await expect(inspector).toContainText("It can be switched neither off nor on from here.");
});
