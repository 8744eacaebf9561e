import fc from "fast-check";
import { aMod } from "../testing/ids";
import { aFile, drawnConflicts, testConflicts, type TestConflicts } from "../testing/contested";
import { makeRoster, type Roster } from "../roster/roster";
import { testRoster, withState } from "../testing/roster";
import { aboutItem, aboutKey, aboutPair, winnerWithout } from "./about";
import { Chains } from "./chains";
import { Conflicts, contestedIn, type Contested } from "./conflicts";
import { kinshipOrder } from "./kinship";
import { conflictsReport } from "./report";
import { everyConflict, kindOf, surveyOf, type ConflictQuery } from "./survey";

/** What is contested, from the report of the command, which its own oracle holds against copying by hand. */
function recount({ conflicts, roster }: TestConflicts, of: Contested) {
  const report = conflictsReport(conflicts, roster, false);
  return of === "files"
    ? report.paths.map(({ path, ...rest }) => ({ key: path, ...rest }))
    : report.records.map(({ record, ...rest }) => ({ key: record, equal: false, ...rest }));
}

const drawnQuery = fc.record({
  undecided: fc.constantFrom(false, false, true),
  unequal: fc.constantFrom(false, false, true),
  section: fc.constantFrom(null, null, null, "mods", "world"),
  kind: fc.constantFrom(null, null, null, null, ".tex", ".wav", "."),
  tag: fc.constant(null),
  item: fc.constantFrom(null, null, null, "a", "b", "a.plank"),
  text: fc.constantFrom("", "", "", "S", "reef"),
});

type Row = ReturnType<typeof recount>[number];
const sectionOf = { files: "mods", records: "world" } as const;

const fits = (row: Row, query: ConflictQuery, of: Contested): boolean =>
  !(query.undecided && row.decided) &&
  !(query.unequal && row.equal) &&
  (query.section === null || query.section === sectionOf[of]) &&
  (query.kind === null || (of === "files" && kindOf(row.key) === query.kind)) &&
  (query.item === null || row.providers.includes(query.item)) &&
  row.key.toLowerCase().includes(query.text.toLowerCase());

test("a survey shows what fits the question, counts what each other answer would show, and sums it up by pairs", () => {
  let shown = 0;
  fc.assert(
    fc.property(
      drawnConflicts,
      drawnQuery,
      fc.constantFrom<Contested>("files", "records"),
      (drawn, query, of) => {
        const { conflicts, roster } = drawn;
        const all = recount(drawn, of);
        const survey = surveyOf(conflicts, roster, of, query);
        const fitting = all.filter((row) => fits(row, query, of));
        shown += fitting.length;
        expect(survey.rows).toEqual(
          fitting.map(({ key, providers, equal, decided }) => ({ key, providers, equal, decided })),
        );
        expect(survey).toMatchObject({
          count: fitting.length,
          contested: all.length,
          open: all.filter((row) => !row.equal && !row.decided).length,
        });
        const leaves = (answer: Partial<ConflictQuery>) =>
          all.filter((row) => fits(row, { ...query, ...answer }, of)).length;
        expect(survey.counts.undecided).toBe(leaves({ undecided: true }));
        expect(survey.counts.unequal).toBe(leaves({ unequal: true }));
        for (const facet of ["item", "section", "kind"] as const)
          for (const [value, count] of Object.entries(survey.counts[facet]))
            expect([facet, value, count]).toEqual([facet, value, leaves({ [facet]: value })]);
        for (const id of ["a", "b", "a.plank"])
          expect(survey.counts.item[id] ?? 0).toBe(leaves({ item: id }));
        const sums: Record<string, number> = {};
        for (const { providers, winner } of fitting)
          for (const loser of providers.slice(0, -1))
            sums[`${loser} ${winner}`] = (sums[`${loser} ${winner}`] ?? 0) + 1;
        const name = (at: number) => survey.items[at]!.id;
        expect(
          Object.fromEntries(
            survey.pairs.map((pair) => [`${name(pair.loser)} ${name(pair.winner)}`, pair.files]),
          ),
        ).toEqual(sums);
        const chains = new Chains(roster, contestedIn[of]);
        for (const pair of survey.pairs)
          expect(pair.decided).toBe(chains.isDecided(name(pair.loser), name(pair.winner)));
      },
    ),
    { numRuns: 600 },
  );
  expect(shown).toBeGreaterThan(100);
});

const abc = testRoster([{ name: "a.plank" }, { name: "b.plank" }, { name: "c.plank" }]);

/** Who wins in another state, by an index that is made for it. */
function winnerIn({ conflicts }: TestConflicts, roster: Roster, of: Contested, name: string): string | null {
  const other = new Conflicts(conflicts.library);
  other.show(roster);
  const winner = other[of].winnerOf(other.keyOf(of, name));
  return winner < 0 ? null : other.idOf(of, winner);
}

test("a copy is one of which another brings every file in the same contents, whether or not it wins", () => {
  const files = {
    a: [aFile("sky.tex", "1"), aFile("reef.tex", "2")],
    b: [aFile("sky.tex", "1"), aFile("reef.tex", "2"), aFile("own.tex", "3")],
    c: [aFile("sky.tex", "1"), aFile("reef.tex", "9")],
  };
  const { conflicts, roster } = testConflicts(abc, files);
  const copies = (of = roster) => {
    conflicts.show(of);
    return Object.fromEntries(
      surveyOf(conflicts, of, "files", everyConflict).items.map(({ id, copyOf, covered }) => [
        id,
        [copyOf, covered],
      ]),
    );
  };
  expect(copies()).toEqual({ a: ["b", true], b: [null, false], c: [null, false] });
  const { mods } = roster.profile.state;
  const turned = withState(roster, {
    ...roster.profile.state,
    mods: { ...mods, entries: [...mods.entries].reverse() },
  });
  expect(copies(turned).a).toEqual(["b", false]);
});

test("more than is asked for is counted and not told", () => {
  const files = Array.from({ length: 12 }, (_, at) => aFile(`${at}.tex`));
  const { conflicts, roster } = testConflicts(abc, { a: files, b: files });
  const survey = surveyOf(conflicts, roster, "files", everyConflict, 5);
  expect([survey.rows.length, survey.count]).toEqual([5, 12]);
  conflicts.library.learn(
    { content: roster.mods[2]!.mod!.content!, files: [aFile("9.tex"), aFile("9a.tex")], records: [] },
    null,
  );
  conflicts.show(roster);
  const crowded = surveyOf(conflicts, roster, "files", everyConflict, 1);
  // The last by name, and so none of the rows that are told.
  expect(crowded.rows.map(({ key }) => key)).toEqual(["0.tex"]);
  expect(crowded.crowded[0]).toMatchObject({ key: "9.tex", providers: ["a", "b", "c"] });
});

test("what is told of a path, of a pair and of an item agrees with the report", () => {
  fc.assert(
    fc.property(drawnConflicts, fc.constantFrom<Contested>("files", "records"), (drawn, of) => {
      const { conflicts, roster } = drawn;
      const all = recount(drawn, of);
      const chains = new Chains(roster, contestedIn[of]);
      for (const row of all) {
        const about = aboutKey(conflicts, roster, of, row.key)!;
        expect(about.providers.map(({ id }) => id)).toEqual(row.providers);
        expect(about.providers.every(({ decided }) => decided)).toBe(row.decided);
        for (const { id } of about.providers) {
          if (id === "" || id === "Pond.keel") continue;
          const list = contestedIn[of];
          const { [list]: order } = roster.profile.state;
          const entries = order.entries.map((entry) => (entry.id === id ? { ...entry, on: false } : entry));
          const off = withState(roster, { ...roster.profile.state, [list]: { ...order, entries } });
          expect(winnerWithout(conflicts, roster, of, row.key, id)).toBe(winnerIn(drawn, off, of, row.key));
        }
        if (of === "files") expect(about.providers.every(({ equal }) => equal)).toBe(row.equal);
        for (const loser of row.providers.slice(0, -1)) {
          const pair = aboutPair(conflicts, roster, of, [row.winner, loser]);
          const told = pair.rows.find(({ key }) => key === row.key)!;
          expect(told.winner).toBe(row.winner);
          expect(["packed", "equal", undefined]).toContain(told.none?.because);
          expect(pair.decided !== null).toBe(chains.isDecided(loser, row.winner));
        }
      }
      for (const { id } of roster.lists[contestedIn[of]].items) {
        const about = aboutItem(conflicts, roster, of, id);
        const wins = all.filter(({ winner }) => winner === id);
        const loses = all.filter(({ winner, providers }) => winner !== id && providers.includes(id));
        if (!about) {
          expect(wins.length + loses.length).toBe(0);
          continue;
        }
        const figures = surveyOf(conflicts, roster, of, everyConflict).items.find((each) => each.id === id)!;
        expect(of === "files" ? about.copyOf : figures.copyOf).toBe(figures.copyOf);
        expect([about.wins, about.loses]).toEqual([wins.length, loses.length]);
        expect(about.left).toHaveLength(about.files - about.loses);
        const over = Object.fromEntries(about.overriddenBy.map((meets) => [meets.id, meets.count]));
        const expected: Record<string, number> = {};
        for (const { winner } of loses) expected[winner] = (expected[winner] ?? 0) + 1;
        expect(over).toEqual(expected);
        expect(about.overrides.reduce((sum, { count }) => sum + count, 0)).toBe(
          wins.reduce((sum, { providers }) => sum + providers.length - 1, 0),
        );
      }
    }),
    { numRuns: 200 },
  );
});

test("why two that bring the same do not contest it is told with the item that it is about", () => {
  const manifest = {
    format: "seating-mod/1" as const,
    id: "c",
    name: "c",
    version: "1",
    components: [{ id: "wide", label: "Wide", paths: ["wide/"] }],
  };
  const files = {
    a: [
      aFile("off.tex", "1"),
      aFile("same.tex", "1"),
      aFile("all.spool", "1"),
      aFile("in.tex", "1", { container: "all.spool" }),
    ],
    b: [
      aFile("off.tex", "2"),
      aFile("same.tex", "1"),
      aFile("in.tex", "2"),
      aFile("left.tex", "1"),
      aFile("part.tex", "1"),
    ],
    c: [
      aFile("off.tex", "3"),
      aFile("left.tex", "2"),
      aFile("part.tex", "3", { part: "wide" }),
      aFile("all.spool", "2"),
      aFile("in.tex", "3"),
    ],
  };
  const shelf = abc.stock.shelf.map((mod) => (mod.id === "c" ? { ...mod, manifest } : mod));
  const { state } = abc.profile;
  const roster = makeRoster(
    abc.game,
    { ...abc.profile, state: { ...state, leftOut: [{ mod: aMod("c"), path: "left.tex" }] } },
    { ...abc.stock, shelf },
  );
  const { conflicts } = testConflicts(roster, files);
  const because = (one: string, other: string, of = roster) => {
    conflicts.show(of);
    const { rows } = aboutPair(conflicts, of, "files", [one, other]);
    return Object.fromEntries(rows.map(({ key, none }) => [key, none]));
  };
  expect(because("b", "a")).toEqual({
    "off.tex": null,
    "same.tex": { because: "equal" },
    "in.tex": { because: "container", of: "a" },
  });
  expect(because("b", "c")).toEqual({
    "off.tex": null,
    "in.tex": null,
    "left.tex": { because: "left-out", of: "c" },
    "part.tex": { because: "part", of: "c" },
  });
  expect(because("a", "c")).toMatchObject({ "all.spool": null, "in.tex": { because: "container", of: "a" } });
  const off = withState(roster, {
    ...roster.profile.state,
    mods: { ...state.mods, entries: state.mods.entries.map((entry) => ({ ...entry, on: entry.id !== "c" })) },
  });
  expect(because("b", "c", off)).toEqual({
    "off.tex": { because: "off", of: "c" },
    "left.tex": { because: "off", of: "c" },
    "part.tex": { because: "off", of: "c" },
    "in.tex": { because: "off", of: "c" },
  });
  // Now that nobody takes the packed file's path, what lies in it is provided, and loses to what lies loose.
  expect(because("b", "a", off)["in.tex"]).toEqual({ because: "packed", of: "a" });
});

test("the chain that decides a pair is the shortest, from the earlier to the later", () => {
  const tied = testRoster(
    [{ name: "a.plank" }, { name: "b.plank", masters: ["a.plank"] }, { name: "c.plank" }],
    [{ id: "r", kind: "before", item: "b.plank", other: "c.plank", strength: "prefer" }],
  );
  const chains = new Chains(tied, "plugins");
  const links = [
    { before: "a.plank", after: "b.plank", because: "needs" },
    { before: "b.plank", after: "c.plank", because: { rule: "r" } },
  ];
  expect(chains.between("a.plank", "c.plank")).toEqual(links);
  expect(chains.between("c.plank", "a.plank")).toEqual(links);
  expect(new Chains(tied, "mods").between("a", "c")).toBeNull();
});

/** How far apart those that meet stand at most. */
const bandwidth = (order: readonly number[], pairs: readonly { loser: number; winner: number }[]): number => {
  const place = new Map(order.map((item, at) => [item, at]));
  return Math.max(0, ...pairs.map(({ loser, winner }) => Math.abs(place.get(loser)! - place.get(winner)!)));
};

test("by kinship those that meet stand together: a path comes to stand as one, whatever its numbers, and every item stands once", () => {
  const count = 60;
  fc.assert(
    fc.property(
      fc.shuffledSubarray(
        Array.from({ length: count }, (_, at) => at),
        { minLength: count },
      ),
      (line) => {
        const pairs = line.slice(1).map((item, at) => ({ loser: line[at]!, winner: item }));
        const order = kinshipOrder(count, pairs);
        expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: count }, (_, at) => at));
        expect(bandwidth(order, pairs)).toBe(1);
      },
    ),
    { numRuns: 30 },
  );
  expect(kinshipOrder(4, [{ loser: 3, winner: 1 }])).toEqual([3, 1, 0, 2]);
});
