import type { ShelfMod } from "../model/shelf";
import { modName } from "../messages/parts-of-mods";
import { newestHere, type Roster, type SeatedMod } from "../roster/roster";
import { isInRange } from "../version/version";
import { mod as subject, type Check } from "./check";
import { damagesSaves } from "./damages-saves";
import { switchOff, switchOnMod } from "./fixes";
import type { Fix } from "../model/finding";

/** A mod that is on says that it needs another one, which is off, not there, or of another version. */
export const requiredOff: Check = {
  reads: ["mods", "stock"],
  find: ({ roster }) =>
    roster.mods.filter(isOn).flatMap(({ id, mod }) =>
      (mod.manifest?.requires ?? []).flatMap(({ mod: other, versions, reason = "" }) => {
        const present = roster.modOf.get(other);
        const fits = !versions || !present?.mod || isInRange(present.mod.version, versions);
        if (present?.loads && fits) return [];
        const why = present?.loads ? "version" : lies(roster, other) ? "off" : "missing";
        return {
          check: "required-off",
          id: `required-${why}`,
          data: {
            item: id,
            other: modName(roster, other),
            versions: versions ?? "",
            here: present?.mod?.version ?? "",
            reason,
          },
          level: why === "version" ? ("problem" as const) : ("blocker" as const),
          subjects: [subject(id)],
          besides: [{ kind: "mod" as const, id: other }],
          fixes: [...(why === "off" ? switchOnMod(roster, other) : []), switchOff("mods", id)],
          ...(why !== "off" && {
            wants: [{ kind: "mod" as const, id: other, content: null, versions: versions ?? null }],
          }),
        };
      }),
    ),
};

/** Two mods that are on, of which one says that it cannot stand the other. */
export const modsClash: Check = {
  reads: ["mods"],
  find: ({ roster }) =>
    roster.mods.filter(isOn).flatMap(({ id, mod }) =>
      (mod.manifest?.clashes ?? [])
        .filter((clash) => roster.modOf.get(clash.mod)?.loads)
        .map((clash) => ({
          check: "mods-clash",
          id: "mods-clash",
          data: { item: id, other: clash.mod, reason: clash.reason ?? "" },
          level: damagesSaves(clash.reason ?? "") ? ("blocker" as const) : ("problem" as const),
          subjects: [subject(id), subject(clash.mod)],
          fixes: [switchOff("mods", id), switchOff("mods", clash.mod)],
        })),
    ),
};

/** A mod that is on needs an expansion that is not. */
export const expansionOff: Check = {
  reads: ["mods", "stock", "game", "expansions"],
  find: ({ roster }) =>
    roster.mods.filter(isOn).flatMap(({ id, mod }) =>
      (mod.manifest?.expansions ?? [])
        .filter((expansion) => !roster.profile.state.expansions.includes(expansion))
        .map((expansion) => ({
          check: "expansion-off",
          id: roster.stock.owned.includes(expansion) ? "expansion-off" : "expansion-not-owned",
          data: {
            item: id,
            expansion: roster.game.expansions.find((each) => each.id === expansion)?.name ?? expansion,
          },
          level: "problem" as const,
          subjects: [subject(id)],
          besides: [{ kind: "expansion" as const, id: expansion }],
          fixes: [...switchOnExpansion(roster, expansion), switchOff("mods", id)],
        })),
    ),
};

/** A mod that is on was made for other versions of the game. */
export const otherGameVersion: Check = {
  reads: ["mods", "game"],
  find: ({ roster }) =>
    roster.mods
      .filter(isOn)
      .filter(
        ({ mod }) => mod.manifest?.gameVersions && !isInRange(roster.game.version, mod.manifest.gameVersions),
      )
      .map(({ id, mod }) => ({
        check: "other-game-version",
        id: "other-game-version",
        data: { item: id, versions: mod.manifest!.gameVersions!, game: roster.game.version },
        level: "blocker" as const,
        subjects: [subject(id)],
        fixes: [],
      })),
};

const isOn = (item: SeatedMod): item is SeatedMod & { readonly mod: ShelfMod } =>
  item.loads && item.mod !== null;

const lies = ({ modOf, stock }: Roster, id: string): boolean =>
  Boolean(modOf.get(id)?.mod) || newestHere(stock, id) !== undefined;

function switchOnExpansion({ game, stock }: Roster, id: string): Fix[] {
  const expansion = game.expansions.find((each) => each.id === id);
  if (!expansion || !stock.owned.includes(id)) return [];
  return [
    {
      id: "switch-on-mod",
      data: { name: expansion.name },
      does: { act: "switch-on-expansion", expansion: id },
    },
  ];
}
