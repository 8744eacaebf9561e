import type { ModId } from "../model/ids";
import fc from "fast-check";
import type { Entry, Order, ProfileState } from "../model/profile";
import { joinWays } from "../state/facet";
import { nothingDecided } from "../state/facets";
import { takeInState } from "./states";
import { aMod, aSection } from "../testing/ids";

const sections = ["s", "t"].map((id) => ({ id: aSection(id), name: id, rank: "mods", guidance: "" }));
const orders = fc.shuffledSubarray([..."abcdefg"]).chain((ids) =>
  fc.tuple(...ids.map(() => fc.tuple(fc.constantFrom("s", "t"), fc.boolean()))).map((rest): Order<ModId> => ({
    sections,
    entries: sections.flatMap((section) =>
      ids.flatMap((id, at): Entry<ModId>[] => {
        const [own, on] = rest[at]!;
        return own === section.id ? [{ id: aMod(id), section: section.id, on }] : [];
      }),
    ),
  })),
);
const states = orders.map((mods): ProfileState => ({
  mods,
  plugins: { sections, entries: [] },
  ...nothingDecided,
}));
const idsOf = ({ mods }: ProfileState) => mods.entries.map(({ id }) => id);
const within = (ids: readonly string[], others: readonly string[]) => ids.filter((id) => others.includes(id));

describe("a list that comes into a profile that is there", () => {
  test("loses nothing, doubles nothing, and holds the list's order, whichever way it comes", () => {
    fc.assert(
      fc.property(states, states, fc.constantFrom(...joinWays), (mine, theirs, way) => {
        const taken = idsOf(takeInState(mine, theirs, way));
        const wanted = way === "order" ? idsOf(mine) : [...idsOf(mine), ...idsOf(theirs)];
        expect([...taken].sort()).toEqual([...new Set(wanted)].sort());
        expect(within(taken, idsOf(theirs))).toEqual(within(idsOf(theirs), taken));
      }),
    );
  });

  test("what only mine has is as it was", () => {
    fc.assert(
      fc.property(states, states, fc.constantFrom(...joinWays), (mine, theirs, way) => {
        const { entries } = takeInState(mine, theirs, way).mods;
        for (const own of mine.mods.entries) {
          if (idsOf(theirs).includes(own.id)) continue;
          expect(entries.find(({ id }) => id === own.id)).toEqual(own);
        }
      }),
    );
  });

  test("by its order alone nothing is switched; a second time changes nothing", () => {
    fc.assert(
      fc.property(states, states, (mine, theirs) => {
        const once = takeInState(mine, theirs, "order");
        const onOf = ({ mods }: ProfileState) => new Map(mods.entries.map(({ id, on }) => [id, on]));
        expect([...onOf(once)].sort()).toEqual([...onOf(mine)].sort());
        expect(takeInState(once, theirs, "order")).toEqual(once);
      }),
    );
  });

  test("a profile takes itself in as what it is", () => {
    fc.assert(
      fc.property(states, fc.constantFrom(...joinWays), (mine, way) => {
        expect(takeInState(mine, mine, way)).toEqual(mine);
      }),
    );
  });
});
