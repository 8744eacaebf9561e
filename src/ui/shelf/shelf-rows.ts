import { findingsOf, type WorstOf } from "./findings-of-mods";
import type { Level } from "@/core/model/finding";
import type { ShelfMod } from "@/core/model/shelf";
import { countingOf } from "@/core/roster/laws";
import { notesOf } from "@/core/roster/notes";
import { newestById, type Roster, type SeatedMod } from "@/core/roster/roster";
import { compareVersions, isInRange, versionText } from "@/core/version/version";
import { usageKey } from "../workspace/usage-key";
import type { Finding } from "@/core/model/finding";

export const shelfStates = ["on", "off", "elsewhere", "missing", "unsound", "superseded"] as const;
/**
 * How it stands with a row: on or off in this profile, on the shelf but not in it (`elsewhere`), in it but not on the shelf
 * (`missing`), left out as unsound, or beside another version that counts.
 */
export type ShelfState = (typeof shelfStates)[number];

/** What the shelf can be narrowed by, one value of each at a time. */
export const facets = ["state", "use", "level", "source", "kind", "section", "game"] as const;
export type Facet = (typeof facets)[number];

export interface ShelfRow {
  readonly key: string;
  readonly id: string;
  readonly name: string;
  readonly version: string;
  /** Null where the profile lists a mod that is not on the shelf. */
  readonly mod: ShelfMod | null;
  readonly seated: SeatedMod | null;
  /** Version of the same mod that counts instead of this one. */
  readonly supersededBy: string | null;
  readonly state: ShelfState;
  /** Names of the other profiles that hold it. */
  readonly profiles: readonly string[];
  /** The worst level of what is found about it or its plugins, and how much that is. */
  readonly level: Level | null;
  readonly findings: number;
  readonly note: string | null;
  /** Everything that a search looks through, its name first. */
  readonly searched: string;
  /** The values of each facet that it has. */
  readonly values: Readonly<Record<Facet, readonly string[]>>;
}

/** Other profiles that hold a mod, by it and its contents. */
type Usage = ReadonlyMap<string, readonly string[]>;

/** What lies on the shelf and what the profile misses, by name. */
export function shelfRows(roster: Roster, usage: Usage, findings: readonly Finding[]): ShelfRow[] {
  const worst = findingsOf(roster, findings);
  const newest = newestById(roster.stock.shelf);
  const notes = notesOf(roster, "mods");
  const complete = (facts: Bare): ShelfRow =>
    describe(
      roster,
      facts,
      usage.get(usageKey(facts.id, facts.mod?.content ?? facts.seated?.entry.content)) ?? [],
      worst.get(facts.id),
      notes.get(facts.id)?.text ?? null,
    );
  const here = roster.stock.shelf.map((mod) => {
    const seated = mod.problem ? null : (roster.modOf.get(mod.id) ?? null);
    const counts = seated?.mod ?? newest.get(mod.id);
    const supersededBy = !mod.problem && counts && counts !== mod ? counts.version : null;
    const { id, name } = mod;
    const version = versionText(mod.version);
    return complete({ key: mod.path, id, name, version, mod, seated, supersededBy });
  });
  const missing = roster.mods
    .filter((seated) => seated.gone)
    .map((seated) => {
      const { id } = seated;
      return complete({
        key: `missing ${id}`,
        id,
        name: seated.mod?.name ?? id,
        version: versionText(seated.mod?.version ?? ""),
        mod: null,
        seated,
        supersededBy: null,
      });
    });
  return [...here, ...missing].sort(
    (a, b) => compareText(a.name, b.name) || compareVersions(b.version, a.version),
  );
}

function compareText(a: string, b: string): number {
  const [first, second] = [a.toLowerCase(), b.toLowerCase()];
  return first < second ? -1 : first > second ? 1 : 0;
}

type Bare = Pick<ShelfRow, "key" | "id" | "name" | "version" | "mod" | "seated" | "supersededBy">;

function describe(
  roster: Roster,
  bare: Bare,
  profiles: readonly string[],
  worst: WorstOf | undefined,
  note: string | null,
): ShelfRow {
  const { mod, seated } = bare;
  const state = stateOf(bare);
  const told = state === "superseded" ? undefined : worst;
  const texts = mod
    ? [mod.name, mod.author ?? "", mod.id, ...mod.tags, ...mod.plugins.map((plugin) => plugin.name), mod.path]
    : [bare.id];
  return {
    ...bare,
    state,
    profiles,
    level: told?.level ?? null,
    findings: told?.count ?? 0,
    note,
    searched: texts.join(" "),
    values: {
      state: [state],
      use: [(seated && bare.supersededBy === null) || profiles.length > 0 ? "used" : "unused"],
      level: [told?.level ?? "none"],
      source: mod ? [sourceOf(mod)] : [],
      kind: mod ? classesOf(roster, mod) : [],
      section: sectionsOf(roster, bare),
      game: mod ? [fitOf(roster, mod)] : [],
    },
  };
}

function stateOf({ mod, seated, supersededBy }: Bare): ShelfState {
  if (!mod) return "missing";
  if (mod.problem) return "unsound";
  if (supersededBy !== null) return "superseded";
  return !seated ? "elsewhere" : seated.loads ? "on" : "off";
}

/** A mod whose manifest names its page at the depot came from there. */
export const sourceOf = ({ manifest }: ShelfMod): "depot" | "local" =>
  manifest?.page?.startsWith("depot:") ? "depot" : "local";

function classesOf({ game }: Roster, mod: ShelfMod): string[] {
  const labels = mod.plugins.flatMap((plugin) => countingOf(game, plugin)?.label ?? []);
  return labels.length > 0 ? [...new Set(labels)] : ["none"];
}

/** Ids of the sections that it, or a plugin of it, stands in. */
function sectionsOf({ pluginOf }: Roster, { mod, seated }: Bare): string[] {
  const own = seated?.section ? [seated.section.id] : [];
  const others = (seated && mod?.plugins) || [];
  const found = others.flatMap((plugin) => pluginOf.get(plugin.name)?.section?.id ?? []);
  return [...new Set([...own, ...found])];
}

function fitOf({ game }: Roster, { manifest }: ShelfMod): "fits" | "other" | "unsaid" {
  if (!manifest?.gameVersions) return "unsaid";
  return isInRange(game.version, manifest.gameVersions) ? "fits" : "other";
}

/** Of rows the mods that can be switched on, or off. */
export const ableTo = (rows: readonly ShelfRow[], on: boolean): ShelfMod[] =>
  rows
    .filter(({ state }) => (on ? state === "off" || state === "elsewhere" : state === "on"))
    .map(({ mod }) => mod!);
