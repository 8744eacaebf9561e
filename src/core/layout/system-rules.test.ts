import { systemFlaws, systemOf, systemRules, type SystemName } from "./system-rules";
import type { WantedFile } from "./wanted";

const wanted = (...paths: string[]): WantedFile[] =>
  paths.map((path) => ({
    path,
    mod: path,
    content: "",
    own: path,
    part: null,
    size: 1,
    hash: "0",
    isOwnCopy: false,
  }));
const told = (system: SystemName, ...paths: string[]) =>
  systemFlaws(system, "/game", wanted(...paths)).map((flaw) =>
    flaw.kind === "name" ? flaw.why : `${flaw.other.path} = ${flaw.file.path}`,
  );

// Microsoft, "Naming Files, Paths, and Namespaces", as recalled.
test.each([
  ["a:b", "character"],
  ["a?", "character"],
  ["a\\b", "character"],
  ["a\u0007", "character"],
  ["end.", "end"],
  ["end ", "end"],
  ["NUL", "device"],
  ["nul.txt", "device"],
  ["com1.tar.gz", "device"],
  ["LPT¹", "device"],
  ["CONIN$", "device"],
  ["x".repeat(256), "long"],
  ["com", null],
  ["com10", null],
  ["nullify.txt", null],
  [".hidden", null],
  ["a b.c", null],
  ["Straße", null],
] as const)("windows takes %j as a name: %s", (name, flaw) => {
  expect(systemRules.windows.nameFlaw(name)).toBe(flaw);
  if (flaw !== null) expect(told("windows", `data/${name.replace("\\", "?")}/x.dat`)).toEqual([flaw]);
});

test("linux and macos take nearly every name; what is long goes by bytes on the one and by signs on the other", () => {
  for (const name of ["a:b", "NUL", "end.", "a?", "a\\b"])
    expect(systemRules.linux.nameFlaw(name)).toBeNull();
  for (const name of ["NUL", "end.", "a?", "a\\b"]) expect(systemRules.macos.nameFlaw(name)).toBeNull();
  expect(systemRules.macos.nameFlaw("a:b")).toBe("character");
  expect(systemRules.linux.nameFlaw("ü".repeat(128))).toBe("long");
  expect(systemRules.macos.nameFlaw("ü".repeat(128))).toBeNull();
});

test("what the game tells apart and the system does not is told, folders by their spellings, too", () => {
  const two = ["Data/a.dat", "data/b.dat"];
  expect(told("linux", ...two)).toEqual([]);
  expect(told("windows", ...two)).toEqual(["Data/a.dat = data/b.dat"]);
  expect(told("macos", ...two)).toEqual(["Data/a.dat = data/b.dat"]);
  const accents = ["caf\u00e9.dat", "cafe\u0301.dat"];
  expect(told("windows", ...accents)).toEqual([]);
  expect(told("macos", ...accents)).toEqual(["caf\u00e9.dat = cafe\u0301.dat"]);
  // Windows has a letter that becomes two as a capital in no table; macOS has it as it is.
  for (const system of ["windows", "macos"] as const)
    expect(told(system, "stra\u00dfe", "strasse")).toEqual([]);
  expect(told("windows", "same/a.dat", "same/b.dat", "same/c.dat")).toEqual([]);
});

test("a path that is too long with the game's folder before it is told", () => {
  const long = `${"x".repeat(200)}/${"y".repeat(60)}`;
  expect(told("windows", long)).toEqual(["long"]);
  expect(told("linux", long)).toEqual([]);
  expect(told("linux", Array.from({ length: 30 }, () => "z".repeat(200)).join("/"))).toEqual(["long"]);
});

test("systems are known by what Node.js calls them, and each copies across file systems", () => {
  expect(["win32", "darwin", "linux", "freebsd"].map(systemOf)).toEqual([
    "windows",
    "macos",
    "linux",
    "linux",
  ]);
  for (const { refusesLink } of Object.values(systemRules)) {
    expect(refusesLink.has("EXDEV")).toBe(true);
    expect(refusesLink.has("ENOSPC")).toBe(false);
  }
});
