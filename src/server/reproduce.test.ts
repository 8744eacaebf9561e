import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { compareFacts } from "@/core/lineup/compare";
import { factsOfLineup, factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { knownMods } from "@/core/lineup/known";
import { decisive, lossesOf } from "@/core/lineup/losses";
import { makeLineup } from "@/core/lineup/make-lineup";
import { stateFromLineup } from "@/core/lineup/match";
import { shareSetup } from "@/core/lineup/share";
import type { Lineup } from "@/core/model/lineup";
import { addAbsentMods, addAbsentPlugins, emptyState } from "@/core/edit/arrivals";
import { emptyStock, newestById, type Stock } from "@/core/roster/roster";
import { makeRandom } from "@/core/random";
import { readPluginFiles } from "@/disk/read-mod";
import { readShelf } from "@/disk/read-shelf";
import { lineupFormats } from "@/formats/lineup/all";
import { carriedByCode, readCode, writeCode } from "@/formats/lineup/code";
import { readList } from "@/formats/lineup/read";
import { verdictOf } from "@/core/lineup/verdict";
import { resolveList } from "@/formats/lineup/resolve";
import { makeDemo } from "@/standin/demo/make-demo";
import { games } from "@/standin/games";
import { drawnState } from "@/core/testing/drawn-state";
import { rosterOfState } from "@/core/testing/roster";

/** Profiles of each game; 200 in all. */
const runs = [100, 50, 50];
const random = makeRandom(11);
const { below } = random;

let folder: string;
const stocks = new Map<string, Stock>();

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-reproduce-"));
  await makeDemo(folder, 7, 60);
  for (const game of games) {
    const { mods } = await readShelf(game, [join(folder, game.id, "shelf")], []);
    const base = await readPluginFiles(game, join(folder, game.id, "game", game.baseFolder), game.builtIn);
    const owned = game.expansions.map(({ id }) => id).slice(0, 2);
    stocks.set(game.id, { ...emptyStock, base, owned, shelf: mods });
  }
}, 120_000);
afterAll(() => rm(folder, { recursive: true, force: true }));

test("200 profiles go out in every format and come in on an empty shelf with a depot: the same fingerprint, or said what lacks", () => {
  const equal = new Map<string, number>();
  let whole = 0;
  for (const [at, game] of games.entries()) {
    const stock = stocks.get(game.id)!;
    // The receiver owns the same expansions, and nothing lies on the shelf yet.
    const known = knownMods([], stock.shelf);
    for (let run = 0; run < runs[at]!; run++) {
      const roster = rosterOfState(game, stock, drawnState(random, game, stock));
      const lineup = makeLineup(roster, {
        title: `List ${run}`,
        author: "a",
        note: "",
        listVersion: "1",
        date: "2026-11-01",
      });
      expect(fingerprintOf(factsOfLineup(lineup))).toBe(lineup.fingerprint);
      const code = writeCode(
        shareSetup(
          lineup,
          game,
          ({ id }) => roster.modOf.get(id)!.mod,
          () => true,
        ),
      );
      const texts = [
        ...lineupFormats.map((format) => ({
          id: format.id,
          carries: format.carries,
          text: format.write(lineup, game),
        })),
        {
          id: "code",
          carries: carriedByCode,
          text: code,
        },
      ];
      if (lineup.mods.length === 0) continue;
      whole += Number(lossesOf(lineup, game, carriedByCode).every(({ aspect }) => !decisive.has(aspect)));
      for (const { id, carries, text } of texts) {
        const list = readList(new TextEncoder().encode(text), "x", game);
        // An order file of nothing has nothing to say.
        if (!list.ok && list.refusal.code === "list-empty") continue;
        if (!list.ok) throw new Error(`${id}: ${JSON.stringify(list.refusal)}`);
        const resolved = resolveList(list.value, game, known, stock, "List");
        const there = rosterOfState(game, stock, stateFromLineup(game, resolved.lineup, stock));
        const here = factsOfRoster(there);
        const verdict = verdictOf(resolved.lineup, resolved.claim, there);
        const same = fingerprintOf(here) === lineup.fingerprint;
        equal.set(id, (equal.get(id) ?? 0) + Number(same));
        // Nothing is called exact that is not; and what is proved is not called anything else.
        if (verdict.kind === "exact") expect([id, game.id, run, same]).toEqual([id, game.id, run, true]);
        if (same && resolved.claim.fingerprint !== null && verdict.kind !== "not-yet")
          expect([id, game.id, run, verdict]).toEqual([id, game.id, run, { kind: "exact" }]);
        if (id === "order-file") expect(["as-far", "differs", "not-yet"]).toContain(verdict.kind);
        const lost = lossesOf(lineup, game, carries).filter(({ aspect }) => decisive.has(aspect));
        if (lost.length === 0)
          expect([id, game.id, run, compareFacts(factsOfLineup(lineup), here)]).toEqual([
            id,
            game.id,
            run,
            [],
          ]);
        else if (!same) expect(lost.length).toBeGreaterThan(0);
      }
    }
  }
  for (const id of ["lineup", "yaml", "page"]) expect([id, equal.get(id)]).toEqual([id, 200]);
  // A code says nothing of files that are left out: it does where a mod that is on has none.
  expect(whole).toBeGreaterThan(60);
  expect(whole).toBeLessThan(160);
  expect(equal.get("code")).toBeGreaterThanOrEqual(whole);
}, 300_000);

test("a code for 250 mods that the depot knows is at most 1,900 signs long", async () => {
  const game = games[0]!;
  const large = await mkdtemp(join(tmpdir(), "seating-large-"));
  try {
    await makeDemo(large, 7, 320);
    const { mods } = await readShelf(game, [join(large, game.id, "shelf")], []);
    const stock: Stock = { ...stocks.get(game.id)!, shelf: mods };
    const sound = [...newestById(mods).values()].slice(0, 250);
    const state = addAbsentPlugins(
      game,
      addAbsentMods(emptyState(game, stock.owned), sound, true),
      sound,
      true,
    );
    const builtIn = state.plugins.sections[0]!.id;
    const shuffledPlugins = [...state.plugins.entries]
      .map((entry) => ({ entry, key: entry.section === builtIn ? 0 : below(1_000_000) }))
      .sort((a, b) => (a.entry.section === b.entry.section ? a.key - b.key : 0))
      .map(({ entry }) => entry);
    const shuffledMods = [...state.mods.entries].sort((a, b) => (a.section === b.section ? below(3) - 1 : 0));
    const roster = rosterOfState(game, stock, {
      ...state,
      mods: { ...state.mods, entries: shuffledMods },
      plugins: { ...state.plugins, entries: shuffledPlugins },
    });
    const lineup: Lineup = makeLineup(roster, {
      title: "The long winter",
      author: "somebody",
      note: "",
      listVersion: "1.0",
      date: "",
    });
    expect(lineup.mods.filter(({ on }) => on).length).toBe(250);
    const code = writeCode(
      shareSetup(
        lineup,
        game,
        ({ id }) => roster.modOf.get(id)!.mod,
        () => true,
      ),
    );
    expect(code.length).toBeLessThanOrEqual(1900);
    expect(readCode(code)).toMatchObject({ ok: true });
    const list = readList(new TextEncoder().encode(code), "code", game);
    if (!list.ok) throw new Error(list.refusal.code);
    const { claim } = resolveList(list.value, game, knownMods([], mods), stock, "List");
    expect(claim.fingerprint).toBe(lineup.fingerprint);
  } finally {
    await rm(large, { recursive: true, force: true });
  }
}, 300_000);
