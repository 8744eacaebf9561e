import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
// The published schema of SARIF 2.1.0 as a matcher: OASIS, "Static Analysis Results Interchange Format (SARIF) Version 2.1.0".
import "@microsoft/jest-sarif/lib/matchers/to-be-valid-sarif-log";
import { findingKey } from "@/core/check/identity";
import { FindingsReport } from "@/core/model/findings-report";
import { writeOrderFile } from "@/formats/order-file";
import { makeDemo } from "@/standin/demo/make-demo";
import { games } from "@/standin/games";

const definition = games.find(({ id }) => id === "brinehollow")!;
const folder = mkdtempSync(join(tmpdir(), "seating-check-"));
const program = join(process.cwd(), "dist", "seating.mjs");
const shelf = join(folder, "brinehollow", "shelf");

beforeAll(() => makeDemo(folder, 7, 30), 60_000);
afterAll(() => rmSync(folder, { recursive: true }));

const file = (name: string, text: string): string => {
  const at = join(folder, name);
  writeFileSync(at, text);
  return at;
};

const list = (name: string, ...lines: string[]): string =>
  file(name, ["# Game: brinehollow 1.6.2", ...lines].join("\n"));

function check(path: string, ...args: string[]) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [program, "check", path, "--shelf", shelf, "--game", "brinehollow", ...args],
    { encoding: "utf8", env: { ...process.env, LC_ALL: "C" } },
  );
  return { status, stdout, stderr };
}

const reportOf = (stdout: string): FindingsReport => FindingsReport.parse(JSON.parse(stdout));
const found = (path: string, ...args: string[]) => reportOf(check(path, ...args).stdout);

const whole = ["Abyss Library", "Tidal Core"];
const lacking = ["Tidal Core", "Nothing Known At All"];

test("a list that has all it needs has nothing the matter, with and without the folder of the game", () => {
  for (const more of [[], ["--game-folder", join(folder, "brinehollow", "game")]]) {
    const said = check(list("whole.txt", ...whole), ...more);
    expect([reportOf(said.stdout).findings, said.status]).toEqual([[], 0]);
    expect(reportOf(said.stdout).verdict).toBe("as-far");
  }
});

test("what is missing is told with its id, its level, what it is about, and the line of the list", () => {
  const said = check(list("lacking.txt", ...lacking));
  const { findings, verdict } = reportOf(said.stdout);
  expect([said.status, verdict]).toEqual([1, "not-yet"]);
  expect(findings).toMatchObject([
    {
      check: "missing-master",
      level: "blocker",
      subjects: [
        { kind: "plugin", id: "Tidal Core.keel" },
        { kind: "plugin", id: "Abyss Lib.keel" },
      ],
    },
    {
      check: "required-off",
      level: "blocker",
      subjects: [
        { kind: "mod", id: "tidal-core" },
        { kind: "mod", id: "abyss-library" },
      ],
      line: 2,
    },
    { check: "list-line-unknown", level: "problem", line: 3 },
  ]);
  for (const each of findings) expect(each.id).toBe(findingKey(each.check, each.subjects));
  expect(new Set(findings.map(({ id }) => id)).size).toBe(findings.length);
});

test("a damaged archive counts where the list names it, and only there", () => {
  const damaged = found(list("damaged.txt", ...whole, "Broken Barnacles"));
  expect(damaged.findings).toContainEqual(
    expect.objectContaining({
      check: "unsound-archive",
      level: "blocker",
      subjects: [{ kind: "path", id: "Broken Barnacles-0.9.zip" }],
      line: 4,
    }),
  );
});

test("a folder is what a game opens in it: its mods, and the order of its plugins", () => {
  const at = join(folder, "written");
  mkdirSync(at);
  const held = (path: string) => ({ path, options: {}, components: [], hidden: [] });
  const holds = {
    format: "seating-holds/1",
    game: "brinehollow",
    shelf,
    expansions: [],
    mods: ["Abyss Library-3.2.0.zip", "Tidal Core-2.1.0.zip"].map(held),
  };
  const write = (...plugins: string[]) => {
    writeFileSync(join(at, "holds.json"), JSON.stringify(holds));
    const { path, dialect } = definition.orderFile;
    mkdirSync(dirname(join(at, path)), { recursive: true });
    writeFileSync(join(at, path), writeOrderFile(dialect, { names: plugins }));
  };
  write("Abyss Lib.keel", "Tidal Core.keel");
  expect(found(at).findings).toEqual([]);
  write("Tidal Core.keel", "Abyss Lib.keel");
  expect(found(at).findings).toMatchObject([{ check: "master-late", level: "blocker" }]);
});

test("from the level on that is asked for it ends with 1", () => {
  const [blocked, doubtful] = [list("a.txt", "Tidal Core"), list("b.txt", ...whole, "Nothing Known At All")];
  const status = (path: string, level: string) => check(path, "--fail-on", level).status;
  expect(["blocker", "problem", "hint", "never"].map((level) => status(blocked, level))).toEqual([
    1, 1, 1, 0,
  ]);
  expect(["blocker", "problem", "never"].map((level) => status(doubtful, level))).toEqual([0, 1, 0]);
  expect(check(blocked, "--fail-on", "sometimes").status).toBe(2);
});

test("what an earlier output holds is neither told nor counted again", () => {
  const path = list("lacking.txt", ...lacking);
  const before = file("before.json", check(path).stdout);
  const same = check(path, "--baseline", before);
  expect([same.status, reportOf(same.stdout).findings]).toEqual([0, []]);
  const more = check(list("more.txt", ...lacking, "And Another"), "--baseline", before);
  expect(more.status).toBe(1);
  expect(reportOf(more.stdout).findings.map(({ message }) => message)).toEqual([
    expect.stringContaining("And Another"),
  ]);
  expect(check(path, "--baseline", path)).toMatchObject({ status: 2 });
  expect(check(path, "--baseline", file("other.json", "{}")).stderr).toContain("seating-findings/1");
});

test("a rulebook that is given is one that the list goes by", () => {
  const book = {
    format: "seating-rulebook/1",
    id: "deck-log",
    game: "brinehollow",
    name: "Deck Log",
    version: "1",
    author: "",
    changelog: [],
    sections: [],
    rules: [],
    advice: [{ kind: "known-bad", plugin: "Tidal Core.keel", text: "It rusts." }],
  };
  const told = found(list("whole.txt", ...whole), "--book", file("book.json", JSON.stringify(book)));
  expect(told.findings).toMatchObject([
    { check: "advice-known-bad", level: "problem", message: expect.stringContaining("It rusts") as string },
  ]);
});

test("as SARIF it is valid by the published schema, with a rule for each check and the line of each finding", () => {
  for (const lines of [whole, lacking]) {
    const log = JSON.parse(check(list("sarif list.txt", ...lines), "--sarif").stdout) as SarifLog;
    expect(log).toBeValidSarifLog();
    const { results, tool } = log.runs[0]!;
    expect(results).toHaveLength(lines === whole ? 0 : 3);
    for (const result of results) {
      expect(tool.driver.rules[result.ruleIndex]!.id).toBe(result.ruleId);
      expect(tool.driver.rules[result.ruleIndex]!.help.text).not.toBe("");
    }
    expect(results.map(({ level }) => level)).toEqual(lines === whole ? [] : ["error", "error", "warning"]);
    expect(results.map((each) => each.locations[0]!.physicalLocation.region?.startLine)).toEqual(
      lines === whole ? [] : [undefined, 2, 3],
    );
  }
  const broken = JSON.parse(
    readFileSync(file("broken.json", '{"version":"2.1.0","runs":[{}]}'), "utf8"),
  ) as unknown;
  expect(broken).not.toBeValidSarifLog();
});

interface SarifLog {
  readonly runs: readonly {
    readonly tool: { readonly driver: { readonly rules: readonly { id: string; help: { text: string } }[] } };
    readonly results: readonly {
      readonly ruleId: string;
      readonly ruleIndex: number;
      readonly level: string;
      readonly locations: readonly {
        readonly physicalLocation: { readonly region?: { startLine: number } };
      }[];
    }[];
  }[];
}
