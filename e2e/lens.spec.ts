import { readFile } from "node:fs/promises";
import { choose, expect, find, finding, row, seatOf, stored, takeWayOut, test } from "./fixtures";

test.beforeEach(async ({ watched: page, seating }) => {
  await page.goto(`${seating.url}/plan`);
  await row(page, "Brinehollow.keel").waitFor();
});

test("under the lens of mods the selection goes along, and mods are arranged, with what bars them named", async ({
  watched: page,
  seating,
}) => {
  await find(page, "Glass Tides.plank");
  await page.getByRole("radio", { name: "mods" }).click();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(inspector.getByRole("heading", { level: 2 })).toContainText("Glass Tides");
  await expect(inspector).toContainText("After A3 Tidal Core: this one requires it.");
  await expect(inspector).toContainText("Its plugins");
  await inspector.getByRole("button", { name: /^Show its 5 files/ }).click();
  // Its plugins name it, too, so that only the list of files tells whether that has come.
  const files = inspector.getByRole("grid", { name: "Files of Glass Tides" });
  await expect(files.getByText("Glass Tides - Reefs.skiff", { exact: true })).toBeVisible();

  const grid = page.getByRole("grid", { name: "Mods in load order" });
  await grid.focus();
  await page.keyboard.press("Alt+m");
  await page.getByLabel("Where to").fill("A1");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("dialog").getByRole("status")).toContainText(
    "cannot go above A3 Tidal Core: it requires A3 Tidal Core",
  );
  await page.getByLabel("Where to").fill("before Chalk Foam");
  await page.keyboard.press("Enter");
  await expect(row(page, "glass-tides")).toContainText("C2");
  const bar = page.getByRole("region", { name: "Remember the move" });
  await bar.getByRole("button", { name: /^before C3 Chalk Foam/ }).click();
  await stored(page);

  await seating.restart();
  await page.goto(`${seating.url}/rules`);
  await expect(
    page.getByRole("list", { name: "Rules", exact: true }).getByRole("listitem").last(),
  ).toContainText(/C2 Glass Tides loads earlier than C3 Chalk Foam\s*mods/);
  await page.getByRole("button", { name: "Undo: remember a rule for Glass Tides" }).click();
  await page.getByRole("button", { name: "Undo: move Glass Tides to C2" }).click();
  await expect(page.getByRole("button", { name: "Redo: move Glass Tides" })).toBeVisible();
  await page.keyboard.press("Alt+g");
  await expect(row(page, "glass-tides")).toContainText("C3");
});

test("a note is written with a name and a day, found again, and taken away by undo after a restart", async ({
  watched: page,
  seating,
}) => {
  await find(page, "Murk and Silt.plank");
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await inspector.getByRole("button", { name: "Write a note…" }).click();
  await inspector.getByLabel("Note", { exact: true }).fill("Silt goes over fog.");
  await inspector.getByLabel("Written by").fill("inkfathom");
  await inspector.getByRole("button", { name: "Save note" }).click();
  await expect(inspector).toContainText(/Silt goes over fog\.\s*inkfathom, \d+ \w+ \d{4}/);
  await stored(page);
  await seating.restart();
  await page.goto(`${seating.url}/plan`);
  await page.getByRole("button", { name: "Filter" }).click();
  const bar = page.getByRole("search", { name: "Filter of the plan" });
  await bar.getByRole("button", { name: "Add filter" }).press("Enter");
  await page.getByRole("menuitem", { name: "Note" }).press("ArrowRight");
  await page.getByRole("menuitem", { name: "with a note" }).press("Enter");
  await expect(bar.getByRole("status")).toHaveText(/^1 of \d+$/);
  await expect(row(page, "Murk and Silt.plank").getByLabel("with a note")).toBeVisible();
  await bar.getByRole("button", { name: "Remove filter: Note" }).click();
  await expect(bar.getByRole("status")).toHaveCount(0);
  await expect(bar.getByRole("button", { name: "Add filter" })).toBeFocused();
  await page.keyboard.press("Enter");
  await page.getByRole("menuitem", { name: "Note" }).press("ArrowRight");
  await page.getByRole("menuitem", { name: "with a note" }).press("Enter");
  await page.getByRole("button", { name: "Undo: write a note on Murk and Silt.plank" }).click();
  await expect(bar.getByRole("status")).toHaveText(/^0 of \d+$/);
});

test("a block at the bottom that is closed lets nobody in, and is told among the rules", async ({
  watched: page,
}) => {
  await page.getByRole("button", { name: "Sections", exact: true }).click();
  const dialog = page.getByRole("dialog", { name: "Sections of the plugins" });
  await dialog.getByRole("option", { name: /Patches/ }).click();
  await choose(dialog.getByLabel("Position", { exact: true }), "last of its rank: nothing after it");
  await dialog.getByLabel("Closed: nothing more goes in").check();
  const last = dialog.getByRole("option").last();
  await expect(last).toContainText("Patches");
  await expect(last.getByLabel("closed")).toBeVisible();
  await dialog.getByRole("option", { name: /Unseated/ }).click();
  await dialog.getByRole("listbox", { name: "Sections" }).focus();
  await page.keyboard.press("Alt+ArrowDown");
  await expect(page.locator("[data-message]").first()).toContainText("a block stays at its end");
  await page.keyboard.press("Escape");

  await find(page, "Chalk Foam - Extras.skiff");
  await page.keyboard.press("Alt+m");
  await page.getByLabel("Where to").fill("end of J");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("dialog").getByRole("status")).toContainText(
    "cannot go into Patches: that section is closed",
  );
  await page.keyboard.press("Escape");
  await page.getByRole("grid").focus();
  await page.keyboard.press("Space");
  for (let n = 0; n < 12; n++) await page.keyboard.press("PageDown");
  await expect(page.getByTestId("carry")).toContainText("that section is closed");
  await page.keyboard.press("Escape");

  await page.getByRole("link", { name: /^Rules/ }).click();
  const told = page.getByRole("region", { name: "Rules of sections" });
  await expect(told).toContainText(
    "Nothing of its load rank comes after Patches. Nothing more goes into Patches.",
  );
  await told.getByRole("button", { name: "Remove the rule of section J Patches" }).click();
  await expect(told).toHaveCount(0);
});

test("what is off is gathered to be looked at, and keeps its seat; numbers have a column", async ({
  watched: page,
}) => {
  const seat = await seatOf(page, "Divers for Hire.plank");
  await page.getByRole("button", { name: "View", exact: true }).click();
  await page.getByRole("menuitemcheckbox", { name: /^Group what is off/ }).click();
  await page.getByRole("grid").focus();
  await page.keyboard.press("End");
  const last = row(page, "Divers for Hire.plank");
  await expect(last).toBeVisible();
  expect(await seatOf(page, "Divers for Hire.plank")).toBe(seat);
  await page.getByRole("button", { name: "Columns", exact: true }).click();
  await page.getByRole("checkbox", { name: "Number" }).check();
  await page.keyboard.press("Escape");
  await expect(last.locator("[role=gridcell]").nth(3)).toHaveText(/^8\d(\.\d+)?$/);
  await last.getByRole("switch").click();
  await page.reload();
  await find(page, "Divers for Hire.plank");
  expect(await seatOf(page, "Divers for Hire.plank")).toBe(seat);
});

test("sections have numbers of their own and items weights, which last; an outgrown tier is numbered anew after a look at it", async ({
  watched: page,
}) => {
  const id = "Divers for Hire.plank";
  await find(page, id);
  const number = () =>
    page
      .getByText(/^Number in a sheet:/)
      .locator(".font-mono")
      .first()
      .innerText();
  const letter = (await seatOf(page, id)).replace(/\d+$/, "");
  const at = letter.charCodeAt(0) - 64;
  const look = async () => {
    await page.getByRole("button", { name: "View", exact: true }).click();
    await page.getByRole("menuitem", { name: "Numbers of the sections…" }).click();
  };
  await look();
  const dialog = page.getByRole("dialog", { name: "Numbers of the plugins" });
  const tier = dialog.getByRole("textbox").nth(at - 1);
  await expect(tier).toHaveAttribute("placeholder", String(at * 10));
  await tier.fill(String(at * 10 + 5));
  await tier.press("Enter");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: /^Undo: number/ })).toBeVisible();
  expect(Number(await number())).toBeGreaterThanOrEqual(at * 10 + 5);
  const weight = page.getByRole("textbox", { name: "Weight in its tier" });
  await weight.fill("3,5");
  await weight.press("Enter");
  await expect.poll(number).toBe(String(at * 10 + 8.5));
  await stored(page);
  await page.reload();
  await find(page, id);
  await expect.poll(number).toBe(String(at * 10 + 8.5));

  // It holds more than lies between it and the next one: numbered anew, with what that changes shown before.
  await look();
  await expect(dialog.getByText("too small now").first()).toBeVisible();
  await dialog.getByRole("button", { name: "Renumber…" }).click();
  const preview = dialog.getByRole("region", { name: "Numbered anew" });
  await expect(preview).toContainText(`${at * 10 + 5} → ${at * 100}`);
  await expect(preview).toContainText("1 weight becomes a whole number");
  const [sheet] = await Promise.all([
    page.waitForEvent("download"),
    preview
      .getByRole("button", { name: "Renumber", exact: true })
      .click()
      .then(() => dialog.getByRole("button", { name: "Export the sheet" }).click()),
  ]);
  const rows = (await readFile(await sheet.path(), "utf8")).split("\r\n");
  expect(rows[0]).toMatch(/^number,tier,weight,list,section,name/);
  expect(rows.find((each) => each.includes(id))).toMatch(new RegExp(`^${at}\\d\\d,${at}00,\\d+,plugins,`));
  await expect(dialog.getByText("too small now")).toHaveCount(0);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Undo: number the plugins anew" }).click();
  await expect.poll(number).toBe(String(at * 10 + 8.5));
});

test("a conflict shows who wins, and is kept so by a rule; two orders that disagree are aligned", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/health`);
  const found = finding(page, "The two orders disagree");
  const pairs = async () => Number(/(\d+) pairs? of mods/.exec(await found.innerText())?.[1]);
  const before = await pairs();
  await takeWayOut(page, "The two orders disagree", /Align the mods with the plugins/);
  await expect(page.getByText(/^\d+ mods stay as you arranged them/)).toBeVisible();
  await page.getByRole("button", { name: /^Accept \d+ moves?$/ }).click();
  await stored(page);
  await page.goto(`${seating.url}/health`);
  await expect(found).toBeVisible();
  expect(await pairs()).toBeLessThan(before);

  await page.keyboard.press("Control+k");
  await page.keyboard.type("Bellbuoy Narrows");
  await page.getByRole("option", { name: /^Bellbuoy Narrows D\d/ }).click();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(inspector).toContainText(/(Wins over|Loses to) .+ in \d files?\./);
  await inspector.getByRole("button", { name: "Remember as a rule…" }).first().click();
  const dialog = page.getByRole("dialog", { name: "Remember as a rule" });
  await dialog.getByRole("button", { name: "Remember" }).click();
  await expect(page.getByRole("button", { name: /^Undo: remember a rule for/ })).toBeVisible();
});
