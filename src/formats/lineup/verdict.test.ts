import { digestsOf } from "@/core/lineup/digests";
import { factsOfLineup, fingerprintOf } from "@/core/lineup/fingerprint";
import { knownMods } from "@/core/lineup/known";
import { makeLineup } from "@/core/lineup/make-lineup";
import { stateFromLineup } from "@/core/lineup/match";
import { shareSetup } from "@/core/lineup/share";
import { claimOfKept } from "@/core/lineup/claim";
import { verdictOf, type Verdict } from "@/core/lineup/verdict";
import {
  lackText,
  placeWords,
  unsaidText,
  verdictMark,
  verdictText,
  verdictTitle,
} from "@/core/messages/verdict";
import type { Lineup } from "@/core/model/lineup";
import type { ProfileState } from "@/core/model/profile";
import { makeRoster, type Stock } from "@/core/roster/roster";
import { testGame } from "@/core/testing/game";
import { aMod, aRule } from "@/core/testing/ids";
import { hex, shelfMod, testRoster, withState } from "@/core/testing/roster";
import { formatOf, lineupFormats } from "./all";
import { writeCode } from "./code";
import { readList } from "./read";
import { resolveList, type ResolvedList } from "./resolve";

const plain = testRoster([
  { name: "Core.keel" },
  { name: "b.plank", masters: ["Core.keel"] },
  { name: "a.plank" },
  { name: "off.plank", on: false, modOn: false },
  { name: "p.plank", section: "patches" },
]);
/** Something of every facet that a list can say. */
const author = withState(plain, {
  ...plain.profile.state,
  choices: [{ mod: aMod("a"), options: { look: ["tall"] }, components: ["x"] }],
  leftOut: [{ mod: aMod("b"), path: "textures/" }],
  launch: { draw: 3 },
  rules: [
    {
      id: aRule("r"),
      rule: { kind: "after", item: "a.plank", other: "b.plank", strength: "prefer" },
      note: "why",
      made: "2026-11-01",
    },
  ],
});
const facts = { title: "Pond", author: "reed", note: "", listVersion: "1", date: "2026-11-02" };
const lineup = makeLineup(author, facts);
/** One that says no more than a table can. */
const bare = makeLineup(plain, facts);

function resolved(text: string, stock: Stock = author.stock): ResolvedList {
  const list = readList(new TextEncoder().encode(text), "x", testGame);
  if (!list.ok) throw new Error(JSON.stringify(list.refusal));
  return resolveList(list.value, testGame, knownMods(stock.shelf, []), stock, "List");
}

/** The verdict on a profile that is made of the list here, and changed then. */
function judged(
  text: string,
  {
    stock = author.stock,
    change = (state) => state,
  }: { stock?: Stock; change?: (state: ProfileState) => ProfileState } = {},
): Verdict {
  const list = resolved(text, stock);
  const state = change(stateFromLineup(testGame, list.lineup, stock));
  return verdictOf(list.lineup, list.claim, makeRoster(testGame, { ...plain.profile, state }, stock));
}

/** The path of each value. */
function* leaves(value: unknown, path = ""): Generator<string> {
  if (typeof value !== "object" || value === null) yield path;
  else for (const [key, each] of Object.entries(value)) yield* leaves(each, `${path}/${key}`);
}
/** The list with one value changed. */
const changed = (path: string): unknown => {
  const copy = structuredClone(lineup) as unknown as Record<string, never>;
  const keys = path.slice(1).split("/");
  let parent = copy;
  for (const key of keys.slice(0, -1)) parent = parent[key]!;
  const last = keys.at(-1)!;
  const old = parent[last] as unknown;
  const isHash = typeof old === "string" && /^[0-9a-f]{64}$/.test(old);
  const next = isHash
    ? hex("z")
    : typeof old === "string"
      ? `${old}z`
      : typeof old === "boolean"
        ? !old
        : old === null
          ? hex("z")
          : 77;
  Object.assign(parent, { [last]: next });
  return copy;
};

const whole = ["lineup", "yaml", "page"].map((id) => formatOf(id)!);
const json = (value: unknown) => JSON.stringify(value);

describe("a whole list", () => {
  test.each(whole)("$id is reproduced exactly, and says in what it was changed", ({ write }) => {
    const text = write(lineup, testGame);
    expect(judged(text)).toEqual({ kind: "exact" });
    expect(judged(write({ ...lineup, launch: { draw: 4 } }, testGame))).toEqual({
      kind: "altered",
      places: ["launch"],
    });
  });

  /** Every value of the list but words: what is said of it, and its parts' names, sources and sizes. */
  const words =
    /^\/(title|author|note|listVersion|date|credits|open|format|list)\b|\/(name|source|size|note|made|guidance)$/;
  test("is never called exact where a single value of it was changed, and says where", () => {
    const paths = [...leaves(lineup)].filter((path) => !words.test(path));
    expect(paths.length).toBeGreaterThan(80);
    for (const path of paths) {
      const list = readList(new TextEncoder().encode(json(changed(path))), "x", testGame);
      // What is no list any more is refused.
      if (!list.ok) continue;
      expect([path, judged(json(changed(path))).kind]).toEqual([path, "altered"]);
    }
  });

  test("with a mod less, two plugins swapped or its digests gone is altered, and so is one of the first version", () => {
    const less = { ...lineup, mods: lineup.mods.slice(1) };
    expect(judged(json(less))).toMatchObject({
      kind: "altered",
      places: expect.arrayContaining(["mods"]) as string[],
    });
    const [first, core, b, a, ...rest] = lineup.plugins;
    const swapped = { ...lineup, plugins: [first!, core!, a!, b!, ...rest] };
    expect(judged(json(swapped))).toEqual({ kind: "altered", places: ["plugins"] });
    const { digests: _, ...bald } = lineup;
    expect(judged(json(bald))).toEqual({ kind: "altered", places: ["digests"] });
    const old = { ...bald, format: "seating-lineup/1" };
    expect(judged(json(old))).toEqual({ kind: "exact" });
    expect(judged(json({ ...old, launch: { draw: 4 } }))).toEqual({
      kind: "altered",
      places: ["fingerprint"],
    });
  });

  test("one that was given new digests and a new fingerprint is another list, and no altered one", () => {
    const other: Lineup = { ...lineup, launch: { draw: 4 } };
    const signed = { ...other, fingerprint: fingerprintOf(factsOfLineup(other)), digests: digestsOf(other) };
    expect(judged(json(signed))).toEqual({ kind: "exact" });
  });

  test("of which something that is on is not here is not there yet, whatever else is so", () => {
    const shelf = author.stock.shelf.map((mod) =>
      mod.id === "a" ? shelfMod("a", mod.plugins, "2.0.0") : mod,
    );
    for (const stock of [
      { ...author.stock, shelf },
      { ...author.stock, shelf: shelf.filter(({ id }) => id !== "a") },
    ])
      expect(judged(json(lineup), { stock })).toEqual({
        kind: "not-yet",
        lacks: [{ what: "missing", item: "a 1.0.0" }],
      });
    // What is off may be absent.
    const without = { ...author.stock, shelf: author.stock.shelf.filter(({ id }) => id !== "off") };
    expect(judged(json(lineup), { stock: without })).toEqual({ kind: "exact" });
    const other = { ...lineup, expansions: ["island"] };
    const signed = { ...other, fingerprint: fingerprintOf(factsOfLineup(other)), digests: digestsOf(other) };
    expect(judged(json(signed))).toMatchObject({ kind: "not-yet", lacks: [{ item: "The Island" }] });
  });

  test("differs once the profile is changed, in just that, and does so no more when it is changed back", () => {
    const change = (state: ProfileState) => ({ ...state, launch: { draw: 5 } });
    expect(judged(json(lineup), { change })).toMatchObject({
      kind: "differs",
      differences: [{ facet: "launch", key: "draw" }],
      unsaid: [],
    });
    // What decides nothing of the setup changes no verdict.
    expect(judged(json(lineup), { change: (state) => ({ ...state, rules: [] }) })).toEqual({ kind: "exact" });
  });
});

/**
 * What is words about a list, and what a format without digests need not prove: of an archive its contents decide, and others of
 * the same contents are as good.
 */
const aside =
  /^\/(title|author|note|listVersion|date|credits|open|format|list|fingerprint|digests)\b|\/(name|source|size|note|made|guidance|rank)$/;
const unproved =
  /^\/(sections|rules|followUps|broaderFirst)\b|\/(section|home|on|role|terms|requires|masters|archive)$/;
const isOfWhatIsOff = (path: string): boolean => {
  const [, list, at] = /^\/(mods|plugins)\/(\d+)\//.exec(path) ?? [];
  return list !== undefined && !lineup[list as "mods" | "plugins"][Number(at)]!.on;
};
const withDigests = ["xml", "bom"];

describe("a list in which a single value was changed by hand, and its fingerprint and digests left", () => {
  const partly = ["csv", "xml", "bom", "markdown-list", "markdown-table", "marked", "lines", "keyed", "code"];
  const written = (id: string, list: Lineup) =>
    id === "code" ? codeOf(list) : formatOf(id)!.write(list, testGame);
  const codeOf = (list: Lineup) =>
    writeCode(
      shareSetup(
        list,
        testGame,
        (mod) => author.modOf.get(mod.id)?.mod ?? null,
        () => true,
      ),
    );

  test.each(partly)("%s: is never called exact", (id) => {
    const text = written(id, lineup);
    const own = digestsIn(text);
    const paths = [...leaves(lineup)].filter(
      (path) =>
        !aside.test(path) && (withDigests.includes(id) || !(unproved.test(path) || isOfWhatIsOff(path))),
    );
    const told: string[] = [];
    for (const path of paths) {
      const other = changed(path) as Lineup;
      const altered = written(id, other).replace(digestsIn(written(id, other)), own);
      if (altered === text) continue;
      told.push(path);
      const list = readList(new TextEncoder().encode(altered), "x", testGame);
      if (list.ok) expect([path, judged(altered).kind]).not.toEqual([path, "exact"]);
    }
    expect(told.length).toBeGreaterThan(2);
  });
});

/** The digests as they stand in a text; empty where there are none. */
const digestsIn = (text: string): string =>
  /\bdigests="([^"]+)"/.exec(text)?.[1] ??
  /"seating:digests",\s*"value": ("(?:[^"\\]|\\.)+")/.exec(text)?.[1] ??
  "";

/** Two plugins that are neighbours change places. */
function turnedBom(text: string): string {
  const bom = JSON.parse(text) as { components: { name: string }[] };
  const at = bom.components.findIndex(({ name }) => name === "b.plank");
  const [one, other] = bom.components.slice(at);
  return JSON.stringify({ ...bom, components: bom.components.toSpliced(at, 2, other!, one!) });
}

/** In a sheet the numbers say the order, however its rows are sorted. */
function renumbered(one: string, other: string): string[] {
  const [first, second] = [one, other].map((row) => /^[\d.]+/.exec(row)![0]);
  return [one.replace(first!, second!), other.replace(second!, first!)];
}

describe("a list that carries its author's fingerprint and not all that it is made of", () => {
  const partly = ["csv", "xml", "bom", "markdown-list", "markdown-table", "marked", "lines", "keyed"].map(
    (id) => formatOf(id)!,
  );

  test.each(partly)(
    "$id: exact where all that decides is carried, or so here too",
    ({ id, write, carries }) => {
      expect(judged(write(bare, testGame))).toEqual({ kind: "exact" });
      const lost = (["parts", "left-out", "settings"] as const).filter((aspect) => !carries.includes(aspect));
      expect([id, judged(write(lineup, testGame))]).toEqual([
        id,
        lost.length === 0
          ? { kind: "exact" }
          : { kind: "differs", differences: [], unsaid: expect.arrayContaining(lost) as string[] },
      ]);
    },
  );

  test.each(partly)(
    "$id: a line less, two turned round or another version is never called exact",
    ({ id, write }) => {
      const text = write(bare, testGame);
      const lines = text.split("\n");
      const at = lines.findIndex((line) => /\bb\.plank\b/.test(line));
      const [one, other] = [lines[at]!, lines[at + 1]!];
      const turned = lines
        .toSpliced(at, 2, ...(id === "csv" ? renumbered(one, other) : [other, one]))
        .join("\n");
      const edits = id === "bom" ? [turnedBom(text)] : [turned, lines.toSpliced(at, 1).join("\n")];
      for (const edited of edits) {
        const list = readList(new TextEncoder().encode(edited), "x", testGame);
        if (list.ok) expect([id, judged(edited).kind]).not.toEqual([id, "exact"]);
      }
    },
  );

  test.each(["csv", "xml", "bom"])(
    "%s: one that says all is altered where its fingerprint is of something else",
    (id) => {
      const { write } = formatOf(id)!;
      const other = write({ ...lineup, launch: { draw: 4 } }, testGame);
      expect(judged(other).kind).toBe("altered");
      expect(judged(write({ ...lineup, plugins: lineup.plugins.toReversed() }, testGame)).kind).toBe(
        "altered",
      );
    },
  );

  test("a code carries the whole of it; one of the first form so little that it proves nothing", () => {
    const setup = shareSetup(
      bare,
      testGame,
      ({ id }) => plain.modOf.get(id)!.mod,
      () => true,
    );
    expect(judged(writeCode(setup))).toEqual({ kind: "exact" });
    const first = resolved(writeCode({ ...setup, fingerprint: setup.fingerprint.slice(0, 16) }));
    expect(first.claim.fingerprint).toBeNull();
    const game = {
      ...author.stock,
      base: author.stock.base.map((file) => ({ ...file, sha256: hex("other") })),
    };
    // The game's own plugins are other files here: nothing that the code says differs, and yet it is not the same.
    expect(judged(writeCode(setup), { stock: game })).toMatchObject({ kind: "differs", differences: [] });
  });
});

describe("a list that carries no fingerprint", () => {
  test("is so as far as it says, with what it does not say, and never exact", () => {
    const verdict = judged(formatOf("order-file")!.write(bare, testGame));
    expect(verdict).toMatchObject({
      kind: "as-far",
      unsaid: expect.arrayContaining(["mods", "hashes", "off"]) as string[],
    });
    const text = formatOf("csv")!.write(bare, testGame).replace(bare.fingerprint!, "");
    // It says all, and nobody says that it is what its author had.
    expect(judged(text)).toEqual({ kind: "as-far", unsaid: [] });
  });

  test("differs where what it does say does not hold any more", () => {
    const text = formatOf("marked")!
      .write(bare, testGame)
      .replace(/^# Fingerprint.*\n/m, "");
    const turn = (state: ProfileState): ProfileState => ({
      ...state,
      mods: {
        ...state.mods,
        entries: state.mods.entries.map((entry) => (entry.id === "a" ? { ...entry, on: false } : entry)),
      },
    });
    expect(judged(text).kind).toBe("as-far");
    expect(judged(text, { change: turn })).toMatchObject({ kind: "differs" });
  });

  test("with a line that nothing is called by, or nobody has answered for, is not there yet", () => {
    expect(judged("# Mods\ncore\nNothing Known At All\n")).toEqual({
      kind: "not-yet",
      lacks: [{ what: "unmatched", item: "Nothing Known At All" }],
    });
  });

  test("says nothing of where a mod stands of which it names only a plugin", () => {
    const list = "# Mods\ncore\nb\n# Plugins\nCore.keel\nb.plank\na.plank\np.plank\n";
    const first = (state: ProfileState): ProfileState => ({
      ...state,
      mods: { ...state.mods, entries: state.mods.entries.toSorted((one) => (one.id === "a" ? -1 : 0)) },
    });
    expect(judged(list, { change: first }).kind).toBe("as-far");
  });

  test("what is off in it and not understood stands in nobody's way", () => {
    expect(judged("# Mods\n[x] core\n[ ] Nothing Known At All\n")).toMatchObject({ kind: "as-far" });
  });

  test("one that was kept before says as much as its kind can", () => {
    expect(claimOfKept(lineup)).toMatchObject({ fingerprint: lineup.fingerprint, altered: [] });
    expect(claimOfKept({ ...lineup, date: "" })).toMatchObject({ fingerprint: null });
  });
});

test("every verdict has words, and no two the same", () => {
  const verdicts: Verdict[] = [
    { kind: "altered", places: ["mods"] },
    { kind: "not-yet", lacks: [{ what: "missing", item: "a" }] },
    { kind: "differs", differences: [], unsaid: ["parts"] },
    { kind: "as-far", unsaid: [] },
    { kind: "exact" },
  ];
  for (const say of [
    verdictTitle,
    verdictMark,
    (each: Verdict) => verdictText(each, { format: "table", fingerprint: hex("f") }),
  ])
    expect(new Set(verdicts.map(say)).size).toBe(verdicts.length);
  expect(verdictTitle(verdicts[2]!)).not.toMatch(/\d/);
  // Of a list that carries none, nothing is said of a fingerprint.
  expect(verdictText(verdicts[2]!, { format: "table", fingerprint: null })).not.toMatch(/fingerprint/);
  expect(placeWords.mods).toContain("version");
  expect(unsaidText("left-out", author)).toBe("files left out: here 1");
  expect(lackText({ what: "unsure", item: "x" })).toContain("“x”");
});

test("every format that can hold it carries its author's fingerprint whole", () => {
  const carrying = lineupFormats.filter(({ write }) => write(lineup, testGame).includes(lineup.fingerprint!));
  expect(lineupFormats.filter((each) => !carrying.includes(each)).map(({ id }) => id)).toEqual([
    "order-file",
  ]);
});
