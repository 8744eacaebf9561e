/** A list of 5,000 mods followed to its next version, with changes of one's own; see docs/BENCHMARKS.md. */
import type { ItemId, ModId } from "@/core/model/ids";
import { cpus } from "node:os";
import { mergeStates } from "@/core/compare/states";
import type { Entry, Order, ProfileState } from "@/core/model/profile";
import { nothingDecided } from "@/core/state/facets";
import { makeRandom } from "@/core/random";
import { median, writeTable } from "./lib/application";
import { aMod, aPlugin, aSection } from "@/core/testing/ids";

const sections = Array.from({ length: 8 }, (_, at) => ({
  id: aSection(`s${at}`),
  name: `Section ${at}`,
  rank: "ordinary",
  guidance: "",
}));

const orderOf = <Id extends ItemId>(entries: readonly Entry<Id>[]): Order<Id> => ({
  sections,
  entries: [...entries],
});
const stateOf = (entries: readonly Entry<ModId>[]): ProfileState => ({
  mods: orderOf(entries),
  plugins: orderOf(entries.map((entry) => ({ ...entry, id: aPlugin(entry.id) }))),
  ...nothingDecided,
});

/** Takes out one in a hundred, switches one in fifty, and moves so many within their section. */
function changed(base: readonly Entry<ModId>[], moves: number, seed: number): Entry<ModId>[] {
  const random = makeRandom(seed);
  const entries = base
    .filter(() => random.below(100) > 0)
    .map((entry) => (random.below(50) === 0 ? { ...entry, on: !entry.on } : entry));
  for (let n = 0; n < moves; n++) {
    const at = random.below(entries.length);
    const [moved] = entries.splice(at, 1);
    const first = entries.findIndex(({ section }) => section === moved!.section);
    const last = entries.findLastIndex(({ section }) => section === moved!.section);
    entries.splice(first + random.below(last - first + 1), 0, moved!);
  }
  return entries;
}

const rows: [string, string][] = [];
for (const size of [250, 1000, 5000]) {
  const base = Array.from({ length: size }, (_, at): Entry<ModId> => ({
    id: aMod(`mod-${at}`),
    on: true,
    section: aSection(`s${Math.floor((at * sections.length) / size)}`),
  }));
  const three = [base, changed(base, 5, 1), changed(base, Math.ceil(size / 25), 2)].map(stateOf) as [
    ProfileState,
    ProfileState,
    ProfileState,
  ];
  const times = Array.from({ length: 3 }, () => {
    const began = performance.now();
    mergeStates(three);
    return performance.now() - began;
  });
  rows.push([`${size} mods and as many plugins`, median(times).toFixed(0)]);
}
writeTable("ms, median of 3", rows);
process.stdout.write(`${cpus().length} processors, Node.js ${process.versions.node}.\n`);
