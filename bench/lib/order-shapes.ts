import { spawnSync } from "node:child_process";
import { propose } from "@/core/order/propose";
import { orderShapes } from "@/core/testing/order-shapes";
import { runCommand } from "./order-command";

interface Cost {
  /** Milliseconds of the first proposal in a process, names to result, and by how many MiB that grew. */
  readonly solver: number;
  readonly grown: number;
  readonly moves: number;
  readonly aside: number;
}

const memory = () => process.resourceUsage().maxRSS / 1024;

/** For a process of its own: prints what one shape costs. */
export function measureShape(shape: string, items: number): void {
  const problem = orderShapes[shape]!(items);
  const before = memory();
  const start = performance.now();
  const { result } = propose(problem);
  const solver = Math.round(performance.now() - start);
  const grown = Math.round(memory() - before);
  const cost: Cost = { solver, grown, moves: result.moved.length, aside: result.setAside.length };
  process.stdout.write(JSON.stringify(cost));
}

function costOf(shape: string, items: number): Cost {
  const args = [process.argv[1]!, "shape", shape, String(items)];
  return JSON.parse(spawnSync(process.execPath, args, { encoding: "utf8" }).stdout) as Cost;
}

const sizes = [1000, 10_000, 20_000] as const;

export const shapesHead = [
  "shape",
  "moves",
  "set aside",
  ...sizes.map((items) => `${items / 1000},000: ms`),
  "MiB",
  "command, ms",
  "its MiB",
  "its result, MB",
];

/** Ties of all kinds in orders of all kinds, each in a process of its own; moves, memory and command at 10,000 items. */
export function* shapeRows(): Generator<string[]> {
  for (const shape of Object.keys(orderShapes)) {
    const [small, middle, large] = sizes.map((items) => costOf(shape, items));
    const { command, memory, size, end } = runCommand(orderShapes[shape]!(10_000));
    end();
    const numbers = [
      middle!.moves,
      middle!.aside,
      small!.solver,
      middle!.solver,
      large!.solver,
      middle!.grown,
    ];
    yield [shape, ...[...numbers, Math.round(command), memory].map(String), (size / 1e6).toFixed(1)];
  }
}
