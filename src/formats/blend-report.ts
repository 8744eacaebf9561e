import { say } from "@/core/language/say";
import type { BlendReport } from "@/core/model/blend-report";
import { clashText, leftText, marksText } from "@/core/messages/blend";
import { markdownText } from "./lineup/markdown";

/** A report of a blend for people, as Markdown. */
export function blendMarkdown(report: BlendReport): string {
  const { plugin, date, lists, plugins, left, clashes, doubled } = report;
  const table = (head: readonly string[], rows: readonly (readonly string[])[]) =>
    [head.map(markdownText), head.map(() => "---"), ...rows.map((row) => row.map(markdownText))].map(
      (row) => `| ${row.join(" | ")} |`,
    );
  return [
    `# ${markdownText(say("blend.report.title", { plugin: plugin ?? say("blend.report.nothing") }))}`,
    "",
    say("blend.report.summary", { date, lists, left: left.length, clashes: clashes.length }),
    "",
    `## ${say("common.plugins2")}`,
    "",
    ...table(
      [say("common.plugin"), say("common.version"), say("blend.marks"), say("blend.entries")],
      plugins.map(({ name, version, marks, entries }) => [
        name,
        version ?? "",
        marksText(marks),
        String(entries),
      ]),
    ),
    ...section(say("blend.clashes"), clashes.map(clashText)),
    ...section(say("blend.left"), left.map(leftText)),
    ...section(
      say("blend.doubled"),
      doubled.map(({ plugin: name, record }) => say("blend.doubledIn", { record, plugin: name })),
    ),
    "",
  ].join("\n");
}

const section = (title: string, lines: readonly string[]): string[] =>
  lines.length === 0 ? [] : ["", `## ${title}`, "", ...lines.map((line) => `- ${markdownText(line)}`)];
