import { namedPath } from "./named-path";

const named = (typed: string) => namedPath(typed, "/home/ada", "/started/here");

test("a path is taken as people type and paste it", () => {
  expect(named("/games/brine")).toBe("/games/brine");
  expect(named("  /games/brine/ ")).toBe("/games/brine");
  expect(named('"/games/with space"')).toBe("/games/with space");
  expect(named("'/games/with space'")).toBe("/games/with space");
  expect(named("~")).toBe("/home/ada");
  expect(named("~/games/brine")).toBe("/home/ada/games/brine");
  expect(named('"~/games"')).toBe("/home/ada/games");
  expect(named("file:///games/with%20space")).toBe("/games/with space");
});

test("what has no beginning counts from where Seating was started", () => {
  expect(named("games/brine")).toBe("/started/here/games/brine");
  expect(named("../brine")).toBe("/started/brine");
  expect(named(".")).toBe("/started/here");
});

test("nothing is no path, and neither is the address of another machine or another's home", () => {
  expect([named(""), named("   "), named('""'), named("file://elsewhere/games")]).toEqual([
    null,
    null,
    null,
    null,
  ]);
  expect(named("~other/games")).toBe("/started/here/~other/games");
  expect(named('"/unfinished')).toBe('/started/here/"/unfinished');
});
