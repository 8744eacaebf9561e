import { copyFile, readFile, rename, rm } from "node:fs/promises";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { zipSync, strToU8 } from "fflate";
import type { Page } from "@playwright/test";
import { make7z } from "@/disk/testing/make-7z";
import { dropFile } from "./drop-file";
import { choose, expect, home, shelfFolder, stored, test, visit } from "./fixtures";

const shown = (page: Page) => page.getByText(/^\d+ of \d+ shown$/);
const bar = (page: Page) => page.getByRole("search", { name: "Filter of the shelf" });

test("the shelf is searched with slips, narrowed with counts told before, and all of it lives in the address", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/shelf`);
  await page.getByLabel("Filter the shelf").fill("glas tids");
  await expect(page.getByRole("row", { name: /Glass Tides/ })).toBeVisible();
  await page.getByRole("row", { name: /Glass Tides/ }).click();
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText(
    "this profile, Harbour Lights, All at Once",
  );
  await page.getByLabel("Filter the shelf").fill("");
  await bar(page).getByRole("combobox", { name: "State" }).click();
  await expect(page.getByRole("option", { name: "unusable (3)" })).toBeVisible();
  await page.keyboard.press("Escape");
  await bar(page).getByRole("button", { name: "Tags" }).click();
  await page.getByLabel(/^water/).click();
  await page.keyboard.press("Escape");
  await expect(page).toHaveURL(/tag=water/);
  await expect(shown(page)).not.toHaveText("72 of 72 shown");
  const count = Number((await shown(page).innerText()).split(" ")[0]);
  expect(count).toBeGreaterThan(1);
  await bar(page)
    .getByRole("button", { name: /^Switch \d+ off$/ })
    .click();
  await expect(page.getByRole("button", { name: /^Undo: switch off \d+$/ })).toBeVisible();
  await stored(page);
  await page.getByRole("button", { name: /^Undo: switch off/ }).click();
  await page.getByRole("columnheader", { name: "Size" }).getByRole("button").click();

  await bar(page).getByRole("button", { name: "Saved" }).click();
  await page.getByLabel("Name of the filter").fill("Wet things");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Columns" }).click();
  await page.getByRole("checkbox", { name: "Tags" }).click();
  await page.keyboard.press("Escape");
  const heading = page.getByRole("columnheader", { name: "Tags" });
  const edge = (await heading.locator("[data-width-handle]").boundingBox())!;
  await page.mouse.move(edge.x + edge.width / 2, edge.y + 5);
  await page.mouse.down();
  await page.mouse.move(edge.x + edge.width / 2 + 30, edge.y + 5, { steps: 3 });
  await page.mouse.up();
  await expect(heading).toHaveCSS("width", "150px");
  // By its heading it is taken to the place of another one.
  const from = (await heading.getByRole("button").boundingBox())!;
  const to = (await page.getByRole("columnheader", { name: "Author" }).boundingBox())!;
  await page.mouse.move(from.x + 5, from.y + 5);
  await page.mouse.down();
  await page.mouse.move(to.x + 20, to.y + 12, { steps: 4 });
  await page.mouse.up();
  const order = () => page.getByRole("columnheader").allInnerTexts();
  const moved = ["On", "Mod", "Version", "Author", "Tags", "Plugins", "Size ↑", "File"];
  await expect.poll(order).toEqual(moved);
  await page.waitForTimeout(800);

  await page.reload();
  await expect(page.getByRole("columnheader", { name: "Size" })).toHaveAttribute("aria-sort", "ascending");
  await expect(shown(page)).toHaveText(`${count} of 72 shown`);
  await expect(heading).toHaveCSS("width", "150px");
  expect(await order()).toEqual(moved);
  await bar(page).getByRole("button", { name: "Show all" }).click();
  await expect(shown(page)).toHaveText("72 of 72 shown");
  await bar(page).getByRole("button", { name: "Saved" }).click();
  await page.getByRole("button", { name: "Wet things", exact: true }).click();
  await expect(shown(page)).toHaveText(`${count} of 72 shown`);
});

test("the list is worked by keyboard: ranges, names typed, copying, its menu, and its headings", async ({
  watched: page,
  seating,
  context,
}) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await visit(page, `${seating.url}/shelf`);
  const grid = page.getByRole("grid", { name: "Mods on the shelf" });
  const selected = () => grid.locator("[role=row][aria-selected=true]").count();
  await grid.focus();
  await page.keyboard.type("glass");
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(inspector.getByRole("heading", { name: "Glass Tides" })).toBeVisible();
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("Shift+ArrowDown");
  expect(await selected()).toBe(3);
  await page.keyboard.press("Shift+ArrowUp");
  await expect.poll(selected).toBe(2);
  await page.keyboard.press("Control+c");
  const copied = () => page.evaluate(() => navigator.clipboard.readText());
  await expect.poll(copied).toMatch(/^On\tMod\tVersion.*\non\tGlass Tides\t2\.3\.0\tlanternfish\t2\t/s);

  // The menu acts on what is selected, and gives the focus back.
  await page.keyboard.press("Shift+F10");
  await expect(page.getByRole("menuitem", { name: "Tag 2…" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(grid).toBeFocused();
  await page.keyboard.press("Control+a");
  await expect(bar(page).getByRole("button", { name: "With these 72 selected" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect.poll(selected).toBe(0);

  // Above the first row stand the headings.
  await page.keyboard.press("Home");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("ArrowRight");
  const version = page.getByRole("columnheader", { name: "Version" });
  await expect(grid).toHaveAttribute("aria-activedescendant", (await version.getAttribute("id"))!);
  await page.keyboard.press("Alt+ArrowRight");
  await expect(version).toHaveCSS("width", "92px");
  await page.keyboard.press("Control+ArrowRight");
  await page.keyboard.press("Enter");
  await expect(version).toHaveAttribute("aria-sort", "ascending");
  await expect(version).toHaveAttribute("aria-colindex", "4");
  // As a screen reader presses its button.
  await version.getByRole("button").dispatchEvent("click");
  await expect(version).toHaveAttribute("aria-sort", "descending");
  await page.keyboard.press("Shift+F10");
  await page.getByRole("menuitem", { name: "Hide this column" }).click();
  await expect(version).toHaveCount(0);
  await expect(grid).toBeFocused();
  await expect(grid).toHaveAttribute("aria-colcount", "6");
});

test("what is typed and taken back before the page has drawn it is not lost", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/shelf`);
  const field = page.getByLabel("Filter the shelf");
  await expect(shown(page)).toHaveText("72 of 72 shown");
  // One task: nothing can be drawn in between, as on a machine that is busy.
  await field.evaluate((input: HTMLInputElement) => {
    const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!;
    for (const text of ["g", "glas tids", "", "tide"]) {
      value.set!.call(input, text);
      input.dispatchEvent(new Event("input", { bubbles: true }));
      if (input.value !== text) throw new Error(`the field holds "${input.value}" instead of "${text}"`);
    }
  });
  await expect(field).toHaveValue("tide");
  await expect(page).toHaveURL(/q=tide$/);
  await field.fill("");
  await expect(shown(page)).toHaveText("72 of 72 shown");

  await bar(page).getByRole("button", { name: /^Tags/ }).click();
  await page.getByLabel(/^water/).click();
  await page.keyboard.press("Escape");
  await bar(page)
    .getByRole("button", { name: /^Switch \d+ off$/ })
    .click();
  await stored(page);
  // The server answers late: what is chosen until then stays chosen.
  const held: (() => void)[] = [];
  await page.route("**/api/act/undoOrRedo", async (route) => {
    await new Promise<void>((go) => held.push(go));
    await route.continue();
  });
  // Nothing of it may load the page anew.
  await page.evaluate(() => Object.assign(window, { isTheSame: true }));
  await page.getByRole("button", { name: /^Undo: switch off/ }).click();
  await expect.poll(() => held.length).toBe(1);
  await page.getByRole("columnheader", { name: "Size" }).getByRole("button").click();
  await bar(page).getByRole("button", { name: "water" }).click();
  await page.getByLabel(/^light/).click();
  await page.keyboard.press("Escape");
  await expect(page).toHaveURL(/tag=light.*sort=size/);
  held[0]!();
  await expect(page.getByRole("button", { name: /^Redo: switch off/ })).toBeEnabled();
  await page.waitForTimeout(500);
  await expect(page).toHaveURL(/tag=light.*sort=size/);
  await expect(page.getByRole("columnheader", { name: "Size" })).toHaveAttribute("aria-sort", "ascending");
  await expect(bar(page).getByRole("button", { name: "water and light" })).toBeVisible();
  expect(await page.evaluate(() => "isTheSame" in window)).toBe(true);
});

test("what is shown is tagged, moved to a section, and dropped into a bin that gives it back", async ({
  watched: page,
  seating,
}) => {
  const act = async (name: RegExp) => {
    await page.getByRole("button", { name: /^With these/ }).click();
    await page.getByRole("menuitem", { name }).click();
  };
  await page.goto(`${seating.url}/shelf?q=small+fry`);
  await expect(shown(page)).toHaveText("1 of 72 shown");
  await act(/^Tag 1/);
  await page.getByLabel("Tag", { exact: true }).fill("keep this");
  await page.getByRole("button", { name: "Add tag" }).click();
  await expect(
    page.getByText("1 mod have the tag keep this now.").or(page.getByText(/tag keep this/)),
  ).toBeVisible();
  await page.goto(`${seating.url}/shelf?tag=keep+this`);
  await expect(shown(page)).toHaveText("1 of 72 shown");

  await act(/^Move 1 to a section/);
  const sections = page.getByRole("combobox", { name: "Section", exact: true });
  await sections.click();
  await page.getByRole("option").nth(2).click();
  await page.getByRole("button", { name: /^Move \d+ mods?$/ }).click();
  await expect(page.getByRole("button", { name: /^Undo: move/ })).toBeVisible();
  await stored(page);

  await act(/^Move 1 to bin/);
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText("Long Descent would lose 1 mod: Small Fry");
  await expect(dialog).toContainText("All at Once would lose 1 mod: Small Fry");
  await dialog.getByRole("button", { name: "Move 1 mod to bin" }).click();
  await expect(dialog).toHaveCount(0);
  await expect.poll(() => existsSync(join(shelfFolder, "Small Fry-1.0.0.zip"))).toBe(false);
  await page.goto(`${seating.url}/overview`);
  await expect(page.getByRole("link", { name: "1 mod of this profile not on the shelf" })).toBeVisible();
  await page.goto(`${seating.url}/shelf`);
  await page.getByRole("button", { name: "Bin (1)" }).click();
  await page.getByRole("button", { name: "Restore Small Fry 1.0.0" }).click();
  await expect(page.getByText(/^72 items: 1 read/)).toBeVisible();
  expect(existsSync(join(shelfFolder, "Small Fry-1.0.0.zip"))).toBe(true);
});

test("a dropped archive is looked into, taken in switched off, and asks for its parts; a broken one is refused by name", async ({
  watched: page,
}) => {
  const drop = (name: string, bytes: Uint8Array) => dropFile(page.locator("main"), name, bytes);
  const manifest = {
    format: "seating-mod/1",
    id: "fresh-paint",
    name: "Fresh Paint",
    version: "1.2.0",
    tags: ["water"],
    requires: [{ mod: "twin-lanterns-east" }, { mod: "kept-nowhere" }],
    options: [
      {
        id: "shade",
        label: "Shade",
        choose: "one",
        parts: [
          { id: "pale", label: "Pale", paths: ["pale/"], when: { expansion: "cold-trench" } },
          { id: "deep", label: "Deep", paths: ["deep/"], note: "as it was meant" },
        ],
      },
    ],
  };
  const files = {
    "seating-mod.json": strToU8(JSON.stringify(manifest)),
    "textures/water/shallow.tex": strToU8("paint"),
    "pale/textures/p.tex": strToU8("p"),
    "deep/textures/d.tex": strToU8("d"),
  };
  await drop("Fresh Paint-1.2.0.zip", zipSync(files));
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText("Add Fresh Paint");
  await expect(dialog).toContainText("Twin Lanterns Easton the shelf, not in this profile");
  await expect(dialog).toContainText("kept-nowherenot here");
  await expect(dialog).toContainText("Glass Tides: 1 file");
  const section = dialog.getByRole("combobox", { name: "Section of Fresh Paint" });
  await expect(section).toHaveText("Water and weather");
  await choose(section, "Interface and look");
  expect(existsSync(join(shelfFolder, "Fresh Paint-1.2.0.zip"))).toBe(false);
  await dialog.getByRole("button", { name: "Add to shelf" }).click();
  await expect(dialog).toContainText("Parts of Fresh Paint");
  await expect(dialog).toContainText("needs the expansion The Cold Trench, which is not on");
  await expect(dialog.getByRole("radio", { name: /^Pale/ })).toBeDisabled();
  await dialog.getByRole("radio", { name: /^Deep/ }).check();
  await dialog.getByRole("button", { name: "Take 1 part" }).click();
  await stored(page);
  await page.getByRole("link", { name: /^Shelf/ }).click();
  await page.getByLabel("Filter the shelf").fill("fresh paint");
  await expect(page.getByRole("switch", { name: "Fresh Paint is off" })).toBeVisible();
  await page.getByRole("row", { name: /Fresh Paint/ }).click();
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText("Parts, 1 of 2 taken");
  await page.keyboard.press("Shift+F10");
  await page.getByRole("menuitem", { name: "Show in the plan" }).click();
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText("Interface and look");
  await page.getByRole("link", { name: /^Shelf/ }).click();

  // A mod in another kind of archive, which keeps its kind on the shelf.
  await drop("Other Paint-2.0.7z", await make7z({ "textures/water/other.tex": strToU8("other paint") }));
  await expect(dialog).toContainText("Add Other Paint");
  await dialog.getByRole("button", { name: "Add to shelf" }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByLabel("Filter the shelf").fill("other paint");
  await expect(page.getByRole("switch", { name: "Other Paint is off" })).toBeVisible();
  expect(existsSync(join(shelfFolder, "Other Paint-2.0.7z"))).toBe(true);

  await drop("Cut.zip", zipSync(files).subarray(0, 300));
  await expect(
    page.locator("[data-message]").filter({ hasText: "Cut.zip is damaged or unusable" }),
  ).toBeVisible();
  await drop("harbour.png", strToU8("no mod and no list"));
  await expect(page.locator("[data-message]").filter({ hasText: "drop an archive" })).toBeVisible();
});

const otherShelf = join(home, "demo/kitefall-cup/shelf");

/** In the page: ends once the server has told of a new file of this name on a shelf, and the page had the time to show it. */
const heardOfShelf = (name: string): Promise<void> =>
  new Promise((done) => {
    const source = new EventSource("/api/events");
    source.onmessage = ({ data }: MessageEvent<string>) => {
      if (!data.includes(name)) return;
      source.close();
      setTimeout(done, 500);
    };
  });

test("what changes on the disk is told as a difference, and counts only when the shelf is read", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/shelf`);
  await expect(page.getByText("72 items as last scanned")).toBeVisible();
  await page.waitForTimeout(1000);
  await copyFile(join(shelfFolder, "Small Fry-1.0.0.zip"), join(shelfFolder, "Small Fry-1.0.1.zip"));
  await rename(join(shelfFolder, "Wide Lens-0.9.1.zip"), join(shelfFolder, "Wide Lens.away"));
  const told = page.getByRole("button", { name: "On the disk: 1 new, 1 gone" });
  await expect(told).toBeVisible();
  // What is told of another game's shelf later takes nothing away.
  await copyFile(join(shelfFolder, "Small Fry-1.0.0.zip"), join(otherShelf, "Passing By-1.0.zip"));
  await page.evaluate(heardOfShelf, "Passing By-1.0.zip");
  await expect(told).toBeVisible();
  await told.click();
  await expect(page.getByText("Small Fry-1.0.1.zip", { exact: true })).toBeVisible();
  await expect(shown(page)).toHaveText("72 of 72 shown");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Scan for changes" }).click();
  await expect(page.getByText(/^72 items: 1 read, 71 unchanged/)).toBeVisible();
  await expect(told).toHaveCount(0);
  expect((await readFile(join(shelfFolder, "Wide Lens.away"))).length).toBeGreaterThan(0);
  await rm(join(shelfFolder, "Wide Lens.away"));
});

test("what a mod needs is told before and after it is switched on, and comes on with it", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/shelf`);
  const filter = page.getByLabel("Filter the shelf");
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  const turn = async (name: string, is: string) => {
    await filter.fill(name);
    await page.getByRole("switch", { name: `${name} is ${is}` }).click();
  };
  await turn("Tidal Core", "on");
  await turn("Glass Tides", "on");
  await turn("Glass Tides", "off");
  const told = page.locator("[data-message]", { hasText: "Glass Tides needs 1 that is off: Tidal Core." });
  await told.getByRole("button", { name: "Switch on Tidal Core" }).click();
  await expect(page.getByRole("button", { name: "Undo: switch on Glass Tides" })).toHaveCount(0);
  await filter.fill("Tidal Core");
  await expect(page.getByRole("switch", { name: "Tidal Core is on" })).toBeVisible();

  await turn("Tidal Core", "on");
  await turn("Glass Tides", "on");
  await page.getByRole("row", { name: /Glass Tides/ }).click();
  await expect(inspector).toContainText("Glass Tides needs 1 that is off: Tidal Core.");
  await inspector.getByRole("button", { name: "Switch on with Tidal Core" }).click();
  await expect(inspector).not.toContainText("that is off");
  await expect(page.getByRole("switch", { name: "Glass Tides is on" })).toBeVisible();
  await filter.fill("Tidal Core");
  await expect(page.getByRole("switch", { name: "Tidal Core is on" })).toBeVisible();
  await page.getByRole("button", { name: /^Undo: switch on/ }).click();
  await expect(page.getByRole("switch", { name: "Tidal Core is off" })).toBeVisible();
});
