import { appendFileSync, existsSync, readFileSync, renameSync, rmSync, symlinkSync } from "node:fs";
import { join } from "node:path";
import { settingEdit } from "@/core/edit/settings";
import { runChecks } from "@/core/check/run-checks";
import type { ProfileId } from "@/core/model/ids";
import { allTies } from "@/core/roster/ties";
import { meantOf } from "@/core/model/profile-of-game";
import { millwright } from "@/standin/millwright/definition";
import { listProfiles } from "@/store/profiles";
import type { Context } from "./context";
import { changeDefinition, changeFolders, switchGame } from "./operations/games";
import {
  chooseProfileOfGame,
  lookAtOrder,
  takeAllBack,
  takeOverOrder,
  writeOrder,
} from "./operations/order-file";
import { readSettingsNow } from "./operations/settings";
import { readTrial, startGame } from "./operations/start";
import { actsOn } from "./testing/acts-on";
import { makeDemoContext, value, type DemoContext } from "./testing/demo-context";
import { snapshot } from "./testing/snapshot";

let demo: DemoContext;
let game: string;
let hazels: ProfileId;
/** Of which nobody has said for whom it is. */
let open: ProfileId;
let profile: ProfileId;
let context: Context;
const work = (on: ProfileId) => {
  profile = on;
  context = { ...demo.context, at: on };
};
beforeAll(async () => {
  demo = await makeDemoContext(12);
  hazels = value(await switchGame(demo.context, millwright.id))!;
  open = (await listProfiles(demo.context.db, millwright.id)).find(({ name }) => name === "Cart Yard")!.id;
  game = join(demo.folder, millwright.id, "game");
}, 60_000);
beforeEach(() => work(hazels));
afterAll(() => demo.end());

const { situation, game: present, onDisk, gap, write, edit } = actsOn(() => ({ context, profile }));
const orderOf = (player: string) => join(game, "players", player, "packages.xml");
const found = async () => {
  const { roster } = await situation();
  return runChecks({ roster, ties: allTies(roster), onDisk: await onDisk() }).find(
    ({ id }) => id === "profile-of-game",
  );
};
/** Starts the game and waits for its end; what it says goes to `said`. */
const runTrial = async (said: string[] = []) => {
  const started = await startGame(context, null);
  return started.ok ? readTrial(context, started.value.id, (line) => said.push(line)) : started;
};
const refused = { ok: false, refusal: { code: "profile-of-game" } };

test("where none is chosen nothing is read or written, all of it says so, and a finding leads out", async () => {
  work(open);
  const before = snapshot(game);
  expect(await writeOrder(context, open, null)).toMatchObject(refused);
  expect(await lookAtOrder(context, open)).toMatchObject(refused);
  expect(await takeOverOrder(context, open, 1)).toMatchObject(refused);
  expect(await readSettingsNow(context, open)).toMatchObject(refused);
  expect(await runTrial()).toMatchObject(refused);
  expect(await onDisk()).toMatchObject({ order: null, holds: null, ofGame: { meant: null } });
  expect(snapshot(game)).toEqual(before);
  expect((await found())?.fixes.map(({ does }) => does)).toEqual([
    { act: "choose-profile-of-game", name: "hazel" },
    { act: "choose-profile-of-game", name: "rowan" },
  ]);
  const { roster } = await situation();
  const all = runChecks({ roster, ties: allTies(roster), onDisk: await onDisk() });
  expect(all.filter(({ check }) => check === "order-file-differs")).toEqual([]);
  expect(await chooseProfileOfGame(context, open, "nobody")).toMatchObject(refused);
  value(await chooseProfileOfGame(context, open, "rowan"));
  expect(await found()).toBeUndefined();
  value(await chooseProfileOfGame(context, open, null));
  expect(await found()).toBeDefined();
});

test("each profile is written where the profile of the game’s own that it is for reads it, and both stay", async () => {
  value(await write());
  expect(await gap()).toBeNull();
  expect(existsSync(orderOf("rowan"))).toBe(false);
  const hers = readFileSync(orderOf("hazel"), "utf8");
  work(open);
  expect(value(await chooseProfileOfGame(context, open, "rowan")).ofGame?.meant).toBe("rowan");
  value(await write());
  expect(readFileSync(orderOf("hazel"), "utf8")).toBe(hers);
  expect(readFileSync(orderOf("rowan"), "utf8")).not.toBe(hers);
  expect((await gap())?.moves ?? 0).toBe(0);
  work(hazels);
  expect(await onDisk()).toMatchObject({ ofGame: { meant: "hazel" }, file: { by: "ours", profile: hazels } });
});

test("all of it is taken back at once, for every profile of the game’s; what the game wrote since stays", async () => {
  value(await takeAllBack(context));
  const before = snapshot(game);
  value(await write());
  work(open);
  value(await chooseProfileOfGame(context, open, "rowan"));
  value(await write());
  work(hazels);
  value(await takeAllBack(context));
  expect(snapshot(game)).toEqual(before);

  value(await write());
  work(open);
  value(await write());
  appendFileSync(orderOf("rowan"), "<!-- by the game -->");
  value(await takeAllBack(context));
  expect(existsSync(orderOf("hazel"))).toBe(false);
  expect(readFileSync(orderOf("rowan"), "utf8")).toContain("by the game");
});

test("lines of settings that lie beside the order are each profile's own, too", async () => {
  const taste = { id: "taste", label: "Taste", path: "taste.ini", folder: "order", format: "ini" } as const;
  value(await changeDefinition(context, { ...millwright, settings: [...millwright.settings!, taste] }));
  const at = (player: string) => join(game, "players", player, taste.path);
  const want = async (wanted: number) =>
    edit(settingEdit((await situation()).roster, { file: "taste", at: "Board/size" }, wanted)!.steps);
  await want(1);
  value(await write());
  work(open);
  value(await chooseProfileOfGame(context, open, "rowan"));
  expect((await onDisk()).settings?.filter(({ file }) => file === "taste")).toEqual([]);
  await want(2);
  value(await write());
  expect([readFileSync(at("hazel"), "utf8"), readFileSync(at("rowan"), "utf8")]).toEqual([
    expect.stringContaining("size=1"),
    expect.stringContaining("size=2"),
  ]);
  expect((await onDisk()).settings).toContainEqual({ file: "taste", at: "Board/size", value: 2 });
  value(await takeAllBack(context));
  expect([existsSync(at("hazel")), existsSync(at("rowan"))]).toEqual([false, false]);
});

test("one that is gone is told by name; the only one counts by itself, a link and a hidden folder do not count", async () => {
  renameSync(join(game, "players/hazel"), join(game, "players/.hazel"));
  symlinkSync(join(game, "players/.hazel"), join(game, "players/hazel"));
  expect((await found())?.data).toMatchObject({ names: ["rowan"], chosen: "hazel" });
  expect(await writeOrder(context, hazels, null)).toMatchObject({
    refusal: { data: { chosen: "hazel", names: "rowan" } },
  });
  expect(existsSync(join(game, "players/.hazel/packages.xml"))).toBe(false);
  work(open);
  value(await chooseProfileOfGame(context, open, null));
  expect(await onDisk()).toMatchObject({ ofGame: { names: ["rowan"], meant: "rowan" } });
  value(await write());
  expect(existsSync(orderOf("rowan"))).toBe(true);
  rmSync(join(game, "players/hazel"));
  renameSync(join(game, "players/.hazel"), join(game, "players/hazel"));
});

test("the folders that were named stay as they were named, whoever is chosen", async () => {
  const { folders } = await present();
  expect(folders.order).toBe(game);
  value(await changeFolders(context, folders));
  expect((await present()).folders).toEqual(folders);
});

test("where nobody has played yet the first start makes a profile, which is the one that is meant", async () => {
  rmSync(join(game, "players"), { recursive: true });
  work(open);
  expect((await found())?.fixes).toEqual([]);
  const said: string[] = [];
  value(await runTrial(said));
  expect(said).toContain("nobody has played yet: the profile first is made in players");
  expect(await onDisk()).toMatchObject({ ofGame: { names: ["first"], meant: "first" } });
  value(await write());
  said.length = 0;
  expect(value(await runTrial(said)).code).toBe(0);
  expect(said).toContain("profile: first");
});

test("a choice holds only while it is there", () => {
  expect(meantOf([], null).meant).toBeNull();
  expect(meantOf(["a"], null).meant).toBe("a");
  expect(meantOf(["a"], "b").meant).toBeNull();
  expect(meantOf(["a", "b"], null).meant).toBeNull();
  expect(meantOf(["a", "b"], "b").meant).toBe("b");
});
