import { join } from "node:path";
import { test as base, type Locator, type Page } from "@playwright/test";
import { OwnServer } from "./own-server";
import { home } from "./server";

export { expect } from "@playwright/test";
export { home } from "./server";

export const gameFolder = join(home, "demo/brinehollow/game");
export const shelfFolder = join(home, "demo/brinehollow/shelf");

export type Seating = Pick<OwnServer, "url" | "stop" | "start" | "restart">;

/** A server on a fresh copy of the demo; requests to anywhere else fail the test. */
export const test = base.extend<{ seating: Seating; watched: Page }, { server: OwnServer }>({
  server: [
    async ({}, provide) => {
      const server = await OwnServer.make();
      await provide(server);
      await server.stop();
    },
    { scope: "worker" },
  ],
  seating: async ({ server }, provide) => {
    await server.beginAfresh();
    await provide(server);
    server.refuseFaults();
  },
  watched: async ({ page, seating }, provide) => {
    const strangers: string[] = [];
    const faults: string[] = [];
    page.on("request", (request) => {
      if (!/^(http:\/\/127\.0\.0\.1:|blob:|data:|file:)/.test(request.url())) strangers.push(request.url());
    });
    page.on("pageerror", (error) => faults.push(error.message));
    page.on("console", (message) => {
      if (/Content Security Policy/.test(message.text())) faults.push(message.text());
    });
    await visit(page, `${seating.url}/overview`);
    await provide(page);
    base.expect(strangers, "requests that leave the machine").toEqual([]);
    base.expect(faults, "faults in the page").toEqual([]);
  },
});

/** Waits until a view that was loaded is there: before, keys do nothing, and there is nothing to be looked at. */
export const opened = (page: Page): Promise<void> =>
  page.getByText("Opening Seating…").waitFor({ state: "detached" });

export async function visit(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await opened(page);
}

/** The row of a plugin in the plan. */
export const row = (page: Page, id: string) => page.locator(`[data-item="${id}"]`);

/** The seat that a plugin has in the plan, scrolled to by the command field. */
export async function seatOf(page: Page, id: string): Promise<string> {
  await find(page, id);
  return (await row(page, id).locator("[role=gridcell]").first().innerText()).trim();
}

/** Selects a plugin by typing its name into the command field. */
export async function find(page: Page, id: string): Promise<void> {
  // The key does nothing until the page has come to life.
  await base
    .expect(async () => {
      await page.keyboard.press("Control+k");
      await base
        .expect(page.getByRole("combobox", { name: /^(Search|Suchen)/ }))
        .toBeFocused({ timeout: 500 });
    })
    .toPass();
  await page.keyboard.type(id);
  await page.getByRole("option", { name: id }).first().waitFor();
  await page.keyboard.press("Enter");
  await row(page, id).waitFor();
}

/** A row of what was found, in Health. */
export const finding = (page: Page, text: string | RegExp) =>
  page.getByRole("grid", { name: "Findings" }).getByRole("row").filter({ hasText: text });

/** Takes a way out of what was found, in Health. */
export async function takeWayOut(page: Page, text: string | RegExp, way: string | RegExp): Promise<void> {
  await finding(page, text).first().click();
  await page
    .getByRole("complementary", { name: "Inspector" })
    .getByRole("button", { name: way })
    .first()
    .click();
}

/** Waits until everything that was done is stored. */
export const stored = (page: Page) => page.getByText("Storing…").waitFor({ state: "detached" });

/** Chooses one of several in a field of that kind. */
export async function choose(field: Locator, words: string | RegExp): Promise<void> {
  await field.click();
  await field.page().getByRole("option", { name: words, exact: true }).click();
}
