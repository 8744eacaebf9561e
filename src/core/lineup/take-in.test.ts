import type { BesidePart, Claim, UnsaidPart } from "../model/claim";
import type { Lineup } from "../model/lineup";
import type { Entry, Order, ProfileState } from "../model/profile";
import type { ShelfMod } from "../model/shelf";
import { makeRoster, type Roster } from "../roster/roster";
import { aMod, aPlugin, aRule, aSection } from "../testing/ids";
import { hex, pluginFile, shelfMod, testRoster, withState } from "../testing/roster";
import { claimOfLineup } from "./claim";
import { makeLineup } from "./make-lineup";
import { takeListIn } from "./take-in";

const facts = { title: "Pond", author: "reed", note: "", listVersion: "1", date: "2026-11-02" };
const names = ["a", "b", "c", "d"];
const plain = testRoster(names.map((name) => ({ name: `${name}.plank` })));
const { state: nothing } = plain.profile;

const changed = (change: Partial<ProfileState>): Roster => withState(plain, { ...nothing, ...change });
const listOf = (roster: Roster): Lineup => makeLineup(roster, facts);

interface Said {
  readonly unsaid?: UnsaidPart[];
  readonly beside?: BesidePart[];
  readonly implied?: string[];
  readonly way?: "into" | "order" | "alone";
}

function taken(
  here: Roster,
  lineup: Lineup,
  { unsaid = [], beside = [], implied = [], way = "into" }: Said = {},
) {
  const claim: Claim = { ...claimOfLineup(lineup, "x"), unsaid, beside, implied };
  return takeListIn(here, { lineup, claim }, way);
}

/** The mods' order, each in a section of these, as "section/id", "-" where it is off. */
const mods = (text: string, sections = "one two"): ProfileState["mods"] => ({
  sections: sections
    .split(" ")
    .map((id) => ({ id: aSection(id), name: `Name of ${id}`, rank: "mods", guidance: "" })),
  entries: text.split(" ").map((each) => {
    const [section, id] = each.replace("-", "").split("/") as [string, string];
    const content = plain.modOf.get(aMod(id))?.entry.content ?? hex(id);
    return { id: aMod(id), on: !each.endsWith("-"), section: aSection(section), content };
  }),
});
const told = ({ entries }: Order): string =>
  entries.map(({ id, section, on }: Entry) => `${section}/${id}${on ? "" : "-"}`).join(" ");

const rule = (id: string) => ({
  id: aRule(id),
  rule: { kind: "after", item: "b.plank", other: "a.plank", strength: "prefer" } as const,
  note: id,
  made: "2026-11-01",
});
const note = (item: string) => ({
  list: "mods" as const,
  item: aMod(item),
  text: item,
  author: "reed",
  at: "2026-11-01",
});

describe("what a list does not say stays mine", () => {
  const mine = changed({
    rules: [rule("mine")],
    books: [{ id: "mine", off: [] }] as unknown as ProfileState["books"],
    broaderFirst: false,
    notes: [note("a")],
    launch: { draw: 1 },
    leftOut: [{ mod: aMod("a"), path: "mine/" }],
    choices: [{ mod: aMod("a"), options: { look: ["mine"] }, components: [] }],
  });
  const theirs: ProfileState = {
    ...nothing,
    rules: [rule("theirs")],
    notes: [note("a"), note("b")],
    launch: { draw: 2 },
    leftOut: [{ mod: aMod("b"), path: "theirs/" }],
    choices: [{ mod: aMod("b"), options: { look: ["theirs"] }, components: [] }],
  };
  const list = listOf(withState(plain, theirs));

  test.each<[string, Said, readonly (keyof ProfileState)[]]>([
    ["rules", { beside: ["rules"] }, ["rules", "books", "broaderFirst"]],
    ["notes", { beside: ["notes"] }, ["notes"]],
    ["settings", { unsaid: ["settings"] }, ["launch", "expansions", "baseOff"]],
    ["left-out files", { unsaid: ["left-out"] }, ["leftOut"]],
    ["parts", { unsaid: ["parts"] }, ["choices"]],
  ])("%s", (_, said, parts) => {
    const silent = taken(mine, list, said);
    for (const part of parts) expect(silent[part]).toBe(mine.profile.state[part]);
    const whole = taken(mine, list);
    expect(parts.every((part) => whole[part] === mine.profile.state[part])).toBe(false);
    const others = (["rules", "notes", "launch", "leftOut", "choices"] as const).filter(
      (part) => !parts.includes(part),
    );
    for (const part of others) expect([part, silent[part]]).toEqual([part, whole[part]]);
  });

  test("and what it says of what is mine comes in the place of mine", () => {
    const whole = taken(mine, list);
    expect(whole.launch).toEqual({ draw: 2 });
    expect(whole.rules.map(({ id }) => id)).toEqual(["mine", "theirs"]);
    expect(whole.leftOut).toEqual([{ mod: "b", path: "theirs/" }]);
    // Of a mod that it lists, what it does not take is not taken.
    expect(whole.choices).toEqual([{ mod: "b", options: { look: ["theirs"] }, components: [] }]);
  });

  test("left-out files of a mod that only comes with the list are those that the list names", () => {
    const without = { ...plain.stock, shelf: plain.stock.shelf };
    const here = makeRoster(
      plain.game,
      {
        ...mine.profile,
        state: {
          ...mine.profile.state,
          mods: { ...nothing.mods, entries: nothing.mods.entries.filter(({ id }) => id !== "b") },
          plugins: {
            ...nothing.plugins,
            entries: nothing.plugins.entries.filter(({ id }) => id !== "b.plank"),
          },
        },
      },
      without,
    );
    expect(taken(here, list, { unsaid: ["left-out"] }).leftOut).toEqual([
      { mod: "a", path: "mine/" },
      { mod: "b", path: "theirs/" },
    ]);
  });
});

describe("what is chosen of packages", () => {
  const choice = (mod: string, look: string) => ({
    mod: aMod(mod),
    options: { look: [look] },
    components: [],
  });
  const mine = changed({ choices: [choice("a", "mine"), choice("c", "mine")] });
  const list = listOf(changed({ choices: [choice("a", "theirs"), choice("b", "theirs")] }));

  test("is as the list has it, each mod once and by its name", () => {
    expect(taken(mine, list).choices).toEqual([choice("a", "theirs"), choice("b", "theirs")]);
  });
  test("stays mine, also of mods of which I said nothing, where the list names no parts", () => {
    expect(taken(mine, list, { unsaid: ["parts"] }).choices).toEqual(mine.profile.state.choices);
  });
  test("comes with a mod that I do not have, and mine stays beside it, where the list names no parts", () => {
    const here = withState(plain, {
      ...nothing,
      mods: { ...nothing.mods, entries: nothing.mods.entries.filter(({ id }) => id !== "b") },
      plugins: { ...nothing.plugins, entries: nothing.plugins.entries.filter(({ id }) => id !== "b.plank") },
      choices: [choice("c", "mine"), choice("d", "mine")],
    });
    expect(taken(here, list, { unsaid: ["parts"] }).choices).toEqual([
      choice("b", "theirs"),
      choice("c", "mine"),
      choice("d", "mine"),
    ]);
  });
});

describe("sections", () => {
  const here = changed({ mods: mods("one/a one/b two/c two/d") });

  test("of a whole list are the list's, known as mine by their ids", () => {
    const list = listOf(
      changed({
        mods: {
          ...mods("two/a two/b one/c one/d", "two one"),
          sections: mods("two/a", "two one").sections.map((each) => ({
            ...each,
            name: `${each.name}, theirs`,
          })),
        },
      }),
    );
    const { mods: after } = taken(here, list);
    expect(after.sections.map(({ id, name }) => [id, name])).toEqual([
      ["two", "Name of two, theirs"],
      ["one", "Name of one, theirs"],
    ]);
    expect(told(after)).toBe("two/a two/b one/c one/d");
  });

  test("that go by other ids are known by their names, and each of mine is one of theirs at most", () => {
    const theirs = mods("x/a y/b y/c z/d", "x y z");
    const named = theirs.sections.map((each, at) => ({
      ...each,
      name: ["Name of two", "Name of one", "Name of one"][at]!,
    }));
    const { mods: after } = taken(here, listOf(changed({ mods: { ...theirs, sections: named } })));
    expect(after.sections.map(({ id }) => id)).toEqual(["two", "one", "z"]);
    expect(told(after)).toBe("two/a one/b one/c z/d");
  });

  test("by name, one of the same rank goes before one of another", () => {
    const sections = [
      { id: aSection("game"), name: "Same", rank: "builtin", guidance: "" },
      { id: aSection("low"), name: "Same", rank: "foundation", guidance: "" },
      { id: aSection("high"), name: "Same", rank: "ordinary", guidance: "" },
    ];
    const plugins = (rename: (id: string) => string): ProfileState["plugins"] => ({
      sections: sections.map((each) => ({ ...each, id: aSection(rename(each.id)) })),
      entries: nothing.plugins.entries.map((each) => ({
        ...each,
        section: aSection(rename(each.id === "Pond.keel" ? "game" : "high")),
      })),
    });
    const mine = changed({ plugins: plugins((id) => id) });
    const after = taken(mine, listOf(changed({ plugins: plugins((id) => `their-${id}`) })));
    expect(after.plugins).toBe(mine.profile.state.plugins);
  });

  test("of a list that only names them stay mine; a new one that is used stands among them as in the list", () => {
    const theirs = mods("n1/a one/b n2/c two/d", "n1 one n2 unused two");
    const { mods: after } = taken(here, listOf(changed({ mods: theirs })), { beside: ["rules", "notes"] });
    expect(after.sections.map(({ id }) => id)).toEqual(["n1", "one", "n2", "two"]);
    expect(told(after)).toBe("n1/a one/b n2/c two/d");
  });

  test("that a list does not name at all leave each where it is", () => {
    const list = listOf(changed({ mods: mods("n1/d n1/c n1/b n1/a", "n1") }));
    const { mods: after } = taken(here, list, { beside: ["sections"] });
    expect(after.sections).toEqual(here.profile.state.mods.sections);
    expect(told(after)).toBe("one/b one/a two/d two/c");
  });

  test("what only comes with such a list arrives in the last section of its rank", () => {
    const less = withState(plain, {
      ...nothing,
      mods: mods("one/a one/b two/c"),
      plugins: { ...nothing.plugins, entries: nothing.plugins.entries.filter(({ id }) => id !== "d.plank") },
    });
    const list = listOf(changed({ mods: mods("n1/d n1/c n1/b n1/a", "n1") }));
    expect(told(taken(less, list, { beside: ["sections"] }).mods)).toBe("one/b one/a two/d two/c");
  });

  test("have their numbers by what they are called here", () => {
    const theirs = mods("x/a x/b y/c y/d", "x y");
    const sections = theirs.sections.map((each, at) => ({ ...each, name: `Name of ${["one", "two"][at]}` }));
    const numbers = [
      { list: "mods" as const, of: "section" as const, id: "x", number: 3 },
      { list: "mods" as const, of: "item" as const, id: "a", number: 4 },
    ];
    expect(taken(here, listOf(changed({ mods: { ...theirs, sections }, numbers }))).numbers).toEqual(
      [
        { list: "mods", of: "section", id: "one", number: 3 },
        { list: "mods", of: "item", id: "a", number: 4 },
      ].sort((a, b) => (a.of < b.of ? -1 : 1)),
    );
  });

  test("that an item belongs to, though it stands elsewhere, are known here too", () => {
    const theirs = mods("x/a x/b y/c y/d", "x y");
    const sections = theirs.sections.map((each, at) => ({ ...each, name: `Name of ${["one", "two"][at]}` }));
    const entries = theirs.entries.map((each) => (each.id === "c" ? { ...each, home: aSection("x") } : each));
    const { mods: after } = taken(here, listOf(changed({ mods: { sections, entries } })));
    expect(after.entries.map(({ home }) => home)).toEqual([undefined, undefined, "one", undefined]);
    const unsaid = taken(here, listOf(changed({ mods: { sections, entries } })), { beside: ["sections"] });
    expect(unsaid.mods).toBe(here.profile.state.mods);
  });
});

describe("what is on", () => {
  const here = changed({ mods: mods("one/a one/b- two/c two/d-") });
  const list = listOf(changed({ mods: mods("one/a- one/b two/c two/d-") }));

  test("is as the list has it; where only its order comes, what is off here stays off and stands where it stood", () => {
    expect(told(taken(here, list).mods)).toBe("one/a- one/b two/c two/d-");
    const turned = listOf(changed({ mods: mods("two/d two/c one/b one/a", "two one") }));
    expect(told(taken(here, turned, { way: "order" }).mods)).toBe("one/a one/b- two/c two/d-");
  });

  test("mods that a list of plugins needs besides come on behind mine, where they are off here or are not here at all", () => {
    const said: Said = { unsaid: ["mods"], beside: ["sections"] };
    expect(told(taken(here, list, said).mods)).toBe("one/a one/b two/c two/d-");
    expect(told(taken(here, list, { ...said, way: "order" }).mods)).toBe("one/a one/b- two/c two/d-");
    const less = withState(plain, { ...nothing, mods: mods("one/c one/d-") });
    expect(told(taken(less, list, said).mods)).toBe("one/c one/d- one/a- one/b");
  });

  test("mods of which the list only names plugins come on, and nothing else of them changes", () => {
    const off = changed({ mods: mods("one/a one/b- two/c- two/d-") });
    const before = off.profile.state.mods;
    const silent = listOf(changed({ mods: mods("one/a one/b- two/c- two/d-") }));
    expect(told(taken(off, silent, { implied: ["b"] }).mods)).toBe("one/a one/b two/c- two/d-");
    expect(taken(off, silent, { implied: ["b"], way: "order" }).mods).toBe(before);
    expect(taken(off, silent, { implied: ["a"] }).mods).toBe(before);
  });

  test("comes alone: what loads besides goes off, but what the list implies", () => {
    const all = changed({ mods: mods("one/a one/b two/c two/d") });
    const some = { ...listOf(all), mods: listOf(all).mods.filter(({ id }) => id === "a") };
    expect(told(taken(all, some, { way: "alone" }).mods)).toBe("one/a one/b- two/c- two/d-");
    expect(told(taken(all, some, { way: "alone", implied: ["c"] }).mods)).toBe("one/a one/b- two/c two/d-");
    expect(taken(all, some, { way: "alone", unsaid: ["mods"] }).mods).toBe(all.profile.state.mods);
    expect(taken(all, listOf(all), { way: "alone" })).toBe(all.profile.state);
  });
});

describe("which version of a mod", () => {
  const newer = shelfMod("a", [pluginFile("a.plank")], "2.0.0");
  const stock = { ...plain.stock, shelf: [...plain.stock.shelf, newer] };
  const both = makeRoster(plain.game, plain.profile, stock);
  const held = (version: "1.0.0" | "2.0.0", roster = both) => ({
    ...nothing.mods,
    entries: nothing.mods.entries.map((each) =>
      each.id === "a"
        ? {
            ...each,
            content: (version === "2.0.0" ? newer : roster.stock.shelf.find(({ id }) => id === "a")!)
              .content!,
          }
        : each,
    ),
  });
  const old = withState(both, { ...nothing, mods: held("1.0.0") });
  const list = makeLineup(withState(both, { ...nothing, mods: held("2.0.0") }), facts);
  const contentOf = (state: ProfileState) => state.mods.entries.find(({ id }) => id === "a")!.content;

  test("is the list's where it names contents, or another version than the one that is here", () => {
    expect(contentOf(taken(old, list))).toBe(newer.content);
    expect(contentOf(taken(old, list, { unsaid: ["hashes"] }))).toBe(newer.content);
  });
  test("stays mine where the list names no contents and the same version, or none", () => {
    expect(taken(old, list, { unsaid: ["hashes", "versions"] })).toBe(old.profile.state);
    const same = { ...list, mods: list.mods.map((mod) => ({ ...mod, version: "1.0.0" })) };
    expect(taken(old, same, { unsaid: ["hashes"] })).toBe(old.profile.state);
    expect(contentOf(taken(old, same))).toBe(newer.content);
  });
  test("stays mine where that was asked for and the list's is not here", () => {
    const claim = claimOfLineup(list, "x");
    const keeping = takeListIn(plain, { lineup: list, claim, keepMine: new Set(["a"]) }, "into");
    expect(keeping.mods).toBe(nothing.mods);
    expect(contentOf(taken(plain, list))).toBe(newer.content);
  });
});

describe("plugins of a list that names none", () => {
  test("of mods that come stand as arrivals do, on, and none of mine is moved", () => {
    const less = withState(plain, {
      ...nothing,
      mods: { ...nothing.mods, entries: nothing.mods.entries.filter(({ id }) => id !== "b") },
      plugins: {
        ...nothing.plugins,
        entries: ["Pond.keel", "d.plank", "a.plank", "c.plank"].map((id) =>
          nothing.plugins.entries.find((each) => each.id === id)!,
        ),
      },
    });
    const after = taken(less, listOf(plain), { unsaid: ["plugins"] });
    expect(after.plugins.entries.map(({ id }) => id)).toEqual([
      "Pond.keel",
      "d.plank",
      "a.plank",
      "c.plank",
      "b.plank",
    ]);
    expect(after.plugins.entries.find(({ id }) => id === aPlugin("b.plank"))).toMatchObject({
      on: true,
      fresh: true,
    });
    expect(
      taken(plain, listOf(changed({ mods: mods("one/d one/c one/b one/a") })), { unsaid: ["plugins"] })
        .plugins,
    ).toBe(nothing.plugins);
  });

  test("of a mod that could not be read bring nothing", () => {
    const broken = {
      ...plain.stock.shelf[1]!,
      problem: { code: "zip-damaged", data: {} },
    } as unknown as ShelfMod;
    const stock = { ...plain.stock, shelf: plain.stock.shelf.map((mod) => (mod.id === "b" ? broken : mod)) };
    const entries = nothing.mods.entries.filter(({ id }) => id !== "b");
    const less = makeRoster(
      plain.game,
      {
        ...plain.profile,
        state: {
          ...nothing,
          mods: { ...nothing.mods, entries },
          plugins: {
            ...nothing.plugins,
            entries: nothing.plugins.entries.filter(({ id }) => id !== "b.plank"),
          },
        },
      },
      stock,
    );
    const after = taken(less, listOf(plain), { unsaid: ["plugins"] });
    expect(after.plugins.entries.map(({ id }) => id)).not.toContain("b.plank");
  });
});

describe("where only its order comes", () => {
  test("nothing else that it says counts", () => {
    const mine = changed({
      launch: { draw: 1 },
      rules: [rule("mine")],
      choices: [],
      leftOut: [],
      notes: [note("a")],
    });
    const list = listOf(
      changed({
        launch: { draw: 2 },
        rules: [rule("theirs")],
        notes: [note("b")],
        choices: [{ mod: aMod("a"), options: { look: ["x"] }, components: [] }],
        leftOut: [{ mod: aMod("a"), path: "x" }],
        mods: mods("one/d one/c one/b one/a", "one"),
      }),
    );
    const after = taken(mine, list, { way: "order" });
    for (const part of ["launch", "rules", "notes", "choices", "leftOut"] as const)
      expect(after[part]).toBe(mine.profile.state[part]);
    expect(after.mods.entries.map(({ id }) => id)).toEqual(["d", "c", "b", "a"]);
  });

  test("what the list has and I have not does not come, and each stays in its section of mine", () => {
    const less = withState(plain, {
      ...nothing,
      mods: mods("one/a two/b two/c"),
      plugins: { ...nothing.plugins, entries: nothing.plugins.entries.filter(({ id }) => id !== "d.plank") },
    });
    const list = listOf(changed({ mods: mods("two/d two/c one/b one/a", "two one") }));
    const after = taken(less, list, { way: "order" });
    expect(told(after.mods)).toBe("one/b one/a two/c");
    expect(after.mods.sections).toEqual(less.profile.state.mods.sections);
  });
});

describe("what the list only implies, or brings besides", () => {
  const here = changed({ mods: mods("one/a one/b two/c two/d") });
  test("stays where it stands here; what is not here yet comes", () => {
    const list = listOf(changed({ mods: mods("two/d one/c one/b one/a", "two one") }));
    expect(told(taken(here, list, { implied: ["d", "c"] }).mods)).toBe("two/c two/d one/b one/a");
    const less = withState(plain, { ...nothing, mods: mods("one/a one/b two/c") });
    expect(told(taken(less, list, { implied: ["d"] }).mods)).toBe("two/d one/c one/b one/a");
  });
});

describe("an item that stands elsewhere than where it belongs", () => {
  const homed = (home: string | undefined, text = "one/a one/b two/c two/d"): ProfileState["mods"] => {
    const { sections, entries } = mods(text);
    const at = (each: Entry<ReturnType<typeof aMod>>) =>
      each.id === "c" && home !== undefined ? { ...each, home: aSection(home) } : each;
    return { sections, entries: entries.map(at) };
  };
  const homeOf = (state: ProfileState) => state.mods.entries.find(({ id }) => id === "c")!.home;
  const mine = changed({ mods: homed("one") });

  test("belongs where the list says, and nowhere else where it says nothing of that", () => {
    expect(homeOf(taken(mine, listOf(changed({ mods: homed("two") }))))).toBe("two");
    expect(homeOf(taken(mine, listOf(changed({ mods: homed(undefined) }))))).toBeUndefined();
  });
  test("belongs where I say where the list names no sections, or the one in which it stands here", () => {
    const list = listOf(changed({ mods: homed(undefined, "one/b one/a two/c two/d") }));
    expect(homeOf(taken(mine, list, { beside: ["sections"] }))).toBe("one");
    expect(homeOf(taken(mine, list, { beside: ["rules"] }))).toBe("one");
    const elsewhere = listOf(changed({ mods: homed(undefined, "one/b one/a one/c two/d") }));
    expect(homeOf(taken(mine, elsewhere, { beside: ["rules"] }))).toBeUndefined();
  });
});

test("sections that a partial list names are known by their names before their ids", () => {
  const here = changed({ mods: mods("one/a one/b two/c two/d") });
  const theirs = mods("one/a one/b two/c two/d");
  // What was made of the names here has the ids the other way round.
  const sections = theirs.sections.map((each) => ({
    ...each,
    name: each.id === "one" ? "Name of two" : "Name of one",
  }));
  const list = listOf(changed({ mods: { sections, entries: theirs.entries } }));
  expect(told(taken(here, list, { beside: ["rules"] }).mods)).toBe("one/c one/d two/a two/b");
  expect(told(taken(here, list).mods)).toBe("one/a one/b two/c two/d");
});

test("what only comes arrives in the last section of its own rank", () => {
  const less = withState(plain, {
    ...nothing,
    mods: { ...nothing.mods, entries: nothing.mods.entries.filter(({ id }) => id !== "d") },
    plugins: { ...nothing.plugins, entries: nothing.plugins.entries.filter(({ id }) => id !== "d.plank") },
  });
  const sections = nothing.plugins.sections.map((each) =>
    each.id === "base" ? { ...each, id: aSection("lost"), name: "Lost" } : each,
  );
  const entries = nothing.plugins.entries.map((each) =>
    each.id === "d.plank" ? { ...each, section: aSection("lost") } : each,
  );
  const list = listOf(changed({ plugins: { sections, entries } }));
  const { plugins } = taken(less, list, { beside: ["sections"] });
  expect(plugins.entries.find(({ id }) => id === aPlugin("d.plank"))!.section).toBe("base");
});

test("what comes alone leaves on what does not load anyway, and the orders that it does not say", () => {
  const here = changed({ mods: mods("one/a one/b- two/c two/d") });
  const list = {
    ...listOf(here),
    plugins: listOf(here).plugins.filter(({ name }) => ["Pond.keel", "a.plank"].includes(name)),
  };
  const after = taken(here, list, { way: "alone" });
  expect(after.plugins.entries.map(({ id, on }) => `${id}${on ? "" : "-"}`)).toEqual([
    "Pond.keel",
    "a.plank",
    // Its mod is off.
    "b.plank",
    "c.plank-",
    "d.plank-",
  ]);
  expect(taken(here, list, { way: "alone", unsaid: ["plugins"] }).plugins).toBe(nothing.plugins);
  expect(taken(here, list, { way: "into" }).plugins).toBe(nothing.plugins);
});
