import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { digestsOf } from "@/core/lineup/digests";
import { factsOfLineup, fingerprintOf } from "@/core/lineup/fingerprint";
import { makeLineup } from "@/core/lineup/make-lineup";
import type { Lineup } from "@/core/model/lineup";
import { addAbsentMods, addAbsentPlugins, emptyState } from "@/core/edit/arrivals";
import { emptyStock, makeRoster, newestById } from "@/core/roster/roster";
import { readShelf } from "@/disk/read-shelf";
import { writeLineup } from "@/formats/lineup/json";
import { makeDemo } from "@/standin/demo/make-demo";
import { games } from "@/standin/games";
import { aProfile } from "@/core/testing/ids";

const folder = mkdtempSync(join(tmpdir(), "seating-lists-"));
const program = join(process.cwd(), "dist", "seating.mjs");
const game = games.find(({ lists }) => !lists.includes("plugins"))!;
const shelf = join(folder, game.id, "shelf");
let lineup: Lineup;
let path: string;

beforeAll(async () => {
  await makeDemo(folder, 7, 30);
  const { mods } = await readShelf(game, [shelf], []);
  const some = [...newestById(mods).values()].slice(0, 12);
  const state = addAbsentPlugins(game, addAbsentMods(emptyState(game, []), some, true), some, true);
  const stock = { ...emptyStock, shelf: mods };
  const roster = makeRoster(
    game,
    { id: aProfile("p"), game: game.id, name: "Race day", purpose: "play", version: 1, state },
    stock,
  );
  lineup = makeLineup(roster, { title: "Race day", author: "", note: "", listVersion: "1", date: "" });
  path = file("race.lineup.json", writeLineup(lineup));
}, 60_000);
afterAll(() => rmSync(folder, { recursive: true }));

function file(name: string, text: string): string {
  const at = join(folder, name);
  writeFileSync(at, text);
  return at;
}

const seating = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [program, ...args], {
    encoding: "utf8",
    env: { ...process.env, LC_ALL: "C" },
  });
  return { status, stdout, stderr };
};

/** As its author would have sent it. */
const signed = (list: Lineup): Lineup => ({
  ...list,
  fingerprint: fingerprintOf(factsOfLineup(list)),
  digests: digestsOf(list),
});

test("fingerprint says what the list has, and whether it is what it names", () => {
  const said = seating("fingerprint", path);
  expect([said.status, JSON.parse(said.stdout)]).toEqual([
    0,
    {
      fingerprint: lineup.fingerprint,
      named: lineup.fingerprint,
      verdict: "exact",
      differences: [],
      lacks: [],
    },
  ]);
  const altered = file("altered.json", writeLineup({ ...lineup, mods: lineup.mods.slice(1) }));
  expect(seating("fingerprint", altered, "--text")).toMatchObject({ status: 1 });
  for (const asked of [
    ["fingerprint", altered],
    ["compare", altered, path],
    ["check", altered, "--shelf", shelf],
  ])
    expect([asked[0], JSON.parse(seating(...asked).stdout)]).toMatchObject([
      asked[0],
      { verdict: "altered", altered: ["mods", "sections"], differences: [], lacks: [] },
    ]);
});

test("compare names what differs, and is silent about what does not count", () => {
  expect(seating("compare", path, path, "--text")).toMatchObject({ status: 0, stdout: "The same setup.\n" });
  const at = lineup.mods.findIndex(({ section }, place) => section === lineup.mods[place + 1]?.section);
  const mods = lineup.mods.toSpliced(at, 2, lineup.mods[at + 1]!, lineup.mods[at]!);
  const turned = file("turned.json", writeLineup(signed({ ...lineup, note: "other words", mods })));
  const said = seating("compare", path, turned, "--text");
  expect(said.status).toBe(1);
  expect(said.stdout).toContain("Moved: 1 mod");
  expect(JSON.parse(seating("compare", path, turned).stdout)).toMatchObject({
    verdict: "differs",
    differences: [{ code: "mods-place", data: { key: expect.any(String) as string } }],
    lacks: [],
  });
  // A list in docs/, of a game that no definition is known of.
  const sample = join(process.cwd(), "docs/samples/the-quiet-pond.lineup.json");
  expect(JSON.parse(seating("fingerprint", sample).stdout)).toMatchObject({ verdict: "exact" });
  const page = join(process.cwd(), "docs/samples/the-quiet-pond.html");
  expect(JSON.parse(seating("compare", sample, page).stdout)).toMatchObject({
    verdict: "exact",
    changes: [],
  });
});

test("convert writes every format, which reads back to the same setup or says what it leaves behind", () => {
  for (const format of ["yaml", "page", "csv", "xml", "bom", "markdown-table", "lines", "code"]) {
    const said = seating("convert", path, "--to", format);
    expect([format, said.status]).toEqual([format, 0]);
    const back = seating("compare", path, file(`back.${format}`, said.stdout), "--shelf", shelf);
    expect([format, back.status, back.stdout.slice(0, 200)]).toEqual([format, 0, back.stdout.slice(0, 200)]);
  }
  expect(seating("convert", path, "--to", "lines").stderr).toContain("Not included: hashes");
  expect(seating("convert", path, "--to", "parchment")).toMatchObject({ status: 2 });
});

test("check tells a curator's pipeline whether a shelf has everything", () => {
  expect(seating("check", path, "--shelf", shelf, "--text")).toMatchObject({
    status: 0,
    stdout: expect.stringMatching(/^Reproduced exactly\.\n(hint: .*\n)*$/) as string,
  });
  const { status, stdout } = seating(
    "check",
    file("wish.txt", "# Game: " + game.id + " 1\nNothing Known At All\n"),
    "--shelf",
    shelf,
  );
  expect([status, JSON.parse(stdout)]).toMatchObject([
    1,
    { verdict: "not-yet", lacks: [{ what: "unmatched", item: "Nothing Known At All" }] },
  ]);
  const names = file("names.txt", seating("convert", path, "--to", "order-file").stdout);
  const asFar = seating("check", names, "--shelf", shelf, "--game", game.id);
  expect([asFar.status, JSON.parse(asFar.stdout)]).toMatchObject([0, { verdict: "as-far" }]);
  expect(asFar.stdout).toContain('"what": "unsaid"');
  expect(seating("check", path)).toMatchObject({
    status: 2,
    stderr: expect.stringContaining("--shelf") as string,
  });
  expect(seating("check", join(folder, "none.txt"), "--shelf", shelf)).toMatchObject({ status: 2 });
  const plain = seating("fingerprint", file("plain.txt", "Some Mod\n"));
  expect([plain.status, plain.stderr]).toEqual([2, expect.stringContaining("--game")]);
});
