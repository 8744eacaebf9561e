import type { ItemId } from "../model/ids";
import { holdsToWrite, namesToWrite, orderFileGap, startToWrite } from "../check/order-file";
import { factsOfRoster, fingerprintOf } from "../lineup/fingerprint";
import { makeLineup } from "../lineup/make-lineup";
import { stateOfLineup } from "../lineup/state-of-lineup";
import type { FacetName, Order, ProfileState } from "../model/profile";
import { makeRoster, type Roster } from "../roster/roster";
import { gameOfSettings } from "../testing/game";
import { testRoster, withState } from "../testing/roster";
import { facetNames, facets } from "./facets";
import { aMod, aPlugin, aRule } from "../testing/ids";

const plain = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
const base = makeRoster(gameOfSettings, plain.profile, plain.stock);
const { state } = base.profile;
const turned = <Id extends ItemId>(order: Order<Id>): Order<Id> => ({
  ...order,
  entries: order.entries.map((_, at, all) => {
    const last = all.length - 1;
    return all[at === last ? last - 1 : at === last - 1 ? last : at]!;
  }),
});

/** A change of each facet that decides something in this profile; a facet without one does not compile. */
const changed: { readonly [Name in FacetName]: ProfileState[Name] } = {
  mods: turned(state.mods),
  plugins: turned(state.plugins),
  rules: [
    {
      id: aRule("r"),
      rule: { kind: "first", item: "a.plank", within: "list", strength: "must" },
      note: "",
      made: "",
    },
  ],
  expansions: ["north"],
  broaderFirst: false,
  books: [{ id: "soundings", version: "1", off: [] }],
  notes: [{ list: "plugins", item: aPlugin("a.plank"), text: "why", author: "reed", at: "2026-01-01" }],
  choices: [{ mod: aMod("a"), options: { look: ["tall"] }, components: [] }],
  baseOff: ["sheep"],
  launch: { draw: 3 },
  leftOut: [{ mod: aMod("a"), path: "textures/" }],
  numbers: [{ list: "plugins", of: "item", id: "a.plank", number: 2.5 }],
  advice: [{ kind: "needs", on: { mod: "a" }, other: { plugin: "b.plank" }, text: "why" }],
  setAside: [{ finding: "0123456789abcdef", reason: "harmless", facts: null, at: "2026-01-01" }],
  startNotes: [{ id: "one", kind: "condition", text: "Be signed in" }],
  reminders: [{ id: "one", text: "Look again", when: { kind: "updated", version: "1.0.0" } }],
  settings: [{ file: "options", at: "View/width", value: 1920 }],
  blend: [{ kind: "winner", record: "bed@Pond.keel", name: "crab", plugin: "a.plank" }],
};
const withFacet = (name: FacetName): Roster => withState(base, { ...state, [name]: changed[name] });
const print = (roster: Roster) => fingerprintOf(factsOfRoster(roster));
const written = (roster: Roster) => ({
  order: namesToWrite(roster),
  holds: holdsToWrite(roster),
  start: startToWrite(roster),
});

test.each(facetNames)(
  "%s: what is written for the game and the fingerprint follow it, as the facet says",
  (name) => {
    const after = withFacet(name);
    expect(facets[name].same(state[name] as never, changed[name] as never)).toBe(false);
    expect(orderFileGap(base, written(base))).toBeNull();
    expect([name, orderFileGap(after, written(base)) !== null]).toEqual([name, facets[name].gameSees]);
    expect([name, print(after) !== print(base)]).toEqual([name, facets[name].fingerprinted]);
  },
);

test.each(facetNames)("%s: a list carries it, and gives it back as it was", (name) => {
  const after = withFacet(name);
  const facts = { title: "Pond", author: "", note: "", listVersion: "1", date: "" };
  const back = stateOfLineup(base.game, makeLineup(after, facts));
  expect(back[name]).toEqual(changed[name]);
  for (const other of facetNames)
    expect([other, facets[other].same(back[other] as never, after.profile.state[other] as never)]).toEqual([
      other,
      true,
    ]);
});
