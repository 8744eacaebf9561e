/** What the checks take of the thread of a window after an edit; see docs/BENCHMARKS.md. */
import { cpus } from "node:os";
import type { CheckInput } from "@/core/check/check";
import { holdsToWrite, namesToWrite } from "@/core/check/order-file";
import { checking, type Checked } from "@/core/check/run-checks";
import { previewWays, sureWays } from "@/core/check/ways-out";
import { switchItems } from "@/core/edit/edits";
import { stateAfter } from "@/core/edit/steps";
import type { Advice } from "@/core/model/advice";
import type { Overlap } from "@/core/order/overlap";
import { makeRandom } from "@/core/random";
import { makeRoster, type Roster } from "@/core/roster/roster";
import { allTies } from "@/core/roster/ties";
import { withOverlaps } from "@/core/testing/overlaps";
import { testRoster, withState } from "@/core/testing/roster";
import { median, writeTable } from "./lib/application";

const rounds = 31;

/** Mods with a plugin each, tied by masters, one in fifty off, told of by advice, and meeting one another. */
function drawn(count: number): Roster {
  const random = makeRandom(count);
  const name = (at: number) => `mod-${at}.plank`;
  const plain = testRoster(
    Array.from({ length: count }, (_, at) => ({
      name: name(at),
      masters: at === 0 ? [] : Array.from({ length: random.below(4) }, () => name(random.below(at))),
      on: random.below(50) > 0,
    })),
  );
  const advice = Array.from({ length: count / 10 }, (_, at): Advice => ({
    kind: "needs",
    on: { plugin: name(at) },
    other: { mod: `mod-${random.below(count)}` },
  }));
  const meetings = Array.from({ length: count * 20 }, (): Overlap => {
    const [broader, narrower] = [name(random.below(count)), name(random.below(count))];
    return { broader, narrower, shared: 1 + random.below(9) };
  });
  const told = withState(plain, { ...plain.profile.state, advice });
  return withOverlaps(told, { plugins: meetings });
}

/** With what the game reads, which is this order: what differs is another matter. */
const inputOf = (roster: Roster): CheckInput => ({
  roster,
  ties: allTies(roster),
  onDisk: { order: namesToWrite(roster), holds: holdsToWrite(roster) },
  today: "2026-11-30",
});

interface Measured {
  /** All steps together, and the longest that one holds the thread. */
  readonly all: number;
  readonly longest: number;
}

function measured(input: CheckInput, before?: Checked): Measured & { readonly checked: Checked } {
  const steps = checking(input, before);
  let [all, longest] = [0, 0];
  for (;;) {
    const began = performance.now();
    const { done, value } = steps.next();
    const ms = performance.now() - began;
    all += ms;
    longest = Math.max(longest, ms);
    if (done) return { all, longest, checked: value };
  }
}

/** The roster after one plugin was switched, made of the one before as the editor makes it. */
function switched(roster: Roster, at: number): Roster {
  const plugin = roster.plugins[at]!;
  const edit = switchItems(roster, [plugin], !plugin.entry.on)!;
  const state = stateAfter(roster.profile.state, edit)!;
  return makeRoster(roster.game, { ...roster.profile, state }, roster.stock, roster);
}

const figure = (ms: number): string => `${ms.toFixed(ms < 10 ? 1 : 0)} ms`;

const rows: [string, string][] = [];
for (const count of [1000, 5000]) {
  const roster = drawn(count);
  const random = makeRandom(7);
  const input = inputOf(roster);
  const whole = Array.from({ length: rounds }, () => measured(input));
  const first = whole.at(-1)!.checked;
  const after = Array.from({ length: rounds }, () => {
    const next = switched(roster, 1 + random.below(count));
    return measured({ ...input, roster: next, ties: allTies(next) }, first);
  });
  const name = `${count.toLocaleString("en")} mods`;
  const way = first.told.flatMap(({ fixes }) => fixes)[0]!;
  const once = (work: () => unknown): number => {
    const began = performance.now();
    work();
    return performance.now() - began;
  };
  rows.push(
    [`${name}: findings`, String(first.told.length)],
    [`${name}: all checks, from nothing`, figure(median(whole.map(({ all }) => all)))],
    [`${name}: after one plugin was switched`, figure(median(after.map(({ all }) => all)))],
    [`${name}: the longest of it at once`, figure(median(after.map(({ longest }) => longest)))],
    [
      `${name}: one way out tried, in the worker`,
      figure(median([1, 2, 3].map(() => once(() => previewWays(input, [way]))))),
    ],
    [`${name}: all that is sure, in the worker`, figure(once(() => sureWays(input)))],
  );
}
writeTable(`median of ${rounds}`, rows);
process.stdout.write(`${cpus().length} processors, Node.js ${process.versions.node}.\n`);
