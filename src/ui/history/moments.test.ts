import { label } from "@/core/edit/steps";
import type { JournalLine } from "@/server/operations/history";
import { momentsOf, nameOfMoment } from "./moments";

const line = (number: number, minute: number): JournalLine => ({
  number,
  label: label("add-section", { name: `s${number}` }),
  at: `2026-11-29T10:0${minute}:00.000Z`,
});
const point = (id: string, minute: number) => ({ id, name: id, at: `2026-11-29T10:0${minute}:00.000Z` });
const words = ({ number }: JournalLine) => `edit ${number}`;
const whats = (...given: Parameters<typeof momentsOf>) => momentsOf(...given).map(({ what }) => what);

test("edits stand newest first, above what was before them; the last that is not undone is the present one", () => {
  const moments = momentsOf({ lines: [line(3, 3), line(2, 2), line(1, 1)], present: 2 }, [], words);
  expect(moments.map(({ what, isNow, isUndone }) => [what, isNow, isUndone])).toEqual([
    ["edit 3", false, true],
    ["edit 2", true, false],
    ["edit 1", false, false],
    ["as it was at first", false, false],
  ]);
  expect(moments.at(-1)).toMatchObject({ kind: "start", number: 0 });
});

test("where all is undone the profile is as before the oldest edit that is kept", () => {
  const moments = momentsOf({ lines: [line(8, 2), line(7, 1)], present: 6 }, [], words);
  expect(moments.at(-1)).toMatchObject({
    what: "before the oldest edit that is kept",
    number: 6,
    isNow: true,
  });
});

test("restore points stand at their times, one that an edit made before that edit", () => {
  expect(
    whats(
      { lines: [line(2, 4), line(1, 2)], present: 2 },
      [point("late", 5), point("with 2", 4), point("early", 1)],
      words,
    ),
  ).toEqual(["late", "edit 2", "with 2", "edit 1", "as it was at first", "early"]);
  expect(whats({ lines: [], present: 0 }, [point("alone", 1)], words)).toEqual(["alone"]);
});

test("each has a name for a sentence, whatever kind it is of", () => {
  const names = momentsOf({ lines: [line(1, 2)], present: 1 }, [point("storm", 1)], words).map(nameOfMoment);
  expect(names).toEqual(["after “edit 1”", "before all edits that are kept", "at “storm”"]);
});

test("no two have the same key", () => {
  const keys = momentsOf(
    { lines: [line(2, 2), line(1, 1)], present: 2 },
    [point("1", 1), point("2", 2)],
    words,
  ).map(({ key }) => key);
  expect(new Set(keys).size).toBe(5);
});
