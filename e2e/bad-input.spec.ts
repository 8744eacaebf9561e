import { copyFile, mkdir, readFile, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { dropFile } from "./drop-file";
import { expect, finding, seatOf, shelfFolder, stored, test } from "./fixtures";

test("broken archives and lying plugins are told with their names, and stop nothing", async ({
  watched: page,
}) => {
  await page.getByRole("link", { name: /^Shelf/ }).click();
  // The copy that this test runs on has times of its own, so everything is read once more.
  await page.getByRole("button", { name: "Scan for changes" }).click();
  await expect(page.getByText(/^72 items: \d+ read, \d+ unchanged, 3 unusable$/)).toBeVisible();
  const whole = await readFile(join(shelfFolder, "Glass Tides-2.3.0.zip"));
  await writeFile(join(shelfFolder, "Cut Short-1.0.zip"), whole.subarray(0, 700));
  await mkdir(join(shelfFolder, "Lying Plugin-1.0"));
  await writeFile(join(shelfFolder, "Lying Plugin-1.0", "Lying.plank"), "RIFF\x7f\0\0\0SEAP");
  await copyFile(join(shelfFolder, "Small Fry-1.0.0.zip"), join(shelfFolder, "Small Fry-0.9.zip"));
  await page.getByRole("button", { name: "Scan for changes" }).click();
  await expect(page.getByText("75 items: 3 read, 72 unchanged, 4 unusable")).toBeVisible();
  await page.getByLabel("Filter the shelf").fill("cut short");
  await expect(page.getByText("1 of 75 shown")).toBeVisible();
  await page.getByRole("row", { name: /Cut Short/ }).click();
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText(
    "It is ignored: it is no intact ZIP archive",
  );
  await page.getByLabel("Filter the shelf").fill("lying");
  await page.getByRole("row", { name: /Lying Plugin/ }).click();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(inspector).toContainText(
    "It cannot be loaded: it is cut short: RIFF says 127 bytes, 4 are left.",
  );
  await inspector.getByRole("button", { name: "Switch on", exact: true }).click();
  await stored(page);
  await page.getByRole("link", { name: /^Health/ }).click();
  await expect(finding(page, "Plugin cannot be read")).toHaveCount(1);
  await page.getByRole("tab", { name: "One by one" }).click();
  await expect(finding(page, "Cut Short-1.0.zip is ignored")).toHaveCount(1);
  await rm(join(shelfFolder, "Cut Short-1.0.zip"));
  await page.getByRole("link", { name: /^Overview/ }).click();
  await page.getByRole("button", { name: "Scan for changes" }).click();
  await page.getByRole("link", { name: /^Health/ }).click();
  await expect(finding(page, "Cut Short-1.0.zip")).toHaveCount(0);
});

test("files that are no lineup give a clear message each and change nothing", async ({
  watched: page,
  seating,
}, testInfo) => {
  const { lineup, profiles } = await test.step("what is there before", async () => {
    await page.goto(`${seating.url}/lineups`);
    const href = await page.getByRole("link", { name: "Export the lineup" }).getAttribute("href");
    const text = await (await page.request.get(`${seating.url}${href}`)).text();
    await page.goto(`${seating.url}/lineups?part=in`);
    return {
      lineup: JSON.parse(text) as Record<string, unknown> & { plugins: { name: string }[] },
      profiles: await countProfiles(),
    };
  });

  async function countProfiles(): Promise<number> {
    await page.getByRole("button", { name: /^Profile:/ }).click();
    const count = await page.getByRole("menuitem").count();
    await page.keyboard.press("Escape");
    return count;
  }

  const named = (name: string) => ({
    ...lineup,
    plugins: lineup.plugins.map((plugin, at) => (at === 8 ? { ...plugin, name } : plugin)),
  });
  const cases: readonly [string, string | Buffer, RegExp][] = [
    ["broken.json", "{ not json", /broken\.json is no JSON/],
    ["bytes.json", Buffer.from([0x7b, 0xff, 0xc0]), /bytes\.json is not UTF-8 text/],
    ["other.json", '{"format":"playlist/3"}', /other\.json is no lineup/],
    [
      "newer.json",
      JSON.stringify({ ...lineup, format: "seating-lineup/3" }),
      /newer\.json is a lineup of the format seating-lineup\/3; this Seating reads seating-lineup\/2/,
    ],
    [
      "game.json",
      JSON.stringify({ ...lineup, game: { id: "drydock", version: "1" } }),
      /game\.json is a lineup for the game drydock; you are working on Brinehollow/,
    ],
    [
      "markup.json",
      JSON.stringify(named("<img src=x onerror=alert(1)>.plank")),
      /markup\.json is not valid at plugins\.8\.name: this cannot be the name of a file/,
    ],
    ["quotes.json", JSON.stringify(named('a"b.plank')), /quotes\.json is not valid at plugins\.8\.name/],
    ["newline.json", JSON.stringify(named("a\nb.plank")), /newline\.json is not valid at plugins\.8\.name/],
    ["path.json", JSON.stringify(named("../../x.plank")), /path\.json is not valid at plugins\.8\.name/],
  ];
  for (const [name, content, message] of cases) {
    await page
      .getByLabel("Lineup file")
      .setInputFiles({ name, mimeType: "application/json", buffer: Buffer.from(content) });
    await expect(page.locator("[data-message]", { hasText: name })).toContainText(message);
    await expect(page.getByRole("button", { name: "Choose a lineup" })).toBeVisible();
  }
  const large = testInfo.outputPath("fifty.json");
  await writeFile(large, Buffer.alloc(50 * 2 ** 20, "[1,"));
  await page.getByLabel("Lineup file").setInputFiles(large);
  await expect(page.locator("[data-message]", { hasText: "fifty.json" })).toContainText(
    "is larger than 32 MB",
  );
  await rm(large);
  await page.reload();
  expect(await countProfiles()).toBe(profiles);
});

test("a lineup with what is not here lists it first, keeps its seats, and says how the result differs", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/lineups`);
  const href = await page.getByRole("link", { name: "Export the lineup" }).getAttribute("href");
  const file = Buffer.from(await (await page.request.get(`${seating.url}${href}`)).body());
  await rm(join(shelfFolder, "Small Fry-1.0.0.zip"));
  await page.goto(`${seating.url}/shelf`);
  await page.getByRole("button", { name: "Scan for changes" }).click();
  await expect(page.getByText("71 items")).toBeVisible();
  await page.goto(`${seating.url}/lineups?part=in`);
  await dropFile(page.getByText("Drop a lineup file here"), "dropped.lineup.json", file);
  await expect(page.getByText(/^To get/)).toContainText("1");
  await expect(page.getByText(/depot:small-fry/)).toBeVisible();
  await page.getByRole("button", { name: "Create profile" }).click();
  await expect(page.getByText("Not yet: 1 thing of the list is not here")).toBeVisible();
  await expect(page.getByText("Small Fry 1.0.0: not here")).toBeVisible();
  await page.goto(`${seating.url}/plan`);
  expect(await seatOf(page, "Small Fry.skiff")).toMatch(/^F\d+$/);
});
