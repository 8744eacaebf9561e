import { spawn } from "node:child_process";
import { once } from "node:events";
import {
  appendFileSync,
  chmodSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import type { ProfileId } from "@/core/model/ids";
import { writeStartNote } from "@/core/edit/start-notes";
import type { StartWay } from "@/core/model/start";
import type { StartNote } from "@/core/model/start-note";
import { markOf } from "@/disk/process-mark";
import { currentGame } from "./operations/situation";
import { judgeTrial, readLiveTrial, readTrial, startGame } from "./operations/start";
import { readStartNotes, tickCondition } from "./operations/start-notes";
import { confirmWay, readWays, removeOwnWay, saveOwnWay } from "./operations/start-ways";
import { LogFile } from "@/disk/start/log-file";
import { bringDemoPrograms } from "./demo-programs";
import { changeDefinition, changeFolders } from "./operations/games";
import { takeAllBack, writeOrder } from "./operations/order-file";
import type { Verdict } from "@/core/model/trial";
import { beginTrial, endTrial, findTrial } from "@/store/trials";
import { findRun, saveRun } from "@/store/profiles";
import type { Context } from "./context";
import { actsOn } from "./testing/acts-on";
import { makeDemoContext, storedProfile, value, type DemoContext } from "./testing/demo-context";

let demo: DemoContext;
let context: Context;
let definition: GameDefinition;
let profile: ProfileId;
let game: string;
beforeAll(async () => {
  demo = await makeDemoContext(30);
  context = demo.context;
  const present = value(await currentGame(context));
  definition = present.definition;
  profile = present.profileId!;
  game = present.folders.game;
}, 120_000);
afterAll(() => demo.end());

/** Starts and waits for the end. */
async function run(way: string | null = null) {
  const started = await startGame(context, way);
  if (!started.ok) return started;
  const said: string[] = [];
  const trial = value(await readTrial(context, started.value.id, (line) => said.push(line)));
  return { ok: true as const, value: { ...trial, said } };
}
const { edit } = actsOn(() => ({ context, profile }));
const define = async (start: StartWay[]) => value(await changeDefinition(context, { ...definition, start }));
const wayNamed = async (id: string) => value(await readWays(context)).ways.find((each) => each.id === id)!;

/** A program of a game's that says what it was told, and where it is. */
function writeEcho(name: string): void {
  const path = join(game, "program", name);
  mkdirSync(join(game, "program"), { recursive: true });
  writeFileSync(
    path,
    `#!/bin/sh
printf '%s\\n' "in $(pwd)" "env \${MODE:-none} \${SEATING_HOME:-unset} \${NODE_OPTIONS:-unset}"
for each in "$@"; do printf 'told <%s>\\n' "$each"; done
exit 3
`,
  );
  chmodSync(path, 0o755);
}

test("the demo's games start with a program in their own folder, and what it says and comes to is kept", async () => {
  value(await writeOrder(context, profile, null));
  const ran = value(await run());
  expect(ran.said[0]).toBe("Brinehollow 1.6.2, stand-in");
  expect(ran).toMatchObject({ way: "Brinehollow", verdict: null });
  expect(ran.code).toBe(ran.said.at(-1) === "running" ? 0 : 1);
  expect(ran.fingerprint).not.toBeNull();
  expect(ran.log).toEqual(ran.said);
  const bare = value(await run("bare"));
  expect(bare.said).toContain("without mods");
  expect(bare).toMatchObject({ code: 0, fingerprint: null });
  // Without mods nothing is known of the profile.
  expect(await findRun(context.db, profile)).toBeNull();
  expect(value(await run("loader")).said[0]).toBe("loader: ready");
  // The last way is the usual one.
  expect(value(await run()).way).toBe("Brinehollow through the loader");
});

test("what a definition names does not run before its owner has confirmed it as it stands, once for each change", async () => {
  writeEcho("echo me ö");
  const way: StartWay = {
    id: "echo",
    name: "Echo",
    starts: "profile",
    program: "program/echo me ö",
    arguments: ["a b", `"c" 'd' $HOME \`id\`; echo`, "--e={order}", "ü*", "-x"],
    folder: "saves",
    environment: [{ name: "MODE", value: "quiet $(id)" }],
  };
  await define([way]);
  const refused = { ok: false, refusal: { code: "start-unconfirmed" } };
  expect(await startGame(context, "echo")).toMatchObject(refused);
  expect(await startGame(context, null)).toMatchObject(refused);
  const { digest, isConfirmed } = await wayNamed("echo");
  expect(isConfirmed).toBe(false);
  value(await confirmWay(context, digest));
  process.env.NODE_OPTIONS = "--no-warnings";
  const ran = value(await run("echo"));
  delete process.env.NODE_OPTIONS;
  expect(ran.said).toEqual([
    `in ${join(game, "saves")}`,
    "env quiet $(id) unset unset",
    "told <a b>",
    `told <"c" 'd' $HOME \`id\`; echo>`,
    `told <--e=${game}>`,
    "told <ü*>",
    "told <-x>",
  ]);
  expect(ran.code).toBe(3);
  const changes: Partial<StartWay>[] = [
    { arguments: ["a b"] },
    { program: "program/game.mjs" },
    { folder: "base" },
    { environment: [] },
  ];
  for (const change of changes) {
    await define([{ ...way, ...change }]);
    expect(await startGame(context, "echo")).toMatchObject(refused);
  }
  // What was read before is not what would run now.
  value(await confirmWay(context, (await wayNamed("echo")).digest));
  await define([{ ...way, arguments: ["other"] }]);
  expect(await confirmWay(context, digest)).toMatchObject({ ok: false, refusal: { code: "start-no-way" } });
  // Another name is no other command, and what was confirmed once stays so.
  await define([{ ...way, name: "Echo, renamed" }]);
  expect(await run("echo")).toMatchObject({ ok: true });
  rmSync(join(game, way.program));
  expect(await startGame(context, "echo")).toMatchObject({
    ok: false,
    refusal: { code: "start-no-program", data: { path: join(game, way.program) } },
  });
  await define(definition.start!);
});

test("an owner's own program stays on this machine, is confirmed by naming it, and goes", async () => {
  writeEcho("own");
  value(
    await saveOwnWay(context, {
      id: "own-1",
      name: "Mine",
      starts: "profile",
      program: join(game, "program", "own"),
      arguments: ["x"],
    }),
  );
  expect(await wayNamed("own-1")).toMatchObject({ from: "owner", isConfirmed: true, isThere: true });
  expect(value(await run("own-1")).said).toContain("told <x>");
  value(await removeOwnWay(context, "own-1"));
  expect(await startGame(context, "own-1")).toMatchObject({ ok: false, refusal: { code: "start-no-way" } });
});

test("a program that the system does not start is told with its reason", async () => {
  writeFileSync(join(game, "program", "no program"), "text");
  value(
    await saveOwnWay(context, {
      id: "own-2",
      name: "None",
      starts: "profile",
      program: join(game, "program", "no program"),
    }),
  );
  expect(await startGame(context, "own-2")).toMatchObject({
    ok: false,
    refusal: { code: "start-failed", data: { detail: "EACCES" } },
  });
  expect(value(await readLiveTrial(context))).toBeNull();
  value(await removeOwnWay(context, "own-2"));
});

test("while it runs it is started by nobody, nothing is written under it, and windows know it", async () => {
  const path = join(game, "program", "stays");
  writeFileSync(path, "#!/bin/sh\necho here\nexec sleep 600\n");
  chmodSync(path, 0o755);
  value(await saveOwnWay(context, { id: "stays", name: "Stays", starts: "profile", program: path }));
  const started = value(await startGame(context, "stays"));
  const busy = { ok: false, refusal: { code: "game-runs" } };
  expect(await startGame(context, null)).toMatchObject(busy);
  expect(await writeOrder(context, profile, null)).toMatchObject(busy);
  expect(await takeAllBack(context)).toMatchObject(busy);
  expect(value(await readLiveTrial(context))).toMatchObject({ id: started.id, ended: null });
  await stop();
  value(await removeOwnWay(context, "stays"));
  const said: string[] = [];
  const ended = value(await readTrial(context, started.id, (line) => said.push(line)));
  expect(ended).toMatchObject({ code: null, log: ["here"] });
  expect(ended.ended).not.toBeNull();
  expect(said).toEqual(["here"]);
  expect(value(await readLiveTrial(context))).toBeNull();
  expect(value(await judgeTrial(context, started.id, "unsure", "too short"))).toMatchObject({
    verdict: "unsure",
    note: "too short",
  });
  expect(await findTrial(context.db, profile)).toMatchObject({ id: started.id, note: "too short" });
});

test("where whoever played says that it did not run well, it ran well when it did before, until they think better of it", async () => {
  const { state } = (await storedProfile(context, profile))!;
  const ranOn = async () => (await findRun(context.db, profile))?.state.launch.which ?? null;
  const end = async (id: string, note: string) => {
    await beginTrial(context.db, {
      id,
      profile,
      way: "Play",
      fingerprint: "f",
      process: markOf(process.pid),
    });
    await endTrial(context.db, id, { code: 0, log: [], fileLog: [] });
    await saveRun(context.db, profile, id, { ...state, launch: { which: note } });
  };
  await end("good", "first");
  await end("bad", "second");
  const judged = async (id: string, verdict: Verdict | null) => {
    value(await judgeTrial(context, id, verdict, ""));
    return ranOn();
  };
  expect(await ranOn()).toBe("second");
  expect(await judged("bad", "well")).toBe("second");
  expect(await judged("bad", "faulty")).toBe("first");
  expect(await judged("bad", "unsure")).toBe("first");
  expect(await judged("bad", "well")).toBe("second");
  expect(await judged("bad", null)).toBe("second");
  // Another one came after it.
  expect(await judged("good", "faulty")).toBe("second");
});

/** Ends the process of the start that goes on. */
async function stop(): Promise<void> {
  const [row] = await context.db.query<{ pid: number }>(
    "select (process->>'pid')::int as pid from trial where ended is null order by began",
  );
  process.kill(row!.pid, "SIGTERM");
}

test("a start that outlives its server is found again, and one that ended in between has no known end", async () => {
  const going = spawn("sleep", ["600"], { stdio: "ignore", env: { ...process.env } });
  await once(going, "spawn");
  const logs = join(demo.folder, "trials");
  mkdirSync(logs, { recursive: true });
  writeFileSync(join(logs, "going.log"), "still here\n");
  writeFileSync(join(logs, "gone.log"), "was here\n");
  const begin = (id: string, mark: ReturnType<typeof markOf>) =>
    beginTrial(context.db, { id, profile, way: "Play", fingerprint: null, process: mark });
  await begin("gone", { pid: process.pid, started: "before" });
  await begin("going", markOf(going.pid!));
  await context.trials.takeUp();
  expect(value(await readLiveTrial(context))?.id).toBe("going");
  expect(await startGame(context, null)).toMatchObject({ ok: false, refusal: { code: "game-runs" } });
  const [gone] = await context.db.query(
    "select ended is null as goes_on, code, log from trial where id = 'gone'",
  );
  expect(gone).toEqual({ goes_on: false, code: null, log: ["was here"] });
  expect(existsSync(join(logs, "gone.log"))).toBe(false);
  going.kill();
  const said: string[] = [];
  expect(value(await readTrial(context, "going", (line) => said.push(line)))).toMatchObject({ code: null });
  expect(said).toEqual(["still here"]);
});

test("a demo that has no programs yet gets them, and one of which the definition is another one now is not confirmed", async () => {
  const { context: fresh, folder, end } = await makeDemoContext(2);
  try {
    const home = join(folder, "home");
    mkdirSync(join(home, "demo"), { recursive: true });
    const { folders } = value(await currentGame(fresh));
    const moved = join(home, "demo/game");
    renameSync(folders.game, moved);
    value(await changeFolders(fresh, { ...folders, game: moved, order: moved }));
    rmSync(join(moved, "program"), { recursive: true });
    const usual = async () => value(await readWays(fresh)).ways[0];
    expect(await usual()).toMatchObject({ isThere: false, isConfirmed: false });
    await bringDemoPrograms(fresh.db, home);
    expect(await usual()).toMatchObject({ isThere: true, isConfirmed: true });
    const [first, ...others] = definition.start!;
    value(
      await changeDefinition(fresh, { ...definition, start: [{ ...first!, arguments: ["x"] }, ...others] }),
    );
    await bringDemoPrograms(fresh.db, home);
    expect(await usual()).toMatchObject({ isThere: true, isConfirmed: false });
  } finally {
    await end();
  }
}, 60_000);

test("of a log only the end is read where only that is asked for, and a last line without an end counts", () => {
  const path = join(demo.folder, "long.log");
  writeFileSync(path, `${"a line of it\n".repeat(1000)}the last`);
  expect(new LogFile(path, 20).next(true)).toEqual([" line of it", "the last"]);
  const log = new LogFile(path);
  expect(log.next()).toHaveLength(1000);
  appendFileSync(path, " one, ä");
  appendFileSync(path, Buffer.from("\u00fc\nmore", "utf8"));
  expect(log.next()).toEqual(["the last one, äü"]);
  expect(log.next(true)).toEqual(["more"]);
});

test("a game of which nobody says how it is started is tried by the stand-in that ships", async () => {
  const { start: _, ...rest } = definition;
  value(await changeDefinition(context, rest));
  expect(value(await readWays(context)).ways).toMatchObject([{ from: "stand-in", isConfirmed: true }]);
  const ran = value(await run("stand-in"));
  expect(ran.said[0]).toBe("Brinehollow 1.6.2, stand-in");
  expect(JSON.parse(readFileSync(join(demo.folder, "trials", `${definition.id}.laws.json`), "utf8"))).toEqual(
    rest,
  );
  await define(definition.start!);
});

test("a condition is ticked before the start, or said to be left, and is forgotten after it unless it keeps", async () => {
  const notes: StartNote[] = [
    { id: "mail", kind: "condition", text: "The mail is signed in", keeps: true },
    { id: "bench", kind: "condition", text: "The bench runs" },
    { id: "dark", kind: "normal", text: "It stays dark" },
  ];
  writeEcho("conditions.mjs");
  await define([{ id: "c", name: "C", starts: "profile", program: "program/conditions.mjs" }]);
  value(await confirmWay(context, (await wayNamed("c")).digest));
  for (const note of notes) await edit(writeStartNote(note).steps);
  const refusedFor = (first: string, more: number) => ({
    ok: false,
    refusal: { code: "start-conditions", data: { first, more } },
  });
  expect(await startGame(context, "c")).toMatchObject(refusedFor("The mail is signed in", 1));
  const key = async (id: string) =>
    value(await readStartNotes(context)).told.find((told) => told.note.id === id)!.key;
  value(await tickCondition(context, await key("mail"), true));
  expect(await startGame(context, "c")).toMatchObject(refusedFor("The bench runs", 0));
  // What is no condition of the profile is not kept.
  expect(value(await tickCondition(context, "anything", true)).ticked).toEqual([await key("mail")]);
  value(await tickCondition(context, await key("bench"), true));
  value(await tickCondition(context, await key("bench"), false));
  expect(await startGame(context, "c")).toMatchObject(refusedFor("The bench runs", 0));
  value(await tickCondition(context, await key("bench"), true));
  expect((await run("c")).ok).toBe(true);
  expect(value(await readStartNotes(context)).ticked).toEqual([await key("mail")]);
  const unmet = value(await startGame(context, "c", { isUnmet: true }));
  expect(value(await readTrial(context, unmet.id, () => undefined)).ended).not.toBeNull();
});

test("the log that a definition names is kept with the trial, where the game wrote it since it was started", async () => {
  const log = join(game, "logs", "voyage.log");
  mkdirSync(join(game, "logs"), { recursive: true });
  writeFileSync(log, "of an earlier day\n");
  utimesSync(log, new Date(1e12), new Date(1e12));
  const writes = join(game, "program", "logs.mjs");
  const start: StartWay[] = [
    { id: "quiet", name: "Quiet", starts: "bare", program: "program/conditions.mjs" },
    { id: "logs", name: "Logs", starts: "bare", program: "program/logs.mjs" },
  ];
  writeFileSync(
    writes,
    `import { writeFileSync } from "node:fs"; writeFileSync(${JSON.stringify(log)}, "at sea\\nsunk");`,
  );
  value(await changeDefinition(context, { ...definition, start, log: { path: "logs/voyage.log" } }));
  for (const { id } of start) value(await confirmWay(context, (await wayNamed(id)).digest));
  expect(await run("quiet")).toMatchObject({ value: { fileLog: [] } });
  expect(await run("logs")).toMatchObject({ value: { fileLog: ["at sea", "sunk"], log: [] } });
});
