import type { LivedWith } from "@/core/check/set-aside";
import { asideOf } from "@/core/check/set-aside";
import { runChecks } from "@/core/check/run-checks";
import { plainText } from "@/core/messages/parts";
import { allTies } from "@/core/roster/ties";
import { testRoster } from "@/core/testing/roster";
import { healthRows } from "./health-rows";

const roster = testRoster([
  { name: "core.plank", on: false },
  { name: "a.plank", masters: ["core.plank", "gone.plank"] },
  { name: "b.plank", masters: ["core.plank"] },
  { name: "c.plank", masters: ["d.plank"] },
  { name: "d.plank" },
]);
const told = runChecks({ roster, ties: allTies(roster), onDisk: { order: [], holds: [] } });
const all = { sheet: "cause", hidden: [], text: "", fresh: false, item: null } as const;
const rows = (
  part: Partial<Parameters<typeof healthRows>[3]> = {},
  aside: readonly LivedWith[] = [],
  isNew: (id: string) => boolean = () => false,
) => healthRows(roster, told, aside, { ...all, ...part }, isNew);
const said = ({ rows: shown }: ReturnType<typeof rows>) =>
  shown.map(({ title, findings, said: parts }) => [title, findings.length, plainText(parts)]);

test("by cause, several of one cause are a row with what ends all of them", () => {
  const shown = rows();
  expect(said(shown)).toEqual([
    ["Master off", 2, "2 plugins need core.plank, which is switched off."],
    [
      "Master missing",
      1,
      "a.plank needs gone.plank, which is in no mod of this profile: the game would stop at start.",
    ],
    [
      "Master loads later",
      1,
      "c.plank needs d.plank, which loads later than it: the game would stop at start.",
    ],
    ["The game reads an older order", 1, expect.stringContaining("is behind this profile") as string],
  ]);
  expect(shown.rows[0]!.fixes.map(({ id }) => id)).toEqual(["switch-on"]);
  expect(shown.counts).toEqual({ blocker: 4, problem: 0, hint: 1 });
});

test("by item, what is found of one stands in one row, and what is about no item in one of the profile", () => {
  expect(said(rows({ sheet: "item" }))).toEqual([
    ["a.plank", 2, "Master missing; Master off"],
    ["b.plank", 1, "Master off"],
    ["c.plank", 1, "Master loads later"],
    ["Test", 1, "The game reads an older order"],
  ]);
  const twice = [told[0]!, told[0]!];
  expect(healthRows(roster, twice, [], { ...all, sheet: "item" }, () => false).rows[0]!.said).toEqual([
    "Master missing × 2",
  ]);
});

test("a search, an item and levels narrow it; what they leave of each level is counted, and what is hidden", () => {
  const found = rows({ sheet: "single", text: "CORE.plank" });
  expect([found.rows.length, found.hidden, found.counts.blocker]).toEqual([2, 3, 2]);
  expect(rows({ sheet: "single", item: "a.plank" }).rows).toHaveLength(2);
  // Of a mod with its plugins.
  expect(rows({ sheet: "single", item: "a" }).rows).toHaveLength(2);
  expect(rows({ sheet: "single", item: "elsewhere" }).rows).toHaveLength(0);
  const without = rows({ hidden: ["blocker"] });
  expect([without.rows.length, without.hidden, without.counts]).toEqual([
    1,
    4,
    { blocker: 4, problem: 0, hint: 1 },
  ]);
});

test("what is new since it last ran well can be looked at alone", () => {
  const [first] = rows({ sheet: "single" }).rows;
  const shown = rows({ sheet: "single", fresh: true }, [], (id) => id === first!.key);
  expect([shown.rows.map(({ key }) => key), shown.hidden, shown.fresh]).toEqual([[first!.key], 4, 1]);
});

test("what is set aside is a sheet of its own, with its reason", () => {
  const [finding] = told;
  const entry = asideOf(roster, finding!, { reason: "harmless", until: "never", at: "" });
  const shown = rows({ sheet: "aside" }, [{ finding: finding!, entry }]);
  expect(shown.rows.map(({ reason }) => reason)).toEqual(["harmless"]);
});
