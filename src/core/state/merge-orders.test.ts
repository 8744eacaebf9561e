import type { Entry, Order } from "../model/profile";
import { aMod, aSection } from "../testing/ids";
import type { Decide } from "./facet";
import { facets } from "./facets";
import type { Side } from "./three-way";

/** `"s a b- / t c@s+1"`: sections with their items; `-` is off, `@` the section that it belongs to, `+` its contents. */
const order = (text: string): Order => {
  const blocks = text.split(" / ").map((block) => block.split(" "));
  return {
    sections: blocks.map(([id]) => ({ id: aSection(id!), name: id!, rank: "mods", guidance: "" })),
    entries: blocks.flatMap(([section, ...items]) =>
      items.map((item): Entry => {
        const [, id, off, home, content] = /^(\w+?)(-)?(?:@(\w+))?(?:\+(\w+))?$/.exec(item)!;
        return {
          id: aMod(id!),
          on: off === undefined,
          section: aSection(section!),
          ...(home === undefined ? {} : { home: aSection(home) }),
          ...(content === undefined ? {} : { content }),
        };
      }),
    ),
  };
};
const told = ({ sections, entries }: Order): string =>
  sections
    .map(({ id }) =>
      [
        id,
        ...entries
          .filter(({ section }) => section === id)
          .map(
            (each) =>
              `${each.id}${each.on ? "" : "-"}${each.home ? `@${each.home}` : ""}${each.content ? `+${each.content}` : ""}`,
          ),
      ].join(" "),
    )
    .join(" / ");

function merged(texts: readonly [base: string, mine: string, theirs: string], side: Side | Decide = "mine") {
  const [base, mine, theirs] = texts.map(order) as [Order, Order, Order];
  const decide: Decide = typeof side === "string" ? () => side : side;
  const { value, clashes } = facets.mods.merge([base, mine, theirs] as never, decide);
  return { order: told(value), clashes };
}

test("of what both changed otherwise it is told what it is on each side, and the side that holds has it", () => {
  const texts = ["s a+1 b / t", "s a-+2 b / t", "s a+3 b / t"] as const;
  expect(merged(texts)).toEqual({
    order: "s a-+2 b / t",
    clashes: [{ what: "content", key: "a", mine: { value: "2" }, theirs: { value: "3" } }],
  });
  expect(merged(texts, "theirs").order).toBe("s a-+3 b / t");
  // Contents that a side does not say are no value.
  expect(merged(["s a+1", "s a", "s a+2"]).clashes).toEqual([
    { what: "content", key: "a", mine: {}, theirs: { value: "2" } },
  ]);
  expect(merged(["s a+1", "s a", "s a+2"])).toMatchObject({ order: "s a" });
  expect(merged(["s a / t / u", "s / t a / u", "s / t / u a"]).clashes).toMatchObject([
    { what: "section", key: "a", mine: { value: "t" }, theirs: { value: "u" } },
  ]);
  const added = merged(["s", "s a", "s a-"], (what, key) =>
    what === "on" && key === "a" ? "theirs" : "mine",
  );
  expect(added.clashes).toEqual([{ what: "on", key: "a", mine: { value: true }, theirs: { value: false } }]);
  expect(added.order).toBe("s a-");
});

test("where an item stands goes with the section that it belongs to", () => {
  // They raised it into t, where it does not belong; I changed its contents.
  expect(merged(["s a+1 b / t c", "s a+2 b / t c", "s b / t c a@s+1"]).order).toBe("s a+2 b / t c");
  expect(merged(["s a b / t c", "s b / t c a@s", "s a- b / t c"]).order).toBe("s b / t c a-@s");
  expect(merged(["s a b / t c", "s b / t a c", "s a- b / t c"]).order).toBe("s b / t a- c");
});

test.each([
  ["switched", "s a b", "s a- b", "s b", "off"],
  ["switched on", "s a- b", "s a b", "s b", "on"],
  ["took other contents of", "s a+1 b", "s a+2 b", "s b", "content"],
  ["moved to another section", "s a b / t", "s b / t a", "s b / t", "section"],
  ["did two things with", "s a+1 b", "s a-+2 b", "s b", "off content"],
])(
  "what one side %s and the other took out is told as that, and goes or stays as is decided",
  (_, base, mine, theirs, what) => {
    const mineHolds = merged([base, mine, theirs]);
    expect(mineHolds).toEqual({
      order: mine,
      clashes: [{ what: "removed", key: "a", mine: { value: what }, theirs: { value: "removed" } }],
    });
    expect(merged([base, mine, theirs], "theirs").order).toBe(theirs);
    // The other way round.
    expect(merged([base, theirs, mine])).toEqual({
      order: theirs,
      clashes: [{ what: "removed", key: "a", mine: { value: "removed" }, theirs: { value: what } }],
    });
    expect(merged([base, theirs, mine], "theirs").order).toBe(mine);
  },
);

test("what one took out, and the other only moved within its section, goes without a word", () => {
  expect(merged(["s a b c", "s b c a", "s b c"])).toEqual({ order: "s b c", clashes: [] });
});

test("moves that contradict are told by what each stands behind, and the side that holds has its place", () => {
  const texts = ["s a b c d e", "s e a b c d", "s a b e c d"] as const;
  expect(merged(texts)).toEqual({
    order: "s e a b c d",
    clashes: [{ what: "place", key: "e", mine: { after: null }, theirs: { after: "b" } }],
  });
  expect(merged(texts, "theirs").order).toBe("s a b e c d");
  // First of its section, whatever stands before that.
  expect(merged(["t x / s a b c d", "t x / s d a b c", "t x / s a d b c"]).clashes).toEqual([
    { what: "place", key: "d", mine: { after: null }, theirs: { after: "a" } },
  ]);
});

test("what both added stands by its neighbours of the side that brought it, in its own section only", () => {
  expect(merged(["s a b / t c", "s a x b / t c", "s a b / t y c"])).toEqual({
    order: "s a x b / t y c",
    clashes: [],
  });
  expect(merged(["s a b", "s x a b", "s a b y"])).toEqual({ order: "s x a b y", clashes: [] });
});

test("a section that one took out stays while something stands in it; an empty one goes", () => {
  expect(merged(["s a / t b", "s a / t b-", "s a b"]).order).toBe("s a b-");
  expect(merged(["s a / t b", "s a / t b x", "s a b"]).order).toBe("s a b / t x");
  expect(merged(["s a / t", "s a-/ t".replace("-/", "- /"), "s a"]).order).toBe("s a-");
  expect(merged(["s a", "s a / t b", "s a-"]).order).toBe("s a- / t b");
});
