import { aFile, testConflicts } from "../testing/contested";
import { aMod } from "../testing/ids";
import { pluginFile, shelfMod, testRoster, withState } from "../testing/roster";
import { aboutLeftOut } from "./left-out";
import { patchesFor } from "./patches";

test("what is left out is told with what it keeps away, and who wins that instead", () => {
  const plain = testRoster([{ name: "a.plank" }, { name: "b.plank" }, { name: "c.plank" }]);
  const roster = withState(plain, {
    ...plain.profile.state,
    leftOut: [
      { mod: aMod("c"), path: "sky/" },
      { mod: aMod("a"), path: "sky/one.tex" },
      { mod: aMod("c"), path: "gone.tex" },
      { mod: aMod("b"), path: "own.tex" },
    ],
  });
  const { conflicts } = testConflicts(roster, {
    a: [aFile("sky/one.tex")],
    b: [aFile("Sky/One.tex"), aFile("sky/two.tex"), aFile("own.tex")],
    c: [aFile("sky/one.tex"), aFile("sky/two.tex"), aFile("sky/three.tex")],
  });
  expect(aboutLeftOut(conflicts, roster)).toEqual([
    { mod: "c", path: "sky/", files: 3, wouldWin: 3, instead: ["b", null] },
    { mod: "a", path: "sky/one.tex", files: 1, wouldWin: 0, instead: [] },
    { mod: "c", path: "gone.tex", files: 0, wouldWin: 0, instead: [] },
    { mod: "b", path: "own.tex", files: 1, wouldWin: 1, instead: [null] },
  ]);
  // Looking at what would be has changed nothing.
  expect(conflicts.files.winnerOf(conflicts.keyOf("files", "sky/one.tex"))).toBe(conflicts.modNumber("b"));
});

test("a mod made for two requires both, or has a plugin whose masters are both", () => {
  const pair = [
    { plugin: "a.plank", mod: "a" },
    { plugin: "b.plank", mod: "b" },
  ] as const;
  const requiring = (id: string, ...mods: string[]) => ({
    ...shelfMod(id),
    manifest: {
      format: "seating-mod/1" as const,
      id,
      name: id,
      version: "1",
      requires: mods.map((mod) => ({ mod })),
    },
  });
  const mods = [
    requiring("both", "a", "b", "c"),
    requiring("one", "a"),
    requiring("a", "a", "b"),
    shelfMod("mastered", [pluginFile("p.plank", ["a.plank", "b.plank"])]),
    shelfMod("half", [pluginFile("q.plank", ["a.plank"]), pluginFile("r.plank", ["b.plank"])]),
  ];
  expect(patchesFor(mods, pair).map(({ id }) => id)).toEqual(["both", "mastered"]);
});
