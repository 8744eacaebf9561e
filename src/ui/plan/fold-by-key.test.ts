import { testRoster } from "@/core/testing/roster";
import { foldByKey } from "./fold-by-key";
import { planRows } from "./plan-rows";

const { lists } = testRoster([
  { name: "Core.keel" },
  { name: "a.plank" },
  { name: "b.plank" },
  { name: "p.plank", section: "patches" },
]);
const rowsWith = (...collapsed: string[]) =>
  planRows(lists.plugins, {
    shown: null,
    collapsed: new Set(collapsed),
    sorted: null,
    gatherOff: false,
    compact: false,
    textScale: 1,
  });

test("left folds the section of the item, and stands on the one before it, else after it", () => {
  expect(foldByKey(rowsWith(), "b.plank", "ArrowLeft")).toEqual({ section: "world", focused: "Core.keel" });
  expect(foldByKey(rowsWith(), "Pond.keel", "ArrowLeft")).toEqual({ section: "game", focused: "Core.keel" });
  expect(foldByKey(rowsWith("game", "base", "world"), "p.plank", "ArrowLeft")).toEqual({
    section: "patches",
    focused: null,
  });
  expect(foldByKey(rowsWith("world"), "p.plank", "ArrowLeft")).toEqual({
    section: "patches",
    focused: "Core.keel",
  });
  expect(foldByKey(rowsWith(), null, "ArrowLeft")).toBeNull();
});

test("right unfolds the next folded section below, else the last one above, and stays where it is", () => {
  const rows = rowsWith("base", "patches");
  expect(foldByKey(rows, "Pond.keel", "ArrowRight")).toEqual({ section: "base", focused: "Pond.keel" });
  expect(foldByKey(rows, "a.plank", "ArrowRight")).toEqual({ section: "patches", focused: "a.plank" });
  expect(foldByKey(rowsWith("base"), "p.plank", "ArrowRight")).toEqual({
    section: "base",
    focused: "p.plank",
  });
  expect(foldByKey(rowsWith("game", "base", "world", "patches"), null, "ArrowRight")).toEqual({
    section: "game",
    focused: null,
  });
  expect(foldByKey(rowsWith(), "a.plank", "ArrowRight")).toBeNull();
});
