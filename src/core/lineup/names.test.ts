import { likeness, NameIndex, plainName } from "./names";

test.each([
  ["The Glass Tides", "glass tides"],
  ["GLASS  tides!", "glass tides"],
  ["Fär Shöre", "far shore"],
  ["Salt & Fog", "salt and fog"],
  ["Reed’s Boat", "reeds boat"],
  ["Reed's_Boat-2.0", "reeds boat 2 0"],
  ["A Mod", "a mod"],
  ["An Old Mod of a Lake", "old of lake"],
  ["  ", ""],
  ["水の家", "水の家"],
])("%s is plainly %s", (name, plain) => expect(plainName(name)).toBe(plain));

test("how alike two are is the share of letters that need not be changed", () => {
  expect(likeness("", "")).toBe(1);
  expect(likeness("abc", "abc")).toBe(1);
  expect(likeness("abc", "abd")).toBeCloseTo(2 / 3);
  expect(likeness("abc", "abcd")).toBeCloseTo(3 / 4);
  expect(likeness("abc", "xyz")).toBe(0);
});

describe("an index of names", () => {
  const names = ["glass tides", "glass tide", "glasses", "storm ledger", "ledger of storms", "quiet compass"];
  const index = new NameIndex(names);
  const near = (name: string, count = 10, least = 0.45) =>
    index.nearest(name, count, least).map((each) => each.name);

  test("answers the most alike first, no more than asked for and none that is less alike than asked for", () => {
    expect(near("glass tidess")).toEqual(["glass tides", "glass tide", "glasses"]);
    expect(near("glass tidess", 1)).toEqual(["glass tides"]);
    expect(near("glass tidess", 10, 0.8)).toEqual(["glass tides", "glass tide"]);
    expect(near("glass tidess", 10, 0.99)).toEqual([]);
    expect(near("glass tides")[0]).toBe("glass tides");
    expect(index.nearest("glass tides", 1, 0)[0]!.likeness).toBe(1);
    expect(near("zzz")).toEqual([]);
  });
  test("words in another order are alike by their groups of letters", () => {
    expect(near("ledger storm")).toContain("storm ledger");
    expect(near("ledger of the storms")[0]).toBe("ledger of storms");
  });
  test("of equally alike ones the first by name, and the same answer each time that it is asked", () => {
    const twins = new NameIndex(["pond b", "pond a"]);
    const ask = () => twins.nearest("pond c", 5, 0.1).map(({ name }) => name);
    expect(ask()).toEqual(["pond a", "pond b"]);
    expect(ask()).toEqual(["pond a", "pond b"]);
  });
  test("groups that very many names share do not hide a rare one", () => {
    const many = new NameIndex([
      ...Array.from({ length: 6000 }, (_, at) => `common name ${at}`),
      "common xylophone",
    ]);
    expect(many.nearest("common xylofone", 3, 0.5)[0]?.name).toBe("common xylophone");
  });
  test("names of all lengths are found", () => {
    for (const name of ["a", "ab", "abc"])
      expect(new NameIndex([name]).nearest(name, 1, 0.9)[0]?.name).toBe(name);
    const long = "x".repeat(400);
    expect(new NameIndex([long, "y"]).nearest(long, 1, 0.9)[0]?.likeness).toBe(1);
  });
});
