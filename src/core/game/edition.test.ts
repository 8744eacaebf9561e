import { Edition } from "../model/installed";
import { editionIn } from "./edition";

const read = (pattern: string, text: string) => editionIn({ file: "about", pattern }, text);

test.each([
  ["version = {version}", "[about]\r\nname = Kites\r\nversion =   1.5.0\r\n", "1.5.0"],
  ["Version {version} (build {build})", "Tide 2\nVersion 1.6.2-rc.1 (build 4410)\n", "1.6.2-rc.1+4410"],
  ["build {build} of {version}", "build 99 of 3.1", "3.1+99"],
  // As a program shows it to its system: each text ends in a zero.
  ["FileVersion {version}", "FileVersion\0\u00001.6.2.0\0Product", "1.6.2.0"],
  ["is {version}", "This is 4.0. And that is 5.", "4.0"],
  ["Tide-2 is /at/ version: {version}-beta", "Tide-2 is /at/ version: 3.1-beta", "3.1"],
  ["constructor {version}", "constructor 1.2", "1.2"],
  // What means something in an expression is a letter like any other.
  ['"v":"{version}"+(x|y)*', '{"v":"2.0"+(x|y)*}', "2.0"],
])("%s finds it in %j", (pattern, text, version) => expect(read(pattern, text)).toBe(version));

test.each([
  ["version = {version}", "version = spring"],
  ["version = {version}", "versions = 1"],
  ["a.c {version}", "abc 1.0"],
])("%s finds nothing in %j", (pattern, text) => expect(read(pattern, text)).toBeNull());

test("a pattern says once where the version stands, and its file lies in the game's folder", () => {
  const isSound = (file: string, pattern: string) => Edition.safeParse({ file, pattern }).success;
  expect(isSound("base/about.ini", "v{version} b{build}")).toBe(true);
  for (const pattern of ["", "1.0", "{build}", "{version} {version}", "{version} {build}{build}"])
    expect([pattern, isSound("about.ini", pattern)]).toEqual([pattern, false]);
  for (const file of ["", "../about.ini", "/about.ini", "base\\about.ini", "a/./b"])
    expect([file, isSound(file, "{version}")]).toEqual([file, false]);
});

test("a pattern that would take an expression for ever takes no time", () => {
  const text = `${" ".repeat(100_000)}${"a".repeat(100_000)}`;
  expect(read(`(a+)+ ${"a ".repeat(100)}{version}`, text)).toBeNull();
});
