import { cp, readFile, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { test as base } from "@playwright/test";
import { folderOf, pristine, startSeating } from "./server";
const home = folderOf("owner");
const owned = folderOf("owned");
base("look", async ({ page }) => {
  for (const folder of [home, owned]) await rm(folder, { recursive: true, force: true });
  await cp(join(pristine, "demo/brinehollow"), owned, { recursive: true, preserveTimestamps: true });
  const order = join(owned, "game/saves/lading.lst");
  await writeFile(order, `# the order of years\n${await readFile(order, "utf8")}Lost and Gone.skiff\n`);
  const server = await startSeating("start.mjs", home);
  try {
    await page.goto(server.url);
    await page.getByLabel("Folder of the game").fill(join(owned, "game"));
    await page.getByLabel("Folder of the shelf").fill(join(owned, "shelf"));
    await page.getByRole("button", { name: "Use these folders" }).click();
    const bar = page.getByRole("complementary", { name: "The order that the game has" });
    await bar.waitFor();
    await page.waitForTimeout(4000);
    await page.screenshot({ path: "/tmp/l1.png" });
    await bar.getByRole("button", { name: "Look at it" }).click();
    await page.getByRole("dialog").waitFor();
    await page.screenshot({ path: "/tmp/l2.png" });
    await page.getByRole("dialog").getByRole("button", { name: /Take over/ }).click();
    await page.getByRole("link", { name: /^Plan/ }).click();
    await page.waitForTimeout(1500);
    await page.screenshot({ path: "/tmp/l3.png" });
    await page.getByRole("contentinfo").getByRole("button").click();
    await page.getByRole("dialog").getByRole("button", { name: /Keep a copy/ }).click();
    await page.getByRole("link", { name: /^Overview/ }).click();
    await page.waitForTimeout(1500);
    await page.screenshot({ path: "/tmp/l4.png" });
  } finally {
    await server.stop();
  }
});
