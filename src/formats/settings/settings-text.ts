import { say } from "@/core/language/say";
import { refuse, done, type Outcome } from "@/core/model/outcome";
import type { SettingsFile, SettingsFormat, SettingValue } from "@/core/model/settings";
import { ini } from "./ini";
import { json } from "./json";
import { Unfit, type SettingsLanguage } from "./language";
import { lines } from "./lines";
import { xml } from "./xml";

const languages: Readonly<Record<SettingsFormat, SettingsLanguage>> = { ini, json, xml, lines };

/** What stands at a place of a file, as it is written there; null where nothing does. */
interface Standing {
  readonly at: string;
  readonly written: string | null;
}

type Named = Pick<SettingsFile, "path" | "format">;

/** A value as a file of this kind says it. */
export const writtenAs = (format: SettingsFormat, value: SettingValue): string =>
  languages[format].written(value);

/** What stands at some places of a file; of one that is not there nothing does. */
export const readSettings = (
  file: Named,
  contents: Uint8Array | null,
  places: readonly string[],
): Outcome<Standing[], "settings-unfit"> =>
  fitting(file, () => {
    const text = contents && openText(contents).text;
    return places.map((at) => ({
      at,
      written: text === null ? null : languages[file.format].read(text, at),
    }));
  });

/** The contents with this at its places; those of a new file where there are none. */
export const writeSettings = (
  file: Named,
  contents: Uint8Array | null,
  standing: readonly Standing[],
): Outcome<Uint8Array, "settings-unfit"> =>
  fitting(file, () => {
    const language = languages[file.format];
    const { text, close } = contents ? openText(contents) : { text: language.blank, close: inUtf8 };
    return close(standing.reduce((whole, { at, written }) => language.write(whole, at, written), text));
  });

function fitting<T>({ path }: Named, work: () => T): Outcome<T, "settings-unfit"> {
  try {
    return done(work());
  } catch (error) {
    if (error instanceof Unfit) return refuse("settings-unfit", { path, detail: error.message });
    throw error;
  }
}

interface OpenText {
  readonly text: string;
  /** Back to bytes, in what it was written in. */
  readonly close: (text: string) => Uint8Array;
}

const inUtf8 = (text: string): Uint8Array => Buffer.from(text, "utf8");

/** What is not UTF-8 is taken letter by letter, a byte each, so that all that is not touched comes out as it went in. */
function openText(contents: Uint8Array): OpenText {
  const bytes = Buffer.from(contents);
  if (bytes[0] === 0xff && bytes[1] === 0xfe)
    return {
      text: bytes.subarray(2).toString("utf16le"),
      close: (text) => Buffer.concat([bytes.subarray(0, 2), Buffer.from(text, "utf16le")]),
    };
  const text = bytes.toString("utf8");
  if (bytes.equals(inUtf8(text))) {
    const mark = text.startsWith("\uFEFF") ? "\uFEFF" : "";
    return { text: text.slice(mark.length), close: (changed) => inUtf8(mark + changed) };
  }
  return {
    text: bytes.toString("latin1"),
    close: (changed) => {
      if (/[^\0-\xff]/.test(changed)) throw new Unfit(say("settings.notOneByte"));
      return Buffer.from(changed, "latin1");
    },
  };
}
