/** The index of conflicts of large sets: built, asked, kept current; see docs/BENCHMARKS.md. */
import { cpus } from "node:os";
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { fileContents, type Contents } from "@/core/conflict/contents";
import { Names } from "@/core/conflict/names";
import { ProviderIndex, type Provides } from "@/core/conflict/provider-index";
import { everyConflict, surveyOf } from "@/core/conflict/survey";
import { makeRoster } from "@/core/roster/roster";
import { testConflicts } from "@/core/testing/contested";
import { testRoster } from "@/core/testing/roster";
import { makeRandom } from "@/core/random";
import { foldName } from "@/core/roster/fold";
import type { ContentFile } from "@/core/model/shelf";
import { median, writeTable } from "./lib/application";

const game = { paths: { ignoreCase: true } };
const rounds = 7;

/** Mods of many files: one in five of them brings what others bring too, among them some that every mod brings. */
function drawn(mods: number, files: number): ContentFile[][] {
  const random = makeRandom(mods);
  const hex = () =>
    random
      .below(2 ** 30)
      .toString(16)
      .padStart(32, "0");
  const shared = Math.ceil(files / 20);
  return Array.from({ length: mods }, (_, mod) => {
    const paths = new Set<string>(["textures/interface/loading.tex"]);
    while (paths.size < files / mods)
      paths.add(
        random.below(5) === 0
          ? `textures/shared/area-${random.below(40)}/file-${random.below(shared)}.tex`
          : `meshes/mod-${mod}/Part-${random.below(60)}/file-${random.below(100_000)}.msh`,
      );
    return [...paths].map((path) => ({ path, size: 1, hash: hex(), part: null }));
  });
}

setFlagsFromString("--expose-gc");
const collect = runInNewContext("gc") as () => void;

const heap = (): number => {
  collect();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return (heapUsed + arrayBuffers) / 1e6;
};

const timed = <T>(work: () => T): { readonly ms: number; readonly made: T } => {
  collect();
  const began = performance.now();
  const made = work();
  return { ms: performance.now() - began, made };
};

/** What anybody would write first: from folded path to those who bring it. */
function plainMap(mods: readonly ContentFile[][]): Map<string, number[]> {
  const providers = new Map<string, number[]>();
  for (const [mod, files] of mods.entries())
    for (const { path } of files) {
      const folded = foldName(game, path);
      const known = providers.get(folded);
      if (known) known.push(mod);
      else providers.set(folded, [mod]);
    }
  return providers;
}

const all: Provides = () => true;

interface Built {
  readonly names: Names;
  readonly contents: Contents[];
  readonly index: ProviderIndex;
}

function build(mods: readonly ContentFile[][]): Built {
  const names = new Names();
  const contents = mods.map((files) => fileContents(game, names, files, []));
  const index = new ProviderIndex(contents, names.size, false);
  index.update(
    mods.map((_, mod) => mod),
    [],
    new Map(mods.map((_, mod) => [mod, all])),
  );
  return { names, contents, index };
}

/** One mod to another place, as often as that takes a measurable time. */
function moves(index: ProviderIndex): number {
  const random = makeRandom(3);
  const order = Array.from({ length: index.items }, (_, item) => item);
  const times = Array.from({ length: 101 }, () => {
    const item = order.splice(random.below(order.length), 1)[0]!;
    order.splice(random.below(order.length + 1), 0, item);
    const places = new Int32Array(order.length);
    for (const [place, each] of order.entries()) places[each] = place;
    const began = performance.now();
    index.update(places, [item], new Map());
    return performance.now() - began;
  });
  return median(times);
}

/** A whole profile of mods with these files: what a view asks at once, and what a slot costs while one of them is carried. */
function ofProfile(mods: readonly ContentFile[][]): { readonly survey: number; readonly slot: number } {
  const roster = testRoster(mods.map((_, at) => ({ name: `mod-${at}.plank` })));
  const { conflicts } = testConflicts(
    roster,
    Object.fromEntries(mods.map((files, at) => [`mod-${at}`, files])),
  );
  const { state } = roster.profile;
  const random = makeRandom(5);
  const slots = Array.from({ length: 101 }, () => {
    const entries = [...state.mods.entries];
    entries.splice(random.below(entries.length + 1), 0, ...entries.splice(random.below(entries.length), 1));
    const then = { ...roster.profile, state: { ...state, mods: { ...state.mods, entries } } };
    const began = performance.now();
    conflicts.preview(roster, makeRoster(roster.game, then, roster.stock, roster));
    return performance.now() - began;
  });
  const surveys = Array.from(
    { length: rounds },
    () => timed(() => surveyOf(conflicts, roster, "files", everyConflict)).ms,
  );
  return { survey: median(surveys), slot: median(slots) };
}

const figure = (value: number, unit: string, digits = 0): string => `${value.toFixed(digits)} ${unit}`;

const rows: [string, string][] = [];
for (const [mods, files] of [
  [1000, 500_000],
  [5000, 2_000_000],
] as const) {
  const input = drawn(mods, files);
  const name = `${files.toLocaleString("en")} files of ${mods.toLocaleString("en")} mods`;
  const [ofMap, ofIndex] = [plainMap, build].map((make) => {
    make(input);
    return median(Array.from({ length: rounds }, () => timed(() => void make(input)).ms));
  }) as [number, number];
  const before = heap();
  const { index, names } = build(input);
  const after = heap();
  // The texts themselves lie in memory anyway, as long as anybody shows a path.
  let texts = 0;
  for (let key = 0; key < names.size; key++) texts += names.text(key).length;
  rows.push(
    [
      `${name}: built, of the same as a plain Map`,
      `${(ofIndex / ofMap).toFixed(2)} (${figure(ofIndex, "ms")})`,
    ],
    [`${name}: memory beside the texts`, figure(after - before - texts / 1e6, "MB")],
    [`${name}: one mod moved`, figure(moves(index), "ms", 3)],
  );
  const { survey, slot } = ofProfile(input);
  rows.push(
    [`${name}: a slot while a mod is carried`, figure(slot, "ms", 1)],
    [`${name}: all that is contested surveyed`, figure(survey, "ms")],
  );
}
writeTable(`median of ${rounds}`, rows);
process.stdout.write(`${cpus().length} processors, Node.js ${process.versions.node}.\n`);
