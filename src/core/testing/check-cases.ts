import { holdsToWrite } from "../check/order-file";
import type { OnDisk } from "../check/check";
import type { Advice } from "../model/advice";
import type { ModId } from "../model/ids";
import type { Order } from "../model/profile";
import type { Reminder } from "../model/reminder";
import type { ModManifest, ShelfMod } from "../model/shelf";
import { noOverlaps } from "../roster/overlaps";
import type { Roster } from "../roster/roster";
import { aMod } from "./ids";
import { gameOfSettings } from "./game";
import { withOverlaps } from "./overlaps";
import { pluginFile, shelfMod, testRoster, withState, type TestPlugin } from "./roster";

export const withStock = (roster: Roster, change: Partial<Roster["stock"]>): Roster =>
  withState({ ...roster, stock: { ...roster.stock, ...change } }, roster.profile.state);

const many = (count: number, ending: string): TestPlugin[] =>
  Array.from({ length: count }, (_, at) => ({ name: `n${at}${ending}` }));

const ofMods = (roster: Roster, change: (mods: Order<ModId>) => Partial<Order<ModId>>): Roster => {
  const { mods } = roster.profile.state;
  return withState(roster, { ...roster.profile.state, mods: { ...mods, ...change(mods) } });
};
const backwards = ({ entries }: Order<ModId>) => ({ entries: [...entries].reverse() });

/** A case in which a check finds something, and one in which it does not. */
interface CheckCase {
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
const needing: Roster = {
  ...plain,
  game: {
    ...plain.game,
    edition: { file: "base/about.txt", pattern: "version {version}" },
    prerequisites: [{ id: "loader", name: "Loader", file: "base/loader.bin", purpose: "", source: "" }],
  },
};
const meeting = withOverlaps(testRoster([{ name: "a.plank" }, { name: "b.plank" }]), {
  plugins: [{ broader: "a.plank", narrower: "b.plank", shared: 3 }],
});
const sideBySide = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
const raised = testRoster([
  { name: "p.plank", section: "patches" },
  { name: "q.plank", section: "patches", home: "world", masters: ["p.plank"] },
]);
/** `b` says something of itself; the rest is as in `plain`. */
export const saying = (facts: Partial<ModManifest>, more: readonly ShelfMod[] = []): Roster =>
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
/** `plain` whose curator says something of its items. */
const advising = (...advice: readonly Advice[]): Roster =>
  withState(plain, { ...plain.profile.state, advice: [...advice] });
const plainWithOff = testRoster([{ name: "a.plank" }, { name: "off.plank", on: false }]);
const onA = { on: { mod: "a" } };
const cOnShelf = withStock(plain, { shelf: [...plain.stock.shelf, shelfMod("c")] });
const advisingBeside = (advice: Advice): Roster =>
  withState(cOnShelf, { ...cOnShelf.profile.state, advice: [advice] });

/** Two packages, of which parts may be taken; the part of `a` says that it cannot stand one of `b`. */
const packages = withStock(plain, {
  shelf: plain.stock.shelf.map((each) => ({
    ...each,
    manifest: {
      format: "seating-mod/1" as const,
      id: each.id,
      name: each.id,
      version: "1",
      components: [
        {
          id: "fog",
          label: "Fog",
          paths: ["fog/"],
          ...(each.id === "a" && { clashes: [{ mod: "b", part: "fog", reason: "both draw it" }] }),
        },
        { id: "bold", label: "Bold", paths: ["bold/"], caution: "it flickers." },
        { id: "lens", label: "Lens", paths: ["lens/"], when: { mod: each.id === "a" ? "b" : "lens" } },
      ],
    },
  })),
});
const taking = (choices: Readonly<Record<string, readonly string[]>>, reasons = {}): Roster =>
  withState(packages, {
    ...packages.profile.state,
    choices: Object.entries(choices).map(([mod, components]) => ({
      mod: aMod(mod),
      options: {},
      components: [...components],
      reasons,
    })),
  });
const quiet = taking({ a: ["lens"] });

const meetingMods = withOverlaps(plain, { mods: [{ broader: "a", narrower: "b", shared: 2 }] });
const patch: ShelfMod = {
  ...shelfMod("patch", [pluginFile("patch.plank", ["a.plank", "b.plank"])]),
  name: "Patch",
};
/** A profile to make things, in which these expansions are on and none should be. */
const making = (expansions: readonly string[]): Roster => {
  const roster = withState(plain, { ...plain.profile.state, expansions: [...expansions] });
  const purposes = [{ purpose: "make", expansionsOff: ["island"], baseOff: ["sheep"], launch: { draw: 8 } }];
  const { baseItems, launchSettings } = gameOfSettings;
  const state = { ...roster.profile.state, baseOff: expansions.length > 0 ? [] : ["sheep"] };
  return {
    ...roster,
    game: { ...roster.game, purposes, baseItems, launchSettings },
    profile: { ...roster.profile, purpose: "make", state },
  };
};
const withReminder = (when: Reminder["when"]): Roster =>
  withState(plain, { ...plain.profile.state, reminders: [{ id: "one", text: "Look again.", when }] });

const twoOf = (version: string): Roster => {
  const base = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
  const shelf = base.stock.shelf.map((mod) => ({
    ...mod,
    name: "Reeds",
    version: mod.id === "a" ? "1.0.0" : version,
  }));
  return withStock(base, { shelf });
};

const light = testRoster([{ name: "a.plank", section: "patches" }]);

const blending = (blend: "due" | "current"): Roster =>
  withOverlaps(
    withState(plain, {
      ...plain.profile.state,
      blend: [{ kind: "recipe", mod: aMod("blend"), name: "Blend" }],
    }),
    { standing: { blend } },
  );

export const checkCases: readonly CheckCase[] = [
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
  { check: "places", good: testRoster(many(4, ".plank")), bad: testRoster(many(6, ".plank")) },
  { check: "places", good: testRoster(many(2, ".skiff")), bad: testRoster(many(4, ".skiff")) },
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
  {
    check: "prerequisite-missing",
    good: needing,
    bad: needing,
    onDisk: { order: null, holds: null, installed: { astray: [{ id: "loader", at: null }] } },
  },
  {
    check: "prerequisite-missing",
    good: needing,
    bad: needing,
    onDisk: { order: null, holds: null, installed: { astray: [{ id: "loader", at: "loader.bin" }] } },
  },
  {
    check: "edition-unread",
    good: needing,
    bad: needing,
    onDisk: { order: null, holds: null, installed: { edition: "absent", astray: [] } },
  },
  {
    check: "profile-of-game",
    good: needing,
    bad: needing,
    onDisk: { order: null, holds: null, ofGame: { names: ["ada", "bo"], chosen: null, meant: null } },
  },
  {
    check: "purpose-differs",
    good: making([]),
    bad: making(["island"]),
  },
  {
    check: "layout-drift",
    good: plain,
    bad: plain,
    onDisk: {
      order: null,
      holds: null,
      drift: {
        changed: [{ path: "data/a.dat", mod: "a" }],
        gone: [{ path: "data/b.dat", mod: "b" }],
        added: [{ path: "data/c.dat", size: 3 }],
        bareAt: null,
      },
    },
  },
  {
    check: "advised",
    good: advising({ kind: "needs", ...onA, other: { mod: "b" } }),
    bad: advising({ kind: "needs", ...onA, other: { mod: "gone" }, text: "else it is dark" }),
  },
  {
    check: "advised",
    good: advising({ kind: "clashes", ...onA, other: { mod: "gone" } }),
    bad: advising({ kind: "clashes", ...onA, other: { plugin: "B.plank" } }),
  },
  {
    check: "advised",
    good: advising({ kind: "known-bad", on: { mod: "c" } }),
    bad: advising({ kind: "known-bad", ...onA }),
  },
  {
    check: "advised",
    good: advisingBeside({ kind: "outdated", on: { mod: "c" } }),
    bad: advisingBeside({ kind: "outdated", ...onA, other: { mod: "c" } }),
  },
  {
    check: "advised",
    good: advising({ kind: "outdated", on: { mod: "c" } }),
    bad: withState(plainWithOff, {
      ...plainWithOff.profile.state,
      advice: [{ kind: "outdated", on: { plugin: "a.plank" }, other: { plugin: "off.plank" } }],
    }),
  },
  {
    check: "advised",
    good: advising({ kind: "leftover", on: { plugin: "a.plank", sha256: "0".repeat(64) }, count: 2 }),
    bad: advising({ kind: "leftover", on: { plugin: "Pond.keel" }, count: 2 }),
  },
  {
    check: "advised",
    good: advising({ kind: "recommended", ...onA, other: { mod: "b" } }),
    bad: advisingBeside({ kind: "recommended", ...onA, other: { mod: "c" } }),
  },
  { check: "advised", good: plain, bad: advising({ kind: "note", ...onA, text: "Turn it down." }) },
  { check: "places", good: testRoster(many(4, ".plank")), bad: testRoster(many(5, ".plank")) },
  { check: "parts-clash", good: taking({ a: ["fog"] }), bad: taking({ a: ["fog"], b: ["fog"] }) },
  {
    check: "part-caution",
    good: taking({ b: ["bold"] }, { bold: "I like it" }),
    bad: taking({ b: ["bold"] }),
  },
  { check: "part-open", good: quiet, bad: packages },
  {
    check: "part-twice",
    good: quiet,
    bad: withOverlaps(taking({ a: ["fog"], b: ["fog"] }), {
      standing: { twice: [{ mods: ["a", "b"], parts: ["fog", "fog"] }] },
    }),
  },
  {
    check: "copied",
    good: plain,
    bad: withOverlaps(plain, { standing: { copies: [{ id: "a", of: "b" }] } }),
  },
  {
    check: "covered",
    good: withOverlaps(plain, { standing: { covered: { mods: ["gone"], plugins: [] } } }),
    bad: withOverlaps(plain, { standing: { covered: { mods: ["a"], plugins: ["a.plank"] } } }),
  },
  {
    check: "undecided",
    good: plain,
    bad: withOverlaps(plain, {
      standing: {
        undecided: {
          mods: { count: 3, loser: "a", winner: "b", shared: 4 },
          plugins: { count: 1, loser: "a.plank", winner: "b.plank", shared: 1 },
        },
      },
    }),
  },
  {
    check: "packed-hidden",
    good: plain,
    bad: withOverlaps(plain, { standing: { hidden: [{ hidden: "b", by: "a", count: 2, path: "sky.tex" }] } }),
  },
  {
    check: "patch-here",
    good: withStock(plain, { shelf: [...plain.stock.shelf, patch] }),
    bad: withStock(meetingMods, { shelf: [...plain.stock.shelf, patch] }),
  },
  { check: "blend-due", good: blending("current"), bad: blending("due") },
  { check: "awards-off", good: saying({ awards: true }), bad: saying({ awards: false }) },
  { check: "two-versions", good: twoOf("1.0.0"), bad: twoOf("2.0.0") },
  {
    check: "contents-gone",
    good: plain,
    bad: withStock(plain, {
      shelf: plain.stock.shelf.map((mod) => (mod.id === "a" ? { ...mod, content: "f".repeat(64) } : mod)),
      kept: plain.stock.shelf,
    }),
  },
  {
    check: "contents-gone",
    good: plain,
    bad: withStock(plain, {
      shelf: plain.stock.shelf.map((mod) =>
        mod.id === "a" ? { ...mod, version: "2.0.0", content: "f".repeat(64) } : mod,
      ),
      kept: plain.stock.shelf,
    }),
  },
  {
    check: "newer-here",
    good: plain,
    bad: withStock(plain, { shelf: [...plain.stock.shelf, shelfMod("a", [pluginFile("a.plank")], "2.0.0")] }),
  },
  {
    check: "rules-contradict",
    good: testRoster(abc, [{ kind: "after", item: "b.plank", other: "a.plank", strength: "must" }]),
    bad: testRoster(abc, [
      { kind: "after", item: "b.plank", other: "a.plank", strength: "must" },
      { kind: "after", item: "a.plank", other: "b.plank", strength: "must" },
    ]),
  },
  {
    check: "rank-changed",
    good: light,
    bad: withStock(light, { shelf: [shelfMod("a", [pluginFile("a.plank", [], 1)])] }),
  },
  {
    check: "reminder-due",
    good: withReminder({ kind: "arrives", mod: "gone" }),
    bad: withReminder({ kind: "arrives", mod: "a" }),
  },
  {
    check: "reminder-due",
    good: withReminder({ kind: "updated", version: plain.game.version }),
    bad: withReminder({ kind: "updated", version: "0.9" }),
  },
  {
    check: "reminder-due",
    good: withReminder({ kind: "day", date: "2026-12-13" }),
    bad: withReminder({ kind: "day", date: "2026-12-12" }),
  },
  {
    check: "master-off",
    good: plain,
    bad: withStock(plain, {
      shelf: packages.stock.shelf.map((each) =>
        each.id === "a" ? { ...each, plugins: [{ ...pluginFile("a.plank"), part: "fog" }] } : each,
      ),
    }),
  },
];
