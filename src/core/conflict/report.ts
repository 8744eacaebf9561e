import type { ConflictsReport, WinnersReport } from "../model/conflicts-report";
import type { Roster } from "../roster/roster";
import { Chains } from "./chains";
import type { Conflicts, HandChange, HandChanges } from "./conflicts";
import type { ProviderIndex } from "./provider-index";

/** What is contested in a profile that is shown, or all that anybody provides. */
export function conflictsReport(conflicts: Conflicts, roster: Roster, isAll: boolean): ConflictsReport {
  const files = contested(conflicts.files, isAll).map((key) => {
    const providers = conflicts.files.providersOf(key).map(conflicts.modId);
    return { key, path: conflicts.path(key), providers, equal: conflicts.files.isEqual(key) };
  });
  const records = contested(conflicts.records, isAll).map((key) => ({
    record: conflicts.record(key),
    providers: conflicts.records.providersOf(key).map(conflicts.pluginId),
  }));
  const [ofMods, ofPlugins] = [new Chains(roster, "mods"), new Chains(roster, "plugins")];
  return {
    format: "seating-conflicts/1",
    game: roster.game.id,
    paths: files
      .map(({ path, providers, equal }) => ({
        path,
        ...wonBy(providers),
        equal,
        ...decided(ofMods, providers),
      }))
      .sort((a, b) => byText(a.path, b.path)),
    records: records
      .map(({ record, providers }) => ({ record, ...wonBy(providers), ...decided(ofPlugins, providers) }))
      .sort((a, b) => byText(a.record, b.record)),
    mods: roster.mods
      .filter(({ loads }) => loads)
      .map(({ id }) => {
        const item = conflicts.modNumber(id);
        const { files: count, ...figures } = conflicts.files.figuresOf(item);
        return { id, files: count, ...figures, covered: conflicts.files.isCovered(item) };
      }),
  };
}

const contested = (index: ProviderIndex, isAll: boolean): number[] =>
  [...index.provided()].filter((key) => isAll || index.isContested(key));

const wonBy = (providers: string[]) => ({ winner: providers.at(-1)!, providers });

const decided = (chains: Chains, providers: readonly string[]) => ({
  decided: providers.slice(0, -1).every((loser) => chains.isDecided(loser, providers.at(-1)!)),
});

const byText = (a: string, b: string): number => (a < b ? -1 : Number(a > b));

export const winnersReport = ({ files, records }: HandChanges): WinnersReport => ({
  format: "seating-winners/1",
  paths: sorted(files).map(({ key, from, to }) => ({ path: key, from, to })),
  records: sorted(records).map(({ key, from, to }) => ({ record: key, from, to })),
});

const sorted = (changes: readonly HandChange[]): HandChange[] =>
  [...changes].sort((a, b) => byText(a.key, b.key));
