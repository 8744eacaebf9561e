/** Lists of one megabyte that are made to cost as much as can be, each read in a process of its own; see docs/BENCHMARKS.md. */
import { spawnSync } from "node:child_process";
import { hostileLists } from "@/core/testing/hostile-lists";
import { games } from "@/standin/games";
import { readList } from "@/formats/lineup/read";

const heapLimit = 200;

interface Cost {
  readonly name: string;
  readonly ms: number;
  /** Megabytes by which the process grew. */
  readonly grown: number;
  readonly outcome: string;
}

function readOne(at: number): Cost {
  const [name, make] = hostileLists[at]!;
  const bytes = new TextEncoder().encode(make());
  const before = process.resourceUsage().maxRSS;
  const began = performance.now();
  const list = readList(bytes, "list", games[0]!);
  const ms = Math.round(performance.now() - began);
  const grown = Math.round((process.resourceUsage().maxRSS - before) / 1024);
  return { name, ms, grown, outcome: list.ok ? list.value.kind : list.refusal.code };
}

function inProcess(at: number): Cost {
  const [, script] = process.argv;
  const args = [`--max-old-space-size=${heapLimit}`, script!, String(at)];
  const { stdout, status } = spawnSync(process.execPath, args, { encoding: "utf8" });
  if (status === 0) return JSON.parse(stdout) as Cost;
  return { name: hostileLists[at]![0], ms: Infinity, grown: Infinity, outcome: "out of memory" };
}

const [, , asked] = process.argv;
if (asked !== undefined) process.stdout.write(JSON.stringify(readOne(Number(asked))));
else {
  const costs = hostileLists.map((_, at) => inProcess(at)).sort((a, b) => b.ms - a.ms);
  const rows = costs.map((cost) => `| ${[cost.name, cost.ms, cost.grown, cost.outcome].join(" | ")} |`);
  process.stdout.write(
    `\n| list of 1 MB | ms | MB | outcome |\n| --- | --- | --- | --- |\n${rows.join("\n")}\n\n`,
  );
}
