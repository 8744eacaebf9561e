import { recipeOf } from "../blend/decisions";
import type { DepotMod } from "../model/depot";
import type { GameDefinition } from "../model/game";
import type { Lineup, LineupMod } from "../model/lineup";
import type { ShelfMod } from "../model/shelf";
import type { SeatedMod, Stock } from "../roster/roster";
import { needsFirst } from "./instructions";
import { matchLineup } from "./match";
import type { Basis } from "./match-lines";
import { compareVersions } from "../version/version";

/**
 * How it stands with a mod of a lineup: `found` here as the list names it; `other` here in another version or with other
 * contents; `to-get` from the depot; `by-hand`: the depot has only its page; `not-to-be-had`; `to-build`: the list's
 * blend, which is built here.
 */
export type PlanStatus = "found" | "other" | "to-get" | "by-hand" | "to-build" | "not-to-be-had";

export interface PlannedMod {
  readonly wanted: LineupMod;
  readonly status: PlanStatus;
  readonly here: ShelfMod | null;
  /** What the depot has of it: with these contents, else the same mod in another version. */
  readonly depot: DepotMod | null;
  /** The depot's archive has the very contents. */
  readonly exact: boolean;
  /** Names of mods of the lineup that require it. */
  readonly neededBy: readonly string[];
  /** On what it was found here. */
  readonly basis: Basis;
}

/** What a lineup would bring, before anything is done. */
export interface ImportPlan {
  readonly mods: readonly PlannedMod[];
  /** What is on here and not in the lineup. */
  readonly extra: readonly SeatedMod[];
  /** What can be got, what others need first. */
  readonly toGet: readonly PlannedMod[];
  readonly expansionsMissing: readonly string[];
  readonly baseDifferent: readonly string[];
  /** The lineup's version of the game where it is another one. */
  readonly gameVersion: string | null;
}

/** `present` are the mods of the profile that is worked on; `bases` on what those of a list of names were found. */
export function planImport(
  game: GameDefinition,
  lineup: Lineup,
  stock: Stock,
  depot: readonly DepotMod[],
  present: readonly SeatedMod[] = [],
  bases: ReadonlyMap<string, Basis> = new Map(),
): ImportPlan {
  const match = matchLineup(game, lineup, stock);
  const byContent = new Map(depot.map((each) => [each.mod.content, each]));
  const byId = new Map<string, DepotMod>(depot.map((each) => [each.mod.id, each]));
  const neededBy = new Map<string, string[]>();
  for (const { name, requires = [] } of lineup.mods)
    for (const id of requires) neededBy.set(id, [...(neededBy.get(id) ?? []), name]);
  const recipe = recipeOf({ blend: lineup.blend ?? [] });
  const mods = match.mods.map(({ wanted, here, status }): PlannedMod => {
    const isBlend = wanted.id === recipe?.mod && status !== "found";
    const basis = bases.get(wanted.id) ?? "contents";
    // What was found by its name may lie here in another version than the list says.
    const isOther =
      basis !== "contents" && here !== null && compareVersions(here.version, wanted.version) !== 0;
    const exact = isOther ? undefined : byContent.get(wanted.content);
    const offered = exact ?? byId.get(wanted.id) ?? null;
    return {
      wanted,
      here,
      depot: offered,
      exact: exact !== undefined,
      status: isBlend
        ? "to-build"
        : status === "found" && !isOther
          ? "found"
          : here
            ? "other"
            : missing(offered),
      basis,
      neededBy: neededBy.get(wanted.id) ?? [],
    };
  });
  const requires = new Map(depot.map(({ mod }) => [mod.id, mod.manifest?.requires?.map((each) => each.mod)]));
  const gettable = mods
    .filter(
      ({ status, exact, depot: offered }) =>
        status === "to-get" || (status === "other" && exact && !offered?.terms),
    )
    .map((each) => ({
      each,
      id: each.wanted.id,
      requires: each.wanted.requires ?? requires.get(each.wanted.id),
    }));
  const listed = new Set<string>(lineup.mods.map(({ id }) => id));
  return {
    mods,
    extra: present.filter(({ id, loads }) => loads && !listed.has(id)),
    toGet: needsFirst(gettable).map(({ each }) => each),
    expansionsMissing: match.expansionsMissing,
    baseDifferent: match.baseDifferent,
    gameVersion: match.gameVersionDiffers ? lineup.game.version : null,
  };
}

const missing = (offered: DepotMod | null): PlanStatus =>
  offered === null ? "not-to-be-had" : offered.terms ? "by-hand" : "to-get";
