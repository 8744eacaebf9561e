import {
  chmodSync,
  existsSync,
  mkdirSync,
  readFileSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { dirname, join } from "node:path";
import type { ProfileId } from "@/core/model/ids";
import { listProfiles } from "@/store/profiles";
import { saveKept, saveLying } from "@/store/kept-files";
import type { Context } from "./context";
import { changeDefinition } from "./operations/games";
import { keepOwnFile, putKeptFiles, readKeptFiles } from "./operations/kept-files";
import { takeAllBack } from "./operations/order-file";
import { currentGame } from "./operations/situation";
import { readTrial, startGame } from "./operations/start";
import { saveOwnWay } from "./operations/start-ways";
import { makeDemoContext, value, type DemoContext } from "./testing/demo-context";

let demo: DemoContext;
/** What each of two profiles sees. */
let one: Context;
let other: Context;
let helm: string;
beforeAll(async () => {
  demo = await makeDemoContext(30);
  const { context } = demo;
  const { folders, definition, id } = value(await currentGame(context));
  value(
    await changeDefinition(context, {
      ...definition,
      keptFiles: [{ id: "helm", label: "Helm", path: "own/helm.ini", folder: "order" }],
    }),
  );
  helm = join(folders.order, "own/helm.ini");
  const [first, second] = (await listProfiles(context.db, id)).filter(({ deletedAt }) => deletedAt === null);
  one = { ...context, at: first!.id };
  other = { ...context, at: second!.id };
  const path = join(folders.game, "program", "turns");
  mkdirSync(dirname(path), { recursive: true });
  // A game that writes its own settings: one line more each time.
  writeFileSync(path, `#!/bin/sh\nmkdir -p "$(dirname "$1")"\necho turned >> "$1"\n`);
  chmodSync(path, 0o755);
  for (const [id, starts] of [
    ["turns", "profile"],
    ["bare-turns", "bare"],
  ] as const)
    value(await saveOwnWay(context, { id, name: "Turns", starts, program: path, arguments: [helm] }));
}, 120_000);
afterAll(() => demo.end());

const text = () => (existsSync(helm) ? readFileSync(helm, "utf8") : null);
const lines = () => (text() ?? "").split("\n").length - 1;
const standing = async (context: Context) => value(await readKeptFiles(context))[0]!;
async function run(context: Context, way = "turns"): Promise<void> {
  const { id } = value(await startGame(context, way, { isUnmet: true }));
  value(await readTrial(context, id, () => undefined));
}

test("a profile that keeps its own finds it as the game left it, whatever others did meanwhile; all is put back with everything else", async () => {
  mkdirSync(dirname(helm), { recursive: true });
  writeFileSync(helm, "of its owner\n");
  utimesSync(helm, new Date(1e12), new Date(1e12));
  value(await keepOwnFile(one, "helm", true));
  expect(await standing(one)).toMatchObject({
    keeps: true,
    lies: { whose: "shared" },
    own: "of its owner\n",
  });
  await run(one);
  await run(one);
  expect(lines()).toBe(3);
  expect(await standing(one)).toMatchObject({ lies: { whose: "own" }, shared: "of its owner\n" });
  expect((await standing(one)).own).toBe(text());
  expect(await standing(other)).toMatchObject({ keeps: false, lies: { whose: "other" }, own: null });
  // The others share theirs, also where the game alone is started.
  await run(other);
  expect(text()).toBe("of its owner\nturned\n");
  await run(one, "bare-turns");
  expect(text()).toBe("of its owner\nturned\nturned\n");
  await run(one);
  expect(lines()).toBe(4);
  value(await takeAllBack(one));
  expect(text()).toBe("of its owner\nturned\nturned\n");
  await run(one);
  expect(lines()).toBe(5);
});

test("taken back before anybody else has played it is as it was, with its date; and where it was not there it is not, nor its folder", async () => {
  value(await takeAllBack(one));
  writeFileSync(helm, "anew\n");
  utimesSync(helm, new Date(1e12), new Date(1e12));
  await run(one);
  value(await takeAllBack(one));
  expect(text()).toBe("anew\n");
  expect(statSync(helm).mtimeMs).toBe(1e12);
  rmSync(dirname(helm), { recursive: true });
  await run(one);
  expect(lines()).toBe(7);
  value(await takeAllBack(one));
  expect(existsSync(dirname(helm))).toBe(false);
});

test("who keeps its own no more has that of all, and gets its own again if it wants it", async () => {
  writeHelm("shared\n");
  value(await keepOwnFile(one, "helm", false));
  await run(one);
  expect(text()).toBe("shared\nturned\n");
  value(await keepOwnFile(one, "helm", true));
  await run(one);
  expect(lines()).toBe(8);
});

function writeHelm(contents: string): void {
  mkdirSync(dirname(helm), { recursive: true });
  writeFileSync(helm, contents);
}

test("where the server ended while a file was put in place, nobody's is taken for another's", async () => {
  value(await takeAllBack(one));
  writeHelm("shared\n");
  const game = value(await currentGame(one));
  const [mine, theirs] = [one.at as ProfileId, other.at as ProfileId];
  const bytes = (words: string) => new TextEncoder().encode(words);
  const keep = (profile: ProfileId | null, words: string) =>
    saveKept(one.db, game.id, { path: helm, profile, keeps: true, contents: bytes(words), changed: null });
  const ended = () =>
    one.db.transaction((tx) =>
      saveLying(tx, game.id, { path: helm, profile: mine, pending: { profile: theirs }, made: [] }),
    );
  await keep(null, "shared\n");
  await keep(mine, "mine\n");
  await keep(theirs, "theirs\n");
  const all = async () => {
    value(await putKeptFiles(one, game, null));
    return [(await standing(one)).own, (await standing(other)).own, text()];
  };
  // It lay there still.
  writeHelm("mine\n");
  await ended();
  expect(await all()).toEqual(["mine\n", "theirs\n", "shared\n"]);
  // It was put there, and the game has changed it since.
  await ended();
  writeHelm("theirs, changed\n");
  expect(await all()).toEqual(["mine\n", "theirs, changed\n", "shared\n"]);
});
