import { mkdir, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { choose, expect, gameFolder, home, stored, test } from "./fixtures";

const ascii = (text: string) => Buffer.from(text, "latin1");

/** A plugin of tagged records in the layout that the test describes: eight bytes of header, tags of two letters. */
const plugin = Buffer.concat([ascii("PL\x01\0\x14\0\0\0"), ascii("by\x05\0ferrw"), ascii("up\x07\0mud.mul")]);

test("a game that nobody shipped is described, tried on its own plugin, and worked on", async ({
  watched: page,
}) => {
  const own = join(home, "own");
  await mkdir(join(own, "game"), { recursive: true });
  await mkdir(join(own, "shelf", "Heavy Clay-1.0"), { recursive: true });
  await writeFile(join(own, "game", "mire.exe"), "mire");
  await writeFile(join(own, "shelf", "Heavy Clay-1.0", "clay.mul"), plugin);

  await page.getByRole("button", { name: "Game: Brinehollow" }).click();
  await page.getByRole("menuitem", { name: "Add another game…" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByText("3 fields need fixing")).toBeVisible();
  await dialog.getByLabel("Id", { exact: true }).first().fill("mire");
  await dialog.getByLabel("Name", { exact: true }).first().fill("Mire");
  await dialog.getByLabel("File that identifies the game").fill("mire.exe");
  await dialog.getByLabel("plugins", { exact: true }).check();
  await expect(dialog.getByText("needs at least one rank for plugins")).toBeVisible();
  await dialog.getByLabel("Extensions", { exact: true }).fill("mul");
  await expect(dialog.getByText(/is not a valid value/)).toBeVisible();
  await dialog.getByLabel("Extensions", { exact: true }).fill(".mul");
  for (const [at, label] of ["first", "ordinary"].entries()) {
    await dialog.getByRole("button", { name: "Another rank" }).click();
    await dialog
      .getByLabel("Id", { exact: true })
      .nth(at + 1)
      .fill(label);
    await dialog.getByLabel("Label", { exact: true }).nth(at).fill(label);
  }
  await choose(dialog.getByLabel("Kind of file"), "records with tags");
  const set = (label: string, value: string, at = 0) =>
    dialog.getByLabel(label, { exact: true }).nth(at).fill(value);
  await set("Bytes in all", "8");
  await set("Letters of the tag", "2");
  await set("Flags at byte", "2");
  await choose(dialog.getByLabel("Width of the flags"), "2 bytes");
  await set("Letters of the tag", "2", 1);
  await choose(dialog.getByLabel("Texts end"), "with their field");
  await set("First record", "PL");
  await set("Master", "up");
  await set("Author", "by");
  await dialog.getByRole("button", { name: "Another section" }).click();
  await dialog.getByLabel("Id", { exact: true }).last().fill("all");
  await dialog.getByLabel("Name", { exact: true }).last().fill("All");
  await dialog.getByLabel("Load rank").last().fill("first");
  await dialog.getByRole("button", { name: "Another section" }).click();
  await dialog.getByLabel("Id", { exact: true }).last().fill("rest");
  await dialog.getByLabel("Name", { exact: true }).last().fill("Rest");
  await dialog.getByLabel("Load rank").last().fill("ordinary");
  await dialog
    .getByLabel("A plugin to try")
    .setInputFiles({ name: "clay.mul", mimeType: "", buffer: plugin });
  await expect(dialog.getByText("1: mud.mul")).toBeVisible();
  await expect(dialog.getByText("ferrw")).toBeVisible();
  await dialog
    .getByLabel("A plugin to try")
    .setInputFiles({ name: "short.mul", mimeType: "", buffer: plugin.subarray(0, 20) });
  await expect(
    dialog.getByText(/short\.mul cannot be read so: the record “PL” at byte 0 says 20 bytes/),
  ).toBeVisible();
  await expect(dialog.getByText("The definition is complete.")).toBeVisible();
  await dialog.getByRole("button", { name: "Go on to its folders" }).click();
  await dialog.getByLabel("Folder of the game", { exact: true }).fill(join(own, "shelf"));
  await expect(dialog.getByText(/the game is not here/i)).toBeVisible();
  await dialog.getByLabel("Folder of the game", { exact: true }).fill(join(own, "game"));
  await expect(dialog.getByText(/the game is here, readable, writable/i)).toBeVisible();
  await dialog.getByLabel("Folder of the shelf", { exact: true }).fill(join(own, "shelf"));
  await expect(dialog.getByText(/0 archives and 1 folder/i)).toBeVisible();
  await dialog.getByRole("button", { name: "Use these folders" }).click();
  await expect(page.getByRole("button", { name: "Game: Mire" })).toBeVisible();
  // The shelf of a game that was just added is read by itself.
  await expect(page.getByText(/^1 item: 1 read/)).toBeVisible();
  await page.getByRole("link", { name: /^Shelf/ }).click();
  await page.getByRole("row", { name: /Heavy Clay/ }).click();
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText("needs mud.mul");
});

test("laws are changed and saved as a file; everything goes out as one archive and comes back", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/settings?part=definition`);
  await expect(page.getByText("The definition is complete.")).toBeVisible();
  await page.getByLabel("At most").first().fill("20");
  await page.getByRole("button", { name: "Save definition" }).click();
  await expect(page.getByText("A definition of your own.")).toBeVisible();
  await expect(page.getByRole("contentinfo")).toContainText("/20");
  const law = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as a file" }).click();
  const definition = JSON.parse(await readFile(await (await law).path(), "utf8")) as {
    counting: { cap: number }[];
  };
  expect(definition.counting[0]!.cap).toBe(20);

  const token = await readFile(join(home, "token"), "utf8");
  const response = await page.request.get(`${seating.url}/api/data?token=${token.trim()}`);
  const archive = await response.body();
  await page.keyboard.press("Alt+p");
  await page.keyboard.press("Escape");
  await page.goto(`${seating.url}/shelf?q=small+fry`);
  await page.getByRole("switch", { name: "Small Fry is on" }).click();
  await stored(page);
  await page.goto(`${seating.url}/settings?part=data`);
  const input = page.getByLabel("Archive of everything");
  await input.setInputFiles({
    name: "broken.zip",
    mimeType: "application/zip",
    buffer: archive.subarray(0, 5000),
  });
  await expect(page.locator("[data-message]")).toContainText("no archive of Seating’s data");
  await input.setInputFiles({ name: "all.seating.zip", mimeType: "application/zip", buffer: archive });
  await expect(page.getByRole("dialog")).toContainText("Long Descent");
  await page.getByRole("button", { name: "Replace everything" }).click();
  await expect(page).toHaveURL(/overview/);
  await seating.restart();
  await page.goto(`${seating.url}/shelf?q=small+fry`);
  await expect(page.getByRole("switch", { name: "Small Fry is on" })).toBeVisible();
  await page.goto(`${seating.url}/settings?part=data`);
  await page.getByRole("button", { name: "Restore…" }).click();
  await page.getByRole("button", { name: "Replace everything" }).click();
  await expect(page).toHaveURL(/overview/);
  await page.goto(`${seating.url}/shelf?q=small+fry`);
  await expect(page.getByRole("switch", { name: "Small Fry is off" })).toBeVisible();
  expect((await readFile(join(gameFolder, "base", "Brinehollow.keel"))).length).toBeGreaterThan(0);
});
