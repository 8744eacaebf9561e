/** Files of mods laid out beside what anybody would use for it: `unzip`, `cp -al`, `find`; see docs/BENCHMARKS.md. */
import type { LayoutProgress } from "@/core/layout/preview";
import { execFileSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { cpus, tmpdir } from "node:os";
import { join } from "node:path";
import { zipSync } from "fflate";
import { addAbsentMods, emptyState } from "@/core/edit/arrivals";
import type { GameDefinition } from "@/core/model/game";
import { ProfileId } from "@/core/model/ids";
import { makeRandom } from "@/core/random";
import { laidAs } from "@/core/layout/laid-as";
import { emptyStock, makeRoster, newestById, type Roster, type Stock } from "@/core/roster/roster";
import { readShelf } from "@/disk/read-shelf";
import { modsToLay, performLayout, planLayout, type LayoutPlaces } from "@/disk/layout/lay-out";
import { kitefall } from "@/standin/kitefall/definition";
import { writeTable } from "./lib/application";

const [mods = 1000, files = 200_000] = process.argv.slice(2).map(Number);
const game: GameDefinition = { ...kitefall, placement: { kind: "merged", folder: "base/kites" } };
const root = mkdtempSync(join(tmpdir(), "seating-bench-layout-"));
const shelf = join(root, "shelf");
const random = makeRandom(1);

/** Files of half a kilobyte to four, one in ten of them under a path that other mods have, too. */
function makeShelf(): void {
  mkdirSync(shelf);
  const text = Array.from({ length: 1000 }, () => random.below(2 ** 30).toString(36)).join(" ");
  for (let mod = 0; mod < mods; mod++) {
    const contents: Record<string, Uint8Array> = {};
    for (let file = 0; file < files / mods; file++) {
      const path = random.chance(0.1)
        ? `kites/shared/${random.below(40)}/${random.below(500)}.dat`
        : `kites/mod-${mod}/part-${random.below(8)}/${file}.dat`;
      const start = random.below(2000);
      contents[path] = new TextEncoder().encode(
        `${mod} ${file} ${text.slice(start, start + 500 + random.below(3500))}`,
      );
    }
    const manifest = { format: "seating-mod/1", id: `mod-${mod}`, name: `Mod ${mod}`, version: "1" };
    contents["seating-mod.json"] = new TextEncoder().encode(JSON.stringify(manifest));
    writeFileSync(join(shelf, `mod-${mod}.zip`), zipSync(contents, { level: 1 }));
  }
}

function places(name: string, own: string): LayoutPlaces {
  const folder = join(root, name);
  mkdirSync(join(folder, "base"), { recursive: true });
  writeFileSync(join(folder, game.sign), "");
  return { game: folder, own: join(root, own) };
}

function rosterOf(stock: Stock, without: ReadonlySet<number>): Roster {
  const on = [...newestById(stock.shelf).values()].filter((_, at) => !without.has(at));
  const state = addAbsentMods(emptyState(game, []), on, true);
  const profile = {
    id: ProfileId.parse("p"),
    game: game.id,
    name: "",
    purpose: "play",
    version: 0,
    state,
  } as const;
  return makeRoster(game, profile, stock);
}

const took = async (work: () => unknown): Promise<number> => {
  const began = performance.now();
  await work();
  return performance.now() - began;
};
const run = (command: string, ...args: readonly string[]) =>
  execFileSync(command, args, { stdio: ["ignore", "pipe", "inherit"], maxBuffer: 2 ** 30 });

try {
  makeShelf();
  const { mods: read } = await readShelf(game, [shelf], []);
  const stock: Stock = { ...emptyStock, shelf: read };
  const byContent = new Map(read.map((mod) => [mod.content, mod]));
  const whole = rosterOf(stock, new Set());
  let [most, acts] = [0, 0];
  const start = process.memoryUsage.rss();
  const layOut = async (roster: Roster, at: LayoutPlaces) => {
    const layout = planLayout(
      game,
      modsToLay(roster, (content) => byContent.get(content)!.contentFiles!),
      at,
      { as: laidAs(roster) },
    );
    if (!layout.ok) throw new Error(layout.refusal.code);
    acts = layout.value.plan.acts.length;
    const pathOf = (content: string) => join(shelf, byContent.get(content)!.path);
    const onProgress = ({ done }: LayoutProgress) => {
      if (done % 500 === 0) most = Math.max(most, process.memoryUsage.rss());
    };
    const laid = await performLayout(game, at, layout.value, pathOf, { onProgress, as: laidAs(roster)! });
    if (!laid.ok) throw new Error(laid.refusal.code);
  };
  const first = places("first", "own");
  const unzip = await took(() => {
    for (let mod = 0; mod < mods; mod++)
      run("unzip", "-qq", "-o", join(shelf, `mod-${mod}.zip`), "-d", join(root, "unzipped"));
  });
  const laid = await took(() => layOut(whole, first));
  const copied = await took(() => run("cp", "-al", join(first.game, "base"), join(root, "linked")));
  const second = await took(() => layOut(whole, places("second", "own")));
  const tenth = new Set(Array.from({ length: mods / 10 }, (_, at) => at * 10));
  const switched = await took(() => layOut(rosterOf(stock, tenth), first));
  const switchActs = acts;
  await layOut(whole, first);
  const found = await took(() => run("find", first.game, "-printf", "%p %s %T@ %y\\n"));
  const same = await took(() => layOut(whole, first));
  const figure = (ms: number, beside: number) => `${(ms / 1000).toFixed(1)} s, ${(ms / beside).toFixed(2)}`;
  writeTable("time, ratio", [
    [
      `unzip of ${mods.toLocaleString("en")} archives, ${files.toLocaleString("en")} files`,
      figure(unzip, unzip),
    ],
    ["laid out first, beside that", figure(laid, unzip)],
    ["cp -al", figure(copied, copied)],
    ["laid out in a second folder, beside that", figure(second, copied)],
    [
      `a switch that shares nine tenths (${switchActs.toLocaleString("en")} acts), beside the first`,
      figure(switched, laid),
    ],
    ["find -printf", figure(found, found)],
    [`nothing changed (${acts} acts), beside that`, figure(same, found)],
    ["grown by at most", `${((most - start) / 1e6).toFixed(0)} MB`],
  ]);
  process.stdout.write(`${cpus().length} processors, Node.js ${process.versions.node}.\n`);
} finally {
  rmSync(root, { recursive: true, force: true });
}
