import { AsyncLocalStorage } from "node:async_hooks";
import { readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { speak, standardLanguage, type Catalogue, type Language } from "@/core/language/say";
import { languageCookie } from "@/core/model/window-headers";
import { namesIn } from "@/disk/names-in";
import { home, root } from "@/disk/places";

/** Where catalogues lie: those that ship, and those that somebody has added. */
const folders = (): readonly string[] => [join(root(), "languages"), join(home(), "languages")];
const catalogueName = /^([a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*)\.json$/;

/** Tags of the languages of which there is a catalogue, in their order. */
export function listLanguages(): string[] {
  const tags = folders().flatMap((folder) =>
    namesIn(folder).flatMap((name) => catalogueName.exec(name)?.[1] ?? []),
  );
  return [...new Set(tags)].sort();
}

const read = new Map<string, { readonly changed: number; readonly language: Language }>();

/** A language by its tag, in what was added before what ships; null where there is no catalogue of it that can be read. */
export function findLanguage(tag: string): Language | null {
  if (tag === standardLanguage.tag) return standardLanguage;
  if (!catalogueName.test(`${tag}.json`)) return null;
  for (const folder of folders().toReversed()) {
    const language = readCatalogue(join(folder, `${tag}.json`), tag);
    if (language) return language;
  }
  return null;
}

function readCatalogue(path: string, tag: string): Language | null {
  try {
    const changed = statSync(path).mtimeMs;
    const known = read.get(path);
    if (known?.changed === changed) return known.language;
    const texts = Object.entries(JSON.parse(readFileSync(path, "utf8")) as Record<string, unknown>);
    const language = {
      tag,
      texts: Object.fromEntries(texts.filter(([, text]) => typeof text === "string")) as Catalogue,
    };
    read.set(path, { changed, language });
    return language;
  } catch {
    return null;
  }
}

/** What a browser wants to be answered in: what was chosen in it, else the first of its own that there is. */
export function languageFor(cookies: string, accepted: string): Language {
  const chosen = new RegExp(`(?:^|; )${languageCookie}=([\\w-]+)`).exec(cookies)?.[1];
  const wanted = accepted.split(",").map((each) => each.split(";")[0]!.trim());
  for (const tag of [...(chosen ? [chosen] : []), ...wanted.flatMap((each) => [each, each.split("-")[0]!])]) {
    const language = findLanguage(tag);
    if (language) return language;
  }
  return standardLanguage;
}

const asked = new AsyncLocalStorage<Language>();

/** Lets whatever is answered be said in the language of who asks. */
export function speakAsAsked(): void {
  speak(() => asked.getStore() ?? standardLanguage);
}

export const inLanguage = <T>(language: Language, run: () => T): T => asked.run(language, run);
