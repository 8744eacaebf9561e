import { makeRoster } from "@/core/roster/roster";
import { pluginFile, shelfMod, testRoster } from "@/core/testing/roster";
import { needsOf, sectionsFor } from "./incoming-facts";

const base = testRoster([{ name: "core.keel" }, { name: "lamp.plank", modOn: false }]);
const spare = shelfMod("spare", [pluginFile("spare.plank")]);
const roster = makeRoster(base.game, base.profile, { ...base.stock, shelf: [...base.stock.shelf, spare] });

const coming = {
  ...shelfMod("new", [
    pluginFile("new.plank", ["Pond.keel", "core.keel", "spare.plank", "gone.plank", "new.keel"]),
    pluginFile("new.keel"),
  ]),
  tags: ["patch"],
  manifest: {
    format: "seating-mod/1" as const,
    id: "new",
    name: "New",
    version: "1",
    requires: [{ mod: "lamp" }, { mod: "core", versions: ">=2" }, { mod: "nowhere" }],
  },
};

test("what a mod needs is told with how it stands here; masters that it brings, or the game has, are not", () => {
  expect(needsOf(roster, coming).map(({ name, standing }) => [name, standing])).toEqual([
    ["lamp", "off"],
    ["core", "other-version"],
    ["nowhere", "missing"],
    ["spare.plank, of spare", "shelf"],
    ["gone.plank", "missing"],
  ]);
});

test("its plugins would sit in the sections that take its tags, by the rank of each", () => {
  expect(sectionsFor(roster, coming)).toEqual([
    { what: "new.plank", section: "Patches" },
    { what: "new.keel", section: "Foundations" },
  ]);
});
