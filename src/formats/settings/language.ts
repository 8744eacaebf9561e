import type { SettingValue } from "@/core/model/settings";

/** What a text of settings is not, or cannot hold, in words. */
export class Unfit extends Error {}

/** How settings stand in a text. What is written leaves all else of it as it is; `read` and `write` throw `Unfit`. */
export interface SettingsLanguage {
  /** What a new file holds. */
  readonly blank: string;
  /** A value as it is written in such a text. */
  readonly written: (value: SettingValue) => string;
  /** What stands there as it is written; null where nothing does. */
  readonly read: (text: string, at: string) => string | null;
  /** The text with this there, or with nothing. */
  readonly write: (text: string, at: string, written: string | null) => string;
}

export const lineEndOf = (text: string): string => (/\r\n/.test(text) ? "\r\n" : "\n");

/** Lines with their ends. */
export const linesOf = (text: string): string[] => text.match(/[^\n]*\n|[^\n]+$/g) ?? [];
