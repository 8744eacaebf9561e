import { shelfMod } from "../testing/roster";
import { idsApart, sameByName } from "./identity";
import { aMod } from "../testing/ids";

const entry = (path: string, id = "sail") => ({ ...shelfMod(id), path, name: "Sail" });
const manifest = { format: "seating-mod/1" as const, id: "sail", name: "Sail", version: "1" };

test("entries that only their names make one mod are asked about, once", () => {
  const shelf = [
    entry("Sail-1.0.zip"),
    entry("Sail-1.1.zip"),
    entry("Rope.zip", "rope"),
    { ...entry("Told.zip"), manifest },
    { ...entry("Broken.zip"), problem: { code: "no-content" as const, data: {} } },
  ];
  expect(sameByName(shelf, []).map(({ id, mods }) => [id, mods.map(({ path }) => path)])).toEqual([
    ["sail", ["Sail-1.0.zip", "Sail-1.1.zip"]],
  ]);
  expect(sameByName(shelf, ["Sail-1.0.zip", "Sail-1.1.zip"])).toEqual([]);
  // A third one that arrives is asked about anew.
  expect(sameByName([...shelf, entry("Sail-1.2.zip")], ["Sail-1.0.zip", "Sail-1.1.zip"])).toHaveLength(1);
});

test("mods of their own have ids of their own, which nothing else has", () => {
  const group = { id: aMod("sail"), mods: [entry("a"), entry("b"), entry("c")] };
  expect(idsApart(group, new Set(["sail"]))).toEqual(["sail", "sail-2", "sail-3"]);
  expect(idsApart(group, new Set(["sail-2"]))).toEqual(["sail", "sail-3", "sail-4"]);
});
