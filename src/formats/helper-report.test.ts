import MarkdownIt from "markdown-it";
import { asideOf, divide } from "@/core/check/set-aside";
import { runChecks } from "@/core/check/run-checks";
import { factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { allTies } from "@/core/roster/ties";
import { testRoster, withState } from "@/core/testing/roster";
import { helperReport, type HelperReport } from "./helper-report";

const base = testRoster([
  { name: "a_b*.plank", masters: ["gone.plank"] },
  { name: "c.plank", on: false },
]);
const findings = runChecks({ roster: base, ties: allTies(base), onDisk: { order: null, holds: null } });
const gap = findings.find(({ id }) => id === "order-file-absent")!;
const roster = withState(base, {
  ...base.profile.state,
  setAside: [asideOf(base, gap, { reason: "written by hand", until: "never", at: "" })],
});
const report: HelperReport = {
  roster,
  ...divide(roster, findings),
  trial: {
    id: "t",
    profile: roster.profile.id,
    way: "Pond",
    began: "2026-11-30T20:00:00.000Z",
    ended: "2026-11-30T20:00:01.000Z",
    code: 1,
    verdict: null,
    note: "",
    fingerprint: fingerprintOf(factsOfRoster(roster)),
    log: ["reads /home/reed/pond/order.lst", "stopped: gone.plank"],
    fileLog: [],
  },
  machine: [["Processors", "2"]],
  folders: ["/home/reed/pond", "/home/reed"],
};

test("a report names what is found with reasons, what is lived with, the last trial, settings and both orders", () => {
  const text = helperReport(report, false);
  expect(text).toContain("blocker: Master missing. ");
  expect(text).toContain("The game stops at its start.");
  expect(text).toContain("written by hand");
  expect(text).toContain("stopped: gone.plank");
  expect(text).toContain("Processors: 2");
  expect(text).toContain("c.plank (off)");
  expect(text).toContain(fingerprintOf(factsOfRoster(roster)));
  expect(text).not.toContain("changed since");
});

test("no folder of the machine goes out, in neither form", () => {
  for (const markdown of [true, false]) {
    const text = helperReport(report, markdown);
    expect(text).toContain("reads …/order.lst");
    expect(text).not.toContain("reed");
  }
});

test("as Markdown it is a list under each heading, and names are no markup", () => {
  const html = new MarkdownIt().render(helperReport(report, true));
  expect(html.match(/<h2>/g)!.length).toBe(7);
  expect(html).toContain("a_b*.plank");
  expect(html).not.toContain("<em>");
});

test("a trial of another state says so, and where there was none that is said", () => {
  expect(helperReport({ ...report, trial: { ...report.trial!, fingerprint: "0" } }, false)).toContain(
    "The profile has changed since.",
  );
  expect(helperReport({ ...report, trial: null }, false)).toContain("No trial yet.");
});
