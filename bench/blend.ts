/** What a blend takes, and the plugin that comes of it; see docs/BENCHMARKS.md. */
import { cpus } from "node:os";
import { blend, type Blended } from "@/core/blend/blend";
import { blendPlugin } from "@/core/blend/blend-plugin";
import { blendActs, type AdditiveList, type Marks } from "@/core/model/additive-list";
import { makeRandom, type Random } from "@/core/random";
import { testRoster } from "@/core/testing/roster";
import { blendModFiles } from "@/formats/blend-mod";
import { median, writeTable } from "./lib/application";

const rounds = 11;
const names = Array.from({ length: 400 }, (_, at) => `find-${at}`);

/** A game with every list, and plugins each of which changes some of them, a few a great many. */
function drawn(plugins: number, records: number): Blended[] {
  const random = makeRandom(plugins);
  const recordAt = (at: number) => `list-${at}@Pond.keel`;
  const listOf = (record: string, length: number): AdditiveList => ({
    record,
    entries: Array.from({ length }, () => ({
      name: random.pick(names),
      depth: random.below(4),
      share: 1 + random.below(9),
    })),
  });
  const base: Blended = {
    name: "Pond.keel",
    masters: [],
    lists: Array.from({ length: records }, (_, at) => listOf(recordAt(at), 12)),
    marks: undefined,
  };
  const ofBase = new Map(base.lists.map((list) => [list.record, list.entries]));
  const others = Array.from({ length: plugins }, (_, at): Blended => {
    const touched = Array.from({ length: random.below(20) === 0 ? 60 : 1 + random.below(4) }, () =>
      recordAt(random.below(records)),
    );
    return {
      name: `mod-${at}.plank`,
      masters: [0, ...(at > 0 && random.chance(0.3) ? [1 + random.below(at)] : [])],
      lists: [...new Set(touched)].map((record) => {
        const kept = ofBase.get(record)!.filter(() => random.chance(0.9));
        return { record, entries: [...kept, ...listOf(record, 1 + random.below(3)).entries] };
      }),
      marks: markOf(random),
    };
  });
  return [base, ...others];
}

function markOf(random: Random): Marks | undefined {
  if (random.chance(0.6)) return undefined;
  return random.chance(0.05) ? "never" : blendActs.filter(() => random.chance(0.7));
}

const took = (work: () => unknown): number => {
  const began = performance.now();
  work();
  return performance.now() - began;
};

const rows: [string, string][] = [];
for (const [count, records] of [
  [1000, 500],
  [5000, 2000],
] as const) {
  const plugins = drawn(count, records);
  const made = blend(plugins);
  const roster = testRoster([]);
  const title = `${count.toLocaleString("en")} plugins, ${records.toLocaleString("en")} records`;
  const bytesOf = () => {
    const plugin = blendPlugin(roster, "Blend", plugins, blend(plugins));
    if (plugin.ok && plugin.value)
      blendModFiles({ id: "blend", name: "Blend" }, plugin.value, { container: "riff", formType: "SEAP" });
  };
  const figure = (ms: number) => `${ms.toFixed(0)} ms`;
  rows.push(
    [`${title}: lists blended`, `${made.lists.length}, ${made.clashes.length} clashes`],
    [`${title}: the blend`, figure(median(Array.from({ length: rounds }, () => took(() => blend(plugins)))))],
    [
      `${title}: with the plugin’s bytes`,
      figure(median(Array.from({ length: rounds }, () => took(bytesOf)))),
    ],
  );
}
writeTable(`median of ${rounds}`, rows);
process.stdout.write(`${cpus().length} processors, Node.js ${process.versions.node}.\n`);
