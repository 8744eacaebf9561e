import { shelfMod } from "../testing/roster";
import { knownMods, pickVersion, sourceOf } from "./known";
import type { ShelfMod } from "../model/shelf";

const of = (version: string, more: object = {}) => ({ ...shelfMod("a", [], version), ...more });

test("known is what has contents and could be read, of the shelf first", () => {
  const broken = of("3", { problem: { code: "zip-damaged", data: {} } });
  const empty = of("4", { content: null });
  const known = knownMods([of("1"), broken, empty], [of("2"), broken, empty]);
  expect(known.map(({ from, mod }) => [from, mod.version])).toEqual([
    ["shelf", "1"],
    ["depot", "2"],
  ]);
});

test("of versions the one that is asked for, wherever it is; else the newest of the shelf; else the newest of all", () => {
  const picked = (shelf: string[], depot: string[], wanted?: string) => {
    const found = pickVersion(
      knownMods(
        shelf.map((each) => of(each)),
        depot.map((each) => of(each)),
      ),
      wanted,
    );
    return found && `${found.from} ${found.mod.version}`;
  };
  expect(picked(["1.0", "1.10", "1.9"], ["2.0"], "2")).toBe("depot 2.0");
  expect(picked(["1.0", "1.10", "1.9"], ["1.0"], "1.0.0")).toBe("shelf 1.0");
  expect(picked(["1.0", "1.10", "1.9"], ["2.0"])).toBe("shelf 1.10");
  expect(picked(["1.0", "1.10", "1.9"], ["2.0"], "7")).toBe("shelf 1.10");
  expect(picked([], ["1.0", "2.0", "1.5"], "7")).toBe("depot 2.0");
  expect(picked([], [])).toBeNull();
});

test("of two that are as new the first", () => {
  const [one, other] = knownMods([of("1.0", { path: "one" }), of("1.0.0", { path: "other" })], []);
  expect(pickVersion([one!, other!], undefined)).toBe(one);
});

test("where it comes from is the page that its manifest names, or nowhere", () => {
  expect(sourceOf({ manifest: null })).toBe("local");
  expect(sourceOf({ manifest: { page: "depot/a" } as ShelfMod["manifest"] })).toBe("depot/a");
  expect(sourceOf({ manifest: {} as ShelfMod["manifest"] })).toBe("local");
});
