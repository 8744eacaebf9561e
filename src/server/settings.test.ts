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
import { orderFileGap } from "@/core/check/order-file";
import { settingEdit } from "@/core/edit/settings";
import { label } from "@/core/edit/steps";
import { fingerprintOf, factsOfRoster } from "@/core/lineup/fingerprint";
import type { ProfileId } from "@/core/model/ids";
import type { SettingChoice } from "@/core/model/settings";
import { kitefall } from "@/standin/kitefall/definition";
import { startGame } from "@/standin/game/start";
import { willWriteSettings } from "@/store/settings-files";
import type { Context } from "./context";
import { storeEdit } from "./operations/edit-profile";
import { changeDefinition, switchGame } from "./operations/games";
import { lookAtOrder, readOnDisk, takeAllBack, writeOrder } from "./operations/order-file";
import { planSettings } from "./operations/settings";
import { currentGame, readSituation } from "./operations/situation";
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
const situation = async () => value(await readSituation(context, profile));
const gap = async () =>
  orderFileGap((await situation()).roster, await readOnDisk(context, value(await currentGame(context))));
const write = async () => writeOrder(context, profile, value(await lookAtOrder(context, profile)).sha256);
async function edit(steps: Parameters<typeof storeEdit>[3]["steps"]) {
  const { version } = (await situation()).profile;
  value(await storeEdit(context, profile, version, { label: label("launch", { name: "x" }), steps }));
}
async function decide(at: string, wanted: SettingChoice["value"] | undefined) {
  const made = settingEdit((await situation()).roster, { file: "flight", at }, wanted);
  await edit(made!.steps);
}
const turnOff = () => edit([{ kind: "switch", list: "mods", ids: ["bridle-kit" as never], on: false }]);

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
  await turnOff();
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
  const present = value(await currentGame(context));
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
