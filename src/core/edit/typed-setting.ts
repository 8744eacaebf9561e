import type { SettingsFormat, SettingValue } from "../model/settings";

/** A value as it was typed: in JSON a number, true or false is one; everywhere else it is a text. */
export function typedSetting(format: SettingsFormat, text: string): SettingValue {
  const typed = text.trim();
  if (format !== "json") return typed;
  if (typed === "true" || typed === "false") return typed === "true";
  const isNumber = /^-?(?:0|[1-9]\d*)(?:\.\d+)?(?:e[+-]?\d+)?$/i.test(typed);
  // Of one that cannot be held as it was typed the letters are.
  return isNumber && Math.abs(Number(typed)) <= Number.MAX_SAFE_INTEGER ? Number(typed) : typed;
}
