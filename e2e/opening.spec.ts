import { expect, test } from "./fixtures";

const views = ["overview", "plan", "shelf", "health", "rules", "lineups", "depot", "profiles", "settings"];

test("a page holds nothing of the shelf; what the window shows is asked for once, beside it", async ({
  watched: page,
  seating,
}) => {
  for (const view of views) {
    const html = await (await page.request.get(`${seating.url}/${view}`)).text();
    expect(html.length, view).toBeLessThan(60_000);
    expect(html, view).not.toContain("Glass Tides");
  }
  const asked: string[] = [];
  page.on("request", (request) => {
    const { pathname } = new URL(request.url());
    if (pathname === "/api/workspace" || pathname === "/api/stock") asked.push(pathname);
  });
  await page.goto(`${seating.url}/shelf`);
  await expect(page.getByRole("row", { name: /Glass Tides/ })).toBeVisible();
  await page.waitForTimeout(1000);
  expect(asked.sort()).toEqual(["/api/stock", "/api/workspace"]);
});

test("where nothing answers, opening says so and can be tried again", async ({ watched: page, seating }) => {
  await page.route("**/api/stock?*", (route) => route.abort());
  await page.goto(`${seating.url}/plan`);
  await expect(page.getByRole("heading")).toHaveText("Your profile could not be shown");
  await page.unroute("**/api/stock?*");
  await page.getByRole("button", { name: "Try again" }).click();
  await expect(page.getByRole("switch").first()).toBeVisible();
});

test("a tag brings the row that it changes, and no other", async ({ watched: page, seating }) => {
  await page.goto(`${seating.url}/shelf?q=small+fry`);
  await page.getByText("1 of 72 shown").waitFor();
  let count = 0;
  const read: { query: URLSearchParams; length: number }[] = [];
  page.on("response", async (response) => {
    const { pathname, searchParams } = new URL(response.url());
    if (pathname === "/api/stock") read.push({ query: searchParams, length: (await response.body()).length });
  });
  for (const tag of ["calm", "deep"]) {
    await page.getByRole("button", { name: /^With these/ }).click();
    await page.getByRole("menuitem", { name: /^Tag 1/ }).click();
    await page.getByLabel("Tag", { exact: true }).fill(tag);
    await page.getByRole("button", { name: "Add tag" }).click();
    await page.getByText(`tag ${tag}`).waitFor();
    count += 1;
    await expect.poll(() => read.length).toBe(count);
  }
  expect(read.map(({ query }) => query.has("since"))).toEqual([true, true]);
  for (const { length } of read) expect(length).toBeLessThan(6000);
});
