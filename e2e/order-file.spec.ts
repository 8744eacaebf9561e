import { cp, readFile, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { expect, test as base } from "@playwright/test";
import { brinehollow } from "@/standin/brinehollow/definition";
import { choose, gameFolder, test } from "./fixtures";
import { folderOf, pristine, startSeating } from "./server";

const home = folderOf("owner");
const owned = folderOf("owned");

base("a game that has an order already starts with it, and nothing of it is lost", async ({ page }) => {
  for (const folder of [home, owned]) await rm(folder, { recursive: true, force: true });
  await cp(join(pristine, "demo/brinehollow"), owned, { recursive: true, preserveTimestamps: true });
  const order = join(owned, "game/saves/lading.lst");
  const before = `# the order of years\n${await readFile(order, "utf8")}Lost and Gone.skiff\n`;
  await writeFile(order, before);
  const names = (text: string) => text.split("\n").filter((line) => line !== "" && !line.startsWith("#"));
  const server = await startSeating("start.mjs", home);
  try {
    await page.goto(server.url);
    await choose(page.getByLabel("Game", { exact: true }), `Brinehollow ${brinehollow.version}`);
    await page.getByLabel("Folder of the game", { exact: true }).fill(join(owned, "game"));
    await page.getByLabel("Folder of the shelf", { exact: true }).fill(join(owned, "shelf"));
    await page.getByRole("button", { name: "Use these folders" }).click();
    const bar = page.getByRole("complementary", { name: "The order that the game has" });
    await expect(bar).toContainText(`has an order of ${names(before).length} plugins already`);
    await expect(page.getByRole("contentinfo")).toContainText("0 of 72 mods on");
    await expect(page.getByRole("button", { name: "Write order file" })).toHaveCount(0);

    await bar.getByRole("button", { name: "Compare orders" }).click();
    const dialog = page.getByRole("dialog");
    await expect(dialog).toContainText(`Lines removed: ${names(before).length}`);
    await expect(dialog).toContainText("Lost and Gone.skiff");
    await dialog.getByRole("button", { name: "Apply the order that the game has now" }).click();
    await expect(bar).toHaveCount(0);
    await page.getByRole("link", { name: /^Plan/ }).click();
    await expect(
      page.getByRole("button", { name: /^Undo: apply the order in saves\/lading\.lst/ }),
    ).toBeVisible();

    await page.getByRole("contentinfo").getByRole("button", { name: "Look at the order file" }).click();
    await expect(dialog).toContainText("Lines removed: 1");
    await expect(dialog).toContainText("Lines added: 0");
    await expect(dialog).toContainText("Lines moved: 0");
    await dialog.getByRole("button", { name: "Keep a copy and overwrite" }).click();
    await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
    expect(await readFile(order, "utf8")).toBe(before.replace("Lost and Gone.skiff\n", ""));

    await page.getByRole("link", { name: /^Overview/ }).click();
    await page
      .getByRole("listitem")
      .filter({ hasText: "lading.lst" })
      .getByRole("button", { name: "Restore" })
      .click();
    await expect(page.getByRole("contentinfo")).toContainText("Another program wrote the game’s order file");
    expect(await readFile(order, "utf8")).toBe(before);
  } finally {
    await server.stop();
    for (const folder of [home, owned]) await rm(folder, { recursive: true, force: true });
  }
});

test("what another program writes meanwhile is told, and can be taken over", async ({ watched: page }) => {
  const order = join(gameFolder, "saves/lading.lst");
  const strip = page.getByRole("contentinfo");
  await strip.getByRole("button", { name: "Write order file" }).click();
  await expect(strip).toContainText("The game reads this order");
  const lines = (await readFile(order, "utf8")).trim().split("\n");
  const turned = [...lines.slice(0, -2), lines.at(-1)!, lines.at(-2)!];
  await writeFile(order, `${turned.join("\n")}\n`);
  await expect(strip).toContainText("Another program wrote the game’s order file");
  await strip.getByRole("button", { name: "Look at the order file" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText("Lines moved: 1");
  await dialog.getByRole("button", { name: "Apply the order that the game has now" }).click();
  await expect(strip).toContainText("The game reads this order");
  expect((await readFile(order, "utf8")).trim().split("\n")).toEqual(turned);
});
