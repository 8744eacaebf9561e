import { say } from "../language/say";
import type { GameDefinition } from "../model/game";
import type { PluginId } from "../model/ids";
import type { ShelfMod } from "../model/shelf";
import { isInRange } from "../version/version";
import { adviceIn } from "./advice";
import { foldName } from "./fold";
import { newestHere, type Roster, type SeatedPlugin, type Stock } from "./roster";

export type NeedStanding = "on" | "off" | "shelf" | "other-version" | "missing";

/** Something that a mod needs, and how it stands with it here. */
export interface Need {
  readonly name: string;
  readonly standing: NeedStanding;
  /** The mod of the profile or the shelf that brings it; null where none does. */
  readonly mod: ShelfMod | null;
  /** The master that it is, where the profile has a seat for it. */
  readonly plugin: PluginId | null;
}

/** The mods that it says it cannot do without, and those of which advice says so. */
export const requiredOf = (roster: Roster, { id: own, manifest }: ShelfMod): Need[] =>
  [...(manifest?.requires ?? []), ...advisedFor(roster, own)].map(({ mod: id, versions }): Need => {
    const mod = roster.modOf.get(id)?.mod ?? newestHere(roster.stock, id) ?? null;
    const isRight = !versions || !mod || isInRange(mod.version, versions);
    return {
      name: mod?.name ?? id,
      standing: isRight ? standingOf(roster, mod) : "other-version",
      mod,
      plugin: null,
    };
  });

const advisedFor = (roster: Roster, id: string): { readonly mod: string; readonly versions?: string }[] =>
  adviceIn(roster)
    .ofMod(id)
    .flatMap(({ advice }) =>
      advice.kind === "needs" && "mod" in advice.other ? [{ mod: advice.other.mod }] : [],
    );

function standingOf({ modOf }: Roster, mod: ShelfMod | null): NeedStanding {
  if (!mod) return "missing";
  const seated = modOf.get(mod.id);
  if (!seated) return "shelf";
  return seated.loads ? "on" : seated.gone ? "missing" : "off";
}

/** The masters of plugins of one mod that neither the mod itself nor the game brings, each once. */
export function mastersOf(roster: Roster, plugins: ShelfMod["plugins"], own: ShelfMod["plugins"]): Need[] {
  const fold = (name: string) => foldName(roster.game, name);
  const known = new Set([...own, ...roster.stock.base].map(({ name }) => fold(name)));
  const needs: Need[] = [];
  for (const name of plugins.flatMap(({ header }) => header?.masters ?? [])) {
    if (known.has(fold(name))) continue;
    known.add(fold(name));
    const id = roster.idOfName.get(fold(name));
    const seated = id === undefined ? undefined : roster.pluginOf.get(id);
    needs.push(seated?.mod ? seatedMaster(seated) : masterOfShelf(roster, name));
  }
  return needs;
}

const seatedMaster = ({ id, loads, withheld, mod }: SeatedPlugin): Need => ({
  name: mod?.mod ? say("roster.of", { id, name: mod.mod.name }) : id,
  standing: loads ? "on" : withheld || mod?.gone ? "missing" : "off",
  mod: mod?.mod ?? null,
  plugin: id,
});

/** It comes with a mod that the profile does not hold, whatever part of it is taken. */
function masterOfShelf(roster: Roster, name: string): Need {
  const bringing = bringersOf(roster).get(foldName(roster.game, name)) ?? [];
  const mod = bringing.find(({ id }) => !roster.modOf.has(id));
  return {
    name: mod ? say("roster.of2", { name, name2: mod.name }) : name,
    standing: mod ? "shelf" : "missing",
    mod: mod ?? null,
    plugin: null,
  };
}

/** As a definition of the game compares names: with another one they are told apart anew. */
const bringers = new WeakMap<
  Stock,
  { readonly game: GameDefinition; readonly byName: ReadonlyMap<string, readonly ShelfMod[]> }
>();

/** The newest mods of the shelf that bring a plugin whatever is taken of them, by its name as the game compares names. */
export function bringersOf({
  game,
  stock,
}: Pick<Roster, "game" | "stock">): ReadonlyMap<string, readonly ShelfMod[]> {
  const known = bringers.get(stock);
  if (known?.game === game) return known.byName;
  const byName = new Map<string, ShelfMod[]>();
  for (const mod of stock.shelf) {
    if (newestHere(stock, mod.id) !== mod) continue;
    for (const { name, part } of mod.plugins) {
      if (part !== undefined) continue;
      const key = foldName(game, name);
      if (byName.has(key)) byName.get(key)!.push(mod);
      else byName.set(key, [mod]);
    }
  }
  bringers.set(stock, { game, byName });
  return byName;
}

/** Everything that a mod needs; a master that a required mod brings is told by the name of that. */
export function needsOf(roster: Roster, mod: ShelfMod): Need[] {
  const required = requiredOf(roster, mod);
  const told = new Set(required.map((need) => need.mod?.id));
  const masters = mastersOf(roster, mod.plugins, mod.plugins);
  return [...required, ...masters.filter((need) => !need.mod || !told.has(need.mod.id))];
}
