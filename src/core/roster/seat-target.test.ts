import { orderOf, testRoster } from "../testing/roster";
import { findTarget, seatAtTarget } from "./seat-target";
import { numbersOf } from "./sheet";

const roster = testRoster([
  { name: "Core.keel" },
  { name: "a.plank" },
  { name: "b.plank" },
  { name: "c.plank" },
  { name: "p.plank", section: "patches" },
]);

test("the seat that comes of a target is told before anything moves", () => {
  const seat = (id: string, text: string) => {
    const target = findTarget(roster.lists.plugins, text, [id]);
    return target.ok ? seatAtTarget(roster.lists.plugins, target.value, [id]) : null;
  };
  expect(seat("c.plank", "C1")).toBe("C1");
  expect(seat("a.plank", "after c")).toBe("C3");
  expect(seat("a.plank", "end of D")).toBe("D2");
  expect(seat("p.plank", "start of C")).toBe("C1");
});

/** The order that comes of moving a plugin to where the phrase says, and its section; or why not. */
function moved(id: string, text: string): string {
  const target = findTarget(roster.lists.plugins, text, [id]);
  if (!target.ok) return target.refusal.code;
  const rest = orderOf(roster).filter((each) => each !== id);
  rest.splice(target.value.gap, 0, id);
  return `${rest.map((each) => each[0]).join("")} ${target.value.section}`;
}

test("a seat, with the number it then has, or a letter for the end of its section", () => {
  expect(moved("c.plank", "C1")).toBe("PCcabp world");
  expect(moved("a.plank", "c")).toBe("PCbcap world");
  expect(moved("a.plank", "Z1")).toBe("no-seat");
});

test("before or after an item, by seat or by name", () => {
  expect(moved("a.plank", "after c")).toBe("PCbcap world");
  expect(moved("c.plank", "before a.plank")).toBe("PCcabp world");
  expect(moved("p.plank", "after B1")).toBe("PCpabc base");
  expect(moved("a.plank", "after plank")).toBe("many-such-items");
  expect(moved("a.plank", "before nobody")).toBe("no-such-item");
});

test("the start or the end of a section", () => {
  expect(moved("c.plank", "start of C")).toBe("PCcabp world");
  expect(moved("a.plank", "END of d")).toBe("PCbcpa patches");
});

test("a number of a sheet", () => {
  expect(numbersOf(roster.lists.plugins).map(({ number }) => number)).toEqual([10, 20, 30, 33, 37, 40]);
  expect(moved("a.plank", "number 36")).toBe("PCbcap world");
  expect(moved("p.plank", "31.5")).toBe("PCapbc world");
  expect(moved("p.plank", "Number 5")).toBe("no-number");
  expect(moved("p.plank", "99.0")).toBe("no-number");
});

test("a place of the whole list, counted from 1, which the first of the items then has", () => {
  for (const id of ["a.plank", "b.plank", "c.plank"])
    for (const place of [3, 4, 5]) expect(moved(id, String(place)).indexOf(id[0]!)).toBe(place - 1);
  // Between two sections it stays in its own where that is one of the two, else it takes that of what it pushes down.
  expect(moved("a.plank", "5")).toBe("PCbcap world");
  expect(moved("p.plank", "6")).toBe("PCabcp patches");
  expect(moved("a.plank", "6")).toBe("PCbcpa patches");
  expect(moved("p.plank", "5")).toBe("PCabpc world");
  expect(moved("a.plank", "900")).toBe("PCbcpa patches");
  expect(moved("a.plank", "0")).toBe("no-place");
});
