import type { ItemId, SectionId } from "../model/ids";
import { compareStates, type Difference } from "../compare/states";
import type { Order, ProfileState } from "../model/profile";
import { nothingDecided } from "../state/facets";
import { sameValue } from "../state/three-way";
import type { FingerprintFacts } from "./fingerprint";

/** One way in which a setup is not the one that a list describes: `here` is what is there, `there` what the list wants. */
export type SetupDifference =
  Difference | { readonly facet: "game"; readonly kind: "changed"; readonly key: string };

/** Everything by which two setups differ, a line for each; empty exactly where their fingerprints are equal. */
export function compareFacts(wanted: FingerprintFacts, here: FingerprintFacts): SetupDifference[] {
  const mine = new Set(here.mods.map(({ id }) => id));
  // Of what is missing on a side nothing else is to be said.
  const both = new Set(wanted.mods.map(({ id }) => id).filter((id) => mine.has(id)));
  const game: SetupDifference[] = sameValue(wanted.game, here.game)
    ? []
    : [{ facet: "game", kind: "changed", key: here.game.id }];
  return [...game, ...compareStates(stateOfFacts(here, both), stateOfFacts(wanted, both))];
}

/** What a setup decides, as a profile would that has nothing besides. Contents stand with the version, for both count. */
function stateOfFacts(facts: FingerprintFacts, told: ReadonlySet<string>): ProfileState {
  const mods = facts.mods.filter(({ id }) => told.has(id));
  return {
    ...nothingDecided,
    mods: orderOf(facts.mods.map(({ id, version, content }) => ({ id, content: `${version} ${content}` }))),
    plugins: orderOf(facts.plugins.map(({ name, sha256 }) => ({ id: name, content: sha256 }))),
    expansions: [...facts.expansions],
    baseOff: [...facts.baseOff],
    launch: { ...facts.launch },
    settings: [...facts.settings],
    choices: mods
      .filter(({ options, components }) => components.length + Object.keys(options).length > 0)
      .map(({ id, options, components }) => ({
        mod: id,
        options: Object.fromEntries(Object.entries(options).map(([key, parts]) => [key, [...parts]])),
        components: [...components],
      })),
    leftOut: mods.flatMap(({ id, hidden }) => hidden.map((path) => ({ mod: id, path }))),
  };
}

const all = "all" as SectionId;
const orderOf = <Id extends ItemId>(
  items: readonly { readonly id: Id; readonly content: string }[],
): Order<Id> => ({
  sections: [{ id: all, name: "", rank: "", guidance: "" }],
  entries: items.map((item) => ({ ...item, on: true, section: all })),
});
