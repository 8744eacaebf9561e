import { allTies } from "@/core/roster/ties";
import { runChecks } from "@/core/check/run-checks";
import { Conflicts } from "@/core/conflict/conflicts";
import { overlapsIn } from "@/core/conflict/overlaps";
import { verdictOf } from "@/core/lineup/verdict";
import { FindingsReport } from "@/core/model/findings-report";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Roster } from "@/core/roster/roster";
import { linesIn } from "@/formats/findings/lines";
import { toldOfList } from "@/formats/findings/of-list";
import { findingLine, reported, toldOf, type Told } from "@/formats/findings/report";
import { writeSarif } from "@/formats/findings/sarif";
import { withBlend } from "@/formats/profile-blend";
import { decodeText, parseJson } from "@/formats/text";
import { version } from "../../package.json";
import type { Answer } from "./answer";
import { libraryOf } from "./conflicts";
import { readListed, rosterWithBooks, type ListFile, type ListOptions, type ListRead } from "./list-input";
import { verdictJson, verdictLines, withoutGame } from "./lists";
import { gravestOf, type FailLevel } from "./usage";

interface CheckOptions extends ListOptions {
  readonly failOn: FailLevel;
  readonly sarif?: boolean;
  /** Rulebooks by which the list goes besides its own; of rules that contradict, the earlier book's win. */
  readonly books: readonly ListFile[];
  /** An earlier output: what it holds is not told again. */
  readonly baseline: ListFile | null;
}

/** Whether a list can be reproduced from a shelf, and all that the checks see of the profile that is made of it there. */
export async function check({ bytes, name }: ListFile, options: CheckOptions): Promise<Outcome<Answer>> {
  if (options.shelf === undefined) return refuse("list-needs-shelf", { name });
  const got = await readListed(bytes, name, options);
  if (!got.ok) return got;
  const before = readBaseline(options.baseline);
  if (!before.ok) return before;
  const whole = await wholeRoster(got.value, options);
  if (!whole.ok) return whole;
  const roster = whole.value;
  const { lineup, claim } = got.value.list;
  const verdict = withoutGame(verdictOf(lineup, claim, roster), got.value);
  const text = decodeText(bytes, name);
  const lineOf = linesIn(text.ok ? text.value.text : null, roster, writtenIn(got.value));
  const told = [
    ...toldOfList({ lineup, claim }, roster, verdict),
    ...toldOfProfile(roster).flatMap((each) => ofThisList(each, lineOf(each.subjects))),
  ];
  const findings = reported(told, lineOf).filter(({ id }) => !before.value.has(id));
  const titles = new Map(told.map((each) => [each.check, each.title]));
  const report: FindingsReport = {
    format: "seating-findings/1",
    game: roster.game.id,
    ...verdictJson(verdict),
    findings,
  };
  const json = options.sarif ? writeSarif(findings, { version, list: name, titles }) : report;
  return done({
    json,
    text: [...verdictLines(verdict), ...findings.map((finding) => findingLine(finding, name))].join("\n"),
    findings: findings.some(({ level }) => gravestOf(options.failOn).includes(level)),
  });
}

/** What a list of names calls its mods, by their ids. */
const writtenIn = ({ list }: ListRead): ReadonlyMap<string, string> =>
  new Map(
    list.matches.flatMap(({ known, plugin, line }) =>
      known && plugin === null ? [[known.mod.id, line.name] as const] : [],
    ),
  );

/** A damaged archive that lies on the shelf is none of a list's, unless the list names it: then it cannot be had. */
function ofThisList(told: Told, line: number | null): Told[] {
  if (told.check !== "unsound-archive") return [told];
  return line === null ? [] : [{ ...told, level: "blocker" }];
}

/** A list is no game: what that would read now is not known, and nothing is said of it. */
const toldOfProfile = (roster: Roster): Told[] =>
  runChecks({ roster, ties: allTies(roster), onDisk: { order: null, holds: null } })
    .filter(({ check: name }) => name !== "order-file-differs")
    .map((finding) => toldOf(roster, finding));

/** The profile that is made of a list, with the books that are given, and who meets whom in it. */
async function wholeRoster(read: ListRead, options: CheckOptions): Promise<Outcome<Roster>> {
  const plain = rosterWithBooks(read, options.books);
  if (!plain.ok) return plain;
  const library = await libraryOf(read, plain.value, options);
  const conflicts = new Conflicts(library);
  conflicts.show(plain.value);
  const overlaps = withBlend(overlapsIn(conflicts, plain.value), plain.value, library);
  return done({ ...plain.value, overlaps });
}

/** The ids of what an earlier output holds. */
function readBaseline(file: ListFile | null): Outcome<ReadonlySet<string>> {
  if (!file) return done(new Set<string>());
  const { name } = file;
  const text = decodeText(file.bytes, name);
  if (!text.ok) return text;
  const json = parseJson(text.value.text, name);
  if (!json.ok) return json;
  const report = FindingsReport.safeParse(json.value);
  if (!report.success) return refuse("not-findings", { name });
  return done(new Set(report.data.findings.map(({ id }) => id)));
}
