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
const key = Symbol.for("seating.language");
const holder = (place[key] ??= { speaking: () => standardLanguage });

export const spokenLanguage = (): Language => holder.speaking();

/** From now on texts are said in what `speaking` tells. */
export function speak(speaking: () => Language): void {
  holder.speaking = speaking;
}

const formats = new WeakMap<Catalogue, Map<TextKey, IntlMessageFormat>>();

function formatOf(text: TextKey): IntlMessageFormat {
  const language = spokenLanguage();
  const { tag, texts } = language.texts[text] === undefined ? standardLanguage : language;
  const known = formats.get(texts) ?? new Map<TextKey, IntlMessageFormat>();
  formats.set(texts, known);
  const format = known.get(text) ?? new IntlMessageFormat(texts[text]!, tag);
  known.set(text, format);
  return format;
}

/** A text in the language that is spoken, with its values put in. Throws where one that it names is missing. */
export const say = (text: TextKey, values?: Values): string => String(formatOf(text).format(values));

/** The same where values are more than text: what is said, piece by piece. */
export function sayPieces<Part extends object>(
  text: TextKey,
  values: Values<Part>,
): readonly (string | Part)[] {
  const said = formatOf(text).format<Part>(values);
  return Array.isArray(said) ? said : [said];
}
