/** 10,000 edits of a profile of 1,000 mods, and what the folder of the database grows to; see docs/BENCHMARKS.md. */
import { mkdtemp, rm } from "node:fs/promises";
import { cpus, tmpdir } from "node:os";
import { join } from "node:path";
import { shorterSteps } from "@/core/edit/shorter-steps";
import { applySteps, label } from "@/core/edit/steps";
import type { Step } from "@/core/model/edit";
import { usualUndo } from "@/core/model/preferences";
import type { ProfileState } from "@/core/model/profile";
import { makeRandom } from "@/core/random";
import { testRoster } from "@/core/testing/roster";
import { readHistory, record, trimJournal } from "@/store/journal";
import { saveGame } from "@/store/games";
import { migrate } from "@/store/migrate";
import { openHere } from "@/store/pglite";
import { insertProfile, saveState } from "@/store/profiles";
import { tidy } from "@/store/tidy";
import { testGame } from "@/core/testing/game";
import { median, sizeOfFolder, writeTable } from "./lib/application";

const edits = 10_000;
const { profile } = testRoster(Array.from({ length: 1000 }, (_, at) => ({ name: `p${at}.plank` })));
const folder = await mkdtemp(join(tmpdir(), "seating-bench-"));
const db = await openHere(join(folder, "database"));
await migrate(db, join(process.cwd(), "src/store/migrations"));
await saveGame(db, {
  id: profile.game,
  definition: testGame,
  folders: { game: "/g", order: "/g", shelves: [] },
});
await db.transaction(async (tx) => {
  await insertProfile(tx, profile);
  await saveState(tx, profile.id, 1, profile.state, null);
});

const random = makeRandom(1);
/** A switch, a move, and, one time in twenty, a whole order as an accepted proposal gives it. */
function nextStep(state: ProfileState): Step {
  const { entries } = state.plugins;
  const at = 1 + random.below(entries.length - 1);
  const entry = entries[at]!;
  const others = entries.filter(({ id }) => id !== entry.id);
  const to = 1 + random.below(others.length - 1);
  const kind = random.below(20);
  if (kind < 10) return { kind: "switch", list: "plugins", ids: [entry.id], on: !entry.on };
  if (kind < 19) return { kind: "put", list: "plugins", entries: [entry], before: others[to]!.id };
  return { kind: "arrange", list: "plugins", entries: [...others.slice(0, to), entry, ...others.slice(to)] };
}

const megabytes = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`;
const rows: [string, string][] = [["before", megabytes(await sizeOfFolder(folder))]];
let state = profile.state;
let [store, history]: [number[], number[]] = [[], []];
for (let done = 1; done <= edits; done++) {
  const steps = [nextStep(state)];
  const applied = applySteps(state, steps);
  if (!applied.ok) continue;
  const { state: after, inverse } = applied.value;
  const before = state;
  let began = performance.now();
  await db.transaction(async (tx) => {
    const entry = {
      label: label("move", { item: "x", count: 1 }),
      steps: [...shorterSteps(steps, before, after)],
      inverse: [...shorterSteps(inverse, after, before)],
      followed: null,
    };
    await record(tx, profile.id, entry);
    await trimJournal(tx, profile.id, usualUndo);
    await saveState(tx, profile.id, done + 1, after, before);
  });
  store.push(performance.now() - began);
  began = performance.now();
  await readHistory(db, profile.id);
  history.push(performance.now() - began);
  state = after;
  if (![100, 1000, 2500, 5000, edits].includes(done)) continue;
  const tables = await db.query<{ name: string; size: number }>(
    "select relname as name, pg_total_relation_size(oid) as size from pg_class where relkind = 'r' order by 2 desc limit 3",
  );
  rows.push([
    `after ${done} edits`,
    `${megabytes(await sizeOfFolder(folder))}; an edit ${median(store).toFixed(1)} ms, its history ${median(history).toFixed(1)} ms; largest: ${tables.map(({ name, size }) => `${name} ${megabytes(size)}`).join(", ")}`,
  ]);
  [store, history] = [[], []];
  console.log(rows.at(-1)!.join(": "));
}
const began = performance.now();
await tidy(db);
rows.push(["tidied, as at each start", `in ${(performance.now() - began).toFixed(0)} ms`]);
await db.close();
await rm(folder, { recursive: true });
writeTable(`10,000 edits of a profile of 1,000 plugins (${cpus()[0]!.model.trim()})`, rows);
