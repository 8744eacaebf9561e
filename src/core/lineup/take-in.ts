import type { Entry, ListName, Order, ProfileState } from "../model/profile";

/**
 * How a lineup comes into a profile that is there: all of it, with what is mine besides; all of it, and what is mine besides
 * is switched off; or only its order.
 */
export const takeInWays = ["into", "alone", "order"] as const;
export type TakeInWay = (typeof takeInWays)[number];

/**
 * The state of a profile after a lineup has come in. `into`: everything of the lineup, and what only the profile has keeps
 * its neighbours, switched off where it comes in `alone`; `order`: nothing comes and nothing is switched, what both have stands as in the lineup.
 */
export function takeInState(mine: ProfileState, theirs: ProfileState, way: TakeInWay): ProfileState {
  if (way === "order")
    return { ...mine, ...lists(mine, (list) => joinOrders(asInMine(theirs[list], mine[list]), mine[list])) };
  const byId = new Map([...mine.rules, ...theirs.rules].map((rule) => [rule.id, rule]));
  const theirChoices = new Set(theirs.choices?.map(({ mod }) => mod));
  const choices = [
    ...(mine.choices ?? []).filter(({ mod }) => !theirChoices.has(mod)),
    ...(theirs.choices ?? []),
  ];
  const { baseOff: _off, launch: _launch, choices: _choices, ...rest } = mine;
  return {
    ...rest,
    ...lists(mine, (list) =>
      joinOrders(theirs[list], way === "alone" ? switchedOff(mine[list]) : mine[list]),
    ),
    rules: [...byId.values()],
    expansions: theirs.expansions,
    ...(choices.length > 0 ? { choices } : {}),
    ...(theirs.baseOff ? { baseOff: theirs.baseOff } : {}),
    ...(theirs.launch ? { launch: theirs.launch } : {}),
  };
}

const lists = (_: ProfileState, order: (list: ListName) => Order) => ({
  mods: order("mods"),
  plugins: order("plugins"),
});

const switchedOff = ({ sections, entries }: Order): Order => ({
  sections,
  entries: entries.map((entry) => ({ ...entry, on: false })),
});

/** Of theirs what is mine too, as it is here but for its place. */
function asInMine(theirs: Order, mine: Order): Order {
  const here = new Map(mine.entries.map((entry) => [entry.id, entry]));
  return {
    sections: theirs.sections,
    entries: theirs.entries
      .filter(({ id }) => here.has(id))
      .map(({ id, section, home }) => {
        const { section: _s, home: _h, ...own } = here.get(id)!;
        return { ...own, section, ...(home === undefined ? {} : { home }) };
      }),
  };
}

/** Their order, and what only I have behind the nearest before it of its section, or at that section's end. */
export function joinOrders(theirs: Order, mine: Order): Order {
  const known = new Set(theirs.sections.map(({ id }) => id));
  const sections = [...theirs.sections];
  mine.sections.forEach((section, at) => {
    if (known.has(section.id)) return;
    const before = mine.sections.slice(0, at).findLast(({ id }) => sections.some((each) => each.id === id));
    const place = before ? sections.findIndex(({ id }) => id === before.id) + 1 : 0;
    sections.splice(place, 0, section);
  });
  const bySection = new Map<string | null, Entry[]>(sections.map(({ id }) => [id, []]));
  for (const entry of theirs.entries) bySection.get(entry.section)?.push(entry);
  const present = new Set(theirs.entries.map(({ id }) => id));
  const above = new Map<string | null, string>();
  for (const entry of mine.entries) {
    const own = bySection.get(entry.section);
    const before = above.get(entry.section);
    above.set(entry.section, entry.id);
    if (!own || present.has(entry.id)) continue;
    const at = before === undefined ? -1 : own.findIndex(({ id }) => id === before);
    own.splice(before === undefined ? 0 : at < 0 ? own.length : at + 1, 0, entry);
  }
  return { sections, entries: sections.flatMap(({ id }) => bySection.get(id)!) };
}
