import { mkdir, rename, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { runChecks } from "@/core/check/run-checks";
import { allTies } from "@/core/roster/ties";
import { kitefall } from "@/standin/kitefall/definition";
import { startGame } from "@/standin/game/start";
import { updateDefinitions } from "@/store/games";
import type { ProfileId } from "@/core/model/ids";
import type { Context } from "./context";
import { changeDefinition, shipped, switchGame } from "./operations/games";
import { readShelfOfGame } from "./operations/read-shelf";
import { actsOn } from "./testing/acts-on";
import { makeDemoContext, value, type DemoContext } from "./testing/demo-context";

let demo: DemoContext;
let context: Context;
let game: string;
let profile: ProfileId;
beforeAll(async () => {
  demo = await makeDemoContext(12);
  context = demo.context;
  profile = value(await switchGame(context, kitefall.id))!;
  game = join(demo.folder, kitefall.id, "game");
}, 60_000);
afterAll(() => demo.end());

const { situation, game: present, onDisk, write } = actsOn(() => ({ context, profile }));
const version = async () => (await present()).definition.version;
const readAnew = async () => value(await readShelfOfGame(context, () => undefined));
async function found(id: string) {
  const { roster } = await situation();
  return runChecks({ roster, ties: allTies(roster), onDisk: await onDisk() }).filter(
    (finding) => finding.id === id,
  );
}

test("the version that the game names counts from the next reading on: for what mods are for, for all who look, whatever ships", async () => {
  expect(await version()).toBe(kitefall.version);
  const before = (await found("other-game-version")).length;
  const events: string[] = [];
  context.events.subscribe(({ kind }) => events.push(kind));
  await writeFile(join(game, "base/about.ini"), "version = 9.9.9\n");
  await readAnew();
  expect(await version()).toBe("9.9.9");
  expect(events).toContain("stock");
  const after = await found("other-game-version");
  expect(after.length).toBeGreaterThan(before);
  expect(after[0]!.data).toMatchObject({ game: "9.9.9" });
  await updateDefinitions(context.db, shipped);
  expect(await version()).toBe("9.9.9");
  // What cannot be read any more is what it was known for, and said.
  await writeFile(join(game, "base/about.ini"), "a text of another kind\n");
  await readAnew();
  expect(await version()).toBe("9.9.9");
  expect((await found("edition-unread")).map(({ data }) => data)).toEqual([
    { file: "base/about.ini", absent: false, version: "9.9.9" },
  ]);
  // Without the law the version is what the definition says.
  const { edition: _, ...others } = kitefall;
  value(await changeDefinition(context, { ...others, version: "1.4" }));
  expect(await version()).toBe("1.4");
  expect(await found("edition-unread")).toEqual([]);
  value(await changeDefinition(context, kitefall));
});

test("what the game needs is told where it lies and where it belongs; once it is put there the game finds it, and nothing is told", async () => {
  const [astray] = await found("prerequisite-astray");
  expect(astray).toMatchObject({
    level: "problem",
    data: { name: "Wind table", file: "base/wind.tbl", found: "wind.tbl" },
  });
  value(await write());
  const lines = async () => {
    const said: string[] = [];
    await startGame(kitefall, game, (line) => said.push(line));
    return said;
  };
  expect(await lines()).toContain("base/wind.tbl is not there: nothing finds Wind table");
  await mkdir(join(game, "base"), { recursive: true });
  await rename(join(game, "wind.tbl"), join(game, "base/wind.tbl"));
  expect(await found("prerequisite-astray")).toEqual([]);
  expect(await found("prerequisite-missing")).toEqual([]);
  expect((await lines()).join("\n")).not.toMatch("is not there");
});

test("a needed file of a definition lies in the game's folder", async () => {
  const needed = { id: "x", name: "X", file: "../x", purpose: "", source: "" };
  const refused = await changeDefinition(context, { ...kitefall, prerequisites: [needed] });
  expect(refused).toMatchObject({ refusal: { data: { path: "prerequisites.0.file" } } });
});
