import type { Edit } from "../model/edit";
import { noOverlaps } from "../roster/overlaps";
import { findingTitle, sayFinding, sayFix } from "../messages/findings";
import { plainText } from "../messages/parts";
import type { Fix } from "../model/finding";
import type { ModId } from "../model/ids";
import type { Order } from "../model/profile";
import type { ModManifest, ShelfMod } from "../model/shelf";
import { acceptEdit, proposeOrder } from "../edit/accept";
import { alignOrder } from "../roster/two-orders";
import type { Roster } from "../roster/roster";
import { applySteps } from "../edit/steps";
import { allTies } from "../roster/ties";
import { pluginFile, shelfMod, testRoster, withState, type TestPlugin } from "../testing/roster";
import type { OnDisk } from "./check";
import { fixEdit, isEditing } from "./fix-edit";
import { holdsToWrite, namesToWrite, orderFileGap } from "./order-file";
import { countByLevel, runChecks } from "./run-checks";
import { aMod } from "../testing/ids";
import { withOverlaps } from "../testing/overlaps";

const current = (roster: Roster): OnDisk => ({ order: namesToWrite(roster), holds: holdsToWrite(roster) });
const check = (roster: Roster, onDisk = current(roster)) =>
  runChecks({ roster, ties: allTies(roster), onDisk });

const withStock = (roster: Roster, change: Partial<Roster["stock"]>): Roster =>
  withState({ ...roster, stock: { ...roster.stock, ...change } }, roster.profile.state);

const apply = (roster: Roster, edit: Edit): Roster => {
  const applied = applySteps(roster.profile.state, edit.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  return withState(roster, applied.value.state);
};

const many = (count: number, ending: string): TestPlugin[] =>
  Array.from({ length: count }, (_, at) => ({ name: `n${at}${ending}` }));

function editOf(roster: Roster, { does }: Fix): Edit | null {
  if (isEditing(does)) return fixEdit(roster, does);
  if (!("list" in does)) return null;
  return acceptEdit(roster, (does.act === "align" ? alignOrder : proposeOrder)(roster, does.list));
}

const ofMods = (roster: Roster, change: (mods: Order<ModId>) => Partial<Order<ModId>>): Roster => {
  const { mods } = roster.profile.state;
  return withState(roster, { ...roster.profile.state, mods: { ...mods, ...change(mods) } });
};
const backwards = ({ entries }: Order<ModId>) => ({ entries: [...entries].reverse() });

interface Case {
  readonly check: string;
  readonly good: Roster;
  readonly bad: Roster;
  readonly onDisk?: OnDisk;
}

const plain = testRoster([{ name: "a.plank" }, { name: "b.plank", masters: ["a.plank"] }]);
const abc = ["a.plank", "b.plank", "c.plank"].map((name) => ({ name }));
const requiring = withStock(plain, {
  shelf: plain.stock.shelf.map((mod) =>
    mod.id === "b"
      ? {
          ...mod,
          manifest: { format: "seating-mod/1", id: "b", name: "b", version: "1", requires: [{ mod: "a" }] },
        }
      : mod,
  ),
});
const meeting = withOverlaps(testRoster([{ name: "a.plank" }, { name: "b.plank" }]), {
  plugins: [{ broader: "a.plank", narrower: "b.plank", shared: 3 }],
});
const sideBySide = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
const raised = testRoster([
  { name: "p.plank", section: "patches" },
  { name: "q.plank", section: "patches", home: "world", masters: ["p.plank"] },
]);
/** `b` says something of itself; the rest is as in `plain`. */
const saying = (facts: Partial<ModManifest>, more: readonly ShelfMod[] = []): Roster =>
  withStock(plain, {
    shelf: [
      ...plain.stock.shelf.map((each) =>
        each.id === "b"
          ? {
              ...each,
              manifest: { format: "seating-mod/1" as const, id: "b", name: "b", version: "1", ...facts },
            }
          : each,
      ),
      ...more,
    ],
  });
const asking = saying({
  options: [
    {
      id: "size",
      label: "Size",
      choose: "one",
      parts: [
        { id: "big", label: "Big", paths: ["big/"] },
        { id: "far", label: "Far", paths: ["far/"], when: { mod: "lens" } },
      ],
    },
  ],
});
const choosing = (part: string): Roster =>
  withState(asking, {
    ...asking.profile.state,
    choices: [{ mod: aMod("b"), options: { size: [part] }, components: [] }],
  });
const cases: readonly Case[] = [
  {
    check: "required-off",
    good: saying({ requires: [{ mod: "a" }] }),
    bad: saying({ requires: [{ mod: "gone" }] }),
  },
  {
    check: "required-off",
    good: saying({ requires: [{ mod: "a", versions: ">=1" }] }),
    bad: saying({ requires: [{ mod: "a", versions: ">=2" }] }),
  },
  { check: "required-off", good: plain, bad: saying({ requires: [{ mod: "c" }] }, [shelfMod("c")]) },
  {
    check: "mods-clash",
    good: saying({ clashes: [{ mod: "c", reason: "both" }] }, [shelfMod("c")]),
    bad: saying({ clashes: [{ mod: "a", reason: "both" }] }),
  },
  { check: "expansion-off", good: plain, bad: saying({ expansions: ["island"] }) },
  {
    check: "expansion-off",
    good: plain,
    bad: withStock(saying({ expansions: ["island"] }), { owned: ["island"] }),
  },
  {
    check: "other-game-version",
    good: saying({ gameVersions: "1.x" }),
    bad: saying({ gameVersions: ">=2" }),
  },
  { check: "question-open", good: choosing("big"), bad: asking },
  { check: "part-refused", good: choosing("big"), bad: choosing("far") },
  { check: "missing-master", good: plain, bad: testRoster([{ name: "b.plank", masters: ["gone.plank"] }]) },
  { check: "missing-master", good: plain, bad: testRoster([{ name: "b.plank", masters: ["Island.keel"] }]) },
  {
    check: "master-off",
    good: plain,
    bad: testRoster([
      { name: "a.plank", on: false },
      { name: "b.plank", masters: ["a.plank"] },
    ]),
  },
  {
    check: "master-off",
    good: plain,
    bad: testRoster([
      { name: "a.plank", modOn: false },
      { name: "b.plank", masters: ["a.plank"] },
    ]),
  },
  {
    check: "master-off",
    good: plain,
    bad: withState(plain, { ...plain.profile.state, leftOut: [{ mod: aMod("a"), path: "a.plank" }] }),
  },
  {
    check: "master-late",
    good: plain,
    bad: testRoster([{ name: "b.plank", masters: ["a.plank"] }, { name: "a.plank" }]),
  },
  {
    check: "master-cycle",
    good: plain,
    bad: testRoster([
      { name: "a.plank", masters: ["b.plank"] },
      { name: "b.plank", masters: ["a.plank"] },
    ]),
  },
  {
    check: "master-cycle",
    good: plain,
    bad: testRoster([{ name: "a.plank", masters: ["a.plank"] }]),
  },
  {
    check: "rule-broken",
    good: testRoster(abc, [{ kind: "first", item: "a.plank", within: "list", strength: "must" }]),
    bad: testRoster(abc, [{ kind: "first", item: "b.plank", within: "list", strength: "must" }]),
  },
  {
    check: "rule-broken",
    good: testRoster(abc, [{ kind: "last", item: "c.plank", within: "section", strength: "prefer" }]),
    bad: testRoster(abc, [{ kind: "last", item: "b.plank", within: "section", strength: "prefer" }]),
  },
  {
    check: "rule-broken",
    good: testRoster(abc, [{ kind: "together", items: ["b.plank", "c.plank"], strength: "prefer" }]),
    bad: testRoster(abc, [{ kind: "together", items: ["a.plank", "c.plank"], strength: "prefer" }]),
  },
  { check: "cap-exceeded", good: testRoster(many(5, ".plank")), bad: testRoster(many(6, ".plank")) },
  { check: "cap-exceeded", good: testRoster(many(3, ".skiff")), bad: testRoster(many(4, ".skiff")) },
  {
    check: "rule-broken",
    good: testRoster(
      [{ name: "a.plank" }, { name: "b.plank" }],
      [{ kind: "after", item: "b.plank", other: "a.plank", strength: "must" }],
    ),
    bad: testRoster(
      [{ name: "a.plank" }, { name: "b.plank" }],
      [{ kind: "after", item: "a.plank", other: "b.plank", strength: "must" }],
    ),
  },
  {
    check: "unsound-archive",
    good: plain,
    bad: withStock(plain, {
      shelf: [
        ...plain.stock.shelf,
        { ...shelfMod("wreck"), problem: { code: "path-unsafe", data: { entry: "../x" } } },
      ],
    }),
  },
  {
    check: "unreadable-plugin",
    good: plain,
    bad: withStock(plain, {
      shelf: [
        shelfMod("a", [{ ...pluginFile("a.plank"), header: null, problem: { code: "riff-not", data: {} } }]),
        plain.stock.shelf[1]!,
      ],
    }),
  },
  { check: "rule-broken", good: requiring, bad: ofMods(requiring, backwards) },
  {
    check: "file-and-folder",
    good: sideBySide,
    bad: {
      ...sideBySide,
      overlaps: { ...noOverlaps, blocked: [{ path: "menus/dials", file: "a", folders: ["b"] }] },
    },
  },
  { check: "orders-disagree", good: meeting, bad: ofMods(meeting, backwards) },
  {
    check: "closed-section-entered",
    good: raised,
    bad: withState(raised, {
      ...raised.profile.state,
      plugins: {
        ...raised.profile.state.plugins,
        sections: raised.profile.state.plugins.sections.map((section) => ({
          ...section,
          closed: true as const,
        })),
      },
    }),
  },
  { check: "not-on-shelf", good: plain, bad: withStock(plain, { shelf: plain.stock.shelf.slice(1) }) },
  {
    check: "order-file-differs",
    good: plain,
    bad: plain,
    onDisk: { order: ["b.plank", "a.plank"], holds: holdsToWrite(plain) },
  },
  { check: "order-file-differs", good: plain, bad: plain, onDisk: { order: null, holds: null } },
  {
    check: "order-file-differs",
    good: plain,
    bad: plain,
    onDisk: { order: ["x.plank"], holds: [], file: { by: "theirs", sha256: "0".repeat(64) } },
  },
];

describe.each(cases)("$check", ({ check: name, good, bad, onDisk }) => {
  const findings = check(bad, onDisk).filter((finding) => finding.check === name);

  test("a missing master that lies on the shelf in a mod of the shelf is offered by that mod, first of all", () => {
    const bad = testRoster([{ name: "b.plank", masters: ["Hidden.plank"] }]);
    const bringing = { ...shelfMod("deep", [pluginFile("hidden.plank")]), name: "Tidal Core" };
    const inPart = { ...shelfMod("other", [{ ...pluginFile("hidden.plank"), part: "x" }]), name: "Other" };
    const here = withStock(bad, { shelf: [...bad.stock.shelf, bringing, inPart] });
    const [finding] = check(here).filter((each) => each.id === "missing-master");
    expect(finding!.fixes.map((fix) => plainText(sayFix(fix)))).toEqual([
      "Switch on Tidal Core",
      "Switch off b.plank",
    ]);
    const mended = apply(here, editOf(here, finding!.fixes[0]!)!);
    expect(check(mended).filter((each) => each.id === "missing-master")).toEqual([]);
  });

  test("a requirement says why its author needs it, where they have said so", () => {
    const bad = saying({
      requires: [{ mod: "c", reason: "You do not see it, but nothing works without." }, { mod: "d" }],
    });
    const said = check(bad)
      .filter((finding) => finding.check === "required-off")
      .map((finding) => plainText(sayFinding(finding)));
    expect(said).toEqual([
      "b needs c, which is not on the shelf (“You do not see it, but nothing works without”).",
      "b needs d, which is not on the shelf.",
    ]);
  });

  test("sees the bad case and not the good one", () => {
    expect(findings.length).toBeGreaterThan(0);
    expect(check(good).filter((finding) => finding.check === name)).toEqual([]);
  });

  test("says it in a title and a whole sentence, with nothing left out", () => {
    for (const finding of findings) {
      const text = plainText(sayFinding(finding));
      expect(findingTitle[finding.id]).toBeTruthy();
      expect(text).toMatch(/[.]$/);
      expect(text).not.toMatch(/undefined|NaN|\[object/);
      for (const fix of finding.fixes) expect(plainText(sayFix(fix))).toBeTruthy();
    }
  });

  test("each fix takes its finding away", () => {
    for (const { fixes, data } of findings) {
      for (const fix of fixes) {
        const edit = editOf(bad, fix);
        // What is done beside the profile: written, got, or shown to be chosen from.
        if (!edit) {
          expect(["write-order", "look-at-order", "versions"]).toContain(fix.does.act);
          continue;
        }
        const left = check(apply(bad, edit), onDisk).filter((each) => each.check === name);
        expect(left).not.toContainEqual(expect.objectContaining({ data }));
      }
    }
  });
});

test("what is off is not the game's concern", () => {
  const roster = testRoster([
    { name: "b.plank", masters: ["gone.plank"], on: false },
    { name: "c.plank", masters: ["b.plank"], modOn: false },
  ]);
  expect(countByLevel(check(roster))).toEqual({ blocker: 0, problem: 0, hint: 0 });
});

test("findings come gravest first", () => {
  const roster = withStock(testRoster([{ name: "b.plank", masters: ["gone.plank"] }]), {});
  const levels = check(roster, { order: null, holds: null }).map((finding) => finding.level);
  expect(levels).toEqual(["blocker", "hint"]);
});

test("the gap of the order file counts moves, what is to add and to take out, and other mods", () => {
  const roster = testRoster(["a", "b", "c", "d"].map((letter) => ({ name: `${letter}.plank` })));
  const gap = (order: string[], holds = holdsToWrite(roster)) => orderFileGap(roster, { order, holds });
  expect(gap(["a.plank", "b.plank", "c.plank", "d.plank"])).toBeNull();
  expect(gap(["A.PLANK", "b.plank", "c.plank", "d.plank"])).toBeNull();
  expect(gap(["d.plank", "a.plank", "b.plank", "x.plank"])).toMatchObject({ moves: 1, added: 1, removed: 1 });
  expect(
    gap(
      ["a.plank", "b.plank", "c.plank", "d.plank"],
      [{ path: "other.zip", options: {}, components: [], hidden: [] }],
    ),
  ).toMatchObject({
    moves: 0,
    modsDiffer: true,
  });
});
