import { versionText } from "@/core/version/version";
import { nameFromPath } from "./mod-name";

test.each([
  ["Some Name-1.2.3.zip", "some-name", "Some Name", "1.2.3"],
  ["Some Name 1.2.zip", "some-name", "Some Name", "1.2"],
  ["some_name_v1.2", "some-name", "some name", "1.2"],
  ["Reeds-1.0.0b.zip", "reeds", "Reeds", "1.0.0b"],
  ["Reeds-2.0.0-beta.1.zip", "reeds", "Reeds", "2.0.0-beta.1"],
  ["Reeds v2.zip", "reeds", "Reeds", "2"],
  ["Reeds-3.zip", "reeds", "Reeds", "3"],
  // A lone number belongs to the name, and so does what stands before the version.
  ["Bog Model 1.zip", "bog-model-1", "Bog Model 1", "0"],
  ["Bog Model 3.zip", "bog-model-3", "Bog Model 3", "0"],
  ["Peat 024-1.0.zip", "peat-024", "Peat 024", "1.0"],
  ["Common Sail 7-1.0", "common-sail-7", "Common Sail 7", "1.0"],
  ["Common Sail_7", "common-sail-7", "Common Sail 7", "0"],
  // A letter only behind a dotted number.
  ["Deck-7b.zip", "deck-7b", "Deck-7b", "0"],
  ["Deck v7b", "deck-v7b", "Deck v7b", "0"],
  ["Deck 7.1b", "deck", "Deck", "7.1b"],
  ["1.2.3.zip", "1-2-3", "1.2.3", "0"],
  ["Réunion – Île 2.0", "re-union-i-le", "Réunion – Île", "2.0"],
  ["???", "???", "???", "0"],
])("%s", (path, id, name, version) => {
  expect(nameFromPath(path)).toEqual({ id, name, version });
});

test("of a mod whose name says no version none is shown", () => {
  expect(["Loose Things.zip", "Reeds-3.zip"].map((path) => versionText(nameFromPath(path).version))).toEqual([
    "",
    "3",
  ]);
});
