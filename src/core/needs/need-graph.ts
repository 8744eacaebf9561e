import type { Advice } from "../model/advice";
import type { ListName } from "../model/profile";
import type { ShelfMod } from "../model/shelf";
import { remembered } from "../remembered";
import { adviceIn } from "../roster/advice";
import { foldName } from "../roster/fold";
import { bringersOf } from "../roster/needs";
import { newestHere, titleOf, type Roster, type SeatedItem } from "../roster/roster";
import { isInRange } from "../version/version";

type NeedNodeKind = "mod" | "plugin" | "expansion";
/** `shelf`: not in the profile, and here all the same. */
export type NodeStanding = "on" | "off" | "shelf" | "missing";

/** Something that needs or is needed. */
export interface NeedNode {
  /** Its kind and id, as `nodeKey` puts them. */
  readonly key: string;
  readonly kind: NeedNodeKind;
  readonly id: string;
  readonly title: string;
  readonly standing: NodeStanding;
}

/**
 * Why one needs another: `master` by a plugin's header, `requires` by a manifest, `advice` by the curator or a rulebook, `brings`:
 * what is needed brings the file, `expansion` by a manifest.
 */
export const needReasons = ["master", "requires", "advice", "brings", "expansion"] as const;
export type NeedReason = (typeof needReasons)[number];

export interface NeedEdge {
  /** Who needs. */
  readonly from: string;
  readonly to: string;
  readonly why: NeedReason;
  /** What is needed is on, in a version that does. */
  readonly isMet: boolean;
}

/** Who needs what, of all that a profile holds and the shelf could add. */
export interface NeedGraph {
  readonly nodes: ReadonlyMap<string, NeedNode>;
  /** By who needs, and by what is needed. */
  readonly needs: ReadonlyMap<string, readonly NeedEdge[]>;
  readonly neededBy: ReadonlyMap<string, readonly NeedEdge[]>;
}

export const nodeKey = (kind: NeedNodeKind, id: string): string => `${kind}:${id}`;
export const keyOfItem = ({ list, id }: { readonly list: ListName; readonly id: string }): string =>
  nodeKey(list === "mods" ? "mod" : "plugin", id);

/** Null of an expansion, and of what the profile has no seat for. */
export const itemOfNode = (
  { pluginOf, modOf }: Pick<Roster, "pluginOf" | "modOf">,
  { kind, id }: Pick<NeedNode, "kind" | "id">,
): SeatedItem | null =>
  (kind === "plugin" ? pluginOf.get(id) : kind === "mod" ? modOf.get(id) : null) ?? null;

/** Worked out once for a roster. */
export const needGraph = remembered((roster: Roster): NeedGraph => new GraphOfNeeds(roster));

const none: readonly NeedEdge[] = [];
export const needsIn = ({ needs }: NeedGraph, key: string): readonly NeedEdge[] => needs.get(key) ?? none;
export const neededByIn = ({ neededBy }: NeedGraph, key: string): readonly NeedEdge[] =>
  neededBy.get(key) ?? none;

class GraphOfNeeds implements NeedGraph {
  readonly nodes = new Map<string, NeedNode>();
  readonly needs = new Map<string, NeedEdge[]>();
  readonly neededBy = new Map<string, NeedEdge[]>();
  private readonly expansionOf: ReadonlyMap<string, string>;

  constructor(private readonly roster: Roster) {
    const { game, stock, modOf, mods, plugins } = roster;
    this.expansionOf = new Map(
      game.expansions.flatMap(({ id, plugins: own }) => own.map((name) => [this.fold(name), id] as const)),
    );
    const absent = stock.shelf.filter((mod) => newestHere(stock, mod.id) === mod && !modOf.has(mod.id));
    for (const { id, mod } of mods) this.ofMod(id, mod);
    for (const mod of absent) this.ofAbsent(mod);
    for (const plugin of plugins) {
      const key = this.plugin(plugin.id);
      for (const { name, id } of plugin.masters) this.link(key, this.plugin(id ?? name), "master");
      if (plugin.mod) this.link(key, this.mod(plugin.mod.id), "brings");
      this.advised(key, plugin);
    }
    for (const mod of mods) this.advised(this.mod(mod.id), mod);
  }

  private readonly fold = (name: string): string => foldName(this.roster.game, name);

  private ofMod(id: string, mod: ShelfMod | null): void {
    const key = this.mod(id);
    for (const { mod: other, versions } of mod?.manifest?.requires ?? [])
      this.link(key, this.mod(other), "requires", this.fits(other, versions));
    for (const expansion of mod?.manifest?.expansions ?? [])
      this.link(key, this.expansion(expansion), "expansion");
  }

  /** Its plugins have no seats: what they need, it needs. */
  private ofAbsent(mod: ShelfMod): void {
    this.ofMod(mod.id, mod);
    const own = new Set(mod.plugins.map(({ name }) => this.fold(name)));
    const masters = mod.plugins.flatMap(({ part, header }) =>
      part === undefined ? (header?.masters ?? []) : [],
    );
    for (const name of new Set(masters))
      if (!own.has(this.fold(name))) this.link(this.mod(mod.id), this.plugin(name), "master");
    for (const { advice } of adviceIn(this.roster).ofMod(mod.id)) this.needOf(this.mod(mod.id), advice);
  }

  private advised(key: string, item: SeatedItem): void {
    for (const { advice } of adviceIn(this.roster).of(item)) this.needOf(key, advice);
  }

  private needOf(key: string, advice: Advice): void {
    if (advice.kind !== "needs") return;
    const { other } = advice;
    this.link(key, "plugin" in other ? this.plugin(other.plugin) : this.mod(other.mod), "advice");
  }

  private fits(id: string, versions: string | undefined): boolean {
    const version = this.roster.modOf.get(id)?.mod?.version;
    return versions === undefined || version === undefined || isInRange(version, versions);
  }

  private link(from: string, to: string, why: NeedReason, fits = true): void {
    if (from === to || this.needs.get(from)?.some((edge) => edge.to === to && edge.why === why)) return;
    const edge: NeedEdge = { from, to, why, isMet: fits && this.nodes.get(to)!.standing === "on" };
    push(this.needs, from, edge);
    push(this.neededBy, to, edge);
  }

  private node(kind: NeedNodeKind, id: string, rest: () => Pick<NeedNode, "title" | "standing">): string {
    const key = nodeKey(kind, id);
    if (!this.nodes.has(key)) this.nodes.set(key, { key, kind, id, ...rest() });
    return key;
  }

  private mod(id: string): string {
    const { modOf, stock } = this.roster;
    return this.node("mod", id, () => {
      const item = modOf.get(id);
      if (item) return { title: titleOf(item), standing: standingOf(item) };
      const here = newestHere(stock, id);
      return { title: here?.name ?? id, standing: here ? "shelf" : "missing" };
    });
  }

  /** One that the profile has no seat for leads on to what would bring it. */
  private plugin(name: string): string {
    const { idOfName, pluginOf } = this.roster;
    const id = idOfName.get(this.fold(name));
    const item = id === undefined ? undefined : pluginOf.get(id);
    if (item?.mod || item?.fixed)
      return this.node("plugin", item.id, () => ({ title: item.id, standing: standingOf(item) }));
    const own = item?.id ?? name;
    const known = this.nodes.get(nodeKey("plugin", own));
    if (known) return known.key;
    const expansion = this.expansionOf.get(this.fold(name));
    const here = bringersOf(this.roster).get(this.fold(name)) ?? [];
    const bringing = here.find((mod) => !this.roster.modOf.has(mod.id));
    const key = this.node("plugin", own, () => ({
      title: own,
      standing: expansion === undefined && !bringing ? "missing" : "shelf",
    }));
    if (expansion !== undefined) this.link(key, this.expansion(expansion), "brings");
    else if (bringing) this.link(key, this.mod(bringing.id), "brings");
    return key;
  }

  private expansion(id: string): string {
    const { game, profile, stock } = this.roster;
    return this.node("expansion", id, () => ({
      title: game.expansions.find((each) => each.id === id)?.name ?? id,
      standing: profile.state.expansions.includes(id) ? "on" : stock.owned.includes(id) ? "off" : "missing",
    }));
  }
}

function push(into: Map<string, NeedEdge[]>, key: string, edge: NeedEdge): void {
  const known = into.get(key);
  if (known) known.push(edge);
  else into.set(key, [edge]);
}

/** What is off and whose contents are nowhere any more can be switched on by nobody. */
function standingOf(item: SeatedItem): NodeStanding {
  if (item.loads) return "on";
  const owner = item.list === "mods" ? item : item.mod;
  return owner === null || owner.gone ? "missing" : "off";
}
