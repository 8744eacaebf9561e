import { blendChoiceKey } from "../model/additive-list";
import { adviceKey } from "../model/advice";
import type {
  Choice,
  Decision,
  FacetName,
  KeyedName,
  Note,
  ProfileState,
  Rule,
  SheetNumber,
} from "../model/profile";
import { settingKey } from "../model/settings";
import type { Facet } from "./facet";
import { keyedFacet, type KeyedFacet } from "./keyed-facet";
import { orderFacet } from "./order-facet";

const isOwnRule = (rule: Rule): boolean => rule.shared !== true;

/** A set of ids, each a decision by itself. */
const ids = {
  items: (value: readonly string[]) => value,
  from: (items: readonly string[]) => [...items],
  keyOf: (id: string) => id,
};

/** Answers and components as sets; why they were chosen is a remark. */
const chosen = ({ mod, options, components }: Choice) => ({
  mod,
  options: Object.fromEntries(
    Object.entries(options).map(([question, parts]) => [question, [...parts].sort()]),
  ),
  components: [...components].sort(),
});

export const noteKey = ({ list, item }: Pick<Note, "list" | "item">): string => `${list} ${item}`;

export const numberKey = ({ list, of, id }: Omit<SheetNumber, "number">): string => `${list} ${of} ${id}`;

/** Everything that a profile decides, key by key; what is not here does not compile. */
export const facets = {
  mods: orderFacet("mods"),
  plugins: orderFacet("plugins"),
  rules: keyedFacet("rules", {
    items: (rules) => rules,
    from: (rules) => [...rules.filter(isOwnRule), ...rules.filter((rule) => !isOwnRule(rule))],
    keyOf: ({ id }) => id,
    ordered: true,
    isOwn: isOwnRule,
    core: ({ made: _, ...rule }) => rule,
    incoming: "theirs",
    gameSees: false,
    fingerprinted: false,
  }),
  expansions: keyedFacet("expansions", { ...ids, incoming: "replace", gameSees: true, fingerprinted: true }),
  broaderFirst: keyedFacet("broaderFirst", {
    items: (on) => (on ? [] : [false]),
    from: (items) => items.length === 0,
    keyOf: () => "off",
    incoming: "mine",
    gameSees: false,
    fingerprinted: false,
  }),
  books: keyedFacet("books", {
    items: (books) => books,
    from: (books) => [...books],
    keyOf: ({ id }) => id,
    ordered: true,
    core: ({ id, version, off }) => ({ id, version, off: [...off].sort() }),
    incoming: "mine",
    gameSees: false,
    fingerprinted: false,
  }),
  notes: keyedFacet("notes", {
    items: (notes) => notes,
    from: (notes) => [...notes],
    keyOf: noteKey,
    core: ({ at: _, ...note }) => note,
    incoming: "mine",
    gameSees: false,
    fingerprinted: false,
  }),
  choices: keyedFacet("choices", {
    items: (choices) => choices,
    from: (choices) => [...choices],
    keyOf: ({ mod }) => mod,
    core: chosen,
    remarks: ({ reasons }) => reasons,
    incoming: "theirs",
    about: ({ mod }) => mod,
    gameSees: true,
    fingerprinted: true,
  }),
  baseOff: keyedFacet("baseOff", { ...ids, incoming: "replace", gameSees: true, fingerprinted: true }),
  launch: keyedFacet("launch", {
    items: (launch) => Object.entries(launch),
    from: (entries) => Object.fromEntries(entries),
    keyOf: ([id]) => id,
    incoming: "replace",
    gameSees: true,
    fingerprinted: true,
  }),
  leftOut: keyedFacet("leftOut", {
    items: (paths) => paths,
    from: (paths) => [...paths],
    keyOf: ({ mod, path }) => `${mod} ${path}`,
    incoming: "theirs",
    about: ({ mod }) => mod,
    gameSees: true,
    fingerprinted: true,
  }),
  numbers: keyedFacet("numbers", {
    items: (numbers) => numbers,
    from: (numbers) => [...numbers],
    keyOf: numberKey,
    incoming: "theirs",
    gameSees: false,
    fingerprinted: false,
  }),
  advice: keyedFacet("advice", {
    items: (advice) => advice,
    from: (advice) => [...advice],
    keyOf: adviceKey,
    incoming: "mine",
    gameSees: false,
    fingerprinted: false,
  }),
  setAside: keyedFacet("setAside", {
    items: (all) => all,
    from: (all) => [...all],
    keyOf: ({ finding }) => finding,
    core: ({ at: _, ...each }) => each,
    incoming: "mine",
    gameSees: false,
    fingerprinted: false,
  }),
  reminders: keyedFacet("reminders", {
    items: (reminders) => reminders,
    from: (reminders) => [...reminders],
    keyOf: ({ id }) => id,
    incoming: "mine",
    gameSees: false,
    fingerprinted: false,
  }),
  startNotes: keyedFacet("startNotes", {
    items: (notes) => notes,
    from: (notes) => [...notes],
    keyOf: ({ id }) => id,
    ordered: true,
    incoming: "theirs",
    gameSees: false,
    fingerprinted: false,
  }),
  blend: keyedFacet("blend", {
    items: (choices) => choices,
    from: (choices) => [...choices],
    keyOf: blendChoiceKey,
    // What books said is found again where they are.
    core: (choice) => (choice.kind === "recipe" ? { ...choice, marks: undefined } : choice),
    incoming: "theirs",
    gameSees: false,
    fingerprinted: false,
  }),
  settings: keyedFacet("settings", {
    items: (choices) => choices,
    from: (choices) => [...choices],
    keyOf: settingKey,
    incoming: "theirs",
    gameSees: true,
    fingerprinted: true,
  }),
} satisfies { [Name in FacetName]: Facet<ProfileState[Name]> };

export const facetNames = Object.keys(facets) as readonly FacetName[];
export const keyedNames = facetNames.filter(
  (name): name is KeyedName => name !== "mods" && name !== "plugins",
);

/** What a state decides under a key. */
export function decisionIn<Name extends KeyedName>(
  state: ProfileState,
  name: Name,
  key: string,
): Decision<Name> | undefined {
  // Of one name facet and value fit, which a name that is any of them loses.
  const facet = facets[name] as unknown as KeyedFacet<ProfileState[Name], Decision<Name>>;
  return facet.items(state[name]).find((item) => facet.keyOf(item) === key);
}

type Visit<R> = <Name extends FacetName>(name: Name, facet: Facet<ProfileState[Name]>) => R;

/** What is said of each facet, in their order. */
export const overFacets = <R>(visit: Visit<R>): R[] =>
  // Of one name the facet and its value fit; a list of names loses that.
  facetNames.map((name) => visit(name, facets[name] as never));

/** A state with every facet made anew; the very same state where each is the one that it was. */
export function mapFacets(
  state: ProfileState,
  make: <Name extends FacetName>(name: Name, facet: Facet<ProfileState[Name]>) => ProfileState[Name],
): ProfileState {
  const values = overFacets((name, facet) => [name, make(name, facet)] as const);
  if (values.every(([name, value]) => value === state[name])) return state;
  return Object.fromEntries(values) as unknown as ProfileState;
}

/** What a profile decides beside its orders before anything is decided. */
export const nothingDecided: Omit<ProfileState, "mods" | "plugins"> = {
  rules: [],
  expansions: [],
  broaderFirst: true,
  books: [],
  notes: [],
  choices: [],
  baseOff: [],
  launch: {},
  leftOut: [],
  numbers: [],
  advice: [],
  setAside: [],
  reminders: [],
  startNotes: [],
  blend: [],
  settings: [],
};
