import type { DepotMod } from "@/core/model/depot";
import { shelfMod } from "@/core/testing/roster";
import { depotRows, kindsOf } from "./depot-rows";

const offered = (id: string, version: string, tags: string[] = [], requires: string[] = []): DepotMod => ({
  mod: {
    ...shelfMod(id, [], version),
    tags,
    manifest: {
      format: "seating-mod/1",
      id,
      name: id,
      version,
      requires: requires.map((mod) => ({ mod })),
    },
  },
  terms: null,
  about: "",
  issues: [],
  keys: [],
});

const mods = [
  offered("b", "1.0.0", ["water"], ["a", "c"]),
  offered("a", "1.0.0", ["water", "light"]),
  offered("a", "1.10.0", ["water"]),
  offered("a", "1.9.0", ["water"]),
  offered("c", "2.0.0", [], ["b", "d"]),
  offered("d", "1.0.0"),
];
const shelf = [shelfMod("a", [], "1.9.0"), shelfMod("d", [], "1.0.0")];
const rows = depotRows(mods, shelf);

test("each mod is one row, its newest version first, with how it stands to the shelf", () => {
  expect(
    rows.map(({ id, versions, standing }) => [id, versions.map(({ mod }) => mod.version), standing]),
  ).toEqual([
    ["a", ["1.10.0", "1.9.0", "1.0.0"], "newer"],
    ["b", ["1.0.0"], "not-here"],
    ["c", ["2.0.0"], "not-here"],
    ["d", ["1.0.0"], "here"],
  ]);
});

test("kinds are counted by mods, the commonest first", () => {
  expect(kindsOf(rows)).toEqual([["water", 2]]);
});
