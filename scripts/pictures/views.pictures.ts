import { rm } from "node:fs/promises";
import { join } from "node:path";
import { test, type Page } from "@playwright/test";
import { visit } from "../../e2e/fixtures";
import { root, startSeating, type Server } from "../../e2e/server";

const home = process.env.SEATING_PICTURES ?? "";
let server: Server;
test.beforeAll(async () => {
  server = await startSeating("demo.mjs", home, []);
});
test.afterAll(() => server.stop());

async function take(page: Page, name: string): Promise<void> {
  await page.mouse.move(640, 799);
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(300);
  const path = join(root, "docs/screenshots", `${name}.png`);
  await page.screenshot({ path, animations: "disabled", caret: "hide" });
}

async function closeMessage(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Close the message" }).click();
  await page.locator("[data-message]").waitFor({ state: "detached" });
}

test("the main views", async ({ page }) => {
  const conflicts = page.waitForResponse(/api\/contents/);
  await visit(page, `${server.url}/overview`);
  await conflicts;
  await take(page, "overview");

  await visit(page, `${server.url}/health`);
  await page
    .getByRole("grid", { name: "Findings" })
    .getByRole("row")
    .filter({ hasText: "Master off" })
    .click();
  await page.getByText("2 findings go.").waitFor();
  await page.getByText("Undecided conflicts of records").waitFor();
  await take(page, "health");

  await visit(page, `${server.url}/shelf?tag=water`);
  await page.getByRole("row", { name: /Glass Tides/ }).click();
  await take(page, "shelf");

  await visit(page, `${server.url}/shelf?q=instrument+room`);
  await page.getByRole("row", { name: /Instrument Room/ }).click();
  await page.getByRole("button", { name: "Choose its parts…" }).click();
  await take(page, "parts");
  await page.keyboard.press("Escape");

  await visit(page, `${server.url}/conflicts?of=records`);
  const pairs = page.getByRole("grid", { name: "Pairs of which one overrides the other" });
  await pairs.getByRole("row").nth(1).click();
  await page
    .getByRole("button", { name: /^Let .* win$/ })
    .first()
    .waitFor();
  await page.getByTestId("hand-changes").waitFor();
  await take(page, "conflicts");

  await visit(page, `${server.url}/blend`);
  await page.getByRole("grid", { name: "Lists" }).getByRole("row").nth(1).click();
  await page
    .getByText(/entries come in$/)
    .first()
    .waitFor();
  await take(page, "blend");

  await visit(page, `${server.url}/profiles`);
  await page.getByLabel("Compare it with").click();
  await page.getByRole("option", { name: "All at Once" }).click();
  await page.getByText(/differences from All at Once$/).waitFor();
  await take(page, "profiles");

  await visit(page, `${server.url}/settings?part=definition`);
  await page
    .getByLabel("A plugin to try")
    .setInputFiles(join(home, "demo/brinehollow/game/base/Brinehollow - Tides.keel"));
  await page.getByText("this is what was read from it").scrollIntoViewIfNeeded();
  await take(page, "settings");

  await visit(page, `${server.url}/plan`);
  await page.keyboard.press("Control+k");
  await page.keyboard.type("Lamplight Rework.plank");
  await page.keyboard.press("Enter");
  await page.locator('[data-item="Glass Tides.plank"]').click();
  await take(page, "plan");

  await page.keyboard.press("Alt+o");
  await page.getByRole("heading", { name: /no valid order moves fewer/ }).waitFor();
  await take(page, "proposal");
  await page.getByRole("button", { name: /^Accept/ }).click();

  await page.getByRole("contentinfo").getByRole("button", { name: "Write order file" }).click();
  await closeMessage(page);
  await page.getByRole("button", { name: "Start a trial" }).click();
  await page.getByRole("region", { name: "Trial" }).getByText("stopped at start").waitFor();
  await take(page, "trial");
  await page.getByRole("tab", { name: "History" }).click();
  await page
    .getByRole("row", { name: /^Before accepting|accept 4 moves/ })
    .first()
    .click();
  await take(page, "history");
  await page.getByRole("button", { name: "Close the panel" }).click();

  await visit(page, `${server.url}/rules`);
  const depot = join(home, "demo/brinehollow/depot/rulebooks/soundings-1.0.json");
  await page.getByLabel("Rulebook file").setInputFiles(depot);
  await page.getByRole("dialog").getByRole("button", { name: "Use", exact: true }).click();
  await closeMessage(page);
  await page
    .getByRole("button", { name: /Glass Tides\.plank/ })
    .first()
    .click();
  await page.getByText(/^With it/).waitFor();
  await take(page, "rules");

  await visit(page, `${server.url}/lineups`);
  const href = await page.getByRole("link", { name: "Export the lineup" }).getAttribute("href");
  const text = await (await page.request.get(`${server.url}${href}`)).text();
  await rm(join(home, "demo/brinehollow/shelf/Small Fry-1.0.0.zip"));
  await visit(page, `${server.url}/shelf`);
  await page.getByRole("button", { name: "Scan for changes" }).click();
  await page.getByText(/^\d+ items/).waitFor();
  await visit(page, `${server.url}/lineups`);
  await page.getByText("None yet.").waitFor();
  await take(page, "lineup-out");
  await visit(page, `${server.url}/lineups?part=in`);
  const buffer = Buffer.from(text);
  await page
    .getByLabel("Lineup file")
    .setInputFiles({ name: "Long-Descent.lineup.json", mimeType: "application/json", buffer });
  await page.getByText(/^To get/).waitFor();
  await take(page, "lineups");
  await visit(page, `${server.url}/lineup/${new URL(href!, server.url).searchParams.get("profile")}`);
  await take(page, "lineup-page");

  await visit(page, `${server.url}/depot`);
  await page.getByLabel("Search the depot").fill("tides");
  await page.getByRole("row", { name: /Glass Tides/ }).click();
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("button", { name: /^Get \d+ newer/ }).click();
  await page
    .getByRole("region", { name: "Queue" })
    .getByText(/^2 of 2 received/)
    .waitFor();
  // What was got is read before the queue stands still.
  await page.getByRole("button", { name: "Pause" }).waitFor({ state: "detached" });
  await take(page, "depot");

  // Somebody follows the list, has changed something of it, and its author, too.
  await visit(page, `${server.url}/lineups?part=in`);
  const file = page.getByLabel("Lineup file");
  await file.setInputFiles({ name: "Long-Descent.lineup.json", mimeType: "application/json", buffer });
  await page.getByLabel("Name of the new profile").fill("Long Descent, mine");
  await page.getByRole("button", { name: "Create profile" }).click();
  await page.getByRole("heading", { name: /^Changed by you/ }).waitFor();
  await visit(page, `${server.url}/shelf?q=glass+tides`);
  await page.getByRole("switch", { name: "Glass Tides is on" }).click();
  await page.getByText("1 changed by you").waitFor();
  await page.getByText("Storing…").waitFor({ state: "detached" });
  await visit(page, `${server.url}/lineups?part=following`);
  const next = Buffer.from(JSON.stringify(nextVersion(JSON.parse(text) as Listed)));
  await file.setInputFiles({
    name: "Long-Descent-2.lineup.json",
    mimeType: "application/json",
    buffer: next,
  });
  await page.getByRole("heading", { name: "From 1.0 to 1.1" }).waitFor();
  await take(page, "lineup-following");

  await page.getByRole("button", { name: "Game: Brinehollow" }).click();
  await page.getByRole("menuitem", { name: /^Millwright Vale/ }).click();
  await page.getByRole("link", { name: "Laid out" }).click();
  await page.getByText(/^Laying out would/).waitFor();
  await page.emulateMedia({ colorScheme: "dark" });
  await take(page, "laid-out");
});

interface Listed {
  readonly mods: readonly { readonly id: string; readonly section: string | null }[];
  readonly plugins: readonly { readonly mod: string | null }[];
}

/** The list as its author goes on with it: two mods are gone, one stands elsewhere; of the first version of the format, which proves nothing. */
function nextVersion<T extends Listed>(lineup: T): T {
  const gone = new Set<string | null>(["glass-tides", "quiet-compass"]);
  const mods = lineup.mods.filter(({ id }) => !gone.has(id));
  const at = mods.findIndex(({ section }, place) => place > 20 && mods[place + 4]?.section === section);
  mods.splice(at + 4, 0, ...mods.splice(at, 1));
  const unproved = { format: "seating-lineup/1", digests: undefined, fingerprint: undefined };
  return {
    ...lineup,
    ...unproved,
    listVersion: "1.1",
    mods,
    plugins: lineup.plugins.filter(({ mod }) => !gone.has(mod)),
  };
}
