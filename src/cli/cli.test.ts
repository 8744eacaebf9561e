import { spawnSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { build } from "esbuild";
import type { OrderResult } from "@/core/model/problem";
import { shells } from "./completion";
import { commands } from "./usage";

const folder = mkdtempSync(join(tmpdir(), "seating-cli-"));
const program = join(process.cwd(), "dist", "seating.mjs");
afterAll(() => rmSync(folder, { recursive: true }));

function file(name: string, value: unknown): string {
  const path = join(folder, name);
  writeFileSync(path, typeof value === "string" ? value : JSON.stringify(value));
  return path;
}

function seating(args: readonly string[], input?: unknown, env: Record<string, string> = {}) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [program, ...args], {
    encoding: "utf8",
    env: { ...process.env, LC_ALL: "C", ...env },
    input: input === undefined ? "" : JSON.stringify(input),
  });
  return { status, stdout, stderr, json: () => JSON.parse(stdout) as OrderResult & Record<string, unknown> };
}

const problem = {
  format: "seating-order-problem/1",
  items: [{ id: "A" }, { id: "B", needs: ["D"] }, { id: "C", needs: ["D"] }, { id: "D" }],
  rules: [{ kind: "after", item: "D", other: "C", strength: "must" }],
};
const path = file("problem.json", problem);

test("order reads a file or standard input and writes the result", () => {
  const read = seating(["order"], problem);
  expect([read.status, read.json().order, read.json().moved]).toEqual([1, ["A", "D", "B", "C"], ["D"]]);
  expect(seating(["order", path]).stdout).toBe(read.stdout);
  expect(seating(["order", path, "--text"]).stdout).toContain(
    "1 of 4 items moves; no valid order moves fewer.",
  );
  expect(seating(["order", path, "--text"]).stdout).toContain(
    "without the rule “D loads later than C”: 1 move, 0 set aside",
  );
});

test("the exit code tells findings of the level asked for", () => {
  expect(seating(["order", path]).status).toBe(1);
  expect(seating(["order", path, "--fail-on", "problem"]).status).toBe(1);
  expect(seating(["order", path, "--fail-on", "blocker"]).status).toBe(0);
  const missing = { ...problem, items: [{ id: "A", needs: ["gone"] }] };
  expect(seating(["order"], missing).status).toBe(1);
  expect(seating(["order", "--fail-on", "never"], missing).status).toBe(0);
});

test("why and seats answer for items, and refuse what is none", () => {
  expect(seating(["why", path, "B"]).json()).toMatchObject({
    item: "B",
    above: [{ before: "D", after: "B", because: "needs" }],
  });
  expect(seating(["why", path, "B", "D"]).json()).toEqual({
    before: "D",
    after: "B",
    chain: [{ before: "D", after: "B", because: "needs" }],
  });
  expect(seating(["why", path, "A", "B"]).json()).toEqual({ free: ["A", "B"] });
  expect(seating(["seats", path, "D"]).json()).toEqual({
    item: "D",
    present: 4,
    staying: { earliest: 1, latest: 2 },
    any: { earliest: 1, latest: 2 },
  });
  expect(seating(["seats", path, "Q"])).toMatchObject({
    status: 2,
    stderr: expect.stringContaining("there is no item “Q”") as string,
  });
});

test("verify accepts what order writes, and refuses one move fewer", () => {
  const result = seating(["order", path]).json();
  expect(seating(["verify", path, file("result.json", result), "--text"])).toMatchObject({
    status: 0,
    stdout: "Right: 1 move; no valid order moves fewer.\n",
  });
  const fewer = { ...result, order: ["A", "B", "C", "D"], moved: [], certificate: [] };
  expect(seating(["verify", path, file("fewer.json", fewer)])).toMatchObject({ status: 1 });
});

test.each([
  [["order"], { ...problem, items: [{ id: "A" }, { id: "A" }] }, "items[1].id"],
  [["order", file("broken.json", "{")], undefined, "broken.json is no JSON: line 1, column 2"],
  [["order", join(folder, "none.json")], undefined, "none.json cannot be read: it is not there"],
  [["order", "--fail-on", "sometimes"], problem, "does not take this value"],
  [["order", "--loudly"], problem, "There is no option “--loudly” here."],
  [["order", "--fail", "never"], problem, "Did you mean --fail-on?"],
  [["seats", path, "A", "--shelf", "x"], undefined, "There is no option “--shelf” here."],
  [["ordre", path], undefined, "Did you mean order?"],
  [["seats", path], undefined, "“item” is missing."],
  [["verify", path, path], undefined, "problem.json is an order problem, not an order result."],
  [["order", file("three.json", `{\n  "format": "x",\n  "items": [1,]\n}`)], undefined, "line 3, column 15"],
  [["fingerprint", path, "--game", "nothing"], undefined, "There is no game “nothing”"],
  [
    ["fingerprint", path, "--game", path],
    undefined,
    "problem.json is an order problem, not a game definition.",
  ],
  [["dance"], undefined, "There is no command “dance”"],
  [
    ["verify", path, file("odd.json", { format: "seating-order-result/1" })],
    undefined,
    "The result is not valid at order: a list is needed here",
  ],
])("wrong use exits with 2 and says what is wrong: %j", (args, input, words) => {
  const { status, stderr, stdout } = seating(args, input);
  expect([status, stdout]).toEqual([2, ""]);
  expect(stderr).toContain(words);
});

test("every command has help", () => {
  expect(seating(["--help"])).toMatchObject({
    status: 0,
    stdout: expect.stringMatching(/Usage: seating.*\n[^]*verify .*checks a result/) as string,
  });
  for (const command of ["order", "why", "seats", "verify"])
    expect(seating([command, "--help"])).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(new RegExp(`^Usage: seating ${command}`)) as string,
    });
  expect(seating([])).toMatchObject({ status: 2 });
});

test("what is said is said in the language of the environment, and JSON is the same in each", () => {
  const german = seating(["order", path, "--text"], undefined, { LC_ALL: "de_DE.UTF-8" });
  expect(german.stdout).toContain("1 von 4 Einträgen wandert; keine gültige Reihenfolge braucht weniger.");
  expect(seating(["ordre"], undefined, { LC_ALL: "de_DE.UTF-8" }).stderr).toContain("Meintest du order?");
  expect(seating(["order", path], undefined, { LC_ALL: "de_DE.UTF-8" }).stdout).toBe(
    seating(["order", path]).stdout,
  );
  expect(seating(["order", path, "--text"], undefined, { LC_ALL: "xx" }).stdout).toContain("no valid order");
});

test("the output goes into a file whole, or is refused and leaves nothing behind", () => {
  const to = join(folder, "out.json");
  expect(seating(["order", path, "--output", to])).toMatchObject({ status: 1, stdout: "" });
  expect(readFileSync(to, "utf8")).toBe(seating(["order", path]).stdout);
  const nowhere = seating(["order", path, "--output", join(folder, "none", "out.json")]);
  expect([nowhere.status, nowhere.stderr]).toEqual([2, expect.stringContaining("it is not there")]);
  expect(readdirSync(folder).filter((name) => name.endsWith(".part"))).toEqual([]);
});

/** More than a pipe holds. */
const large = {
  format: "seating-order-problem/1",
  items: Array.from({ length: 20_000 }, (_, at) => ({ id: `i${at}` })),
};

test("who closes the pipe has had enough: it ends quietly", () => {
  const big = file("big.json", large);
  const { stdout, stderr } = spawnSync(
    "sh",
    ["-c", `"$0" "$1" order "$2" --text | head -2`, process.execPath, program, big],
    { encoding: "utf8" },
  );
  expect([stdout.trim().split("\n").length, stderr.replace("Working…\n", "")]).toEqual([2, ""]);
});

test("what takes over a second says so on the standard error, once where nobody watches", async () => {
  const bundled = join(folder, "patience.mjs");
  await build({
    entryPoints: [join(process.cwd(), "src/cli/patience.ts")],
    outfile: bundled,
    bundle: true,
    platform: "node",
    format: "esm",
  });
  const waiting = (ms: number) =>
    spawnSync(process.execPath, [
      "--input-type=module",
      "-e",
      `import { withPatience } from ${JSON.stringify(bundled)};
       await withPatience("Working…", async () => { for (const end = Date.now() + ${ms}; Date.now() < end;); });`,
    ]).stderr.toString();
  expect(waiting(4500)).toBe("Working…\n");
  expect(waiting(1)).toBe("");
});

test.each(shells)("the completion for %s knows every command and its options", (shell) => {
  const { stdout, status } = seating(["completion", shell]);
  expect(status).toBe(0);
  for (const [name, { options }] of Object.entries(commands))
    for (const word of [name, ...options]) expect(stdout).toContain(word);
});

test("the completion for bash completes", () => {
  const words = (line: string[]) =>
    spawnSync(
      "bash",
      [
        "-c",
        `${seating(["completion", "bash"]).stdout}
         COMP_WORDS=("$@"); COMP_CWORD=$(($# - 1)); _seating; printf '%s\n' "\${COMPREPLY[@]}"`,
        "bash",
        ...line,
      ],
      { encoding: "utf8" },
    )
      .stdout.trim()
      .split("\n");
  expect(words(["seating", "fing"])).toEqual(["fingerprint"]);
  expect(words(["seating", "convert", "--t"])).toEqual(["--to", "--text"]);
  expect(words(["seating", "order", "--fail-on", "n"])).toEqual(["never"]);
});

test("it says its version", () => {
  const { version } = JSON.parse(readFileSync("package.json", "utf8")) as { version: string };
  expect(seating(["--version"])).toMatchObject({ status: 0, stdout: `${version}\n` });
});
