import { say } from "../language/say";
import type { Edit } from "../model/edit";
import type { Choice, ProfileState } from "../model/profile";
import type { ShelfMod } from "../model/shelf";
import { foldName } from "../roster/fold";
import { partsOf } from "../roster/parts";
import { makeRoster, newestHere, type Roster, type SeatedMod } from "../roster/roster";
import { compareVersions } from "../version/version";
import { addAbsentPlugins } from "./arrivals";
import { advisedSections } from "../roster/advised-sections";
import { label, stepsBetween } from "./steps";

/** A mod of the profile that is to be held in other contents. */
export interface VersionChange {
  readonly item: SeatedMod;
  readonly to: ShelfMod;
}

/** Mods of the profile of which a newer version lies on the shelf. */
export const newerVersions = (roster: Roster): VersionChange[] =>
  roster.mods.flatMap((item) => {
    const to = newestHere(roster.stock, item.id);
    return item.mod && to && compareVersions(to.version, item.mod.version) > 0 ? [{ item, to }] : [];
  });

/** Other versions of a mod that lie on the shelf than the one that the profile holds. */
export const otherVersions = ({ stock }: Roster, { id, entry, mod }: SeatedMod): ShelfMod[] =>
  stock.shelf
    .filter((each) => each.id === id && !each.problem && each.content !== (mod?.content ?? entry.content))
    .sort((a, b) => compareVersions(b.version, a.version));

/**
 * Holds mods in other contents, as one edit with a restore point. Plugins that come take their seats, on where their mod is; those
 * that only the old contents brought go; parts that are no longer there are no longer chosen. Null where nothing changes.
 */
export function versionEdit(
  roster: Roster,
  changes: readonly VersionChange[],
  id: "versions" | "pin" | "own-work" = "versions",
): Edit | null {
  const [first] = changes;
  if (!first) return null;
  const state = roster.profile.state;
  const steps = stepsBetween(state, withVersions(roster, changes));
  if (steps.length === 0) return null;
  const data = { item: first.item.id, version: first.to.version, count: changes.length };
  const restorePoint = say("edit.before", {
    rest:
      changes.length === 1
        ? `${first.to.name} ${first.to.version}`
        : say("edit.otherVersions", { count: changes.length }),
  });
  return { label: label(id, data), steps, restorePoint: restorePoint.slice(0, 80) };
}

function withVersions(roster: Roster, changes: readonly VersionChange[]): ProfileState {
  const { game, profile, stock } = roster;
  const contents = new Map(changes.map(({ item, to }) => [item.id, to.content!]));
  const pinned: ProfileState = {
    ...profile.state,
    mods: {
      ...profile.state.mods,
      entries: profile.state.mods.entries.map((entry) => {
        const content = contents.get(entry.id);
        return content === undefined || content === entry.content ? entry : { ...entry, content };
      }),
    },
    choices: profile.state.choices.map((choice) => {
      const change = changes.find(({ item }) => item.id === choice.mod);
      return change ? stillThere(choice, change.to) : choice;
    }),
  };
  const gone = pluginsGone(roster, makeRoster(game, { ...profile, state: pinned }, stock), changes);
  const left: ProfileState = {
    ...pinned,
    plugins: {
      ...pinned.plugins,
      entries: pinned.plugins.entries.filter(({ id }) => !gone.has(id)),
    },
  };
  return changes.reduce(
    (next, { item, to }) => addAbsentPlugins(game, next, [to], item.entry.on, advisedSections(roster, [to])),
    left.plugins.entries.length === pinned.plugins.entries.length ? pinned : left,
  );
}

/** Of what the old contents brought, what nothing brings any more. */
function pluginsGone(before: Roster, after: Roster, changes: readonly VersionChange[]): Set<string> {
  const changed = new Set(changes.map(({ item }) => item.id));
  return new Set(
    before.plugins
      .filter(({ mod, fixed }) => !fixed && mod && changed.has(mod.id))
      .filter(({ id }) => after.pluginOf.get(id)?.mod === null)
      .map(({ id }) => id),
  );
}

function stillThere(choice: Choice, { manifest }: ShelfMod): Choice {
  const keys = new Set(partsOf(manifest).map(({ key }) => key));
  const options = Object.entries(choice.options)
    .map(([question, parts]) => [question, parts.filter((part) => keys.has(`${question}/${part}`))] as const)
    .filter(([, parts]) => parts.length > 0);
  const components = choice.components.filter((id) => keys.has(id));
  const isSame =
    components.length === choice.components.length &&
    options.length === Object.keys(choice.options).length &&
    options.every(([question, parts]) => parts.length === choice.options[question]!.length);
  return isSame ? choice : { ...choice, options: Object.fromEntries(options), components };
}

/** Mods of which nothing was known when they came into the profile are pinned once they lie on the shelf; null where there are none. */
export function pinEdit(roster: Roster): Edit | null {
  const arrived = roster.mods.flatMap((item): VersionChange[] =>
    item.entry.content === undefined && item.mod?.content ? [{ item, to: item.mod }] : [],
  );
  const edit = versionEdit(roster, arrived, "pin");
  if (!edit) return null;
  const { restorePoint: _, ...rest } = edit;
  return rest;
}

/** Profiles follow the contents of their user's own work: where these are not as they were, the pin moves. Null where all are. */
export function ownWorkEdit(roster: Roster): Edit | null {
  const own = new Set(roster.stock.ownWork);
  const moved = roster.mods.flatMap((item): VersionChange[] => {
    const to = newestHere(roster.stock, item.id);
    return isOwnWork(own, item) && to && to.content !== item.entry.content ? [{ item, to }] : [];
  });
  const edit = versionEdit(roster, moved, "own-work");
  if (!edit) return null;
  const { restorePoint: _, ...rest } = edit;
  return rest;
}

/** Marked so by its user, or made by a generator; a blend is of the profile that it was built for, and follows that alone. */
const isOwnWork = (marked: ReadonlySet<string>, { id, mod }: SeatedMod): boolean => {
  const generated = mod?.manifest?.generated;
  return marked.has(id) || (generated !== undefined && generated !== "blend");
};

/** What is not the same in two versions of a mod. */
export interface VersionDifference {
  readonly filesAdded: readonly string[];
  readonly filesGone: readonly string[];
  readonly filesChanged: readonly string[];
  readonly pluginsAdded: readonly string[];
  readonly pluginsGone: readonly string[];
  /** Plugins whose masters, or whose count of records, is another one. */
  readonly pluginsChanged: readonly {
    readonly name: string;
    readonly mastersAdded: readonly string[];
    readonly mastersGone: readonly string[];
    readonly records: readonly [was: number, is: number];
  }[];
  readonly partsAdded: readonly string[];
  readonly partsGone: readonly string[];
  readonly requirementsAdded: readonly string[];
  readonly requirementsGone: readonly string[];
}

/** Paths of a mod's files, each with its hash; null where these are not known. */
export type FileHashes = ReadonlyMap<string, string | null>;

/** What changes where a mod is held in other contents. */
export function compareVersionsOf(
  game: Roster["game"],
  from: ShelfMod,
  to: ShelfMod,
  files: readonly [from: FileHashes, to: FileHashes],
): VersionDifference {
  const [was, is] = files;
  const fold = (name: string) => foldName(game, name);
  const [added, goneFiles] = apart([...was.keys()], [...is.keys()]);
  const [pluginsAdded, pluginsGoneNow] = apart(
    from.plugins.map(({ name }) => name),
    to.plugins.map(({ name }) => name),
    fold,
  );
  const [partsAdded, partsGone] = apart(
    partsOf(from.manifest).map(({ part }) => part.label),
    partsOf(to.manifest).map(({ part }) => part.label),
  );
  const [requirementsAdded, requirementsGone] = apart(requirementsOf(from), requirementsOf(to));
  const before = new Map(from.plugins.map((plugin) => [fold(plugin.name), plugin]));
  return {
    filesAdded: added,
    filesGone: goneFiles,
    filesChanged: [...is]
      .filter(([path, hash]) => hash !== null && (was.get(path) ?? hash) !== hash)
      .map(([path]) => path),
    pluginsAdded,
    pluginsGone: pluginsGoneNow,
    pluginsChanged: to.plugins.flatMap(({ name, header }) => {
      const old = before.get(fold(name))?.header;
      if (!old || !header) return [];
      const [mastersAdded, mastersGone] = apart(old.masters, header.masters, fold);
      if (mastersAdded.length + mastersGone.length === 0 && old.records === header.records) return [];
      return [{ name, mastersAdded, mastersGone, records: [old.records, header.records] as const }];
    }),
    partsAdded,
    partsGone,
    requirementsAdded,
    requirementsGone,
  };
}

const requirementsOf = ({ manifest }: ShelfMod): string[] =>
  (manifest?.requires ?? []).map(({ mod, versions }) => [mod, versions].filter(Boolean).join(" "));

function apart(
  was: readonly string[],
  is: readonly string[],
  fold: (text: string) => string = (text) => text,
): readonly [added: string[], gone: string[]] {
  const [before, after] = [new Set(was.map(fold)), new Set(is.map(fold))];
  return [is.filter((each) => !before.has(fold(each))), was.filter((each) => !after.has(fold(each)))];
}
