import { testRoster } from "@/core/testing/roster";
import { copiedRows } from "../kit/grid/columns";
import { testTable } from "../kit/grid/testing/table";
import { planColumns, planShownAtFirst, type PlanCells } from "./plan-columns";

const { lists } = testRoster([
  { name: "b.plank" },
  { name: "A.plank", masters: ["b.plank"], on: false },
  { name: "c.plank", masters: ["b.plank", "A.plank"] },
]);

const cells = (marks: Record<string, PlanCells["mark"]> = {}): PlanCells[] =>
  lists.plugins.items.map((item) => ({
    item,
    mark: marks[item.id] ?? null,
    noted: false,
    number: item.place,
    isStateShown: true,
    onToggle: () => undefined,
  }));
const sorted = (sort: string, rows = cells()) =>
  testTable(rows, planColumns.plugins, planShownAtFirst.plugins, sort).rows.map(({ item }) => item.id);

const own: readonly string[] = lists.plugins.items.filter(({ fixed }) => fixed).map(({ id }) => id);

test("plugins are sorted by any heading, equal ones as they load", () => {
  const loaded = lists.plugins.items.map(({ id }) => id);
  expect(sorted("")).toEqual(loaded);
  expect(sorted("seat")).toEqual(loaded);
  expect(sorted("name").filter((id) => !own.includes(id))).toEqual(["A.plank", "b.plank", "c.plank"]);
  expect(sorted("-masters").slice(0, 2)).toEqual(["c.plank", "A.plank"]);
  expect(sorted("-number")).toEqual([...loaded].reverse());
});

test("by their state the gravest stand first, what is sound last", () => {
  const found = cells({
    "b.plank": { level: "hint", words: "a hint" },
    "c.plank": { level: "blocker", words: "z blocker" },
    "A.plank": { level: "problem", words: "a problem" },
  });
  expect(sorted("state", found).slice(0, 3)).toEqual(["c.plank", "A.plank", "b.plank"]);
});

test("both lists have a seat, a switch and a name before all else, and what is shown at first exists", () => {
  for (const list of ["plugins", "mods"] as const) {
    const columns = planColumns[list];
    expect(columns.filter(({ isFixed }) => isFixed).map(({ id }) => id)).toEqual(["seat", "switch", "name"]);
    expect(new Set(columns.map(({ id }) => id)).size).toBe(columns.length);
    expect(planShownAtFirst[list].length).toBe(3);
  }
});

test("rows are copied as cells under their headings", () => {
  const [first, second] = cells().filter(({ item }) => !item.fixed);
  const lines = copiedRows(planColumns.plugins.slice(0, 3), [first!, second!]).split("\n");
  expect(lines[0]).toBe("Seat\tOn\tPlugin");
  expect(lines[2]).toBe(`${second!.item.seat}\toff\tA.plank`);
});
