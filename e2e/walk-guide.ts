import { readFile } from "node:fs/promises";
import { join } from "node:path";
import type { Locator, Page } from "@playwright/test";
import type { GuideTask } from "@/core/model/guide";
import { guideSteps, type Named } from "@/formats/guide/steps";
import { expect } from "./fixtures";

export interface Walk {
  /** What is typed in place of an example of the guide. */
  readonly typed?: Readonly<Record<string, string>>;
  /** What the reader does by themselves in a step, by its number from 1 on: before anything that it names, or after all of it. */
  readonly before?: Readonly<Record<number, () => Promise<void>>>;
  readonly after?: Readonly<Record<number, () => Promise<void>>>;
  /** Whether the reader has come to where the task ends. */
  readonly end?: () => Promise<void>;
}

const roles = [
  "button",
  "link",
  "menuitem",
  "menuitemcheckbox",
  "tab",
  "textbox",
  "searchbox",
  "combobox",
  "checkbox",
  "radio",
  "switch",
] as const;

/** Does what a page of the guide says, step by step, by the names that stand in its text: who reads no more than that gets there. */
export async function walkGuide(
  page: Page,
  language: string,
  task: GuideTask,
  walk: Walk = {},
): Promise<void> {
  const folder = join("docs", "guide", language === "en" ? "." : language);
  const steps = guideSteps(await readFile(join(folder, `${task}.md`), "utf8"));
  expect(steps.length).toBeGreaterThan(1);
  for (const [at, named] of steps.entries()) {
    await walk.before?.[at + 1]?.();
    let field: Locator | null = null;
    for (const each of named) field = (await follow(page, each, field, walk)) ?? field;
    await walk.after?.[at + 1]?.();
  }
  await walk.end?.();
}

/** Answers the field that what is typed next goes into. */
async function follow(page: Page, named: Named, field: Locator | null, { typed = {} }: Walk) {
  switch (named.kind) {
    case "keys":
      await page.keyboard.press(named.keys.replace("Leertaste", "Space"));
      return null;
    case "seen":
      await expect(page.getByText(pattern(named.text)).filter({ visible: true }).first()).toBeVisible();
      return null;
    case "typed": {
      const text = typed[named.text] ?? named.text;
      if (field && text.length > long) await paste(field, text);
      else if (field) await field.fill(text);
      else await page.keyboard.type(text);
      return null;
    }
    case "control":
      return press(page, named.name);
  }
}

/** Characters from which on typing takes far longer than pasting, which is what people do. */
const long = 2000;

async function paste(field: Locator, text: string): Promise<void> {
  await field.evaluate((_, words) => {
    const carrier = document.body.appendChild(document.createElement("textarea"));
    carrier.value = words;
    carrier.select();
    document.execCommand("copy");
    carrier.remove();
  }, text);
  await field.focus();
  await field.press("Control+a");
  await field.press("Control+v");
}

async function press(page: Page, name: string): Promise<Locator | null> {
  const control = await controlNamed(page, name);
  const isField = await control.evaluate((element) =>
    element.matches("textarea, input:not([type=radio], [type=checkbox], [type=file])"),
  );
  if (isField) return control;
  await control.click();
  return null;
}

/** The control that is seen under a name, of what lies above everything else first. */
async function controlNamed(page: Page, name: string): Promise<Locator> {
  const named = (within: Page | Locator) =>
    roles
      .map((role) => within.getByRole(role, { name: pattern(name) }))
      .reduce((all, each) => all.or(each))
      .filter({ visible: true });
  const over = page.locator("[role=dialog], [role=menu]").filter({ visible: true }).last();
  const where = (await over.count()) > 0 ? named(over) : named(page);
  await expect(where.first(), `a control named “${name}”`).toBeVisible();
  return where.first();
}

/** A name as it stands in the guide: numbers are examples, an ellipsis stands for whatever follows, and a count may come behind. */
function pattern(name: string): RegExp {
  const plain = name.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
  return new RegExp(`^${plain.replace(/\d+/g, "\\d+").replaceAll("…", ".*")}(?: ?\\d+)?$`);
}
