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

export const settingKey = ({ file, at }: Pick<SettingLine, "file" | "at">): string => `${file} ${at}`;
