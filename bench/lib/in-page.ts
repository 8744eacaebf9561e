import type { BrowserContext, Page } from "@playwright/test";

export const viewport = { width: 1280, height: 800 };

/** What is done in a page, to the first element that a selector finds, whose name or text begins with `named` where that is said. */
export type Act = { readonly on: string; readonly named?: string } & (
  | { readonly does: "click" }
  | {
      readonly does: "key";
      readonly key: string;
      readonly alt?: boolean;
      readonly ctrl?: boolean;
      readonly shift?: boolean;
    }
  /** Into a field; of a list of choices the one with this text. */
  | { readonly does: "enter"; readonly text: string }
);

/** What is waited for: the text, or an attribute, of the first element that a selector finds, which becomes another or comes to hold something. */
export interface Shown {
  readonly of: string;
  readonly attribute?: string;
  readonly holds?: string;
}

export interface Painted {
  /** Milliseconds until it was painted; not a number where it was not within the patience. */
  readonly ms: number;
  /** Milliseconds of the longest task in the second after that. */
  readonly longest: number;
}

/** Does something in the page itself, as a user's hand would, and waits there until it is painted. */
export const painted = (page: Page, act: Act, shown: Shown, patience = 10_000): Promise<Painted> =>
  page.evaluate(
    async ([act, { of, attribute, holds }, patience]) => {
      const frame = () => new Promise<number>((done) => requestAnimationFrame(done));
      const read = () => {
        const element = document.querySelector(of);
        return element && (attribute ? element.getAttribute(attribute) : element.textContent);
      };
      const before = read();
      const isThere = () => {
        const now = read();
        return holds === undefined ? now !== before : now?.includes(holds) === true;
      };
      const isNamed = (element: Element) =>
        act.named === undefined ||
        [element.getAttribute("aria-label"), element.textContent].some((name) =>
          name?.startsWith(act.named!),
        );
      const element = [...document.querySelectorAll<HTMLElement>(act.on)].find(isNamed);
      if (!element) throw new Error(`nothing is ${act.on} ${act.named ?? ""}`);
      const tasks: PerformanceEntry[] = [];
      const watching = new PerformanceObserver((list) => tasks.push(...list.getEntries()));
      watching.observe({ type: "longtask" });
      const began = performance.now();
      if (act.does === "click") element.click();
      else if (act.does === "key") {
        const { key, alt: altKey = false, ctrl: ctrlKey = false, shift: shiftKey = false } = act;
        element.dispatchEvent(
          new KeyboardEvent("keydown", {
            key,
            code: key.length === 1 ? `Key${key.toUpperCase()}` : key,
            altKey,
            ctrlKey,
            shiftKey,
            bubbles: true,
            cancelable: true,
          }),
        );
      } else {
        // As React hears it: by the element's own setter, and an event.
        const isChoice = element instanceof HTMLSelectElement;
        const { prototype } = isChoice ? HTMLSelectElement : HTMLInputElement;
        const value = isChoice ? [...element.options].find(({ text }) => text === act.text)?.value : act.text;
        Object.getOwnPropertyDescriptor(prototype, "value")!.set!.call(element, value);
        element.dispatchEvent(new Event(isChoice ? "change" : "input", { bubbles: true }));
      }
      while (!isThere() && performance.now() - began < patience) await frame();
      const at = performance.now();
      const ms = isThere() ? at - began : Number.NaN;
      await new Promise((done) => setTimeout(done, 1000));
      watching.disconnect();
      const after = tasks.filter(({ startTime }) => startTime >= at).map(({ duration }) => duration);
      return { ms, longest: Math.max(0, ...after) };
    },
    [act, shown, patience] as const,
  );

/** Milliseconds from the begin of a navigation until something is painted that a selector finds, in a new window of a browser in use. */
export async function opening(browser: BrowserContext, address: string, selector: string): Promise<number> {
  const page = await browser.newPage();
  await page.addInitScript((wanted) => {
    const seen = new MutationObserver(() => {
      if (!document.querySelector(wanted)) return;
      seen.disconnect();
      requestAnimationFrame(
        () => ((globalThis as unknown as { openedAt: number }).openedAt = performance.now()),
      );
    });
    seen.observe(document, { childList: true, subtree: true });
  }, selector);
  await page.goto(address);
  await page.locator(selector).first().waitFor();
  const at = await page.waitForFunction(() => (globalThis as unknown as { openedAt?: number }).openedAt);
  const ms = await at.jsonValue();
  await page.close();
  return ms!;
}

/** From a key in the search field of the shelf to painted rows, one letter after another. */
export async function keystrokes(page: Page, url: string, words: string): Promise<number[]> {
  await page.goto(`${url}/shelf`);
  await page.getByText(/^\d+ of \d+ shown$/).waitFor();
  await page.waitForTimeout(3000);
  const times: number[] = [];
  for (let length = 1; length <= words.length; length++) {
    const { ms } = await painted(
      page,
      { does: "enter", on: "[aria-label='Filter the shelf']", text: words.slice(0, length) },
      { of: "main header [role=status]" },
      1500,
    );
    times.push(ms);
  }
  // A letter that narrows nothing further is not seen to be painted.
  return times.filter((time) => !Number.isNaN(time));
}

/** From the choice in the profile menu until the other profile is shown. */
export async function switches(page: Page, url: string, names: readonly string[]): Promise<number[]> {
  await page.goto(`${url}/overview`);
  await page.getByRole("button", { name: /^Profile: / }).waitFor();
  await page.waitForTimeout(2000);
  const times: number[] = [];
  for (let run = 0; run < 10; run++) {
    const name = names[run % names.length]!;
    await page.getByRole("button", { name: /^Profile: / }).click();
    await page.getByRole("menuitem", { name }).waitFor();
    const { ms } = await painted(
      page,
      { does: "click", on: "[role=menuitem]", named: name },
      { of: "h1", holds: name },
    );
    times.push(ms);
  }
  // Each has been read once by then.
  return times.slice(names.length);
}
