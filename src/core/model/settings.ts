import { z } from "zod";
import { Below } from "./placement";

/**
 * How a file holds settings. `ini`: `key=value` below `[section]`; `json`, with comments or without; `xml`; `lines`: a key and its
 * value in a line of its own.
 */
export const SettingsFormat = z.enum(["ini", "json", "xml", "lines"]);
export type SettingsFormat = z.infer<typeof SettingsFormat>;

/** A file of settings that a game reads. */
export const SettingsFile = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  label: z.string().min(1).max(120),
  path: Below.min(1),
  /** Below which of its folders it lies: `game` where this is left out, `order` is that in which the order file lies. */
  folder: z.enum(["game", "order"]).optional(),
  format: SettingsFormat,
});
export type SettingsFile = z.infer<typeof SettingsFile>;

export const SettingValue = z.union([
  z
    .string()
    .max(2000)
    .regex(/^[^\p{Cc}]*$/u),
  z.number(),
  z.boolean(),
]);
export type SettingValue = z.infer<typeof SettingValue>;

/**
 * A value that stands in a file of settings, by the file's id. `at`: in INI `section/key`, in JSON a pointer (RFC 6901), in XML a path
 * of elements (`/options/view/@width`), in lines what the line begins with.
 */
export const SettingLine = z.strictObject({
  file: z.string().max(60),
  at: z
    .string()
    .min(1)
    .max(500)
    .regex(/^[^\p{Cc}]*$/u),
  value: SettingValue,
});
export type SettingLine = z.infer<typeof SettingLine>;

/** What a profile or a list wants of a place; null: it stays as it is, whatever mods ask for. */
export const SettingChoice = z.strictObject({ ...SettingLine.shape, value: SettingValue.nullable() });
export type SettingChoice = z.infer<typeof SettingChoice>;

/** What a mod asks for; of a part, by its key, only where that is taken. Unknown fields are kept. */
export const SettingAsked = z.looseObject({
  ...SettingLine.shape,
  part: z.string().max(200).optional(),
  reason: z.string().max(500).optional(),
});
export type SettingAsked = z.infer<typeof SettingAsked>;

/** As they are written where their order means nothing. */
export const inOrder = <Line extends Pick<SettingLine, "file" | "at">>(lines: readonly Line[]): Line[] =>
  [...lines].sort((a, b) => (settingKey(a) < settingKey(b) ? -1 : 1));

export const settingKey = ({ file, at }: Pick<SettingLine, "file" | "at">): string => `${file} ${at}`;
