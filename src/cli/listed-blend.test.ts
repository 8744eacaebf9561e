import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { recipeOf, type BlendRecipe } from "@/core/blend/decisions";
import { blendedIn } from "@/core/blend/loading";
import { addAbsentMods, addAbsentPlugins, emptyState } from "@/core/edit/arrivals";
import { stateAfter } from "@/core/edit/steps";
import { takeBlend } from "@/core/edit/take-blend";
import { knownMods } from "@/core/lineup/known";
import { makeLineup } from "@/core/lineup/make-lineup";
import { rosterOfList } from "@/core/lineup/state-of-list";
import { verdictOf } from "@/core/lineup/verdict";
import type { Lineup } from "@/core/model/lineup";
import type { ProfileState } from "@/core/model/profile";
import type { Rulebook } from "@/core/model/rulebook";
import { makeRandom } from "@/core/random";
import { emptyStock, newestById, type Roster, type Stock } from "@/core/roster/roster";
import { aMod } from "@/core/testing/ids";
import { rosterOfState } from "@/core/testing/roster";
import { readPluginFiles, modOfFiles } from "@/disk/read-mod";
import { readShelf } from "@/disk/read-shelf";
import { lineupFormats } from "@/formats/lineup/all";
import { readList } from "@/formats/lineup/read";
import { resolveList } from "@/formats/lineup/resolve";
import { blendOf } from "@/formats/profile-blend";
import { brinehollow } from "@/standin/brinehollow/definition";
import { makeDemo } from "@/standin/demo/make-demo";
import { check } from "./check";
import { withBlendOf } from "./listed-blend";

let folder: string;
let stock: Stock;
const shelfFolder = () => join(folder, brinehollow.id, "shelf");
const gameFolder = () => join(folder, brinehollow.id, "game");

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-listed-blend-"));
  await makeDemo(folder, 7, 60);
  const { mods } = await readShelf(brinehollow, [shelfFolder()], []);
  const { builtIn, expansions, baseFolder } = brinehollow;
  const names = [...builtIn, ...expansions.flatMap(({ plugins }) => plugins)];
  const base = await readPluginFiles(brinehollow, join(gameFolder(), baseFolder), names);
  stock = { ...emptyStock, base, owned: expansions.map(({ id }) => id), shelf: mods };
}, 120_000);
afterAll(() => rm(folder, { recursive: true, force: true }));

const { chance, pick } = makeRandom(21);
const recipe: BlendRecipe = { kind: "recipe", mod: aMod("blend-author"), name: "What Lies Below" };

const rosterWith = (state: ProfileState, here: Stock): Roster => rosterOfState(brinehollow, here, state);

/** Some mods of the shelf, on, with marks and decisions as a curator may have made them. */
function drawnState(): ProfileState {
  const some = [...newestById(stock.shelf).values()].filter(
    ({ manifest }) => manifest?.generated !== "blend" && chance(0.6),
  );
  const state = addAbsentPlugins(
    brinehollow,
    addAbsentMods(emptyState(brinehollow, stock.owned), some, true),
    some,
    true,
  );
  const marks = state.plugins.entries.filter(() => chance(0.1));
  return {
    ...state,
    advice: marks.map(({ id }) => ({
      kind: "marks" as const,
      on: { plugin: id },
      marks: pick([["adds"], ["adds", "removes", "changes"], "never"] as const) as "never",
    })),
  };
}

/** A book that marks some of its plugins, and another one later. */
const bookOf = (state: ProfileState, id: string): Rulebook => ({
  format: "seating-rulebook/2",
  id,
  game: brinehollow.id,
  name: `Of ${id}`,
  version: "1",
  changelog: [],
  sections: [],
  rules: [],
  advice: state.plugins.entries
    .filter(() => chance(0.4))
    .map(({ id: plugin }) => ({
      kind: "marks" as const,
      on: { plugin },
      marks: pick(["all", "never"]) === "never" ? ("never" as const) : ["adds", "removes", "changes"],
    })),
});

const fileOf = (roster: Roster) =>
  blendOf(
    roster,
    blendedIn(roster, ({ file }) => file?.additiveLists ?? []),
  ).file;

/** The profile with its blend, as its author has it: the mod lies on the author's shelf alone. */
async function authored(books: readonly string[]): Promise<Roster | null> {
  const state = drawnState();
  const own = books.map((id) => bookOf(state, id));
  const here = { ...stock, books: own };
  const plain = rosterWith(
    { ...state, books: own.map(({ id, version }) => ({ id, version, off: [] })), blend: [recipe] },
    here,
  );
  const file = fileOf(plain);
  if (!file.ok) throw new Error(file.refusal.code);
  if (!file.value) return null;
  const mod = await modOfFiles(brinehollow, recipe.name, file.value.files);
  if (!mod.ok) throw new Error(mod.refusal.code);
  const withMod = { ...here, shelf: [...here.shelf, mod.value] };
  const edit = takeBlend(rosterWith(plain.profile.state, withMod), recipe, mod.value, "2026-12-01")!;
  return rosterWith(stateAfter(plain.profile.state, edit)!, withMod);
}

const lineupOf = (roster: Roster): Lineup =>
  makeLineup(roster, { title: "List", author: "a", note: "", listVersion: "1", date: "2026-12-01" });

/** What somebody makes of it whose shelf has everything but the blend, and who knows some of its books. */
async function received(lineup: Lineup, format: (typeof lineupFormats)[number], books: readonly Rulebook[]) {
  const list = readList(new TextEncoder().encode(format.write(lineup, brinehollow)), "x", brinehollow);
  if (!list.ok) throw new Error(list.refusal.code);
  const bare = { ...stock, books };
  const resolved = resolveList(list.value, brinehollow, knownMods(stock.shelf, []), bare, "List");
  const whole = await withBlendOf(resolved, brinehollow, bare);
  const verdict = (here: Stock) =>
    verdictOf(resolved.lineup, resolved.claim, rosterOfList(brinehollow, resolved, here)).kind;
  return { without: verdict(bare), with: verdict(whole), built: whole.shelf.length - bare.shelf.length };
}

const carrying = lineupFormats.filter(({ id }) => ["lineup", "yaml", "page"].includes(id));

test("a blend goes along as its recipe: built here it is the same to the byte, with or without the books that marked it there", async () => {
  let built = 0;
  for (let run = 0; run < 40; run++) {
    const roster = await authored(run % 2 === 0 ? [] : ["tides", "reefs"]);
    if (!roster) continue;
    const lineup = lineupOf(roster);
    const known = roster.stock.books.filter(({ id }) => run % 4 === 1 && id === "reefs");
    for (const format of carrying)
      expect([run, format.id, await received(lineup, format, known)]).toEqual([
        run,
        format.id,
        { without: "not-yet", with: "exact", built: 1 },
      ]);
    built++;
  }
  expect(built).toBeGreaterThan(35);
}, 120_000);

test("a blend that was due when its list went out is not what is built here", async () => {
  const roster = (await authored([]))!;
  const { state } = roster.profile;
  const present = fileOf(roster);
  const changed = roster.plugins
    .map(({ id }) => ({ kind: "marks" as const, on: { plugin: id }, marks: "never" as const }))
    .map((never) => rosterWith({ ...state, advice: [...state.advice, never] }, roster.stock))
    .find((other) => {
      const file = fileOf(other);
      return present.ok && file.ok && file.value && file.value.sha256 !== present.value?.sha256;
    })!;
  expect(await received(lineupOf(changed), carrying[0]!, [])).toEqual({
    without: "not-yet",
    with: "not-yet",
    built: 1,
  });
});

test("what is off in a list is not built, and what lies on the shelf is not built again", async () => {
  const roster = (await authored([]))!;
  const lineup = lineupOf(roster);
  const off = {
    ...lineup,
    mods: lineup.mods.map((mod) => (mod.id === recipe.mod ? { ...mod, on: false } : mod)),
  };
  const list = { lineup: off, claim: { unsaid: [] } } as never;
  expect(await withBlendOf(list, brinehollow, stock)).toBe(stock);
  expect(await withBlendOf({ lineup, claim: { unsaid: [] } } as never, brinehollow, roster.stock)).toBe(
    roster.stock,
  );
});

test("commands with a shelf build it; without the folder of the game they cannot know its own lists", async () => {
  const roster = (await authored([]))!;
  expect(recipeOf(roster.profile.state)).not.toBeNull();
  const text = carrying[0]!.write(lineupOf(roster), brinehollow);
  const file = { bytes: new TextEncoder().encode(text), name: "list.json" };
  const options = { shelf: shelfFolder(), books: [], baseline: null, failOn: "never" as const };
  const whole = await check(file, { ...options, gameFolder: gameFolder() });
  if (!whole.ok) throw new Error(whole.refusal.code);
  expect(whole.value.json).toMatchObject({ verdict: "exact", lacks: [] });
  const bare = await check(file, options);
  if (!bare.ok) throw new Error(bare.refusal.code);
  expect(bare.value.json).toMatchObject({ verdict: "not-yet" });
}, 60_000);
