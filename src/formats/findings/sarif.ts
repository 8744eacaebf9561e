import { say } from "@/core/language/say";
import type { Level } from "@/core/model/finding";
import type { ReportedFinding } from "@/core/model/findings-report";

const levelOf: Readonly<Record<Level, "error" | "warning" | "note">> = {
  blocker: "error",
  problem: "warning",
  hint: "note",
};

interface SarifSource {
  /** Of Seating. */
  readonly version: string;
  /** What the list that was checked is called. */
  readonly list: string;
  /** What a check looks for, in a few words, by its name. */
  readonly titles: ReadonlyMap<string, string>;
}

/** Findings as a log of SARIF 2.1.0 (OASIS), which tools that read what other checkers find can show. */
export function writeSarif(findings: readonly ReportedFinding[], { version, list, titles }: SarifSource) {
  const checks = [...new Set(findings.map(({ check }) => check))];
  const gravest = (check: string) => findings.find((finding) => finding.check === check)!.level;
  return {
    $schema: "https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json",
    version: "2.1.0",
    runs: [
      {
        tool: {
          driver: {
            name: "Seating",
            version,
            rules: checks.map((check) => ({
              id: check,
              shortDescription: { text: titles.get(check) ?? check },
              help: { text: say(`cli.check.help.${gravest(check)}`, { title: titles.get(check) ?? check }) },
              defaultConfiguration: { level: levelOf[gravest(check)] },
            })),
          },
        },
        results: findings.map(({ id, check, level, message, line }) => ({
          ruleId: check,
          ruleIndex: checks.indexOf(check),
          level: levelOf[level],
          message: { text: message },
          locations: [
            {
              physicalLocation: {
                artifactLocation: { uri: encodeURI(list) },
                ...(line !== null && { region: { startLine: line } }),
              },
            },
          ],
          partialFingerprints: { "seatingFinding/v1": id },
        })),
      },
    ],
  };
}
