import { movedBetween } from "../graph/moved";
import type { FingerprintFacts } from "./fingerprint";
import { sameValue } from "./three-way";

/** One way in which a setup is not the one that a lineup describes. */
export interface Difference {
  readonly kind:
    | "game-version"
    | "expansion-missing"
    | "expansion-extra"
    | "base-missing"
    | "base-extra"
    | "mod-missing"
    | "mod-extra"
    | "mod-version"
    | "mod-contents"
    | "mod-parts"
    | "mod-moved"
    | "plugin-missing"
    | "plugin-extra"
    | "plugin-contents"
    | "plugin-moved"
    | "launch";
  /** Of a mod or an expansion its id, of a plugin its file name, of a launch setting its key. */
  readonly name: string;
  /** What the lineup has, and what is here: a version, a value; of what moved, what stands just before it, or "". */
  readonly wanted: string;
  readonly here: string;
}

/** Everything by which two setups differ, a line for each; empty exactly where their fingerprints are equal. */
export function compareFacts(wanted: FingerprintFacts, here: FingerprintFacts): Difference[] {
  return [
    ...compareGame(wanted, here),
    ...compareSets("expansion", wanted.expansions, here.expansions),
    // What is off in one is on in the other.
    ...compareSets("base", here.baseOff, wanted.baseOff),
    ...compareLists(modKind, wanted.mods, here.mods),
    ...compareLists(pluginKind, wanted.plugins, here.plugins),
    ...compareLaunch(wanted.launch, here.launch),
  ];
}

function compareGame({ game: wanted }: FingerprintFacts, { game: here }: FingerprintFacts): Difference[] {
  if (sameValue(wanted, here)) return [];
  const say = ({ id, version }: FingerprintFacts["game"]) => `${id} ${version}`;
  return [{ kind: "game-version", name: here.id, wanted: say(wanted), here: say(here) }];
}

const compareSets = (
  noun: "expansion" | "base",
  wanted: readonly string[],
  here: readonly string[],
): Difference[] => [
  ...wanted
    .filter((name) => !here.includes(name))
    .map((name): Difference => ({ kind: `${noun}-missing`, name, wanted: name, here: "" })),
  ...here
    .filter((name) => !wanted.includes(name))
    .map((name): Difference => ({ kind: `${noun}-extra`, name, wanted: "", here: name })),
];

type ModFacts = FingerprintFacts["mods"][number];
type PluginFacts = FingerprintFacts["plugins"][number];

function compareMod(wanted: ModFacts, here: ModFacts): Difference[] {
  const { id: name } = here;
  const versions = { name, wanted: wanted.version, here: here.version };
  const found: Difference[] = [];
  if (wanted.version !== here.version) found.push({ kind: "mod-version", ...versions });
  else if (wanted.content !== here.content) found.push({ kind: "mod-contents", ...versions });
  if (!sameValue(partsOf(wanted), partsOf(here))) found.push({ kind: "mod-parts", ...versions });
  return found;
}

const partsOf = ({ options, components, hidden }: ModFacts) => [
  Object.fromEntries(Object.entries(options).map(([key, parts]) => [key, [...parts].sort()])),
  [...components].sort(),
  [...hidden].sort(),
];

const comparePlugin = (wanted: PluginFacts, here: PluginFacts): Difference[] =>
  wanted.sha256 === here.sha256
    ? []
    : [{ kind: "plugin-contents", name: here.name, wanted: shortHash(wanted), here: shortHash(here) }];

const shortHash = ({ sha256 }: PluginFacts): string => sha256.slice(0, 12);

/** How the items of one of the two orders are told apart, shown and compared. */
interface Kind<T> {
  readonly noun: "mod" | "plugin";
  readonly keyOf: (item: T) => string;
  readonly show: (item: T) => string;
  readonly compare: (wanted: T, here: T) => Difference[];
}

const modKind: Kind<ModFacts> = {
  noun: "mod",
  keyOf: ({ id }) => id,
  show: ({ version }) => version,
  compare: compareMod,
};
const pluginKind: Kind<PluginFacts> = {
  noun: "plugin",
  keyOf: ({ name }) => name,
  show: shortHash,
  compare: comparePlugin,
};

/** What is missing or not as it is wanted, then what is there besides, then what stands elsewhere. */
function compareLists<T>(
  { noun, keyOf, show, compare }: Kind<T>,
  wanted: readonly T[],
  here: readonly T[],
): Difference[] {
  const [wantedKeys, hereKeys] = [wanted.map(keyOf), here.map(keyOf)];
  const found = new Map(here.map((item) => [keyOf(item), item]));
  const listed = new Set(wantedKeys);
  const differences = wanted.flatMap((item): Difference[] => {
    const other = found.get(keyOf(item));
    if (other) return compare(item, other);
    return [{ kind: `${noun}-missing`, name: keyOf(item), wanted: show(item), here: "" }];
  });
  for (const item of here)
    if (!listed.has(keyOf(item)))
      differences.push({ kind: `${noun}-extra`, name: keyOf(item), wanted: "", here: show(item) });
  const [wantedAfter, hereAfter] = [neighbours(wantedKeys), neighbours(hereKeys)];
  for (const name of movedBetween(wantedKeys, hereKeys))
    differences.push({
      kind: `${noun}-moved`,
      name,
      wanted: wantedAfter.get(name)!,
      here: hereAfter.get(name)!,
    });
  return differences;
}

/** Of each key the one just before it, "" of the first. */
const neighbours = (keys: readonly string[]): ReadonlyMap<string, string> =>
  new Map(keys.map((key, at) => [key, keys[at - 1] ?? ""]));

const compareLaunch = (wanted: FingerprintFacts["launch"], here: FingerprintFacts["launch"]): Difference[] =>
  [...new Set([...Object.keys(wanted), ...Object.keys(here)])]
    .sort()
    .filter((key) => wanted[key] !== here[key])
    .map((key) => ({
      kind: "launch",
      name: key,
      wanted: String(wanted[key] ?? ""),
      here: String(here[key] ?? ""),
    }));
