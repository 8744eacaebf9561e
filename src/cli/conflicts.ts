import { join, resolve } from "node:path";
import { ContentLibrary, type OwnFolder } from "@/core/conflict/content-library";
import { Conflicts } from "@/core/conflict/conflicts";
import { conflictsReport, winnersReport } from "@/core/conflict/report";
import { say } from "@/core/language/say";
import type { ConflictsReport, WinnersReport } from "@/core/model/conflicts-report";
import { done, type Outcome } from "@/core/model/outcome";
import { recordsOf } from "@/core/model/shelf";
import type { Roster } from "@/core/roster/roster";
import { readLaid } from "@/disk/layout/lay-out";
import { readLooseFiles } from "@/disk/loose-files";
import { home } from "@/disk/places";
import type { Answer } from "./answer";
import { readWholeList, type ListFile, type ListOptions, type ListRead } from "./list-input";

interface ConflictsOptions extends ListOptions {
  readonly all?: boolean;
  /** From what on it is a finding: a path of unequal files of which nothing decides the winner, or nothing. */
  readonly failOn?: "undecided" | "never";
}

/** Who wins what in a list, on the mods of a shelf. */
export async function conflicts(file: ListFile, options: ConflictsOptions): Promise<Outcome<Answer>> {
  const read = await readWhole(file, options);
  if (!read.ok) return read;
  const { roster, library } = read.value;
  const shown = new Conflicts(library);
  shown.show(roster);
  const report = conflictsReport(shown, roster, options.all === true);
  const open = report.paths.filter(({ equal, decided }) => !equal && !decided);
  return done({
    json: report,
    get text() {
      return reportText(report);
    },
    findings: options.failOn !== "never" && open.length > 0,
  });
}

/** What changes hands from one list to another. */
export async function compareWinners(
  a: ListFile,
  b: ListFile,
  options: ListOptions,
): Promise<Outcome<Answer>> {
  const first = await readWhole(a, options);
  if (!first.ok) return first;
  const second = await readWhole(b, options, first.value);
  if (!second.ok) return second;
  const shown = new Conflicts(first.value.library);
  shown.show(first.value.roster);
  const report = winnersReport(shown.preview(first.value.roster, second.value.roster));
  return done({ json: report, text: winnersText(report), findings: false });
}

interface WholeRead {
  readonly read: ListRead;
  readonly roster: Roster;
  readonly library: ContentLibrary;
}

/** A whole list, with all that its mods bring. */
async function readWhole(
  file: ListFile,
  options: ListOptions,
  before?: WholeRead,
): Promise<Outcome<WholeRead>> {
  const whole = await readWholeList(file, options, before?.read.game);
  if (!whole.ok) return whole;
  const { read, roster } = whole.value;
  return done({ read, roster, library: await libraryOf(read, roster, options, before?.library) });
}

/** All that the mods of a roster bring, and the game itself where its folder is known, besides what is known already. */
export async function libraryOf(
  read: ListRead,
  roster: Roster,
  options: ListOptions,
  before?: ContentLibrary,
): Promise<ContentLibrary> {
  const library = before ?? (await ownLibrary(read, options));
  for (const { mod } of roster.mods)
    if (mod?.content && !library.has(mod.content))
      library.learn(
        { content: mod.content, files: mod.contentFiles ?? [], records: recordsOf(mod.plugins) },
        mod.manifest,
      );
  return library;
}

async function ownLibrary({ game, stock }: ListRead, { gameFolder }: ListOptions): Promise<ContentLibrary> {
  const library = new ContentLibrary(game);
  if (gameFolder === undefined) return library;
  const places = [{ expansion: null, folder: game.baseFolder }, ...game.expansions.map(asPlace)];
  const folders: OwnFolder[] = [];
  const laid = readLaid({ game: resolve(gameFolder), own: home() });
  for (const { expansion, folder } of places) {
    const { files } = await readLooseFiles(game, join(resolve(gameFolder), folder), null, {
      hashed: "all",
      laid: laid(folder),
    });
    folders.push({ expansion, files: files ?? [] });
  }
  library.learnOwn(folders, recordsOf(stock.base));
  return library;
}

const asPlace = ({ id, folder }: { readonly id: string; readonly folder: string }) => ({
  expansion: id,
  folder,
});

const gameOr = (id: string): string => (id === "" ? say("conflicts.theGame") : id);

function reportText({ paths, records, mods }: ConflictsReport): string {
  const state = (equal: boolean, decided: boolean) =>
    equal ? say("conflicts.equal") : decided ? say("conflicts.decided") : say("conflicts.undecided");
  return [
    say("cli.conflicts.files", { count: paths.length }),
    ...paths.map(
      ({ path, providers, equal, decided }) =>
        `  ${path}: ${providers.map(gameOr).join(" < ")} (${state(equal, decided)})`,
    ),
    say("cli.conflicts.records", { count: records.length }),
    ...records.map(
      ({ record, providers, decided }) => `  ${record}: ${providers.join(" < ")} (${state(false, decided)})`,
    ),
    say("cli.conflicts.mods", { count: mods.length }),
    ...mods.map(({ id, covered, files, wins, loses, alone }) =>
      [
        `  ${id}: ${say("cli.conflicts.figures", { files, wins, loses, alone })}`,
        ...(covered ? [say("cli.conflicts.covered")] : []),
      ].join(" "),
    ),
  ].join("\n");
}

function winnersText({ paths, records }: WinnersReport): string {
  const nobody = say("conflicts.nobody");
  const line = (key: string, from: string | null, to: string | null) =>
    `  ${key}: ${from === null ? nobody : gameOr(from)} > ${to === null ? nobody : gameOr(to)}`;
  return [
    say("cli.conflicts.filesChange", { count: paths.length }),
    ...paths.map(({ path, from, to }) => line(path, from, to)),
    say("cli.conflicts.recordsChange", { count: records.length }),
    ...records.map(({ record, from, to }) => line(record, from, to)),
  ].join("\n");
}
