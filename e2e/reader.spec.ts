import { expect, find, row, stored, test, visit } from "./fixtures";

// What a screen reader is told, by roles, names and states, and what is said to it unasked.

test("the plan is told as a grid of rows with their seats, states and headings; what happens in it is said", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await find(page, "Murk and Silt.plank");
  const grid = page.getByRole("grid", { name: "Plugins in load order" });
  await grid.focus();
  await expect(grid).toMatchAriaSnapshot(`
    - grid "Plugins in load order":
      - row:
        - columnheader "Seat"
        - columnheader "On"
        - columnheader "Plugin"
        - columnheader "State"
        - columnheader "Class"
      - row /D Water and weather 13/
      - row /D\\d+ Murk and Silt\\.plank/ [selected]:
        - gridcell /D\\d+/
        - gridcell:
          - switch "Murk and Silt.plank is on" [checked]
        - gridcell "Murk and Silt.plank"
        - gridcell
        - gridcell "full"
  `);
  expect(Number(await grid.getAttribute("aria-rowcount"))).toBe(83 + 10 + 1);
  await expect(grid).toHaveAttribute("aria-colcount", "5");
  const active = (await grid.getAttribute("aria-activedescendant"))!;
  await expect(page.locator(`[id="${active}"]`)).toContainText("Murk and Silt.plank");

  const said = page.locator("[aria-live=assertive]").first();
  await page.keyboard.press("Space");
  await expect(said).toHaveText(/^Picked up D\d+ Murk and Silt\.plank\.$/);
  await page.keyboard.press("ArrowUp");
  await expect(said).toHaveText(/^After D\d+ .+\.$/);
  await page.keyboard.press("Space");
  await expect(said).toHaveText(/^Put down D\d+ Murk and Silt\.plank\.$/);
  await expect(page.getByRole("status", { name: "Last move" })).toHaveText(
    /^Murk and Silt\.plank is at D\d+\.$/,
  );
  await expect(page.getByRole("region", { name: "Remember the move" })).toBeVisible();
});

test("a proposal is told as headings, moves with a switch each, and what accepting it does", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await page.keyboard.press("Alt+o");
  const proposal = page.getByRole("region", { name: "Proposal" });
  await expect(proposal).toMatchAriaSnapshot(`
    - region "Proposal":
      - heading /4 of 83 move; no valid order moves fewer/ [level=1]
      - button "Cancel"
      - button "Accept 4 moves"
      - img "The order now beside the order proposed; the list of moves says the same in words"
      - group "Moves":
        - heading "These change something 4" [level=2]
        - list "These change something":
          - listitem:
            - switch "Take the move of Tides × Weather.plank" [checked]
            - paragraph: Tides × Weather.plank
  `);
  await expect(proposal.getByRole("button", { name: "Accept 4 moves" })).toBeFocused();
  const curve = proposal.getByRole("img").locator("path[stroke-width='2']");
  await expect(curve).toHaveCount(4);
  await proposal.getByRole("switch", { name: "Take the move of Honest Prices.plank" }).click();
  await expect(
    proposal.getByRole("switch", { name: "Leave the move of Honest Prices.plank" }),
  ).not.toBeChecked();
  await expect(proposal.getByRole("button", { name: "Accept 3 of 4 moves" })).toBeVisible();
  // The chart follows what is taken.
  await expect(curve).toHaveCount(3);
});

test("a rule is spoken into the command field, and the messages tell what became of it", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await page.keyboard.press("Control+k");
  await page.keyboard.type("murk after quiet compass");
  const field = page.getByRole("combobox", { name: /^Search/ });
  await expect(field).toHaveAttribute("aria-expanded", "true");
  const first = page.getByRole("option").first();
  await expect(first).toHaveAccessibleName(/Remember: .*Murk and Silt\.plank.*Quiet Compass/);
  await expect(field).toHaveAttribute("aria-activedescendant", (await first.getAttribute("id"))!);
  await page.keyboard.press("Enter");
  await expect(field).toHaveAttribute("aria-expanded", "false");
  await stored(page);
  await expect(page.getByRole("button", { name: /^Undo: remember/ })).toBeVisible();
  await page.getByRole("link", { name: "Rules 4" }).click();
  await expect(page.getByRole("heading", { name: "Rules", level: 1 })).toBeVisible();
  await expect(page.getByRole("main")).toContainText("Murk and Silt.plank");
});

test("a list that comes in is told by counts under headings, and its lines as a grid", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/lineups?part=in`);
  await page.getByLabel(/^Or paste/).fill("Glass Tides\nTidal Core\nSomething Unheard Of\n");
  await page.getByRole("button", { name: "Read list" }).click();
  const main = page.getByRole("main");
  await expect(main).toMatchAriaSnapshot(`
    - main:
      - heading "Lineups" [level=1]
      - heading "Pasted list" [level=2]
      - paragraph: 2 mods on, 0 off, 9 plugins
      - region "What do these mean? 1":
        - list "Lines to be answered":
          - listitem:
            - button "0 none of them"
      - region "What this list (text) does not say"
      - complementary "Where it goes":
        - group "Where it goes":
          - radio "Into a new profile" [checked]
          - radio "Into Long Descent, beside your other mods"
  `);
  await main.getByText("Found here 2 by name").click();
  await main.getByText("How its 3 lines were understood").click();
  await expect(main.getByRole("grid")).toHaveCount(2);
  for (const grid of await main.getByRole("grid").all()) {
    await expect(grid).toHaveAccessibleName(/\S/);
    expect(Number(await grid.getAttribute("aria-rowcount"))).toBeGreaterThan(2);
    for (const cell of await grid.getByRole("columnheader").all())
      await expect(cell).toHaveAccessibleName(/\S/);
  }
});

test("components are all taken and all left, those that are shown or all there are", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await row(page, "Brinehollow.keel").waitFor();
  await page.getByRole("button", { name: "Game: Brinehollow" }).click();
  await page.getByRole("menuitem", { name: /^Millwright Vale/ }).click();
  await expect(page.getByRole("button", { name: "Game: Millwright Vale" })).toBeVisible();
  await page.getByRole("link", { name: /^Shelf/ }).click();
  // The plan has columns to choose too.
  await page.getByRole("heading", { name: "Shelf", level: 1 }).waitFor();
  await page.getByRole("button", { name: "Columns" }).click();
  await page.getByRole("checkbox", { name: "Parts" }).check();
  await page.keyboard.press("Escape");
  for (let n = 0; n < 2; n++)
    await page.getByRole("columnheader", { name: "Parts" }).getByRole("button").click();
  await page.getByRole("row").nth(1).click();
  await page.getByRole("button", { name: "Choose its parts…" }).click();
  const dialog = page.getByRole("dialog");
  const boxes = dialog.getByRole("checkbox");
  await dialog.getByRole("button", { name: "None of the components" }).click();
  await expect(dialog.getByRole("checkbox", { checked: true })).toHaveCount(0);
  await dialog.getByRole("button", { name: "All of the components" }).click();
  await expect(dialog.getByRole("checkbox", { checked: true }).first()).toBeVisible();
  expect(await dialog.getByRole("checkbox", { checked: true }).count()).toBeGreaterThan(
    (await boxes.count()) / 2,
  );
});
