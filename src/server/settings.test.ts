import {
  existsSync,
  lstatSync,
  mkdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { dirname, join } from "node:path";
import { settingEdit } from "@/core/edit/settings";
import { fingerprintOf, factsOfRoster } from "@/core/lineup/fingerprint";
import type { ProfileId } from "@/core/model/ids";
import type { SettingChoice } from "@/core/model/settings";
import { kitefall } from "@/standin/kitefall/definition";
import { startGame } from "@/standin/game/start";
import { willWriteSettings } from "@/store/settings-files";
import type { Context } from "./context";
import { readDrift } from "./operations/layout";
import { changeDefinition, switchGame } from "./operations/games";
import { takeAllBack } from "./operations/order-file";
import { planSettings } from "./operations/settings";
import { actsOn } from "./testing/acts-on";
import { makeDemoContext, value, type DemoContext } from "./testing/demo-context";

let demo: DemoContext;
let context: Context;
let profile: ProfileId;
let game: string;
let file: string;
beforeEach(async () => {
  demo = await makeDemoContext(12);
  context = demo.context;
  profile = value(await switchGame(context, kitefall.id))!;
  game = join(demo.folder, kitefall.id, "game");
  file = join(game, "setup/flight.json");
}, 60_000);
afterEach(() => demo.end());

const before =
  '{\n  // Written at the end of each flight.\n  "lines": { "most": 4, "slack": 0.2 },\n  "view": "behind"\n}\n';
const read = () => readFileSync(file, "utf8");
const { situation, game: registered, gap, write, edit, turnOff } = actsOn(() => ({ context, profile }));
async function decide(at: string, wanted: SettingChoice["value"] | undefined) {
  const made = settingEdit((await situation()).roster, { file: "flight", at }, wanted);
  await edit(made!.steps);
}

test("what mods ask for and the profile decides is written with the order, read by the game, and goes where it is wanted no more", async () => {
  const { mtimeMs } = lstatSync(file);
  const folder = lstatSync(dirname(file)).mtimeMs;
  const print = async () => fingerprintOf(factsOfRoster((await situation()).roster));
  const plain = await print();
  expect(await gap()).toMatchObject({ settingsDiffer: true });
  value(await write());
  expect(read()).toBe(before.replace('"most": 4', '"most": 6'));
  expect(await gap()).toBeNull();
  const said: string[] = [];
  await startGame(kitefall, game, (line) => said.push(line));
  expect(said.find((line) => line.startsWith("setup/flight.json"))).toMatch('"most": 6');
  // Its own word goes before what the mod asks for.
  await decide("/lines/most", 8);
  await decide("/wind/gusts", true);
  expect(await print()).not.toBe(plain);
  expect(await gap()).toMatchObject({ settingsDiffer: true, modsDiffer: false });
  value(await write());
  expect(read()).toMatch('"most": 8');
  expect(read()).toMatch(/"wind": \{\s+"gusts": true\s+\}/);
  await decide("/lines/most", null);
  await decide("/wind/gusts", undefined);
  value(await write());
  expect(read()).toBe(before);
  expect(lstatSync(file).mtimeMs).toBeCloseTo(mtimeMs, 2);
  expect(await gap()).toBeNull();
  await decide("/lines/most", undefined);
  expect(await print()).toBe(plain);
  value(await write());
  expect(read()).toMatch('"most": 6');
  await turnOff("bridle-kit");
  value(await write());
  expect(read()).toBe(before);
  // The order file beside it is new; the folder changed for that alone.
  expect(lstatSync(dirname(file)).mtimeMs).toBeGreaterThanOrEqual(folder);
});

test("what the game changes itself in between stays; a line that it changed is not taken back", async () => {
  value(await write());
  await decide("/view", "above");
  value(await write());
  const written = read();
  expect(written).toMatch('"view": "above"');
  writeFileSync(file, written.replace('"slack": 0.2', '"slack": 0.9').replace('"above"', '"below"'));
  expect(await gap()).toMatchObject({ settingsDiffer: true });
  value(await takeAllBack(context));
  expect(read()).toBe(before.replace('"slack": 0.2', '"slack": 0.9').replace('"behind"', '"below"'));
  // From then on that is what was before.
  value(await write());
  value(await takeAllBack(context));
  expect(read()).toBe(before.replace('"slack": 0.2', '"slack": 0.9').replace('"behind"', '"below"'));
});

test("a file that was not there comes and goes with the folders that were made for it", async () => {
  rmSync(file);
  const deep = { ...kitefall, settings: [{ ...kitefall.settings![0]!, path: "own/deep/flight.json" }] };
  value(await changeDefinition(context, deep));
  const made = join(game, "own/deep/flight.json");
  const { mtimeMs } = lstatSync(game);
  value(await write());
  expect(JSON.parse(readFileSync(made, "utf8"))).toEqual({ lines: { most: 6 } });
  value(await takeAllBack(context));
  expect(existsSync(join(game, "own"))).toBe(false);
  expect(lstatSync(game).mtimeMs).toBeCloseTo(mtimeMs, 2);
});

test("whenever the server ended, the next writing and taking back know what is Seating's", async () => {
  const present = await registered();
  const plan = async (most: number | null) =>
    value(
      await planSettings(
        context.db,
        present,
        most === null ? [] : [{ file: "flight", at: "/lines/most", value: most }],
      ),
    );
  const begin = async (most: number | null, isPut: boolean) => {
    for (const { record, contents } of await plan(most)) {
      await context.db.transaction((tx) => willWriteSettings(tx, present.id, record));
      if (isPut) writeFileSync(file, contents!);
    }
  };
  for (const isPut of [false, true])
    for (const next of [7, 8, null]) {
      // Said and perhaps written, never noted.
      await begin(7, isPut);
      expect(read()).toBe(isPut ? before.replace("4", "7") : before);
      await begin(next, true);
      expect(read()).toBe(next === null ? before : before.replace("4", String(next)));
      await begin(null, true);
      expect(read()).toBe(before);
      utimesSync(file, 1_700_000_000, 1_700_000_000);
      value(await takeAllBack(context));
      expect(read()).toBe(before);
    }
});

test("a file of settings that a mod brings is laid out, has its lines, is no drift, and goes with its mods", async () => {
  const own = { id: "own", label: "Own", path: "flying/kites/bridle/lines.dat", format: "lines" as const };
  value(await changeDefinition(context, { ...kitefall, settings: [own] }));
  const brought = join(game, own.path);
  value(await write());
  const plain = readFileSync(brought);
  const settle = async (wanted: SettingChoice["value"] | undefined) =>
    edit(settingEdit((await situation()).roster, { file: "own", at: "fog" }, wanted)!.steps);
  await settle("2");
  value(await write());
  expect(readFileSync(brought).toString("latin1")).toMatch(/\nfog 2\n$/);
  expect(await gap()).toBeNull();
  expect(value(await readDrift(context)).changed).toEqual([]);
  await settle(undefined);
  value(await write());
  expect(readFileSync(brought)).toEqual(plain);
  // The store that has the same file was not touched.
  await settle("3");
  value(await write());
  await turnOff("bridle-kit");
  await settle(undefined);
  value(await write());
  // A copy of the mod brings the same file, and it has no line of anybody's any more.
  expect(readFileSync(brought)).toEqual(plain);
  value(await takeAllBack(context));
  expect(existsSync(brought)).toBe(false);
});

test.each([
  ["broken", () => writeFileSync(file, "{ no json")],
  ["a link", () => (rmSync(file), symlinkSync("/etc/hosts", file))],
  ["a folder", () => (rmSync(file), mkdirSync(file))],
])("where the file is %s nothing is written at all, and the file is named", async (_, spoil) => {
  spoil();
  const refused = await write();
  expect(refused).toMatchObject({ refusal: { code: "settings-unfit", data: { path: "setup/flight.json" } } });
  expect(existsSync(join(game, kitefall.holdsFile))).toBe(false);
  expect(existsSync(join(game, "flying/kites/bridle"))).toBe(false);
});
