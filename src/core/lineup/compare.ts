import { longestIncreasing } from "../graph/longest-increasing";
import type { FingerprintFacts } from "./fingerprint";

/** One way in which a setup is not the one that a lineup describes. */
export interface Difference {
  readonly kind:
    | "game-version"
    | "expansion-missing"
    | "expansion-extra"
    | "mod-missing"
    | "mod-extra"
    | "mod-different"
    | "plugin-missing"
    | "plugin-extra"
    | "plugin-different"
    | "mods-order"
    | "plugins-order"
    | "launch";
  readonly name: string;
  readonly wanted: string;
  readonly here: string;
}

interface Item {
  readonly key: string;
  readonly value: string;
  readonly shown: string;
}

/** Everything by which two setups differ; empty exactly where their fingerprints are equal. */
export function compareFacts(wanted: FingerprintFacts, here: FingerprintFacts): Difference[] {
  const differences: Difference[] = [];
  if (wanted.game.id !== here.game.id || wanted.game.version !== here.game.version) {
    const show = ({ game }: FingerprintFacts) => `${game.id} ${game.version}`;
    differences.push({ kind: "game-version", name: here.game.id, wanted: show(wanted), here: show(here) });
  }
  const expansions = (facts: FingerprintFacts) =>
    [...facts.expansions].sort().map((id): Item => ({ key: id, value: "", shown: id }));
  differences.push(...compareLists("expansion", expansions(wanted), expansions(here)));
  differences.push(...compareLists("mod", modItems(wanted), modItems(here)));
  differences.push(...compareLists("plugin", pluginItems(wanted), pluginItems(here)));
  const rest = ({ launch, baseOff }: FingerprintFacts) =>
    JSON.stringify([Object.entries(launch).sort(), [...baseOff].sort()]);
  if (rest(wanted) !== rest(here))
    differences.push({ kind: "launch", name: "launch", wanted: rest(wanted), here: rest(here) });
  return differences;
}

const modItems = ({ mods }: FingerprintFacts): Item[] =>
  mods.map((mod) => ({
    key: mod.id,
    value: JSON.stringify([
      mod.version,
      mod.content,
      Object.entries(mod.options)
        .map(([key, parts]) => [key, [...parts].sort()])
        .sort(),
      [...mod.components].sort(),
      [...mod.hidden].sort(),
    ]),
    shown: mod.version,
  }));

const pluginItems = ({ plugins }: FingerprintFacts): Item[] =>
  plugins.map((plugin) => ({ key: plugin.name, value: plugin.sha256, shown: plugin.sha256.slice(0, 12) }));

function compareLists(
  noun: "expansion" | "mod" | "plugin",
  wanted: readonly Item[],
  here: readonly Item[],
): Difference[] {
  const found = new Map(here.map((item, at) => [item.key, { item, at }]));
  const listed = new Set(wanted.map((item) => item.key));
  const differences: Difference[] = [];
  const places: number[] = [];
  for (const item of wanted) {
    const other = found.get(item.key);
    if (!other) {
      differences.push({ kind: `${noun}-missing`, name: item.key, wanted: item.shown, here: "" });
      continue;
    }
    places.push(other.at);
    if (other.item.value !== item.value && noun !== "expansion")
      differences.push({
        kind: `${noun}-different`,
        name: item.key,
        wanted: item.shown,
        here: other.item.shown,
      });
  }
  for (const item of here)
    if (!listed.has(item.key))
      differences.push({ kind: `${noun}-extra`, name: item.key, wanted: "", here: item.shown });
  const moved = places.length - longestIncreasing(places).length;
  if (moved > 0 && noun !== "expansion")
    differences.push({ kind: `${noun}s-order`, name: noun, wanted: "", here: String(moved) });
  return differences;
}
