import {
  copiedRows,
  fitting,
  gridTemplate,
  layoutOf,
  moved,
  widened,
  type GridColumn,
  type GridLayout,
} from "./columns";
import { isSortable, nextSort, sortWay } from "./sort";
import { testTable } from "./testing/table";

interface Boat {
  readonly name: string;
  readonly size: number;
}
const columns: readonly GridColumn<Boat>[] = [
  { id: "name", label: "Boat", width: 0, isFixed: true, isMain: true, text: ({ name }) => name },
  {
    id: "size",
    label: "Size",
    width: 80,
    isFigure: true,
    text: ({ size }) => String(size),
    sortBy: ({ size }) => size,
  },
  { id: "note", label: "Note", width: 120, text: () => "one\ttwo\nthree" },
];
const layout = layoutOf(columns);

const boats = [
  { name: "wren", size: 4 },
  { name: "Kestrel", size: 12 },
  { name: "Auk", size: 4 },
];
const table = (of: GridLayout, sort = "") => testTable(boats, columns, of, sort);

test("the fixed column stands first whatever the layout says; what is not laid out is not shown", () => {
  const ids = (of: GridLayout) => table(of).shown.map(({ id }) => id);
  expect(ids(layout)).toEqual(["name", "size", "note"]);
  expect(ids(moved(layout, "note", -1))).toEqual(["name", "note", "size"]);
  expect(ids([{ id: "size", width: 50 }])).toEqual(["name", "size"]);
  expect(ids([{ id: "gone", width: 50 }])).toEqual(["name"]);
});

test("each column has the width of the layout", () => {
  const wide = widened(layout, "size", 20);
  expect(table(wide).shown.map(({ width }) => width)).toEqual([0, 100, 120]);
});

test("rows are sorted by figures as such, by words without case, either way; equal ones stay as they come", () => {
  const names = (sort: string) => table(layout, sort).rows.map(({ name }) => name);
  expect(names("")).toEqual(["wren", "Kestrel", "Auk"]);
  expect(names("name")).toEqual(["Auk", "Kestrel", "wren"]);
  expect(names("size")).toEqual(["wren", "Auk", "Kestrel"]);
  expect(names("-size")).toEqual(["Kestrel", "wren", "Auk"]);
  expect(names("gone")).toEqual(["wren", "Kestrel", "Auk"]);
});

test("a column is moved by places or to another one, and no further than the ends", () => {
  const three = ["a", "b", "c"].map((id) => ({ id, width: 50 }));
  const ids = (id: string, to: number | string) =>
    moved(three, id, to)
      .map((each) => each.id)
      .join("");
  expect([ids("a", 1), ids("c", -2), ids("a", "c"), ids("c", "a")]).toEqual(["bac", "cab", "bca", "cab"]);
  expect([moved(three, "a", -1), moved(three, "c", 1), moved(three, "x", 1)]).toEqual([three, three, three]);
});

test("a width stays between the narrowest and the widest", () => {
  expect(widened(layout, "size", 15.4)[0]).toEqual({ id: "size", width: 95 });
  expect(widened(layout, "size", -500)[0]!.width).toBe(40);
  expect(widened(layout, "size", 5000)[0]!.width).toBe(800);
});

test("the name has a width in which it is read at ease; what is left over lies behind all columns", () => {
  expect(gridTemplate(columns, 1).gridTemplateColumns).toBe("minmax(120px, 560px) 80px 120px minmax(0, 1fr)");
  expect(gridTemplate(columns, 1).minWidth).toBe(120 + 80 + 120 + 4 * 12);
  expect(gridTemplate(columns, 2).gridTemplateColumns).toBe(
    "minmax(240px, 1120px) 160px 240px minmax(0, 1fr)",
  );
});

test("rows are copied as cells apart by tabs, with headings where there are several; signs that part cells are none", () => {
  expect(copiedRows(columns, boats.slice(0, 1))).toBe("wren\t4\tone two three");
  expect(copiedRows(columns.slice(0, 2), boats.slice(0, 2))).toBe("Boat\tSize\nwren\t4\nKestrel\t12");
});

test("a narrow grid shows its first columns, and forgets none; names keep a fair part", () => {
  const ids = (room: number) => fitting(columns, layout, room).map(({ id }) => id);
  expect(ids(2000)).toEqual(["size", "note"]);
  // A name 220, and 12 before, between and after the columns.
  expect(ids(12 + 232 + 92 + 132)).toEqual(["size", "note"]);
  expect(ids(12 + 232 + 92 + 131)).toEqual(["size"]);
  expect(ids(12 + 232 + 91)).toEqual([]);
  expect(fitting(columns, moved(layout, "note", -1), 12 + 232 + 92 + 131).map(({ id }) => id)).toEqual([
    "note",
  ]);
});

test("the place of the rows sorts them by nothing: it leads back to how they come", () => {
  const place: GridColumn<Boat> = { id: "place", label: "Place", width: 40, isOrder: true, text: () => "" };
  expect(isSortable(place)).toBe(false);
  expect([sortWay("", place), sortWay("size", place)]).toEqual(["ascending", "none"]);
  expect(nextSort("-size", place)).toBe("");
  const [first] = testTable(boats, [place, ...columns], layout, "place").rows;
  expect(first).toBe(boats[0]);
});
