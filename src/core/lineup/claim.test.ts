import type { ListLine, Listing } from "../model/listing";
import type { Lineup } from "../model/lineup";
import { testGame } from "../testing/game";
import { aMod } from "../testing/ids";
import { hex, testRoster } from "../testing/roster";
import { claimOfCode, claimOfKept, claimOfLineup, claimOfListing } from "./claim";
import { lineupOfListing } from "./draft";
import { fingerprintOf, factsOfLineup } from "./fingerprint";
import { knownMods } from "./known";
import { makeLineup } from "./make-lineup";
import { matchLines, type MatchedLine } from "./match-lines";
import type { SharedSetup } from "./share";

const roster = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
const known = knownMods(roster.stock.shelf, []);
const lineup = makeLineup(roster, {
  title: "Pond",
  author: "",
  note: "",
  listVersion: "",
  date: "2026-11-02",
});

const line = (name: string, more: Partial<ListLine> = {}): ListLine => ({
  text: name,
  name,
  list: "mods",
  on: true,
  ...more,
});
function claimed(lines: readonly ListLine[], more: Partial<Listing> = {}, game = testGame) {
  const listing: Listing = { title: "", game: null, lines, ...more };
  const matches = matchLines(game, lines, known);
  const made = lineupOfListing(game, listing, matches, roster.stock, "List");
  return claimOfListing(game, listing, matches, "Text", made);
}

const all = ["game", "mods", "plugins", "versions", "hashes", "off", "parts", "left-out", "settings"];

describe("what a list of names leaves unsaid", () => {
  test("is all that none of its lines says", () => {
    expect(claimed([]).unsaid).toEqual(all);
    expect(claimed([line("a")]).unsaid).toEqual(all.filter((part) => part !== "mods"));
    expect(claimed([line("a.plank", { list: "plugins" })]).unsaid).toEqual(
      all.filter((part) => part !== "plugins"),
    );
  });

  test.each<[string, Partial<ListLine>, string[]]>([
    ["a version", { version: "1.0.0" }, ["versions"]],
    [
      "contents, which tell the version too",
      { content: roster.stock.shelf[0]!.content! },
      ["versions", "hashes"],
    ],
    ["parts", { parts: { options: {}, components: [] } }, ["parts"]],
    ["what is left out", { leftOut: [] }, ["left-out"]],
  ])("%s counts as said only where every line says it", (_, more, parts) => {
    const both = claimed([
      line("a", more),
      line("b", more.content ? { content: roster.stock.shelf[1]!.content! } : more),
    ]);
    expect(both.unsaid).toEqual(all.filter((part) => part !== "mods" && !parts.includes(part)));
    expect(claimed([line("a", more), line("b")]).unsaid).toEqual(all.filter((part) => part !== "mods"));
  });

  test("the game, its settings, and what is off", () => {
    const { unsaid } = claimed([line("a"), line("b", { on: false })], {
      game: { id: "pond", version: "1" },
      settings: { expansions: [], baseOff: [], launch: {} },
    });
    expect(unsaid).toEqual(["plugins", "versions", "hashes", "parts", "left-out"]);
  });

  test("of a game of mods alone says nothing of plugins", () => {
    expect(claimed([line("a")], {}, { ...testGame, lists: ["mods"] }).unsaid).not.toContain("plugins");
  });
});

describe("what was not understood", () => {
  test("is what is on, and neither known, nor the game's, nor answered, nor talk; cut where it is long", () => {
    const long = `nobody knows ${"x".repeat(900)}`;
    const claim = claimed([
      line("a"),
      line(long),
      line("off and unknown", { on: false }),
      line("Pond.keel", { list: "plugins" }),
    ]);
    expect(claim.unmatched).toEqual([long.slice(0, 600)]);
  });

  test("an answer that it is nothing is an answer", () => {
    const lines = [line("wholly unknown thing")];
    const listing: Listing = { title: "", game: null, lines };
    const [match] = matchLines(testGame, lines, known);
    const answered: MatchedLine = { ...match!, how: "answer", known: null };
    expect(claimOfListing(testGame, listing, [answered], "Text", lineup).unmatched).toEqual([]);
    expect(claimOfListing(testGame, listing, [match!], "Text", lineup).unmatched).toHaveLength(1);
    const doubtful: MatchedLine = { ...match!, how: "similar", known: known[0]!, sure: false };
    expect(claimOfListing(testGame, listing, [doubtful], "Text", lineup).unsure).toHaveLength(1);
    expect(claimOfListing(testGame, listing, [{ ...doubtful, sure: true }], "Text", lineup).unsure).toEqual(
      [],
    );
  });

  test("mods whose plugins alone are named are implied", () => {
    expect(
      claimed([line("a.plank", { list: "plugins" }), line("b.plank", { list: "plugins" })]).implied,
    ).toEqual(["a", "b"]);
    expect(claimed([line("a"), line("a.plank", { list: "plugins" })]).implied).toEqual([]);
  });
});

describe("a list that says all and carries a fingerprint", () => {
  const lines = [
    ...lineup.mods.map(({ id, content }) =>
      line(id, { content, parts: { options: {}, components: [] }, leftOut: [], version: "1.0.0" }),
    ),
    ...lineup.plugins.map(({ name, sha256 }) => line(name, { list: "plugins", sha256: sha256! })),
  ];
  const whole: Partial<Listing> = {
    game: { id: lineup.game.id, version: lineup.game.version },
    settings: { expansions: lineup.expansions, baseOff: [], launch: {} },
  };
  const fingerprint = fingerprintOf(factsOfLineup(lineup));

  test("was altered where it is not what that was worked out of", () => {
    expect(claimed(lines, { ...whole, fingerprint }).altered).toEqual([]);
    expect(claimed(lines, { ...whole, fingerprint: hex("z") }).altered).toEqual(["fingerprint"]);
    expect(claimed(lines, { ...whole, fingerprint: hex("z"), altered: ["mods"] }).altered).toEqual(["mods"]);
  });

  test("cannot be called so where something is unsaid, or was not understood", () => {
    const other = { ...whole, fingerprint: hex("z") };
    expect(
      claimed(
        lines.slice(1).map((each) => ({ ...each, leftOut: undefined as never })),
        other,
      ).altered,
    ).toEqual([]);
    expect(
      claimed(
        [
          ...lines,
          line("never heard of it", {
            content: hex("q"),
            version: "1",
            leftOut: [],
            parts: { options: {}, components: [] },
          }),
        ],
        other,
      ).altered,
    ).toEqual([]);
    const silent = lines.map(({ sha256: _, ...each }) => each);
    expect(claimed(silent, other).altered).toEqual([]);
    expect(claimed(lines, whole).altered).toEqual([]);
  });
});

describe("codes, and lists that were kept", () => {
  const setup = { fingerprint: hex("f"), sections: null } as unknown as SharedSetup;

  test("a code says all but what is left out, and what it carries besides", () => {
    const unknown = [
      { named: { name: "Named" }, start: "abc" },
      { named: null, start: "def" },
    ] as never;
    expect(claimOfCode(setup, unknown)).toEqual({
      format: "share code",
      fingerprint: hex("f"),
      altered: [],
      unsaid: ["left-out"],
      unmatched: ["Named", "def"],
      unsure: [],
      beside: ["sections", "numbers", "rules", "notes", "facts"],
      implied: [],
    });
    const short = claimOfCode({ ...setup, fingerprint: "abc", sections: [] as never }, []);
    expect([short.fingerprint, short.beside]).toEqual([null, ["numbers", "rules", "notes", "facts"]]);
  });

  test("a lineup says everything", () => {
    expect(claimOfLineup({ ...lineup, fingerprint: hex("f") }, "JSON")).toMatchObject({
      format: "JSON",
      fingerprint: hex("f"),
      unsaid: [],
      unmatched: [],
      unsure: [],
      beside: [],
      implied: [],
    });
    const { fingerprint: _, ...bare } = lineup;
    expect(claimOfLineup(bare, "JSON").fingerprint).toBeNull();
  });

  test("one that was kept before there were claims is Seating's where it has a date, and proves nothing else", () => {
    expect(claimOfKept(lineup).format).toBe("lineup");
    const undated: Lineup = { ...lineup, date: "", mods: [{ ...lineup.mods[0]!, id: aMod("x") }] };
    expect(claimOfKept(undated)).toEqual({
      format: "list",
      fingerprint: null,
      altered: [],
      unsaid: ["hashes", "parts", "left-out", "settings"],
      unmatched: [],
      unsure: [],
      beside: ["sections", "numbers", "rules", "notes", "facts"],
      implied: [],
    });
  });
});
