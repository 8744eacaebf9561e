import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import english from "../../../languages/en.json";
import german from "../../../languages/de.json";
import { speak, standardLanguage, type Language } from "@/core/language/say";
import { guideTasks, guideWords, readGuidePlace } from "@/core/model/guide";
import { readGuidePage } from "@/formats/guide/page";
import { guideSteps } from "@/formats/guide/steps";
import { readGuide } from "@/server/guide";
import { searchTexts } from "../kit/search-texts";
import { glossaryMarkdown, glossaryPage } from "./glossary";

const languages: readonly Language[] = [standardLanguage, { tag: "de", texts: german }];
const folderOf = (tag: string) => join("docs", "guide", tag === "en" ? "." : tag);
const written = (tag: string, name: string) => readFileSync(join(folderOf(tag), `${name}.md`), "utf8");
const pages = languages.flatMap(({ tag }) => guideTasks.map((task) => [tag, task] as const));

afterEach(() => speak(() => standardLanguage));

describe("a page as it is written", () => {
  const page = readGuidePage(
    "share",
    "# Share\n\nIntro <b>x</b>.\n\n## One\n\n1. Press **Go**\n\n## Two\n\nThe `end`.\n",
  );

  test("has a title, and a part for each heading; what looks like HTML is text", () => {
    expect(page.title).toBe("Share");
    expect(page.parts.map(({ id, title, text }) => [id, title, text])).toEqual([
      ["", "Share", "Intro <b>x</b>."],
      ["1", "One", "Press Go"],
      ["2", "Two", "The end."],
    ]);
    expect(page.parts[0]!.html).toContain("&lt;b&gt;");
    expect(page.parts[1]!.html).toContain("<strong>Go</strong>");
  });

  test("its steps name controls, what is typed, keys, and what is seen, in that order, over the end of a line too", () => {
    const steps = guideSteps(
      "**Not here**\n\n1. Open **Plan\n   now**, “it says” and `C4`,\n   _Alt+P_.\n2. „Gut“\n\n- **Nor here**\n",
    );
    expect(steps).toEqual([
      [
        { kind: "control", name: "Plan now" },
        { kind: "seen", text: "it says" },
        { kind: "typed", text: "C4" },
        { kind: "keys", keys: "Alt+P" },
      ],
      [{ kind: "seen", text: "Gut" }],
    ]);
  });
});

test.each(pages)("%s: %s is there, has steps, and leads nowhere that is not there", (tag, task) => {
  const text = written(tag, task);
  expect(readGuide(tag)[task]).toBe(text);
  expect(readGuidePage(task, text).parts.length).toBeGreaterThan(1);
  for (const [, link] of text.matchAll(/\]\(([^)]+)\)/g))
    expect([link, readGuidePlace(link!.replace(".md", ""))]).not.toEqual([link, null]);
});

test.each(guideTasks)("%s says the same steps in both languages", (task) => {
  const [first, second] = languages.map(({ tag }) =>
    guideSteps(written(tag, task)).map((step) => step.map(({ kind }) => kind).sort()),
  );
  expect(second).toEqual(first);
});

/** What a text says in any case: its words, without what is put in. */
const wordsOf = (text: string): string[] =>
  text
    .replace(/\{\w+\}|\{\w+, (?:plural|select),/g, "#")
    .split(/[{}#]|\b(?:one|other|true)\b/)
    .map((piece) => piece.trim().toLowerCase())
    .filter(Boolean);

test.each(pages)("%s: %s names no control that the interface does not have", (tag, task) => {
  const said = Object.values(tag === "en" ? english : german).map((text) => ({
    text: text.toLowerCase(),
    words: wordsOf(text),
  }));
  const strange = [...written(tag, task).matchAll(/\*\*([^*]+)\*\*/g)].flatMap(([, name]) => {
    const plain = name!
      .replace(/\s+/g, " ")
      .replace(/^… | ?…$/g, "")
      .toLowerCase();
    const isSaid = said.some(
      ({ text, words }) =>
        text.includes(plain) ||
        (words.join("").length * 2 > plain.length && words.every((word) => plain.includes(word))),
    );
    return isSaid ? [] : [name];
  });
  expect(strange).toEqual([]);
});

test("the first evening has the parts to which the first steps lead", () => {
  for (const { tag } of languages) {
    const parts = readGuidePage("first-evening", written(tag, "first-evening")).parts.map(
      ({ title }) => title,
    );
    expect([parts[3], parts[4], parts[6], parts[7]]).toEqual(
      tag === "en"
        ? ["Fill the shelf", "Switch mods on", "Write the order", "Start the game"]
        : ["Das Regal füllen", "Mods einschalten", "Die Reihenfolge schreiben", "Das Spiel starten"],
    );
  }
});

test("what is not written in a language is there in English", () => {
  expect(readGuide("nl").share).toBe(written("en", "share"));
});

describe("the words", () => {
  test.each(languages)("stand in the file of the guide, in $tag", (language) => {
    speak(() => language);
    expect(written(language.tag, "glossary")).toBe(glossaryMarkdown());
    expect(
      glossaryPage()
        .parts.map(({ id }) => id)
        .sort(),
    ).toEqual(["", ...guideWords].sort());
  });

  test("each is explained in a view, where it is met", () => {
    const sources = readdirSync("src/ui", { recursive: true, encoding: "utf8" })
      .filter((path) => path.endsWith(".tsx") && !path.startsWith("guide"))
      .map((path) => readFileSync(join("src/ui", path), "utf8"))
      .join("\n");
    const explained = (word: string) =>
      sources.includes(`word="${word}"`) || sources.includes(`word: "${word}"`);
    // The levels of findings stand in one place, by their names.
    expect(sources).toContain("<Term word={level}>");
    const levels = ["blocker", "problem", "hint"];
    expect(guideWords.filter((word) => !levels.includes(word) && !explained(word))).toEqual([]);
  });
});

test("the search finds a task by what people call it, with a slip in a word too", () => {
  const all = guideTasks.map((task) => readGuidePage(task, written("en", task)));
  const texts = all.map(({ parts }) => parts.map(({ title, text }) => `${title} ${text}`).join(" "));
  const found = (words: string) => searchTexts(texts, words)!.map((at) => all[at]!.id);
  expect(found("spreadsheet")).toEqual(["sheet"]);
  expect(found("bakup")[0]).toBe("your-data");
  expect(found("rulebook advice")).toEqual(["correct-and-remember"]);
});
