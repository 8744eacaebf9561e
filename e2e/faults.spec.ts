import { expect, test } from "./fixtures";

test("a fault in a view is told in its place, takes nothing else with it, and can be tried again", async ({
  seating,
  page,
}) => {
  // The page is made to believe that a copy is kept of which nothing is known.
  let broken = true;
  await page.route("**/api/act/listCopies?*", (route) =>
    route.fulfill({ json: { ok: true, value: broken ? [{}] : [] } }),
  );
  await page.goto(`${seating.url}/overview`);
  const note = page.getByRole("alert").filter({ hasText: "This view could not be shown" });
  await expect(note).toContainText("What is stored is as it was");
  await expect(note.getByRole("button", { name: "Copy the details" })).toBeVisible();
  await page.getByRole("link", { name: /^Plan/ }).click();
  await expect(page.getByRole("grid", { name: "Plugins in load order" })).toBeVisible();
  await page.getByRole("link", { name: /^Overview/ }).click();
  await expect(note).toBeVisible();
  broken = false;
  await note.getByRole("button", { name: "Try again" }).click();
  await expect(page.getByRole("heading", { name: "Not yet" })).toBeVisible();
});

test("a fault beneath everything is told as well", async ({ seating, page }) => {
  await page.route("**/api/act/readCatalogue?*", async (route) => {
    const answer = await route.fetch();
    const outcome = (await answer.json()) as { value: object };
    await route.fulfill({
      response: answer,
      json: { ...outcome, value: { ...outcome.value, mods: [null] } },
    });
  });
  await page.goto(`${seating.url}/depot`);
  await expect(page.getByRole("alert").filter({ hasText: "Seating could not be shown" })).toContainText(
    "What is stored is as it was",
  );
});

test("an address at which nothing is says so, and leads back", async ({ seating, page }) => {
  const answer = await page.goto(`${seating.url}/nothing/here`);
  expect(answer!.status()).toBe(404);
  await expect(page.getByRole("heading", { name: "There is nothing at this address" })).toBeVisible();
  await page.getByRole("link", { name: "Go to the overview" }).click();
  await expect(page.getByRole("heading", { name: "Long Descent" })).toBeVisible();
});
