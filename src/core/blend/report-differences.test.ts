import { reportDifferenceText } from "../messages/blend";
import type { BlendReport } from "../model/blend-report";
import { reportDifferences } from "./report-differences";

const report: BlendReport = {
  format: "seating-blend-report/1",
  game: "pond",
  date: "2026-12-01T08:00:00.000Z",
  plugin: "Blend.skiff",
  lists: 2,
  plugins: [
    { name: "core.keel", version: null, marks: null, entries: 3 },
    { name: "a.plank", version: "1.0", marks: ["adds"], entries: 2 },
    { name: "b.plank", version: "2.0", marks: null, entries: 1 },
  ],
  left: [{ record: "kelp", why: "equal" }],
  clashes: [{ record: "bed", name: "cod", by: ["a.plank", "b.plank"], won: "b.plank" }],
  doubled: [],
};

test("two reports of the same differ in nothing, whenever they were made", () => {
  expect(reportDifferences(report, { ...report, date: "2026-12-02T08:00:00.000Z" })).toEqual([]);
});

test("who came and went, versions, marks, figures, clashes and lists that are left are told, each in a sentence", () => {
  const later: BlendReport = {
    ...report,
    plugins: [
      report.plugins[0]!,
      { name: "a.plank", version: "1.1", marks: "never", entries: 0 },
      { name: "c.plank", version: null, marks: null, entries: 1 },
    ],
    left: [{ record: "weed", why: "never-last" }],
    clashes: [
      { record: "bed", name: "cod", by: ["a.plank", "c.plank"], won: "a.plank" },
      { record: "bed", name: "eel", by: ["a.plank", "c.plank"], won: "c.plank" },
    ],
  };
  expect(reportDifferences(report, later).map(reportDifferenceText)).toEqual([
    "b.plank went.",
    "a.plank: version 1.1, was 1.0.",
    "a.plank: never, was adds.",
    "a.plank: no entry, was 2.",
    "c.plank came.",
    "bed: about cod a.plank wins, was b.plank.",
    "bed: there is a clash about eel now; c.plank wins.",
    "kelp is blended now, or nobody else has it any more.",
    "weed: the plugin that has it last must not be blended over.",
  ]);
  expect(reportDifferences(later, report)).toHaveLength(9);
});
