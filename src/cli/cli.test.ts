import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { OrderResult } from "@/core/model/problem";

const folder = mkdtempSync(join(tmpdir(), "seating-cli-"));
const program = join(process.cwd(), "dist", "seating.mjs");
afterAll(() => rmSync(folder, { recursive: true }));

function file(name: string, value: unknown): string {
  const path = join(folder, name);
  writeFileSync(path, typeof value === "string" ? value : JSON.stringify(value));
  return path;
}

function seating(args: readonly string[], input?: unknown) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [program, ...args], {
    encoding: "utf8",
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
  expect([read.status, read.json().order, read.json().moved]).toEqual([0, ["A", "D", "B", "C"], ["D"]]);
  expect(seating(["order", path]).stdout).toBe(read.stdout);
  expect(seating(["order", path, "--text"]).stdout).toContain(
    "1 of 4 items moves; no valid order moves fewer.",
  );
  expect(seating(["order", path, "--text"]).stdout).toContain("without the rule #0: 1 move, 0 set aside");
});

test("the exit code tells findings of the level asked for", () => {
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
  [["order", file("broken.json", "{")], undefined, "broken.json is no JSON"],
  [["order", join(folder, "none.json")], undefined, "cannot be read (ENOENT)"],
  [["order", "--fail-on", "sometimes"], problem, "--fail-on takes"],
  [["order", "--loudly"], problem, "--loudly"],
  [["seats", path], undefined, "seating seats problem.json ITEM"],
  [["dance"], undefined, "There is no command “dance”"],
  [
    ["verify", path, file("odd.json", { format: "seating-order-result/1" })],
    undefined,
    "The result is not valid at order",
  ],
])("wrong use exits with 2 and says what is wrong: %j", (args, input, words) => {
  const { status, stderr, stdout } = seating(args, input);
  expect([status, stdout]).toEqual([2, ""]);
  expect(stderr).toContain(words);
});

test("every command has help", () => {
  expect(seating(["--help"])).toMatchObject({
    status: 0,
    stdout: expect.stringContaining("seating verify") as string,
  });
  for (const command of ["order", "why", "seats", "verify"])
    expect(seating([command, "--help"])).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(new RegExp(`^seating ${command}`)) as string,
    });
  expect(seating([])).toMatchObject({ status: 2 });
});
