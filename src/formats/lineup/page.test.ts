import { parse, type DefaultTreeAdapterTypes } from "parse5";
import { createHash } from "node:crypto";
import { inflateSync } from "node:zlib";
import { makeLineup } from "@/core/lineup/make-lineup";
import { testGame } from "@/core/testing/game";
import { testRoster } from "@/core/testing/roster";
import type { Lineup } from "@/core/model/lineup";
import { formatOf, lineupFormats } from "./all";
import { fileNameOf } from "./format";
import { markup, Markup } from "./markup";
import { dataInPage, lineupPage } from "./page";
import { pageScript } from "./page-script";

type Node = DefaultTreeAdapterTypes.Node;
type Element = DefaultTreeAdapterTypes.Element;

function elementsOf(text: string): Element[] {
  const found: Element[] = [];
  const waiting: Node[] = [parse(text)];
  for (let node = waiting.shift(); node; node = waiting.shift()) {
    if ("tagName" in node) found.push(node);
    if ("childNodes" in node) waiting.unshift(...node.childNodes);
  }
  return found;
}
const textOf = (node: Node): string =>
  "value" in node ? node.value : "childNodes" in node ? node.childNodes.map(textOf).join("") : "";
const attribute = (element: Element, name: string) => element.attrs.find((each) => each.name === name)?.value;

const nasty = `"><script>alert(1)</script><img src=x onerror="alert(1)">&amp;'`;
const roster = testRoster([
  { name: "Core.keel" },
  { name: "b.plank", masters: ["core.keel"] },
  { name: "off.skiff", modOn: false },
]);
const plain = makeLineup(roster, {
  title: "Pond",
  author: "reed",
  note: "Calm.",
  listVersion: "1",
  date: "2026-11-01T10:00:00Z",
});
const hostile: Lineup = {
  ...plain,
  title: nasty,
  author: nasty,
  note: nasty,
  listVersion: nasty,
  readMe: `${nasty}\n\n[x](javascript:alert(1)) ![y](javascript:alert(1)) [z](data:text/html,x)\n\n<svg onload=alert(1)>\n\n| a |\n|---|\n| ${nasty} |`,
  keys: [{ key: nasty, does: nasty }],
  changelog: [{ version: nasty, date: nasty, text: nasty }],
  open: [nasty],
  credits: [{ author: nasty, mods: [nasty] }],
  sections: plain.sections.map((section) => ({ ...section, name: nasty })),
  mods: plain.mods.map((mod) => ({
    ...mod,
    name: nasty,
    version: nasty,
    source: nasty,
    terms: { kind: "paid", where: nasty },
  })),
  launch: { draw: nasty },
};

test("every value of a template is text, also within an attribute, but for what is markup itself", () => {
  expect(
    markup`<a title="${nasty}">${nasty}${new Markup("<b>x</b>")}${["<", markup`<i></i>`]}${null}${false}${7}</a>`
      .source,
  ).toBe(
    `<a title="${"&quot;&gt;&lt;script&gt;alert(1)&lt;/script&gt;&lt;img src=x onerror=&quot;alert(1)&quot;&gt;&amp;amp;&#39;"}">` +
      `${"&quot;&gt;&lt;script&gt;alert(1)&lt;/script&gt;&lt;img src=x onerror=&quot;alert(1)&quot;&gt;&amp;amp;&#39;"}<b>x</b>&lt;<i></i>7</a>`,
  );
});

describe("a page of a list that would do harm", () => {
  const page = lineupPage(hostile, testGame, [
    { label: nasty, href: nasty },
    { label: nasty, name: nasty, mime: nasty, text: nasty },
  ]);
  const elements = elementsOf(page);

  test("has its data and one script of its own, and the policy names that one by its hash", () => {
    const scripts = elements.filter(({ tagName }) => tagName === "script");
    expect(scripts.map((script) => attribute(script, "type") ?? "")).toEqual([
      "application/json",
      "application/json",
      "",
    ]);
    expect(textOf(scripts[2]!)).toBe(pageScript);
    const policy = attribute(
      elements.find((each) => attribute(each, "http-equiv") === "Content-Security-Policy")!,
      "content",
    )!;
    expect(policy).toContain(`'sha256-${createHash("sha256").update(pageScript).digest("base64")}'`);
    expect(policy).toContain("default-src 'none'");
  });

  test("has no handler, no picture from outside and no link that runs", () => {
    for (const element of elements) {
      expect(element.attrs.filter(({ name }) => name.startsWith("on"))).toEqual([]);
      expect(["svg", "iframe", "object", "embed", "form"]).not.toContain(element.tagName);
      for (const name of ["href", "src"])
        expect(attribute(element, name) ?? "").not.toMatch(/^\s*(?:javascript|vbscript):/i);
    }
    expect(
      elements.filter(
        ({ tagName, attrs }) =>
          tagName === "img" && attrs.some(({ name, value }) => name === "src" && value !== ""),
      ),
    ).toEqual([]);
  });

  test("holds the list to the letter", () => {
    expect(JSON.parse(dataInPage(page)!)).toEqual(JSON.parse(JSON.stringify(hostile)));
  });
});

describe("a page as people read it", () => {
  const elements = elementsOf(lineupPage(plain, testGame));
  const rows = elements.filter(
    ({ tagName, attrs }) => tagName === "tr" && attrs.some(({ value }) => value.startsWith("item")),
  );

  test("numbers the order by seats, and says what is off", () => {
    expect(rows.map((row) => textOf(row).replace(/\s+/g, " ").trim())).toEqual([
      expect.stringMatching(/^A1 ?core ?1\.0\.0/),
      expect.stringMatching(/^A2 ?b ?1\.0\.0/),
      expect.stringMatching(/^A3 ?off off/),
      expect.stringMatching(/^A1 ?Pond\.keel ?the game itself/),
      expect.stringMatching(/^B1 ?Core\.keel ?core/),
      expect.stringMatching(/^C1 ?b\.plank ?b/),
      expect.stringMatching(/^C2 ?off\.skiff ?off/),
    ]);
  });

  test("has a box to tick for each step, each with a name of its own", () => {
    const steps = elements
      .map((element) => attribute(element, "data-step"))
      .filter((step) => step !== undefined);
    expect(steps.length).toBeGreaterThan(5);
    expect(new Set(steps).size).toBe(steps.length);
  });
});

test("a page that is kept as a file holds the list in every other format, as zlib unpacks it (RFC 1950)", () => {
  const elements = elementsOf(formatOf("page")!.write(hostile, testGame));
  const data = elements.find((each) => attribute(each, "id") === "seating-files")!;
  const files = JSON.parse(textOf(data)) as { name: string; mime: string; data: string }[];
  const others = lineupFormats.filter(({ id }) => id !== "page");
  expect(files.map(({ name, mime }) => [name, mime])).toEqual(
    others.map((format) => [fileNameOf(hostile.title, format, testGame), format.mime]),
  );
  expect(files.map((file) => inflateSync(Buffer.from(file.data, "base64")).toString("utf8"))).toEqual(
    others.map((format) => format.write(hostile, testGame)),
  );
  const buttons = elements.filter((each) => attribute(each, "data-file") !== undefined);
  expect(buttons.map((button) => textOf(button))).toEqual(others.map(({ label }) => label));
});

test.each([
  ["Winter, calm & long", "Winter-calm-long.csv"],
  ["../../etc/passwd", "etc-passwd.csv"],
  ["漢字 list", "漢字-list.csv"],
  ["***", "list.csv"],
  ["CON.", "CON-list.csv"],
])("a list called %j is the file %j", (title, name) => {
  expect(fileNameOf(title, { extension: ".csv" }, testGame)).toBe(name);
});

test("no two formats are called alike, and the game's own file is called as the game calls it", () => {
  const names = lineupFormats.map((format) => fileNameOf("Pond", format, testGame));
  expect(new Set(names.map((name) => name.toLowerCase())).size).toBe(lineupFormats.length);
  expect(names).toContain("lading.lst");
  expect(names.filter((name) => !name.startsWith("Pond."))).toEqual(["lading.lst"]);
});

test("a read-me fetches nothing: pictures from elsewhere are named, markup in it is text", () => {
  const readMe =
    "# Read me\n\n![a map](http://a.example/map.png) <img src=http://a.example/b.png> [link](javascript:alert(1))";
  const elements = elementsOf(formatOf("page")!.write({ ...hostile, readMe, pictures: [] }, testGame));
  expect(elements.filter(({ tagName }) => tagName === "img")).toEqual([]);
  expect(elements.some((each) => attribute(each, "href")?.startsWith("javascript"))).toBe(false);
  expect(elements.some((each) => each.tagName === "p" && textOf(each).includes("a map"))).toBe(true);
});

test("in a read-me, what can be ticked shows as done or not; brackets elsewhere stay", () => {
  const readMe =
    "- [ ] Start once\n- [x] Read this\n- [xx] no tick\n\n[ ] no item\n\n~~old~~ https://example.org";
  const elements = elementsOf(formatOf("page")!.write({ ...plain, readMe }, testGame));
  const section = elements.find((element) => attribute(element, "class") === "read-me")!;
  const items = elements.filter(({ tagName }) => tagName === "li").map(textOf);
  expect(items).toEqual(expect.arrayContaining(["☐ Start once", "☑ Read this", "[xx] no tick"]));
  expect(textOf(section)).toContain("[ ] no item");
  expect(elements.filter(({ tagName }) => tagName === "s").map(textOf)).toEqual(["old"]);
  expect(elements.some((element) => attribute(element, "href") === "https://example.org")).toBe(true);
});
