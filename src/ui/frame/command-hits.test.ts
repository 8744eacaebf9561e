import { testRoster } from "@/core/testing/roster";
import { findHits, type Searched } from "./command-hits";
import { commands } from "./commands";

const roster = testRoster([
  ...Array.from({ length: 12 }, (_, at) => ({ name: `reef ${at + 1}.plank` })),
  { name: "tide.plank", section: "patches" },
]);
const done: string[] = [];
const searched: Searched = {
  roster,
  lens: "plugins",
  commands,
  keys: {},
  scope: {
    title: "With what is selected",
    commands: [
      { id: "on", title: "Switch on", keys: "Enter", isPossible: true, run: () => done.push("on") },
      { id: "to", title: "Move to…", keys: null, isPossible: false, run: () => done.push("to") },
    ],
  },
  profiles: [{ id: "p", name: "Harbour Lights", modsOn: 4 }],
  points: [{ id: "q", name: "Before the storm" }],
  lists: [{ id: "l", title: "Winter list" }],
  run: ({ id }) => done.push(id),
  toItem: (list, id) => done.push(`${list} ${id}`),
  toProfile: (id) => done.push(`profile ${id}`),
  toPoint: (id) => done.push(`point ${id}`),
  toList: (id) => done.push(`list ${id}`),
  remember: ({ rule }) => done.push(rule.kind),
};
const group = (text: string, title: string) => findHits(text, searched).find((each) => each.title === title);
const titles = (text: string, title: string) => group(text, title)?.hits.map((hit) => hit.title) ?? [];

test("all that fits is found, however many are shown at first", () => {
  const plugins = group("reef", "Plugins")!;
  expect(plugins.hits).toHaveLength(12);
  expect(plugins.most).toBeLessThan(12);
  expect(titles("12 reef", "Plugins")).toEqual(["reef 12.plank"]);
});

test("a seat, and a place in the whole list, lead to the item there", () => {
  const item = roster.plugins.at(-1)!;
  for (const text of [item.seat, item.seat.toLowerCase(), String(roster.plugins.length)]) {
    done.length = 0;
    group(text, "Seat")!.hits[0]!.run();
    expect(done).toEqual([`plugins ${item.id}`]);
  }
  expect(group(String(roster.plugins.length + 1), "Seat")).toBeUndefined();
});

test.each([
  ["install", "add-mods"],
  ["add", "add-mods"],
  ["export", "list-out"],
  ["backup", "own-data"],
  ["dark", "theme"],
  ["bin", "shelf-bin"],
  ["help", "keys"],
  ["download", "queue"],
  ["restore points", "history"],
  ["shortcut", "keys"],
  ["refresh", "read-shelf"],
])("who looks for “%s” finds what is called otherwise here", (text, id) => {
  done.length = 0;
  for (const hit of group(text, "Commands")!.hits) hit.run();
  expect(done).toContain(id);
});

test("sections, profiles, restore points and lists are found by name, and gone to", () => {
  for (const [text, title, to] of [
    ["harbour", "Profiles", "profile p"],
    ["storm", "Restore points", "point q"],
    ["winter", "Lists", "list l"],
  ] as const) {
    done.length = 0;
    group(text, title)!.hits[0]!.run();
    expect(done).toEqual([to]);
  }
  expect(titles("patch", "Sections")).toHaveLength(1);
});

test("what can be done with the selection is offered, what cannot is not", () => {
  expect(titles("", "With what is selected")).toEqual(["Switch on"]);
  expect(titles("move to", "With what is selected")).toEqual([]);
});

test("changed keys stand beside their command; nothing is found for what nothing is called", () => {
  const [hit] = findHits("propose an", { ...searched, keys: { propose: "F6" } }).at(-1)!.hits;
  expect(hit).toMatchObject({ title: "Propose an order", detail: "F6" });
  expect(findHits("qqqq", searched)).toEqual([]);
});
