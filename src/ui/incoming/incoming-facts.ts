import { MODS_RANK } from "@/core/model/game";
import type { ShelfMod } from "@/core/model/shelf";
import { foldName } from "@/core/roster/fold";
import { arrivalSection, loadRankOf } from "@/core/roster/laws";
import type { Roster } from "@/core/roster/roster";
import { isInRange } from "@/core/version/version";

export type NeedStanding = "on" | "off" | "shelf" | "other-version" | "missing";

/** Something that a mod needs, and how it stands with it here. */
interface Need {
  readonly name: string;
  readonly standing: NeedStanding;
  /** The mod of the shelf that would bring it; null where none does. */
  readonly mod: ShelfMod | null;
}

/** The mods that it requires and the masters that it does not bring itself. */
export function needsOf(roster: Roster, { manifest, plugins }: ShelfMod): Need[] {
  const required = (manifest?.requires ?? []).map(({ mod, versions }): Need => {
    const found =
      roster.modOf.get(mod)?.mod ?? roster.stock.shelf.find((each) => each.id === mod && !each.problem);
    const isRight = !versions || !found || isInRange(found.version, versions);
    return {
      name: found?.name ?? mod,
      mod: found ?? null,
      standing: isRight ? standing(roster, found) : "other-version",
    };
  });
  return [...required, ...masterNeeds(roster, plugins, new Set(required.map((need) => need.mod?.id)))];
}

function standing({ modOf }: Roster, mod: ShelfMod | undefined): NeedStanding {
  if (!mod) return "missing";
  const seated = modOf.get(mod.id);
  return !seated ? "shelf" : seated.loads ? "on" : "off";
}

/** Only those that no required mod brings: the others are told by its name. */
function masterNeeds(
  roster: Roster,
  plugins: ShelfMod["plugins"],
  told: ReadonlySet<string | undefined>,
): Need[] {
  const fold = (name: string) => foldName(roster.game, name);
  const own = new Set(plugins.map((plugin) => fold(plugin.name)));
  const base = new Set(roster.stock.base.map((plugin) => fold(plugin.name)));
  const masters = new Map(
    plugins.flatMap(({ header }) => header?.masters ?? []).map((name) => [fold(name), name]),
  );
  return [...masters].flatMap(([key, name]): Need[] => {
    if (own.has(key) || base.has(key)) return [];
    const mod = roster.stock.shelf.find(
      (each) => !each.problem && each.plugins.some((plugin) => fold(plugin.name) === key),
    );
    if (mod && told.has(mod.id)) return [];
    return [
      { name: mod ? `${name}, of ${mod.name}` : name, mod: mod ?? null, standing: standing(roster, mod) },
    ];
  });
}

/** The sections in which it and its plugins would be seated, by what is seated there. */
export function sectionsFor(
  roster: Roster,
  { name, tags, plugins }: ShelfMod,
): { what: string; section: string }[] {
  const { game, lists } = roster;
  const rows: { what: string; section: string }[] = [];
  const add = (what: string, sections: Parameters<typeof arrivalSection>[0], rank: string) => {
    const section = arrivalSection(sections, rank, tags);
    if (section) rows.push({ what, section: section.name });
  };
  if (lists.mods.sections.length > 1) add(name, lists.mods.sections, MODS_RANK);
  const fixed = new Set(game.builtIn.map((each) => foldName(game, each)));
  for (const plugin of plugins)
    if (game.lists.includes("plugins"))
      add(plugin.name, lists.plugins.sections, loadRankOf(game, plugin, fixed).id);
  return rows;
}
