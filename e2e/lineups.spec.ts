import { lineupFormats } from "@/formats/lineup/all";
import { cp, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import type { Page } from "@playwright/test";
import { dropFile } from "./drop-file";
import { choose, expect, home, shelfFolder, stored, test } from "./fixtures";
import { enterSecond, second, startSecond } from "./second";

const queue = (page: Page) => page.getByRole("region", { name: "Queue" });

async function openList(page: Page, name: string, text: string): Promise<void> {
  const buffer = Buffer.from(text);
  await page.getByLabel("Lineup file").setInputFiles({ name, mimeType: "text/plain", buffer });
}

async function exported(page: Page, url: string, format = "lineup"): Promise<string> {
  await page.goto(`${url}/lineups`);
  return exportedHere(page, url, format);
}

/** The file that the page of lineups, which is open, hands out in this format. */
async function exportedHere(page: Page, url: string, format: string): Promise<string> {
  const href = (await page.getByRole("link", { name: "Export the lineup" }).getAttribute("href"))!;
  return (await page.request.get(`${url}${href.replace("format=lineup", `format=${format}`)}`)).text();
}

test("a list goes out here and comes in on another machine with an empty shelf: got, checked, the same fingerprint", async ({
  watched: page,
  seating,
  browser,
}) => {
  test.setTimeout(240_000);
  await page.getByRole("button", { name: "Profile: Long Descent" }).click();
  await page.getByRole("menuitem", { name: "Harbour Lights" }).click();
  await expect(page.getByRole("button", { name: "Profile: Harbour Lights" })).toBeVisible();
  const text = await exported(page, seating.url);
  await page.getByRole("heading", { name: "Share", exact: true }).waitFor();
  const code = await page.getByRole("textbox", { name: "Share code" }).inputValue();

  const server = await startSecond();
  try {
    const there = await enterSecond(browser, server);
    await there.getByRole("link", { name: "Lineups" }).click();
    await there.getByRole("link", { name: "In", exact: true }).click();
    await openList(there, "harbour.lineup.json", text);
    await expect(there.getByText(/^To get \d/)).toBeVisible();
    await expect(there.getByText(/^Found here/)).toHaveCount(0);
    await there.getByRole("button", { name: /^Get \d+ missing mods/ }).click();
    await queue(there).getByRole("button", { name: "Sign in to go on" }).click();
    // One of them breaks off again and again; its part is kept, and trying the failed again gets it.
    await expect(queue(there).getByText(/^The transfer of Abyss Library broke off/)).toBeVisible({
      timeout: 60_000,
    });
    await expect(queue(there).getByRole("button", { name: "Try 1 failed again" })).toBeVisible({
      timeout: 60_000,
    });
    await queue(there).getByRole("button", { name: "Try 1 failed again" }).click();
    await expect(queue(there).getByText("failed", { exact: true })).toHaveCount(0, { timeout: 60_000 });
    await expect(queue(there).getByText("by hand", { exact: true })).toHaveCount(0);
    await there.getByRole("button", { name: "Create profile" }).click();
    // What has no transfer is brought by hand.
    await expect(there.getByText(/^Not yet: 2 things/)).toBeVisible();
    for (const name of ["Lamplight Rework", "Ropewalk Quay"])
      await cp(
        join(home, "demo/brinehollow/depot/files", (await archiveOf(name))!),
        join(second, "shelf", `${name}.zip`),
      );
    await there.goto(`${server.url}/shelf`);
    await there.getByRole("button", { name: "Scan for changes" }).click();
    await there.getByText(/^\d+ items/).waitFor();
    await there.goto(`${server.url}/lineups?part=following`);
    await expect(there.getByText("Reproduced exactly")).toBeVisible();

    // The code says the same, and the link to the page of the first one, too.
    await there.goto(`${server.url}/lineups?part=in#code=${code}`);
    await expect(there.getByText(/^Found here/)).toBeVisible();
    await there.getByRole("button", { name: "Cancel" }).click();
    const profile = new URL(
      (await page.getByRole("link", { name: "Export the lineup" }).getAttribute("href"))!,
      seating.url,
    ).searchParams.get("profile")!;
    await there.getByLabel(/^Or paste/).fill(`${seating.url}/lineup/${profile}`);
    await there.getByRole("button", { name: "Read list" }).click();
    await expect(there.getByRole("heading", { name: "Harbour Lights" })).toBeVisible();
    await there.context().close();
  } finally {
    await server.stop();
  }
});

async function archiveOf(name: string): Promise<string | undefined> {
  const text = await readFile(join(home, "demo/brinehollow/depot/catalogue.json"), "utf8");
  const { mods } = JSON.parse(text) as { mods: { mod: { name: string; path: string } }[] };
  return mods.find(({ mod }) => mod.name === name)?.mod.path;
}

test("a list that was changed by hand says so and where; one without a fingerprint is never called exact", async ({
  watched: page,
  seating,
}) => {
  test.setTimeout(120_000);
  const text = await exported(page, seating.url);
  const list = JSON.parse(text) as { launch: object; mods: { version: string }[] };
  const verdictOn = async (name: string, content: string) => {
    await page.goto(`${seating.url}/lineups?part=in`);
    await openList(page, name, content);
    await page.getByRole("button", { name: "Create profile" }).click();
    await expect(page.getByRole("status").filter({ hasText: "Its author’s" })).toBeVisible();
    return page.getByRole("status").filter({ hasText: "Its author’s" });
  };
  const mods = list.mods.map((mod, at) => (at === 3 ? { ...mod, version: "99.0.0" } : mod));
  const altered = await verdictOn("altered.lineup.json", JSON.stringify({ ...list, mods }));
  await expect(altered).toContainText("The list was changed after it went out");
  await expect(altered).toContainText("the mods: which, in what order, on or off, in which version");
  const csv = await exported(page, seating.url, "csv");
  const bald = await verdictOn("bald.csv", csv.replace(/[0-9a-f]{64}(?=\r\n)/, ""));
  await expect(bald).toContainText("As far as the list says");
  await expect(bald).toContainText("the list carries no fingerprint");
  // A table carries all that decides, parts of packages and settings too.
  await expect(await verdictOn("whole.csv", csv)).toContainText("Reproduced exactly");
  await page.goto(`${seating.url}/overview`);
  await expect(page.getByRole("heading", { name: "The list that it follows" })).toBeVisible();
});

interface ListedMod {
  readonly id: string;
  readonly name: string;
  readonly content: string;
}

/** The lines of a mod go, where a format has one for each; of one that holds data the mod gets other contents. */
function alterByHand(format: string, text: string, { id, name, content }: ListedMod): string {
  if (["lineup", "yaml", "page", "bom", "xml"].includes(format))
    return text.replaceAll(
      content,
      content.replace(/^./, (digit) => (digit === "0" ? "1" : "0")),
    );
  const isIts = (line: string) => [name, id].some((word) => line.includes(word));
  return text
    .split("\n")
    .filter((line) => !isIts(line))
    .join("\n");
}

test("a second, empty installation says of every format what is true: whole, and changed by hand", async ({
  watched: page,
  seating,
  browser,
}) => {
  test.setTimeout(300_000);
  const whole = JSON.parse(await exported(page, seating.url)) as {
    mods: ListedMod[];
  };
  const mod = whole.mods.find(({ name }) => name === "Bitter Diving Bell")!;
  const formats = lineupFormats.map(({ id }) => id);
  await page.getByLabel("As a file").click();
  await expect(page.getByRole("option")).toHaveText(lineupFormats.map(({ label }) => label));
  await page.keyboard.press("Escape");
  expect(formats.length).toBeGreaterThanOrEqual(12);
  const texts = new Map<string, string>();
  for (const format of formats) texts.set(format, await exportedHere(page, seating.url, format));
  const code = await page.getByRole("textbox", { name: "Share code" }).inputValue();

  const server = await startSecond();
  try {
    const there = await enterSecond(browser, server);
    const verdictOn = async (name: string, content: string) => {
      const partIn = there.getByRole("link", { name: "In", exact: true });
      await partIn.click();
      await expect(partIn).toHaveAttribute("aria-current", "page");
      await openList(there, name, content);
      await there.getByRole("button", { name: "Create profile" }).click();
      const proof = there.getByRole("status").filter({ hasText: "Its author’s" });
      await expect(proof).toBeVisible();
      return (await proof.locator("p").first().innerText()).trim();
    };
    await there.getByRole("link", { name: "Lineups" }).click();
    // Nothing is here: whatever the list proves, it is not yet the setup; and one that was altered says so first.
    expect(await verdictOn("empty.lineup.json", texts.get("lineup")!)).toMatch(/^Not yet/);
    expect(await verdictOn("empty.txt", texts.get("lines")!)).toMatch(/^Not yet/);
    expect(await verdictOn("altered.yaml", alterByHand("yaml", texts.get("yaml")!, mod))).toMatch(
      /^The list was changed/,
    );

    await cp(shelfFolder, join(second, "shelf"), { recursive: true });
    await there.goto(`${server.url}/shelf`);
    await there.getByRole("button", { name: "Scan for changes" }).click();
    await expect(there.getByText(/^\d+ items: /)).toBeVisible();
    await there.getByRole("link", { name: "Lineups" }).click();
    for (const [format, text] of texts) {
      const altered = alterByHand(format, text, mod);
      expect([format, altered === text]).toEqual([format, false]);
      const said = [await verdictOn(`whole.${format}`, text), await verdictOn(`altered.${format}`, altered)];
      // The game's own file names no more than plugins: of one that is not in it it says nothing.
      const isBald = format === "order-file";
      expect([format, ...said]).toEqual([
        format,
        expect.stringMatching(isBald ? /^As far as/ : /^Reproduced exactly$/),
        expect.stringMatching(isBald ? /^As far as/ : /^(The list was changed|Not the same setup)/),
      ]);
    }
    expect(await verdictOn("code.txt", code)).toBe("Reproduced exactly");
    await there.context().close();
  } finally {
    await server.stop();
  }
});

test("a list is copied as plain lines, with what they leave behind said before, and pasted again", async ({
  watched: page,
  seating,
}) => {
  await page.context().grantPermissions(["clipboard-read", "clipboard-write"]);
  await page.goto(`${seating.url}/lineups`);
  await choose(page.getByLabel("As a file"), "Plain lines");
  await expect(page.getByText("Not included:", { exact: false }).first()).toContainText("hashes");
  await page.getByRole("button", { name: "Copy text", exact: true }).click();
  await expect(page.getByText("Long Descent as Plain lines is in the clipboard.")).toBeVisible();
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied).toMatch(
    /^# Long Descent\n# Game: brinehollow .+\n# Settings: \{.+\}\n# Fingerprint: [0-9a-f]{64}\n\n# Mods\nAbyss Library \d/,
  );
  await page.goto(`${seating.url}/lineups?part=in`);
  await page.getByLabel(/^Or paste/).fill(copied);
  await page.getByRole("button", { name: "Read list" }).click();
  await expect(page.getByRole("heading", { name: "Long Descent" })).toBeVisible();
  await expect(page.getByRole("list", { name: "Lines to be answered" })).toHaveCount(0);
  await expect(page.getByText(/^To get|^Not to be had|^Here in another version/)).toHaveCount(0);
});

test("messy words from a forum are matched, the unsure ones answered by keyboard, and remembered", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/lineups?part=in`);
  const words =
    "My winter list, enjoy it everybody!\n1. Tidal Core v2.1.0\n2) Abyss Libary\n- [ ] Small Fry\nPurple Orchard of Quartz";
  await page.getByLabel(/^Or paste/).fill(words);
  await page.getByRole("button", { name: "Read list" }).click();
  const lines = page.getByRole("list", { name: "Lines to be answered" });
  await expect(lines.getByRole("listitem")).toHaveCount(2);
  await lines.getByRole("listitem").first().focus();
  await page.keyboard.press("1");
  await expect(lines.getByRole("listitem")).toHaveCount(1);
  await lines.getByRole("listitem").first().focus();
  await page.keyboard.press("0");
  await expect(lines).toHaveCount(0);
  await expect(page.getByText(/^Left out.*Purple Orchard of Quartz/)).toBeVisible();
  await page.waitForTimeout(600);
  await page.reload();
  await page.getByLabel(/^Or paste/).fill(words);
  await page.getByRole("button", { name: "Read list" }).click();
  await expect(page.getByRole("button", { name: "Create profile" })).toBeVisible();
  await expect(lines).toHaveCount(0);
  await page.getByText("Only its order, into Long Descent").click();
  await page.getByRole("button", { name: "Apply order" }).click();
  await expect(page.getByRole("button", { name: /^Undo: import the order of/ })).toBeVisible();
  await page.getByRole("button", { name: /^Undo: import the order of/ }).click();
  await expect(page.getByRole("button", { name: /^Undo: import the order of/ })).toHaveCount(0);
});

test("a list that is dropped anywhere in the window is looked at, and left without a trace", async ({
  watched: page,
  seating,
}) => {
  const text = await exported(page, seating.url, "csv");
  await page.goto(`${seating.url}/shelf`);
  await expect(page.getByText(/^\d+ of \d+ shown$/)).toBeVisible();
  await dropFile(page.locator("main"), "winter.csv", text);
  await expect(page.getByRole("heading", { name: "winter" })).toBeVisible();
  await expect(page.getByText(/^Found here/)).toContainText("59");
  await page.getByRole("button", { name: "Cancel" }).click();
  await expect(page.getByRole("button", { name: "Choose a lineup" })).toBeVisible();
  await page.getByRole("button", { name: /^Profile:/ }).click();
  await expect(page.getByRole("menuitem", { name: /^winter/ })).toHaveCount(0);
});

test("before playing together, lists, a code and digits are compared with the profile, and nothing is taken in", async ({
  watched: page,
  seating,
}) => {
  test.setTimeout(120_000);
  const csv = await exported(page, seating.url, "csv");
  await page.goto(`${seating.url}/lineups?part=together`);
  const digits = /[0-9a-f]{4} [0-9a-f]{4} [0-9a-f]{4}/;
  await expect(page.locator("main")).toContainText(digits);
  const own = digits.exec((await page.locator("main").textContent())!)![0];
  await openList(page, "same.csv", csv);
  const same = page.getByRole("article", { name: "same" });
  await expect(same).toContainText("The same setup as yours, proved by its fingerprint.");
  const rows = csv.split("\r\n").filter((row) => !row.includes("Bitter Diving Bell"));
  await openList(page, "less.csv", rows.join("\r\n").replace(/,[0-9a-f]{64}(?=\r\n)/, ","));
  const less = page.getByRole("article", { name: "less" });
  await expect(less).toContainText("switch Bitter Diving Bell off");
  await expect(less).toContainText("have it on");
  await page.getByLabel(/^Or the first twelve digits/).fill(own);
  await page.getByRole("button", { name: "Compare" }).click();
  await expect(page.getByRole("article", { name: `Digits ${own}` })).toContainText("The same setup as yours");
  await page.getByLabel(/^Or the first twelve digits/).fill("0000 0000 0000");
  await page.getByRole("button", { name: "Compare" }).click();
  await expect(page.getByRole("article", { name: "Digits 0000 0000 0000" })).toContainText(
    "Not the same setup",
  );
  await page.getByRole("button", { name: /^Profile:/ }).click();
  await expect(page.getByRole("menuitem", { name: /^(less|same)/ })).toHaveCount(0);
});

test("a list is followed through two versions: what is mine stays, clashes are shown, and pure is one act away", async ({
  watched: page,
  seating,
}) => {
  const first = await exported(page, seating.url);
  await page.goto(`${seating.url}/lineups?part=in`);
  await openList(page, "winter.lineup.json", first);
  await page.getByLabel("Name of the new profile").fill("Mine");
  await page.getByRole("button", { name: "Create profile" }).click();
  await expect(page.getByText("Reproduced exactly")).toBeVisible();
  await expect(page.getByText("No difference from the list")).toBeVisible();

  // I switch one off and another on; the author takes one out and switches the first one, too.
  await page.goto(`${seating.url}/shelf?q=small+fry`);
  await page.getByRole("switch", { name: "Small Fry is on" }).click();
  await stored(page);
  await page.goto(`${seating.url}/lineups?part=following`);
  await expect(page.getByText(/^\d+ differences? from the list$/)).toBeVisible();

  const lineup = JSON.parse(first) as {
    listVersion: string;
    mods: { id: string; on: boolean; name: string }[];
    plugins: { name: string; mod: string | null; on: boolean }[];
  };
  const without = (id: string) => lineup.mods.filter((mod) => mod.id !== id);
  const gone = lineup.mods.find(({ id }) => id === "quiet-compass")!;
  const next = {
    ...lineup,
    listVersion: "2.0",
    mods: lineup.mods.filter(({ id }) => id !== gone.id && id !== "small-fry"),
    plugins: lineup.plugins.filter(({ mod }) => mod !== gone.id && mod !== "small-fry"),
  };
  // Wherever it is opened it is known; merging is offered first, and taking it in anew says what of mine would go.
  await page.goto(`${seating.url}/lineups?part=in`);
  await openList(
    page,
    "winter-2.lineup.json",
    JSON.stringify({
      ...lineup,
      mods: without(gone.id),
      plugins: lineup.plugins.filter(({ mod }) => mod !== gone.id),
    }),
  );
  const known = page.getByRole("region", { name: "You follow this list" });
  await expect(known).toContainText("the same number and other contents");
  await page.getByLabel(/^Into Mine, beside your other mods/).check();
  await expect(page.getByText(/^\d+ changes? of yours would be lost$/)).toBeVisible();
  await page.getByRole("button", { name: "Cancel" }).click();
  await openList(page, "winter-2.lineup.json", JSON.stringify(next));
  await expect(known).toContainText("Mine follows version 1.0 of this list. This is version 2.0: newer.");
  await known.getByRole("button", { name: "Merge it into Mine" }).click();
  await expect(page.getByRole("heading", { name: "From 1.0 to 2.0" })).toBeVisible();
  await expect(page.getByText(/^\d+ things? that you and its author changed differently$/)).toBeVisible();
  await page.getByText("the list’s: removed").click();
  await page.getByRole("button", { name: /^Apply \d+ changes?$/ }).click();
  await expect(page.getByRole("heading", { name: /^Long Descent 2\.0/ })).toBeVisible();
  await stored(page);
  await page.getByRole("button", { name: /^Undo: apply/ }).click();
  await expect(page.getByRole("heading", { name: /^Long Descent 1\.0/ })).toBeVisible();
  await page.getByRole("button", { name: /^Redo: apply/ }).click();
  await expect(page.getByRole("heading", { name: /^Long Descent 2\.0/ })).toBeVisible();
  await expect(page.getByText("No difference from the list")).toBeVisible();
  await page.goto(`${seating.url}/shelf?q=glass+tides`);
  await page.getByRole("switch", { name: "Glass Tides is on" }).click();
  await stored(page);
  await page.getByRole("link", { name: "1 changed by you" }).click();
  await page.getByRole("button", { name: "Back to the pure list" }).click();
  await expect(page.getByRole("dialog")).toContainText("of yours would be lost");
  await page.getByRole("button", { name: /^Set back \d+ difference/ }).click();
  await expect(page.getByText("No difference from the list")).toBeVisible();
  await stored(page);

  // A third version into which something of mine goes: it is no longer the author's order, so the fewest moves are shown.
  await page.goto(`${seating.url}/shelf?q=glass+tides`);
  await page.getByRole("switch", { name: "Glass Tides is on" }).click();
  await stored(page);
  await page.goto(`${seating.url}/lineups?part=following`);
  const third = { ...next, listVersion: "3.0", mods: next.mods.filter(({ id }) => id !== "sounding-line") };
  third.plugins = next.plugins.filter(({ mod }) => mod !== "sounding-line");
  expect(third.mods.length).toBeLessThan(next.mods.length);
  await openList(page, "winter-3.lineup.json", JSON.stringify(third));
  await expect(page.getByText("do not contradict each other")).toBeVisible();
  await page.getByRole("button", { name: /^Apply \d+ changes?$/ }).click();
  await expect(page.getByRole("heading", { name: /move; no valid order moves fewer$/ })).toBeVisible();
  await expect(page.getByRole("link", { name: "1 changed by you" })).toBeVisible();
});

test("what a list does not have is told as extra, and goes off where the list is taken in alone", async ({
  watched: page,
  seating,
}) => {
  const lineup = JSON.parse(await exported(page, seating.url)) as {
    mods: { id: string }[];
    plugins: { mod: string | null }[];
  };
  const less = {
    ...lineup,
    mods: lineup.mods.filter(({ id }) => id !== "glass-tides"),
    plugins: lineup.plugins.filter(({ mod }) => mod !== "glass-tides"),
  };
  await page.goto(`${seating.url}/lineups?part=in`);
  await openList(page, "less.lineup.json", JSON.stringify(less));
  await expect(page.getByText(/^Extra here 1 not in the new profile$/)).toBeVisible();
  await page.getByText("Into Long Descent, beside your other mods").click();
  await expect(page.getByText(/^Extra here 1 they stay on/)).toBeVisible();
  await page.getByText("Replace Long Descent: your other mods are switched off").click();
  await page.getByText(/^Extra here 1 they are switched off/).click();
  await expect(page.getByRole("grid", { name: "Extra here" })).toContainText("Glass Tides");
  await page.getByRole("button", { name: "Replace profile" }).click();
  const undo = page.getByRole("button", { name: /^Undo: import Long Descent/ });
  await expect(undo).toBeVisible();
  await page.goto(`${seating.url}/shelf?q=glass+tides`);
  await expect(page.getByRole("switch", { name: "Glass Tides is off" })).toBeVisible();
  await undo.click();
  await expect(page.getByRole("switch", { name: "Glass Tides is on" })).toBeVisible();
});

test("nothing that a list says runs on its page, and the ticks of its steps are kept", async ({
  watched: page,
  seating,
}) => {
  const script = "<script>window.ran=1</script><img src=x onerror=window.ran=1>";
  await page.goto(`${seating.url}/lineups`);
  await page.getByText("None yet.").waitFor();
  await page.getByLabel("Author").fill(script);
  await page.getByLabel("What to expect").fill(script);
  await page
    .getByLabel("Read-me, in Markdown")
    .fill(
      `${script}\n\n[x](javascript:window.ran=1) ![y](javascript:window.ran=1)\n\n<svg onload=window.ran=1>`,
    );
  await page.getByRole("button", { name: "Add a key" }).click();
  await page.getByLabel("Key 1", { exact: true }).fill(script.slice(0, 50));
  await page.getByRole("button", { name: "Publish as a version" }).click();
  await expect(page.getByText("The first version.")).toBeVisible();
  const href = (await page.getByRole("link", { name: "Export the lineup" }).getAttribute("href"))!;
  const profile = new URL(href, seating.url).searchParams.get("profile")!;
  await page.goto(`${seating.url}/lineup/${profile}`);
  await expect(page.getByRole("heading", { name: "Long Descent" })).toBeVisible();
  await expect(page.getByText("<script>window.ran=1</script>").first()).toBeVisible();
  expect(await page.evaluate(() => (globalThis as { ran?: number }).ran)).toBeUndefined();
  await page.getByLabel("Search this list").fill("glass tides");
  await expect(page.getByText(/^\d+ of \d+ shown$/)).toBeVisible();
  await page.getByRole("checkbox", { name: /^Get Tidal Core/ }).check();
  await expect(page.getByText(/^1 of \d+ done$/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole("checkbox", { name: /^Get Tidal Core/ })).toBeChecked();
  await page.pdf({ path: test.info().outputPath("page.pdf") });

  // The same page as a file: nothing runs there either, and it gives the list in every other format without a server.
  const file = test.info().outputPath("list.html");
  await writeFile(file, await exported(page, seating.url, "page"));
  const table = await exported(page, seating.url, "csv");
  await page.goto(pathToFileURL(file).href);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Table (CSV)" }).click(),
  ]);
  expect(download.suggestedFilename()).toBe("Long-Descent.csv");
  expect(await readFile(await download.path(), "utf8")).toBe(table);
  expect(await page.evaluate(() => (globalThis as { ran?: number }).ran)).toBeUndefined();
});
