import type { Page } from "@playwright/test";
import { expect, find, row, seatOf, stored, test, visit } from "./fixtures";
import { takeRowRenders, watchRowRenders } from "./row-renders";

const undo = (page: Page) => page.getByRole("button", { name: /^Undo: move/ });

test.beforeEach(async ({ watched: page, seating }) => {
  await page.goto(`${seating.url}/plan`);
  await row(page, "Brinehollow.keel").waitFor();
});

test("every typed target leads to its seat, and each undo, after a restart, back", async ({
  watched: page,
  seating,
}) => {
  const start = await seatOf(page, "Murk and Silt.plank");
  const targets = [
    ["C4", "C4"],
    ["after Quiet Compass", "C7"],
    ["before C1", "C1"],
    ["start of E", "E1"],
    ["end of C", "C12"],
    ["number 41", "D3"],
    ["35", "E3"],
  ] as const;
  for (const [text, seat] of targets) {
    await find(page, "Murk and Silt.plank");
    await page.keyboard.press("Alt+m");
    await page.getByLabel("Where to").fill(text);
    await expect(page.getByRole("dialog").getByRole("status")).toContainText(`To ${seat}, after `);
    await page.keyboard.press("Enter");
    await expect(page.getByRole("status", { name: "Last move" })).toHaveText(
      `Murk and Silt.plank is at ${seat}.`,
    );
    await expect(row(page, "Murk and Silt.plank").locator("[role=gridcell]").first(), text).toHaveText(seat);
    await expect(undo(page)).toHaveAccessibleName(`Undo: move Murk and Silt.plank to ${seat}`);
  }
  await stored(page);
  await seating.restart();
  await page.goto(`${seating.url}/plan`);
  for (const [, seat] of [...targets].reverse()) {
    await expect(undo(page)).toHaveAccessibleName(`Undo: move Murk and Silt.plank to ${seat}`);
    await undo(page).click();
  }
  await expect(page.getByRole("button", { name: "Undo: nothing" })).toBeDisabled();
  expect(await seatOf(page, "Murk and Silt.plank")).toBe(start);
});

test("by keyboard: steps, a step over a border, pages, and what is carried can be put back", async ({
  watched: page,
}) => {
  const grid = page.getByRole("grid");
  await find(page, "Murk and Silt.plank");
  const start = await seatOf(page, "Murk and Silt.plank");
  const number = Number(start.slice(1));
  await grid.focus();
  await page.keyboard.press("Alt+ArrowUp");
  await expect.poll(() => seatOf(page, "Murk and Silt.plank")).toBe(`D${number - 1}`);
  await grid.focus();
  await page.keyboard.press("Alt+ArrowDown");
  await page.keyboard.press("Alt+PageDown");
  await expect.poll(async () => (await seatOf(page, "Murk and Silt.plank"))[0]).toBe("E");
  await undo(page).click();
  await undo(page).click();
  await undo(page).click();
  // The first of the three leads to the same seat: all have to be through.
  await expect(page.getByRole("button", { name: "Undo: nothing" })).toBeDisabled();
  await expect.poll(() => seatOf(page, "Murk and Silt.plank")).toBe(start);

  await grid.focus();
  await page.keyboard.press("Space");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  await expect(page.getByTestId("carry")).toContainText("Carrying Murk and Silt.plank: after D");
  await page.keyboard.press("Escape");
  await expect(page.getByTestId("carry")).toHaveCount(0);
  expect(await seatOf(page, "Murk and Silt.plank")).toBe(start);
});

/** Picks a row up by its name and holds it over another one, or over a section's band. */
async function drag(page: Page, id: string, over: { x: number; y: number }): Promise<void> {
  const box = (await row(page, id).boundingBox())!;
  await page.mouse.move(box.x + 400, box.y + 16);
  await page.mouse.down();
  await page.mouse.move(box.x + 404, box.y + 24);
  await page.mouse.move(over.x, over.y, { steps: 10 });
}

test("by mouse: over a folded section at its end, at the edge the list scrolls, and a barrier is named", async ({
  watched: page,
}) => {
  await find(page, "Chalk Foam.plank");
  await page.getByRole("button", { name: "Fold Interface" }).first().click();
  const band = page.getByRole("row").filter({ hasText: "Screens, fonts, charts" }).first();
  const box = (await band.boundingBox())!;
  await drag(page, "Chalk Foam.plank", { x: box.x + 400, y: box.y + 22 });
  await expect(page.getByTestId("carry")).toContainText("last of Interface in C");
  await page.mouse.up();
  await expect(undo(page)).toHaveAccessibleName(/^Undo: move Chalk Foam\.plank to C\d+$/);
  await undo(page).click();
  // The list is higher without the bar that offers to remember the move: measured only once that is gone.
  await expect(page.getByRole("button", { name: "Undo: nothing" })).toBeDisabled();

  await find(page, "Chalk Foam - Extras.skiff");
  const list = (await page.getByRole("grid").boundingBox())!;
  await drag(page, "Chalk Foam - Extras.skiff", { x: list.x + 400, y: list.y + list.height - 6 });
  await expect.poll(() => page.getByTestId("carry").innerText(), { timeout: 20_000 }).toMatch(/in [H-J]\./);
  await page.mouse.up();
  await expect(undo(page)).toHaveAccessibleName(/^Undo: move Chalk Foam - Extras\.skiff to [H-J]\d+$/);
  await undo(page).click();
  await expect(page.getByRole("button", { name: "Undo: nothing" })).toBeDisabled();

  const seat = await seatOf(page, "Glass Tides.plank");
  await find(page, "Glass Tides.plank");
  const kelp = (await row(page, "Storm Ledger.plank").boundingBox())!;
  await drag(page, "Glass Tides.plank", { x: kelp.x + 400, y: kelp.y + 30 });
  await expect(page.getByTestId("carry")).toContainText("cannot go below");
  await page.mouse.up();
  await expect(page.locator("[data-message]").first()).toContainText(
    "Kelp Shelf Seams.skiff: it is a master of",
  );
  expect(await seatOf(page, "Glass Tides.plank")).toBe(seat);

  // What bars it comes along.
  await page
    .getByRole("button", { name: /^Take .*Kelp Shelf Seams\.skiff.* along$|^Take .* along$/ })
    .click();
  await expect(undo(page)).toHaveAccessibleName(/^Undo: move /);
  expect(await seatOf(page, "Glass Tides.plank")).not.toBe(seat);
  const place = async (id: string) =>
    Number(await row(page, id).evaluate((each) => each.closest("[role=row]")!.getAttribute("aria-rowindex")));
  expect(await place("Kelp Shelf Seams.skiff")).toBeGreaterThan(await place("Glass Tides.plank"));
});

test("while something is carried, what would change hands is said, and a key lists it; so before it is switched off", async ({
  watched: page,
}) => {
  const id = "Tides × Lamps.plank";
  await find(page, id);
  const seat = await seatOf(page, id);
  const inspector = page.getByTestId("hand-changes");
  await expect(inspector).toContainText(/Switched off: \d+ records change hands: \d+ to nobody, /);
  await inspector.getByRole("button", { name: "List", exact: true }).click();
  await expect(inspector.getByRole("list", { name: "What changes hands" })).toContainText(
    "fish-48@Brinehollow.keel: from I2 Tides × Lamps.plank to H10 The Pale Errand.plank",
  );
  await page.getByRole("grid").focus();
  await page.keyboard.press("Space");
  const carry = page.getByTestId("carry");
  // Until it has been carried past one with which it meets.
  await expect(async () => {
    await page.keyboard.press("ArrowUp");
    await expect(carry.getByRole("status")).toHaveText(/^\d+ records? changes? hands: \d+ to \S+ /, {
      timeout: 1000,
    });
  }).toPass();
  const said = await carry.getByRole("status").innerText();
  await page.keyboard.press("l");
  await expect(carry.getByRole("listitem")).toHaveCount(Number(/^\d+/.exec(said)![0]));
  await page.keyboard.press("Escape");
  await expect(carry).toHaveCount(0);
  expect(await seatOf(page, id)).toBe(seat);
  await expect(page.getByRole("button", { name: "Undo: nothing" })).toBeDisabled();
});

test("by keyboard: held where a tie bars it, T takes along what bars it; by a typed seat too", async ({
  watched: page,
}) => {
  await find(page, "Kelp Shelf Seams.skiff");
  const second = await seatOf(page, "Glass Tides.plank");
  const first = await seatOf(page, "Kelp Shelf Seams.skiff");
  await page.getByRole("grid").focus();
  await page.keyboard.press("Space");
  const carry = page.getByTestId("carry");
  await expect(carry).toBeVisible();
  for (let n = 0; n < 60 && !(await carry.innerText()).includes("T: Take"); n++)
    await page.keyboard.press("ArrowUp");
  await expect(carry).toContainText(/cannot go above .*T: Take .* along\./s);
  await page.keyboard.press("t");
  await expect(carry).toHaveCount(0);
  await expect(undo(page)).toHaveAccessibleName(/^Undo: move /);
  await undo(page).click();
  await expect.poll(() => seatOf(page, "Kelp Shelf Seams.skiff")).toBe(first);

  await find(page, "Kelp Shelf Seams.skiff");
  await page.keyboard.press("Alt+m");
  await page.getByLabel("Where to").fill("start of C");
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("status")).toContainText("cannot go above");
  await dialog.getByRole("button", { name: /^Take .* along$/ }).click();
  await expect(dialog).toHaveCount(0);
  await expect.poll(() => seatOf(page, "Glass Tides.plank")).not.toBe(second);
});

test("by mouse: what is picked up at the edge does not run away, however slowly it leaves; nearer to the edge the list scrolls", async ({
  watched: page,
}) => {
  const id = "Murk and Silt.plank";
  await find(page, id);
  const grid = page.getByRole("grid");
  const scrolled = () => grid.evaluate((list) => list.scrollTop);
  const list = (await grid.boundingBox())!;
  const box = (await row(page, id).boundingBox())!;
  // The command field brings it into view at the foot of the list.
  expect(list.y + list.height - box.y).toBeLessThan(40);
  const before = await scrolled();
  await page.mouse.move(box.x + 400, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + 404, box.y + 10);
  await expect(page.getByTestId("carry")).toBeVisible();
  // For as many frames as would have scrolled far.
  await page.evaluate(
    () =>
      new Promise<void>((done) => {
        let left = 60;
        const step = () => (left-- > 0 ? requestAnimationFrame(step) : done());
        step();
      }),
  );
  expect(await scrolled()).toBe(before);
  await page.mouse.move(box.x + 404, box.y + 28);
  await expect.poll(scrolled).toBeGreaterThan(before + 100);
  await page.keyboard.press("Escape");
  await page.mouse.up();
});

test("by mouse: a drag that has come to rest at the edge before anything is drawn scrolls, and is put down there", async ({
  watched: page,
}) => {
  await find(page, "Chalk Foam - Extras.skiff");
  const list = (await page.getByRole("grid").boundingBox())!;
  const box = (await row(page, "Chalk Foam - Extras.skiff").boundingBox())!;
  const edge = list.y + list.height - 6;
  // All in one task: the page draws nothing in between, as on a machine that is busy.
  await page.evaluate(
    ({ x, from, edge }) => {
      const fire = (target: EventTarget, type: string, clientX: number, clientY: number) =>
        target.dispatchEvent(
          new PointerEvent(type, {
            bubbles: true,
            isPrimary: true,
            button: 0,
            pointerId: 1,
            pointerType: "mouse",
            clientX,
            clientY,
          }),
        );
      const at = document.elementFromPoint(x, from)!;
      fire(at, "pointerdown", x, from);
      for (const y of [from + 8, edge - 20, edge]) fire(document, "pointermove", x, y);
    },
    { x: box.x + 400, from: box.y + 16, edge },
  );
  await expect(page.getByTestId("carry")).toContainText(/in [H-J]\./);
  await page.evaluate(() => document.dispatchEvent(new PointerEvent("pointerup", { bubbles: true })));
  await expect(undo(page)).toHaveAccessibleName(/^Undo: move Chalk Foam - Extras\.skiff to [H-J]\d+$/);
});

test("two windows that edit rules: each shows what the other did", async ({
  watched: page,
  seating,
  context,
}) => {
  const say = async (window: Page, sentence: string) => {
    await window.keyboard.press("Control+k");
    await window.keyboard.type(sentence);
    await expect(window.getByRole("option").first()).toContainText("Remember:");
    await window.keyboard.press("Enter");
  };
  const other = await context.newPage();
  for (const window of [page, other]) await visit(window, `${seating.url}/rules`);
  await say(page, "Bitter Narrows.plank after Cinder Reef.plank");
  await stored(page);
  const rulesIn = (window: Page) => window.getByRole("list", { name: "Rules", exact: true });
  await expect(rulesIn(other).getByRole("listitem")).toHaveCount(4);
  await expect(rulesIn(other)).toContainText("Bitter Narrows.plank");
  await say(other, "Storm Ledger.plank after Marl Swell.skiff");
  for (const window of [page, other]) {
    await expect(rulesIn(window).getByRole("listitem")).toHaveCount(5);
    await expect(rulesIn(window)).toContainText("Marl Swell.skiff");
  }
});

test("one move and its undo bring less than two kilobytes, and show before the server has answered", async ({
  watched: page,
}) => {
  const name = "Murk and Silt.plank";
  const start = await seatOf(page, name);
  const bytes: Record<string, number> = {};
  page.on("requestfinished", (request) => {
    const act = /\/api\/act\/(\w+)/.exec(request.url())?.[1];
    if (!act || !["editProfile", "undoOrRedo"].includes(act)) return;
    void request.sizes().then((size) => (bytes[act] = size.requestBodySize + size.responseBodySize));
  });
  await page.keyboard.press("Alt+m");
  await page.getByLabel("Where to").fill("before C1");
  await page.keyboard.press("Enter");
  await expect(undo(page)).toHaveAccessibleName(`Undo: move ${name} to C1`);
  await stored(page);
  const held: (() => void)[] = [];
  await page.route("**/api/act/undoOrRedo", async (route) => {
    await new Promise<void>((go) => held.push(go));
    await route.continue();
  });
  await undo(page).click();
  await expect.poll(() => held.length).toBe(1);
  expect(await seatOf(page, name)).toBe(start);
  // It is no more than shown yet, and says so.
  await expect(page.getByText("Storing…")).toBeVisible();
  held[0]!();
  await stored(page);
  await expect.poll(() => Object.keys(bytes).sort()).toEqual(["editProfile", "undoOrRedo"]);
  expect(bytes["editProfile"]).toBeLessThan(2000);
  expect(bytes["undoOrRedo"]).toBeLessThan(2000);
  await page.reload();
  expect(await seatOf(page, name)).toBe(start);
});

test("a drop renders no row more than twice", async ({ watched: page, seating }) => {
  await watchRowRenders(page);
  await page.goto(`${seating.url}/plan`);
  await find(page, "Murk and Silt.plank");
  const above = (await row(page, "Chalk Foam.plank").boundingBox())!;
  await drag(page, "Murk and Silt.plank", { x: above.x + 400, y: above.y + 30 });
  await takeRowRenders(page);
  await page.mouse.up();
  await expect(undo(page)).toBeVisible();
  await stored(page);
  await page.waitForTimeout(500);
  const renders = await takeRowRenders(page);
  expect(renders["Murk and Silt.plank"]).toBeGreaterThan(0);
  expect(Math.max(...Object.values(renders))).toBeLessThanOrEqual(2);
});
