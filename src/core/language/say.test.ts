import { midSentence } from "./mid-sentence";
import { say, sayPieces, speak, standardLanguage, type Catalogue } from "./say";

const inLanguage = (tag: string, texts: Catalogue) => speak(() => ({ tag, texts }));

afterEach(() => speak(() => standardLanguage));

test("a text is said in the language that is spoken, with the plurals and numbers of that language", () => {
  expect(say("facets.count.mods", { count: 1 })).toBe("1 mod");
  expect(say("facets.count.mods", { count: 12_345 })).toBe("12,345 mods");
  // Plural rules of Unicode CLDR 47: Polish has forms of its own for 2 to 4 and for 5 and more.
  inLanguage("pl", {
    "facets.count.mods": "{count, plural, one {# mod} few {# mody} many {# modów} other {# moda}}",
  });
  expect([1, 3, 5, 22].map((count) => say("facets.count.mods", { count }))).toEqual([
    "1 mod",
    "3 mody",
    "5 modów",
    "22 mody",
  ]);
  inLanguage("de", { "facets.count.mods": "{count, plural, one {# Mod} other {# Mods}}" });
  expect(say("facets.count.mods", { count: 12_345 })).toBe("12.345 Mods");
});

test("what a language lacks, or has in an unsound form, is said in English", () => {
  inLanguage("xx-unknown", {});
  expect(say("common.cancel")).toBe("Cancel");
  inLanguage("de", { "common.cancel": "{unclosed", "facets.count.mods": "{strange} Mods" });
  expect(say("common.cancel")).toBe("Cancel");
  expect(say("facets.count.mods", { count: 2 })).toBe("2 mods");
});

test("values that are more than text stay what they are, in the order of the language", () => {
  const [one, two] = [{ id: 1 }, { id: 2 }];
  const english = sayPieces("common.needs", { item: one, other: two });
  expect(english.filter((piece) => typeof piece !== "string")).toEqual([one, two]);
  inLanguage("de", { "common.needs": "Von {other} hängt {item} ab" });
  expect(sayPieces("common.needs", { item: one, other: two })).toEqual(["Von ", two, " hängt ", one, " ab"]);
});

test("what a text names has to be given", () => {
  expect(() => say("facets.count.mods")).toThrow(/count/);
});

test("inside a sentence words lose the capital of a beginning, but not where nouns keep theirs", () => {
  expect(midSentence("Master loads later")).toBe("master loads later");
  inLanguage("de", {});
  expect(midSentence("Master lädt später")).toBe("Master lädt später");
  inLanguage("den", {});
  expect(midSentence("Word")).toBe("word");
});
