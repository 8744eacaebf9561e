import { spawn, spawnSync } from "node:child_process";
import { once } from "node:events";
import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { FindingsReport } from "@/core/model/findings-report";
import { expect, home, test, visit } from "./fixtures";
import { freePort } from "./server";

/** The command, on the data folder of the test. */
function seating(...args: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, ["dist/seating.mjs", ...args], {
    encoding: "utf8",
    env: { ...process.env, LC_ALL: "C", SEATING_HOME: home },
  });
  return { status, stdout, stderr };
}

test("a profile is started from the command line and by a shortcut, with its order made current, by the ways that are confirmed", async ({
  watched: page,
}) => {
  const started = seating("start", "Long Descent", "--way", "bare", "--as-written");
  expect(started.stderr).toContain("without mods\n");
  expect(started.status).toBe(0);
  expect(JSON.parse(started.stdout)).toMatchObject({
    format: "seating-trial/1",
    way: "bare",
    code: 0,
    fingerprint: null,
  });
  expect(seating("start", "Long Descent", "--way", "nothing")).toMatchObject({
    status: 2,
    stderr: expect.stringContaining("There is no such way to start. There are: play, loader, long, bare"),
  });
  const written = () => readFile(join(home, "demo/brinehollow/game/saves/lading.lst"), "utf8");
  const before = await written();
  const saved = seating("start", "Long Descent", "--shortcut", "--output", join(home, "start it.sh"));
  expect(saved.status).toBe(0);
  expect(await written()).toBe(before);
  // The last way was without mods.
  const byShortcut = () => spawnSync("/bin/sh", [join(home, "start it.sh")], { encoding: "utf8" });
  const bare = byShortcut();
  expect([bare.status, bare.stderr.includes("without mods\n")]).toEqual([0, true]);
  expect(await written()).toBe(before);
  // What is to be done first is named before anything is written, or said to be done.
  const unmet = seating("start", "Harbour Lights", "--way", "play");
  expect(unmet).toMatchObject({ status: 2, stderr: expect.stringContaining("1. The drawing bench runs.") });
  expect(unmet.stderr).toContain("2. The harbour mail is signed in.");
  expect(await written()).toBe(before);
  const met = seating("start", "Harbour Lights", "--way", "play", "--as-written", "--conditions-met");
  expect(met.stderr).toContain("Brinehollow 1.6.2, stand-in");
  // It stops at its first blocker.
  const stopped = seating("start", "Long Descent", "--way", "play", "--text");
  expect(stopped.stdout).toContain("Long Descent: “Brinehollow” ended with 1.");
  expect(stopped).toMatchObject({ status: 1, stderr: expect.stringContaining("stopped: ") });
  expect(await written()).not.toBe(before);
  expect(byShortcut()).toMatchObject({ status: 1, stderr: expect.stringContaining("stopped: ") });
  await expect(page.getByText("The game reads this order").first()).toBeVisible();
});

test("profiles are listed, exported, imported, backed up and restored from the command line, whether Seating runs or not", async ({
  watched: page,
  seating: server,
}) => {
  test.setTimeout(240_000);
  const folder = await mkdtemp(join(tmpdir(), "seating-command-"));
  const path = (name: string) => join(folder, name);
  const names = () => (JSON.parse(seating("profiles").stdout) as { name: string }[]).map(({ name }) => name);

  const before = names();
  expect(before).toContain("Long Descent");
  const found = seating("findings", "Long Descent");
  expect(found.status).toBe(1);
  const report = FindingsReport.parse(JSON.parse(found.stdout));
  expect(report.findings.filter(({ level }) => level === "blocker").length).toBe(7);
  expect(report.findings[0]).toMatchObject({ level: "blocker", check: "missing-expansion" });
  expect(seating("findings", "Long Descent", "--fail-on", "never", "--text").stdout).toMatch(
    /^blocker: D1 Tides × Weather\.plank needs D5 Glass Tides\.plank, which loads later than it/m,
  );
  expect(seating("profiles", "--game", "brinehollow", "--text").stdout).toContain(
    "Long Descent (brinehollow): 58 of 59 mods on",
  );
  expect(seating("export", "nobody")).toMatchObject({
    status: 2,
    stderr: expect.stringContaining("There is no profile “nobody”. There are: Long Descent"),
  });

  expect(seating("export", "long descent", "--output", path("list.json")).status).toBe(0);
  expect(seating("fingerprint", path("list.json"), "--text").stdout).toMatch(/^[0-9a-f]{64}\n/);
  expect(seating("export", "Long Descent", "--to", "markdown-list").stdout).toContain("Game: brinehollow");
  expect(seating("export", "Long Descent", "--to", "parchment")).toMatchObject({ status: 2, stdout: "" });

  const made = seating("import", path("list.json"), "--name", "From afar", "--game", "brinehollow");
  expect(made.status).toBe(0);
  expect(JSON.parse(made.stdout)).toMatchObject({ name: "From afar", game: "brinehollow", lacks: [] });
  expect(seating("export", "From afar", "--output", path("again.json")).status).toBe(0);
  expect(seating("compare", path("list.json"), path("again.json"), "--text").stdout).toBe(
    "The same setup.\n",
  );
  await visit(page, `${server.url}/profiles`);
  await expect(page.getByText("From afar").first()).toBeVisible();

  await writeFile(path("odd.txt"), "# Game: brinehollow 1\nNothing Known At All\n");
  const odd = seating("import", path("odd.txt"), "--game", "brinehollow", "--text");
  expect([odd.status, odd.stdout]).toEqual([1, expect.stringContaining("“Nothing Known At All”")]);
  await writeFile(path("broken.json"), "{");
  expect(seating("import", path("broken.json"))).toMatchObject({ status: 2, stdout: "" });

  expect(seating("backup", "--output", path("all.zip")).status).toBe(0);
  expect((await readFile(path("all.zip"))).subarray(0, 2).toString()).toBe("PK");
  const with2 = names();
  expect(with2.length).toBe(before.length + 2);
  expect(seating("restore", path("list.json"))).toMatchObject({ status: 2, stdout: "" });

  // Now nobody answers: one is started for each, and stopped again.
  await server.stop();
  expect(names()).toEqual(with2);
  expect(seating("restore", path("all.zip"), "--text")).toMatchObject({
    status: 0,
    stdout: expect.stringContaining("Everything was replaced."),
  });
  expect(names()).toEqual(with2);

  // It serves at the port that is named until it is told to end, and then nothing of it goes on.
  const port = await freePort();
  const args = ["dist/seating.mjs", "serve", "--port", String(port)];
  const served = spawn(process.execPath, args, { env: { ...process.env, SEATING_HOME: home } });
  const alive = () =>
    fetch(`http://127.0.0.1:${port}/api/alive`).then(
      (answer) => answer.ok,
      () => false,
    );
  await expect.poll(alive, { timeout: 60_000 }).toBe(true);
  served.kill("SIGTERM");
  await once(served, "exit");
  await expect.poll(alive).toBe(false);
  await server.start();
  await rm(folder, { recursive: true });
});
