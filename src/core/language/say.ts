import { IntlMessageFormat } from "intl-messageformat";
import english from "../../../languages/en.json";

/** A text of the catalogue; English has all of them, and another language falls back on it. */
export type TextKey = keyof typeof english;
export type Catalogue = Partial<Record<TextKey, string>>;

/** What texts are said in: `tag` is one of BCP 47, by which numbers and plurals go too. */
export interface Language {
  readonly tag: string;
  readonly texts: Catalogue;
}

export const standardLanguage: Language = { tag: "en", texts: english };

type Value = string | number | boolean | null | undefined;
export type Values<Part = never> = Readonly<Record<string, Value | Part>>;

interface Holder {
  /** A server answers several windows at once, and so asks anew for each text. */
  speaking: () => Language;
}

// The parts of the server are bundled apart, and have one language all the same.
const place = globalThis as typeof globalThis & { [key: symbol]: Holder | undefined };
const holderKey = Symbol.for("seating.language");
const holder = (place[holderKey] ??= { speaking: () => standardLanguage });

export const spokenLanguage = (): Language => holder.speaking();

/** From now on texts are said in what `speaking` tells. */
export function speak(speaking: () => Language): void {
  holder.speaking = speaking;
}

const formats = new WeakMap<Catalogue, Map<TextKey, IntlMessageFormat>>();

function formatIn({ tag, texts }: Language, key: TextKey): IntlMessageFormat {
  const known = formats.get(texts) ?? new Map<TextKey, IntlMessageFormat>();
  formats.set(texts, known);
  // What no catalogue knows says its key: worse than a text, better than a view that falls.
  const format = known.get(key) ?? new IntlMessageFormat(texts[key] ?? key, tag);
  known.set(key, format);
  return format;
}

type Said<Part> = string | Part | readonly (string | Part)[];

function format<Part>(key: TextKey, values: Values<Part> | undefined): Said<Part> {
  const language = spokenLanguage();
  if (language !== standardLanguage && language.texts[key] !== undefined)
    try {
      return formatIn(language, key).format(values);
    } catch {
      // Somebody's catalogue is unsound here; what it is about is said all the same.
    }
  return formatIn(standardLanguage, key).format(values);
}

/** A text in the language that is spoken, with its values put in. Throws where one that it names is missing. */
export const say = (key: TextKey, values?: Values): string => String(format(key, values));

/** The same where values are more than text: what is said, piece by piece. */
export function sayPieces<Part extends object>(
  key: TextKey,
  values: Values<Part>,
): readonly (string | Part)[] {
  const said = format(key, values);
  return Array.isArray(said) ? (said as readonly (string | Part)[]) : [said as string | Part];
}
