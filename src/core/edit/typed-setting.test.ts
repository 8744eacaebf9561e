import { SettingValue } from "../model/settings";
import { typedSetting } from "./typed-setting";

test.each([
  ["json", " 6 ", 6],
  ["json", "-0.25", -0.25],
  ["json", "1e3", 1000],
  ["json", "true", true],
  ["json", "false", false],
  ["json", "six", "six"],
  ["json", "007", "007"],
  ["json", "", ""],
  // Neither is a number that JSON could say again.
  ["json", "1e999", "1e999"],
  ["json", "12345678901234567890", "12345678901234567890"],
  ["ini", "6", "6"],
  ["xml", "true", "true"],
  ["lines", " wide ", "wide"],
] as const)("in %s %j is %j", (format, typed, value) => {
  expect(typedSetting(format, typed)).toBe(value);
  expect(SettingValue.safeParse(typedSetting(format, typed)).success).toBe(true);
});
