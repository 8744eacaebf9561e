import { testRoster } from "../testing/roster";
import { ruleStandings } from "./rules";
import { allTies } from "./ties";
import { cutTogether } from "./cut-together";

const plugins = [
  { name: "Core.keel" },
  { name: "a.plank" },
  { name: "b.plank", masters: ["p.plank"] },
  { name: "c.plank" },
  { name: "p.plank", section: "patches" },
  { name: "q.plank", section: "patches" },
];
const roster = testRoster(plugins);
const cut = (...ids: string[]) => cutTogether(roster, "plugins", ids);

test("what no border parts can stay together as it is", () => {
  expect(cut("a.plank", "c.plank")).toBeNull();
  expect(cut("a.plank")).toBeNull();
  expect(cut("a.plank", "gone.plank")).toBeNull();
});

test("the rank and section with the most members stay, the earliest of equal ones; of the others it is said what parts them", () => {
  expect(cut("Core.keel", "a.plank", "c.plank")).toEqual({
    items: ["a.plank", "c.plank"],
    apart: [{ id: "Core.keel", border: "rank", where: expect.any(String) as string }],
  });
  expect(cut("a.plank", "Core.keel")?.items).toEqual(["Core.keel"]);
  expect(cut("q.plank", "a.plank")).toMatchObject({
    items: ["a.plank"],
    apart: [{ id: "q.plank", border: "section", where: "Patches" }],
  });
});

test("an item stands where its ties raise it to, whatever section it belongs to", () => {
  expect(cut("b.plank", "q.plank", "a.plank")).toMatchObject({
    items: ["b.plank", "q.plank"],
    apart: [{ id: "a.plank", border: "section" }],
  });
});

test("the engine sets the whole rule aside, and keeps the one that is cut down", () => {
  const of = (items: readonly string[]) => {
    const given = testRoster(plugins, [{ kind: "together", items: [...items], strength: "prefer" }]);
    return [...ruleStandings(given, allTies(given)).values()][0];
  };
  const all = ["Core.keel", "a.plank", "c.plank", "q.plank"];
  expect(of(all)).toBe("set-aside");
  expect(of(cut(...all)!.items)).not.toBe("set-aside");
});
