import type { ShelfMod } from "../model/shelf";
import { modName } from "../messages/parts-of-mods";
import { expansionEdit } from "../edit/settings";
import { newestHere, type Roster, type SeatedMod } from "../roster/roster";
import { isInRange } from "../version/version";
import { mod as subject, type Check } from "./check";
import { leaveMod, switchOnMod } from "./fixes";
import type { Fix } from "../model/finding";

/** A mod that is on says that it needs another one, which is off, not there, or of another version. */
export const requiredOff: Check = ({ roster }) =>
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
        level: "problem" as const,
        subjects: [subject(id)],
        fixes: [...(why === "off" ? [switchOnMod(roster, other)] : []), leaveMod(roster, id)].filter(isFix),
        ...(why !== "off" && {
          wants: [{ kind: "mod" as const, id: other, content: null, versions: versions ?? null }],
        }),
      };
    }),
  );

/** Two mods that are on, of which one says that it cannot stand the other. */
export const modsClash: Check = ({ roster }) =>
  roster.mods.filter(isOn).flatMap(({ id, mod }) =>
    (mod.manifest?.clashes ?? [])
      .filter((clash) => roster.modOf.get(clash.mod)?.loads)
      .map((clash) => ({
        check: "mods-clash",
        id: "mods-clash",
        data: { item: id, other: clash.mod, reason: clash.reason ?? "" },
        level: "problem" as const,
        subjects: [subject(id), subject(clash.mod)],
        fixes: [leaveMod(roster, id), leaveMod(roster, clash.mod)].filter(isFix),
      })),
  );

/** A mod that is on needs an expansion that is not. */
export const expansionOff: Check = ({ roster }) =>
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
        fixes: [switchOnExpansion(roster, expansion), leaveMod(roster, id)].filter(isFix),
      })),
  );

/** A mod that is on was made for other versions of the game. */
export const otherGameVersion: Check = ({ roster }) =>
  roster.mods
    .filter(isOn)
    .filter(
      ({ mod }) => mod.manifest?.gameVersions && !isInRange(roster.game.version, mod.manifest.gameVersions),
    )
    .map(({ id, mod }) => ({
      check: "other-game-version",
      id: "other-game-version",
      data: { item: id, versions: mod.manifest!.gameVersions!, game: roster.game.version },
      level: "hint" as const,
      subjects: [subject(id)],
      fixes: [],
    }));

const isOn = (item: SeatedMod): item is SeatedMod & { readonly mod: ShelfMod } =>
  item.loads && item.mod !== null;

const isFix = (fix: Fix | null): fix is Fix => fix !== null;

const lies = ({ modOf, stock }: Roster, id: string): boolean =>
  Boolean(modOf.get(id)?.mod) || newestHere(stock, id) !== undefined;

function switchOnExpansion(roster: Roster, id: string): Fix | null {
  const edit = roster.stock.owned.includes(id) ? expansionEdit(roster, id, true) : null;
  const name = roster.game.expansions.find((each) => each.id === id)?.name ?? id;
  return edit && { id: "switch-on-mod", data: { name }, does: { edit } };
}
