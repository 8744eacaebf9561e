import { cp, mkdir, rm } from "node:fs/promises";
import { join } from "node:path";
import { expect, type Browser, type Page } from "@playwright/test";
import { brinehollow } from "@/standin/brinehollow/definition";
import { choose, gameFolder, home, opened, shelfFolder } from "./fixtures";
import { folderOf, startSeating, type Server } from "./server";

export const second = folderOf("second");

/** A Seating of somebody else: the same game, a shelf that is empty, or like the demo's, and a depot to get things from. */
export async function startSecond(shelf: "empty" | "same" = "empty"): Promise<Server> {
  await rm(second, { recursive: true, force: true });
  await mkdir(join(second, "shelf"), { recursive: true });
  if (shelf === "same") await cp(shelfFolder, join(second, "shelf"), { recursive: true });
  await cp(gameFolder, join(second, "game"), { recursive: true });
  Object.assign(process.env, { SEATING_DEPOT: join(home, "demo"), SEATING_DEPOT_SPEED: "100000000" });
  try {
    return await startSeating("start.mjs", join(second, "data"));
  } finally {
    delete process.env.SEATING_DEPOT;
    delete process.env.SEATING_DEPOT_SPEED;
  }
}

/** Shows it its folders, as its owner does at the first start. */
export async function enterSecond(browser: Browser, { url }: Server): Promise<Page> {
  const there = await (await browser.newContext()).newPage();
  await there.goto(url);
  await choose(there.getByLabel("Game", { exact: true }), `Brinehollow ${brinehollow.version}`);
  await there.getByLabel("Folder of the game", { exact: true }).fill(join(second, "game"));
  await there.getByLabel("Folder of the shelf", { exact: true }).fill(join(second, "shelf"));
  await there.getByRole("button", { name: "Use these folders" }).click();
  await opened(there);
  await expect(there.getByRole("heading", { name: "First set" })).toBeVisible();
  return there;
}
