import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { namesToWrite } from "@/core/check/order-file";
import { runChecks } from "@/core/check/run-checks";
import { stopsTheStart } from "@/core/check/stops";
import { sureWays } from "@/core/check/ways-out";
import { acceptEdit, proposeOrder } from "@/core/edit/accept";
import { stateAfter } from "@/core/edit/steps";
import type { Finding } from "@/core/model/finding";
import type { GameDefinition } from "@/core/model/game";
import type { ProfileState } from "@/core/model/profile";
import { makeRandom } from "@/core/random";
import { emptyStock, makeRoster, placesUsed, type Roster, type Stock } from "@/core/roster/roster";
import { allTies } from "@/core/roster/ties";
import { aProfile } from "@/core/testing/ids";
import { gameFiles, orderContents, writeGameFiles } from "@/disk/game-files";
import { readPluginFiles } from "@/disk/read-mod";
import { readShelf } from "@/disk/read-shelf";
import { holdsOf, writeHolds } from "@/formats/holds";
import { brinehollow } from "./brinehollow/definition";
import { makeDemo, type DemoPlan } from "./demo/make-demo";
import { startGame } from "./game/start";
import { Stopped } from "./game/stopped";

let out: string;
let stock: Stock;
let base: ProfileState;
beforeAll(async () => {
  out = await mkdtemp(join(tmpdir(), "seating-stops-"));
  await makeDemo(out, 7, 30);
  const { mods } = await readShelf(brinehollow, [shelf()], []);
  stock = {
    ...emptyStock,
    base: await readPluginFiles(brinehollow, join(game(), "base"), brinehollow.builtIn),
    owned: ["sunken-city", "lamplighters"],
    shelf: mods,
  };
  const plan = JSON.parse(await readFile(join(out, "demo.json"), "utf8")) as DemoPlan;
  base = plan.games[0]!.profiles[0]!.state;
}, 60_000);
afterAll(() => rm(out, { recursive: true, force: true }));

const game = () => join(out, "brinehollow/game");
const shelf = () => join(out, "brinehollow/shelf");

const rosterOf = (definition: GameDefinition, state: ProfileState): Roster =>
  makeRoster(
    definition,
    { id: aProfile("p"), game: definition.id, name: "Drawn", purpose: "play", version: 1, state },
    stock,
  );
const inputOf = (roster: Roster) => ({
  roster,
  ties: allTies(roster),
  onDisk: { order: namesToWrite(roster), holds: null },
});
const found = (roster: Roster): readonly Finding[] => runChecks(inputOf(roster));

function after(roster: Roster, edit: Parameters<typeof stateAfter>[1] | null): Roster {
  const state = edit && stateAfter(roster.profile.state, edit);
  return state ? rosterOf(roster.game, state) : roster;
}

/** Why the game stops with a profile; null where it runs. */
async function start(roster: Roster): Promise<string | null> {
  const files = gameFiles(roster.game, { order: game() });
  await writeGameFiles(roster.game, { game: game() }, [
    { path: files.holds, contents: writeHolds(holdsOf(roster, shelf())) },
    { path: files.order, contents: orderContents(roster.game, namesToWrite(roster), null) },
  ]);
  return startGame(roster.game, game(), () => undefined).then(
    () => null,
    (error: unknown) => (error instanceof Stopped ? error.message : Promise.reject(error as Error)),
  );
}

/** The demo's first profile with its own faults mended, and then so many others put in. */
function broken(seed: number): Roster {
  const random = makeRandom(seed);
  let roster = rosterOf(brinehollow, base);
  roster = after(roster, acceptEdit(roster, proposeOrder(roster, "plugins")));
  const faulty = new Set(
    found(roster)
      .flatMap(({ level, subjects }) => (level === "blocker" ? subjects : []))
      .map(({ id }) => id),
  );
  let state: ProfileState = {
    ...roster.profile.state,
    plugins: {
      ...roster.profile.state.plugins,
      entries: roster.profile.state.plugins.entries.map((entry) => ({
        ...entry,
        on: entry.on && !faulty.has(entry.id),
      })),
    },
  };
  const pick = <T>(all: readonly T[]): T => all[random.below(all.length)]!;
  const faults = [
    () => {
      const { id } = pick(state.plugins.entries);
      state = {
        ...state,
        plugins: {
          ...state.plugins,
          entries: state.plugins.entries.map((each) => (each.id === id ? { ...each, on: !each.on } : each)),
        },
      };
    },
    () => {
      const { id } = pick(state.mods.entries);
      state = {
        ...state,
        mods: {
          ...state.mods,
          entries: state.mods.entries.map((each) => (each.id === id ? { ...each, on: !each.on } : each)),
        },
      };
    },
    () => {
      const entries = [...state.plugins.entries];
      const at = random.below(entries.length);
      const inSection = entries.flatMap((each, place) =>
        each.section === entries[at]!.section ? [place] : [],
      );
      const [moved] = entries.splice(at, 1);
      entries.splice(pick(inSection), 0, moved!);
      state = { ...state, plugins: { ...state.plugins, entries } };
    },
    () => {
      const id = pick(["sunken-city", "lamplighters"]);
      const expansions = state.expansions.includes(id)
        ? state.expansions.filter((each) => each !== id)
        : [...state.expansions, id];
      state = { ...state, expansions };
    },
    () => {
      const mod = pick(stock.shelf.filter(({ plugins, problem }) => !problem && plugins.length > 0));
      state = {
        ...state,
        leftOut: [...state.leftOut, { mod: mod.id, path: mod.plugins[0]!.name.toLowerCase() }],
      };
    },
    () => {
      // A hand that edits the data itself puts something under a section of another rank.
      const entries = [...state.plugins.entries];
      const at = random.below(entries.length);
      const other = random.below(entries.length);
      const [moved] = entries.splice(at, 1);
      entries.splice(other, 0, { ...moved!, section: entries[Math.min(other, entries.length - 1)]!.section });
      state = { ...state, plugins: { ...state.plugins, entries } };
    },
  ];
  for (let count = random.below(4); count > 0; count--) pick(faults)();
  const drawn = rosterOf(brinehollow, state);
  if (random.below(8) > 0) return drawn;
  const counting = placesUsed(drawn).map(({ counting: each, used }) => ({
    ...each,
    cap: Math.max(1, used - random.below(2)),
  }));
  return rosterOf({ ...brinehollow, counting }, state);
}

test("of 200 broken profiles just those stop of which a blocker says so, at what it names; and what is mended runs or says why not", async () => {
  const seen = { stopped: 0, ran: 0, mended: 0 };
  const kinds = new Set<string>();
  for (let seed = 1; seed <= 200; seed++) {
    const roster = broken(seed);
    const claims = found(roster).filter(stopsTheStart);
    const why = await start(roster);
    const said = claims.map(({ id, subjects }) => `${id} ${subjects.map((each) => each.id).join(" ")}`);
    expect([seed, said, claims.every(({ level }) => level === "blocker"), why !== null]).toEqual([
      seed,
      said,
      true,
      claims.length > 0,
    ]);
    for (const { id } of claims) kinds.add(id);
    if (why === null) {
      seen.ran++;
      continue;
    }
    seen.stopped++;
    const isNamed = claims.some(
      ({ id, subjects }) => id === "cap-exceeded" || subjects.some((each) => why.includes(each.id)),
    );
    expect([seed, why, said, isNamed]).toEqual([seed, why, said, true]);
    // All that is sure, and a proposal: what still stops it has been named.
    const sure = after(roster, sureWays(inputOf(roster))?.edit ?? null);
    const mended = after(sure, acceptEdit(sure, proposeOrder(sure, "plugins")));
    const still = await start(mended);
    if (still === null) seen.mended++;
    expect([seed, still, found(mended).some(stopsTheStart)]).toEqual([seed, still, still !== null]);
  }
  expect(seen.stopped).toBeGreaterThan(60);
  expect(seen.ran).toBeGreaterThan(30);
  expect(seen.mended).toBeGreaterThan(20);
  expect(kinds.size).toBeGreaterThan(6);
}, 300_000);
