import fc from "fast-check";
import type { Section } from "../model/game";
import type { ItemId } from "../model/ids";
import type { Entry, FacetName, Order, ProfileState, Rule } from "../model/profile";
import { facetNames, facets } from "../state/facets";
import { aMod, aPlugin, aRule, aSection } from "./ids";

const subset = (all: readonly string[]) => fc.subarray([...all]);

const sectionOf = (id: string): fc.Arbitrary<Section> =>
  fc.record({ name: fc.constantFrom(`Section ${id}`, `Renamed ${id}`) }).map(({ name }) => ({
    id: aSection(id),
    name,
    rank: "ordinary",
    guidance: "",
  }));

const sections = fc
  .shuffledSubarray(["s", "t", "u"], { minLength: 1 })
  .chain((ids) => fc.tuple(...ids.map(sectionOf)));

/** Up to six items in up to three sections; some belong to another one, some are pinned, some were placed by nobody. */
const anyOrder = <Id extends ItemId>(idOf: (name: string) => Id): fc.Arbitrary<Order<Id>> =>
  sections.chain((all) =>
    fc
      .record({
        ids: fc.shuffledSubarray([..."abcdef"]),
        at: fc.array(fc.constantFrom(...all.map(({ id }) => id)), { minLength: 6, maxLength: 6 }),
        off: subset([..."abcdef"]),
        home: subset([..."abcdef"]),
        content: fc.array(fc.constantFrom("1", "2", undefined), { minLength: 6, maxLength: 6 }),
        fresh: subset([..."abcdef"]),
        placed: subset([..."abcdef"]),
      })
      .map(({ ids, at, off, home, content, fresh, placed }): Order<Id> => {
        const entries = ids.map((id, place): Entry<Id> => ({
          id: idOf(id),
          on: !off.includes(id),
          section: at[place]!,
          ...(home.includes(id) && at[place] !== "s" ? { home: aSection("s") } : {}),
          ...(content[place] === undefined ? {} : { content: content[place] }),
          ...(fresh.includes(id) ? { fresh: true as const } : {}),
          ...(placed.includes(id) ? { placed: true as const } : {}),
        }));
        return {
          sections: [...all],
          entries: all.flatMap(({ id }) => entries.filter(({ section }) => section === id)),
        };
      }),
  );

const rule = (id: string): fc.Arbitrary<Rule> =>
  fc.record({
    id: fc.constant(aRule(id)),
    rule: fc.constantFrom<Rule["rule"]>(
      { kind: "first", item: "a", within: "list", strength: "must" },
      { kind: "after", item: "a", other: "b", strength: "prefer" },
    ),
    note: fc.constantFrom("", "seen"),
    made: fc.constantFrom("2026-01-01", "2026-02-02"),
  });

const each = <T>(ids: readonly string[], make: (id: string) => fc.Arbitrary<T>): fc.Arbitrary<T[]> =>
  fc
    .shuffledSubarray([...ids])
    .chain((some) =>
      some.length === 0 ? fc.constant([]) : fc.tuple(...some.map(make)).map((all) => [...all]),
    );

/** Any value of every facet; one without a generator does not compile. */
export const anyFacet: { readonly [Name in FacetName]: fc.Arbitrary<ProfileState[Name]> } = {
  mods: anyOrder(aMod),
  plugins: anyOrder(aPlugin),
  rules: each(["q", "r", "x"], rule),
  expansions: subset(["island", "north"]),
  broaderFirst: fc.boolean(),
  books: each(["tides", "winds", "reefs"], (id) =>
    fc.record({ id: fc.constant(id), version: fc.constantFrom("1", "2"), off: subset(["1", "2"]) }),
  ),
  notes: each(["mods a", "mods b", "plugins a"], (key) =>
    fc.record({
      list: fc.constant(key.split(" ")[0] as "mods"),
      item: fc.constant(aMod(key.split(" ")[1]!)),
      text: fc.constantFrom("why", "because"),
      author: fc.constantFrom("", "reed"),
      at: fc.constantFrom("2026-01-01", "2026-02-02"),
    }),
  ),
  choices: each(["a", "b", "c"], (mod) =>
    fc.record(
      {
        mod: fc.constant(aMod(mod)),
        options: fc.constantFrom<Record<string, string[]>>(
          {},
          { look: ["tall"] },
          { look: ["tall", "thin"] },
        ),
        components: subset(["x", "y"]),
        reasons: fc.constantFrom({ x: "large" }),
      },
      { requiredKeys: ["mod", "options", "components"] },
    ),
  ),
  baseOff: subset(["carts", "sheep"]),
  launch: fc.dictionary(fc.constantFrom("draw", "sound"), fc.oneof(fc.nat(2), fc.boolean())),
  settings: each(["options View/width", "options fog", "menu fog"], (key) =>
    fc.record({
      file: fc.constant(key.split(" ")[0]!),
      at: fc.constant(key.split(" ")[1]!),
      value: fc.constantFrom(null, 1, "1", true),
    }),
  ),
  leftOut: each(["a x.dat", "a textures/", "b x.dat"], (key) =>
    fc.constant({ mod: aMod(key.split(" ")[0]!), path: key.split(" ")[1]! }),
  ),
  numbers: each(["item a", "item b", "section s"], (key) =>
    fc.record({
      list: fc.constant("mods" as const),
      of: fc.constant(key.split(" ")[0] as "item"),
      id: fc.constant(key.split(" ")[1]!),
      number: fc.constantFrom(1, 2.5, 20),
    }),
  ),
  advice: each(["a", "b", "c"], (mod) =>
    fc.record({
      kind: fc.constant("note" as const),
      on: fc.constant({ mod }),
      text: fc.constantFrom("x", "y"),
    }),
  ),
  setAside: each(["0", "1", "2"], (digit) =>
    fc.record({
      finding: fc.constant(digit.repeat(16)),
      reason: fc.constantFrom("", "harmless"),
      facts: fc.constantFrom(null, "a".repeat(16)),
      at: fc.constantFrom("2026-01-01", "2026-02-02"),
    }),
  ),
  blend: each(["a", "b", "c"], (name) =>
    fc.record({
      kind: fc.constant("winner" as const),
      record: fc.constant("bed"),
      name: fc.constant(name),
      plugin: fc.constantFrom("x.plank", "y.plank"),
    }),
  ),
  startNotes: each(["a", "b", "c"], (id) =>
    fc.record({
      id: fc.constant(id),
      kind: fc.constantFrom("condition" as const, "normal" as const, "look" as const),
      text: fc.constantFrom("be signed in", "the screen stays black"),
    }),
  ),
  reminders: each(["a", "b", "c"], (id) =>
    fc.record({
      id: fc.constant(id),
      text: fc.constantFrom("look", "look again"),
      when: fc.constantFrom(
        { kind: "arrives" as const, mod: "reeds" },
        { kind: "day" as const, date: "2026-12-12" },
      ),
    }),
  ),
};

/** The value as an edit leaves it: what has no order of its own stands by its keys. */
export function canonical<Name extends FacetName>(name: Name, value: ProfileState[Name]): ProfileState[Name] {
  if (name === "mods" || name === "plugins") return value;
  const facet = facets[name] as never as {
    items: (value: unknown) => unknown[];
    keyOf: (item: unknown) => string;
    from: (items: unknown[]) => ProfileState[Name];
    next: (value: unknown, key: string) => unknown;
  };
  const items = [...facet.items(value)];
  const isOrdered = items.length > 0 && facet.next(value, facet.keyOf(items[0])) !== undefined;
  return isOrdered ? value : facet.from(items.sort((a, b) => (facet.keyOf(a) < facet.keyOf(b) ? -1 : 1)));
}

/** Any state of a profile, as edits leave it. */
export const anyState: fc.Arbitrary<ProfileState> = fc
  .record(anyFacet)
  .map(
    (state) =>
      Object.fromEntries(
        facetNames.map((name) => [name, canonical(name, state[name])]),
      ) as unknown as ProfileState,
  );
