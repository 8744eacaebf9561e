import { mkdirSync, mkdtempSync, rmSync, utimesSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { say, speak, standardLanguage } from "@/core/language/say";
import { findLanguage, inLanguage, languageFor, listLanguages, speakAsAsked } from "./languages";

const folder = mkdtempSync(join(tmpdir(), "seating-languages-"));
const before = process.env.SEATING_HOME;
beforeAll(() => {
  process.env.SEATING_HOME = folder;
  mkdirSync(join(folder, "languages"));
});
afterAll(() => {
  process.env.SEATING_HOME = before;
  if (before === undefined) delete process.env.SEATING_HOME;
  speak(() => standardLanguage);
  rmSync(folder, { recursive: true });
});

const added = (name: string, text: string) => {
  const path = join(folder, "languages", name);
  writeFileSync(path, text);
  return path;
};

test("languages are those that ship and those that were added; what is no tag is none", () => {
  expect(listLanguages()).toEqual(["de", "en"]);
  added("fr.json", "{}");
  added("pt-BR.json", "{}");
  added("notes.txt", "");
  added("..json", "{}");
  expect(listLanguages()).toEqual(["de", "en", "fr", "pt-BR"]);
  for (const tag of ["", "nl", "../package", "de/../en", "DE", "__proto__"])
    expect(findLanguage(tag)).toBeNull();
});

test("what was added goes before what ships, is read anew once it is changed, and is passed over where it is no JSON", () => {
  const shipped = findLanguage("de")!.texts["common.cancel"];
  const path = added("de.json", '{"common.cancel": "Lassen", "common.close": 3}');
  expect(findLanguage("de")!.texts).toEqual({ "common.cancel": "Lassen" });
  expect(findLanguage("de")).toBe(findLanguage("de"));
  writeFileSync(path, '{"common.cancel": "Weg"}');
  utimesSync(path, 1, 1);
  expect(findLanguage("de")!.texts["common.cancel"]).toBe("Weg");
  writeFileSync(path, "{");
  utimesSync(path, 2, 2);
  expect(findLanguage("de")!.texts["common.cancel"]).toBe(shipped);
  rmSync(path);
});

test.each([
  ["seating-language=de", "en-GB,en;q=0.9", "de"],
  ["other=1; seating-language=de", "", "de"],
  ["not-seating-language=de", "", "en"],
  ["", "de-AT,de;q=0.9,en;q=0.8", "de"],
  ["", "nl-NL,nl;q=0.9", "en"],
  ["seating-language=gone", "de", "de"],
  ["seating-language=../../etc/passwd", "", "en"],
  ["", "", "en"],
])("cookies %j and accepted languages %j are answered in %s", (cookies, accepted, tag) => {
  expect(languageFor(cookies, accepted).tag).toBe(tag);
});

test("two requests at once are each answered in their own language, and what belongs to none in English", async () => {
  speakAsAsked();
  const slowly = async (tag: string, ms: number) =>
    inLanguage(findLanguage(tag)!, async () => {
      await new Promise((resolve) => setTimeout(resolve, ms));
      return say("common.cancel");
    });
  const answers = await Promise.all([slowly("de", 20), slowly("en", 5), slowly("de", 1)]);
  expect(answers).toEqual(["Abbrechen", "Cancel", "Abbrechen"]);
  expect(say("common.cancel")).toBe("Cancel");
});
