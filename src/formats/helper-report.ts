import { wentWell } from "@/core/model/trial";
import type { LivedWith } from "@/core/check/set-aside";
import { factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { say } from "@/core/language/say";
import { consequenceText, sourceText } from "@/core/messages/finding-facts";
import { findingTitle } from "@/core/messages/finding-titles";
import { sayFinding } from "@/core/messages/findings";
import { plainText } from "@/core/messages/parts";
import { levels, type Finding } from "@/core/model/finding";
import type { Noted } from "@/core/model/noted";
import { seatAndTitle, type Roster } from "@/core/roster/roster";

export interface HelperReport {
  readonly roster: Roster;
  readonly told: readonly Finding[];
  readonly aside: readonly LivedWith[];
  readonly trial: Noted["trial"];
  /** What its owner lets go out of the machine: a name and a value each. */
  readonly machine: readonly (readonly [string, string])[];
  /** Folders of the machine, of which none is named in what goes out. */
  readonly folders: readonly string[];
}

/** A part of a report: a heading, and lines. */
interface Chapter {
  readonly title: string;
  readonly lines: readonly string[];
}

/** What somebody needs who is to help: findings, the last trial, settings, both orders. `markdown`: else it is plain text. */
export function helperReport(report: HelperReport, markdown: boolean): string {
  const { roster } = report;
  const head = say("report.title", {
    profile: roster.profile.name,
    game: roster.game.name,
    version: roster.game.version,
  });
  const chapters = chaptersOf(report).filter(({ lines }) => lines.length > 0);
  const clean = (line: string) => withoutFolders(line, report.folders);
  const written = ({ title, lines }: Chapter) =>
    markdown
      ? [`## ${title}`, "", ...lines.map((line) => `- ${escaped(clean(line))}`)]
      : [`${title}:`, ...lines.map((line) => `  ${clean(line)}`)];
  const text = [
    markdown ? `# ${escaped(head)}` : head,
    ...chapters.map((chapter) => written(chapter).join("\n")),
  ];
  return `${text.join("\n\n")}\n`;
}

function chaptersOf({ roster, told, aside, trial, machine }: HelperReport): Chapter[] {
  const named = (id: string) => seatAndTitle(roster, id);
  const { state } = roster.profile;
  const said = (finding: Finding) =>
    `${say(`level.${finding.level}`, { count: 1 })}: ${findingTitle(finding.id)}. ${plainText(sayFinding(finding), named)}`;
  return [
    {
      title: say("report.findings", { count: told.length }),
      lines: levels.flatMap((level) =>
        told
          .filter((finding) => finding.level === level)
          .map((finding) => `${said(finding)} ${consequenceText(finding)} (${sourceText(roster, finding)})`),
      ),
    },
    {
      title: say("report.aside"),
      lines: aside.map(({ finding, entry }) => `${said(finding)} ${entry.reason}`.trim()),
    },
    {
      title: say("report.trial"),
      lines: trial
        ? [
            say(wentWell(trial) === false ? "report.stopped" : "report.ran", { at: trial.began }),
            ...(trial.note === "" ? [] : [trial.note]),
            ...(trial.fingerprint === fingerprintOf(factsOfRoster(roster))
              ? []
              : [say("report.changedSince")]),
            ...trial.log.slice(-mostLogged),
          ]
        : [say("report.noTrial")],
    },
    {
      title: say("report.settings"),
      lines: [
        say("report.fingerprint", { fingerprint: fingerprintOf(factsOfRoster(roster)) }),
        ...roster.game.expansions.map(({ id, name }) => `${name}: ${onOff(state.expansions.includes(id))}`),
        ...(roster.game.baseItems ?? []).map(
          ({ id, name }) => `${name}: ${onOff(!state.baseOff.includes(id))}`,
        ),
        ...(roster.game.launchSettings ?? []).map(
          ({ id, label, standard }) => `${label}: ${String(state.launch[id] ?? standard)}`,
        ),
      ],
    },
    { title: say("report.machine"), lines: machine.map(([name, value]) => `${name}: ${value}`) },
    {
      title: say("report.mods", { count: roster.mods.length }),
      lines: roster.mods.map(
        ({ seat, id, mod, loads, gone }) =>
          `${seat} ${mod?.name ?? id} ${mod?.version ?? ""}`.trimEnd() + stateWords(loads, gone),
      ),
    },
    {
      title: say("report.plugins", { count: roster.plugins.length }),
      lines: roster.plugins.map(({ seat, id, loads }) => `${seat} ${id}${stateWords(loads, false)}`),
    },
  ];
}

const mostLogged = 40;

const onOff = (is: boolean): string => say(is ? "common.on" : "common.off");
const stateWords = (loads: boolean, gone: boolean): string =>
  gone ? ` (${say("report.notHere")})` : loads ? "" : ` (${say("common.off")})`;

/** What would be markup in Markdown is none. */
const escaped = (line: string): string => line.replace(/[\\`*_[\]<>#]/g, "\\$&");

/** A folder of the machine says whose it is. The longer first: one may lie in another. */
const withoutFolders = (line: string, folders: readonly string[]): string =>
  [...folders]
    .filter((folder) => folder.length > 1)
    .sort((a, b) => b.length - a.length)
    .reduce((kept, folder) => kept.replaceAll(folder, "…"), line);
