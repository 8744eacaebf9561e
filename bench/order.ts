/** Times of the ordering engine beside plain topological sorts of the same graph; see docs/BENCHMARKS.md. */
import { execFileSync } from "node:child_process";
import * as graphlib from "@dagrejs/graphlib";
import { DirectedGraph } from "graphology";
import { topologicalSort } from "graphology-dag";
import toposort from "toposort";
import type { OrderProblem, OrderRule } from "@/core/model/problem";
import { digraph, type Digraph } from "@/core/graph/digraph";
import { anyTopologicalOrder } from "@/core/graph/topological";
import { nearestOrder } from "@/core/order/fewest-moves";
import { findConstraints } from "@/core/order/constraints";
import { whyHere } from "@/core/order/explain";
import { propose } from "@/core/order/propose";
import { rangesInAnyOrder, rangesStayingPut } from "@/core/order/ranges";
import { withItemAt } from "@/core/order/what-if";
import { makeRandom } from "@/core/random";
import { runCommand } from "./lib/order-command";
import { measureShape, shapeRows, shapesHead } from "./lib/order-shapes";

const runs = 7;

function median(work: () => unknown): number {
  const times: number[] = [];
  const warm = performance.now() + 200;
  while (performance.now() < warm) work();
  for (let run = 0; run < runs; run++) {
    const start = performance.now();
    work();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[runs >> 1]!;
}

interface Edges {
  readonly nodes: number;
  readonly from: Int32Array;
  readonly to: Int32Array;
}

/** `5 n` ties between the items of a hidden order, then `displaced` items taken out and put anywhere. */
function makeEdges(nodes: number, displaced: number, shape: "uniform" | "power law", seed: number): Edges {
  const random = makeRandom(seed);
  const order = Array.from({ length: nodes }, (_, at) => at);
  for (let n = 0; n < displaced; n++) {
    const [item] = order.splice(random.below(nodes), 1);
    order.splice(random.below(nodes), 0, item!);
  }
  const placeOf = new Int32Array(nodes);
  order.forEach((item, place) => (placeOf[item] = place));
  const from = new Int32Array(5 * nodes);
  const to = new Int32Array(5 * nodes);
  for (let e = 0; e < from.length; e++) {
    const later = 1 + random.below(nodes - 1);
    const share =
      shape === "uniform" ? random.below(later) : Math.floor(later * (random.below(1e6) / 1e6) ** 4);
    from[e] = placeOf[share]!;
    to[e] = placeOf[later]!;
  }
  return { nodes, from, to };
}

/** The practical limit is Kahn's algorithm on typed arrays that are there already. */
const kahn = anyTopologicalOrder;

const solve = (graph: Digraph): number => nearestOrder(graph, graph.nodes).certificate.length;

const others: readonly (readonly [string, (edges: Edges) => () => unknown])[] = [
  [
    "toposort",
    ({ from, to }) => {
      const pairs = Array.from(from, (a, e): [string, string] => [String(a), String(to[e])]);
      return () => toposort(pairs);
    },
  ],
  [
    "graphology-dag",
    ({ nodes, from, to }) => {
      const graph = new DirectedGraph();
      for (let v = 0; v < nodes; v++) graph.addNode(v);
      from.forEach((a, e) => graph.mergeEdge(a, to[e]));
      return () => topologicalSort(graph);
    },
  ],
  [
    "@dagrejs/graphlib",
    ({ nodes, from, to }) => {
      const graph = new graphlib.Graph({ directed: true });
      for (let v = 0; v < nodes; v++) graph.setNode(String(v));
      from.forEach((a, e) => graph.setEdge(String(a), String(to[e])));
      return () => graphlib.alg.topsort(graph);
    },
  ],
];

const rows: string[][] = [];
const show = (title: string, head: readonly string[]) => {
  const widths = head.map((_, column) => Math.max(...[head, ...rows].map((row) => row[column]!.length)));
  const line = (row: readonly string[]) =>
    `| ${row.map((cell, column) => cell.padEnd(widths[column]!)).join(" | ")} |`;
  process.stdout.write(
    `\n## ${title}\n\n${[line(head), line(widths.map((width) => "-".repeat(width))), ...rows.map(line)].join("\n")}\n`,
  );
  rows.length = 0;
};
const ms = (time: number) => time.toFixed(time < 10 ? 2 : 0);

function benchGraphs(): void {
  for (const nodes of [1000, 10_000, 100_000])
    for (const [displaced, shape] of [
      [0, "uniform"],
      [10, "uniform"],
      [10, "power law"],
      [Math.min(1000, nodes / 100), "uniform"],
    ] as const) {
      const edges = makeEdges(nodes, displaced, shape, 7);
      const graph = digraph(nodes, edges.from, edges.to);
      const limit = median(() => kahn(graph));
      let moves = 0;
      const ours = median(() => (moves = solve(graph)));
      const plain =
        nodes <= 10_000 || displaced === 0 ? others.map(([, make]) => median(make(edges)) / limit) : [];
      const ratio = (value: number | undefined) => (value === undefined ? "" : value.toFixed(1));
      rows.push([
        String(nodes),
        String(displaced),
        shape,
        String(moves),
        (ours / limit).toFixed(2),
        ...others.map((_, at) => ratio(plain[at])),
        ms(ours),
        ms(limit),
      ]);
    }
  show("Fewest moves beside plain topological sorts (ratios to Kahn on typed arrays)", [
    "items",
    "displaced",
    "masters",
    "moves",
    "fewest moves",
    ...others.map(([name]) => name),
    "ours, ms",
    "Kahn, ms",
  ]);
}

/** Orders in which almost everything moves: `5 n` ties between items of a hidden order, listed otherwise. */
function benchDisorder(): void {
  const nodes = 10_000;
  const half = nodes / 2;
  const all = Array.from({ length: nodes }, (_, at) => at);
  const random = makeRandom(7);
  const shuffled = [...all];
  for (let at = nodes - 1; at > 0; at--) {
    const other = random.below(at + 1);
    [shuffled[at], shuffled[other]] = [shuffled[other]!, shuffled[at]!];
  }
  const orders = {
    reversed: [...all].reverse(),
    shuffled,
    "second half first": [...all.slice(half), ...all.slice(0, half)],
    "halves interleaved": all.flatMap((at) => (at < half ? [at, half + at] : [])),
    "blocks of 100 reversed": all.map((at) => at - (at % 100) + 99 - (at % 100)),
  };
  for (const [name, order] of Object.entries(orders)) {
    const placeOf = new Int32Array(nodes);
    order.forEach((item, place) => (placeOf[item] = place));
    const row = [name];
    for (const shape of ["uniform", "power law"] as const) {
      const { from, to } = makeEdges(nodes, 0, shape, 7);
      const turn = (item: number) => placeOf[item]!;
      const graph = digraph(nodes, from.map(turn), to.map(turn));
      let moves = 0;
      const time = median(() => (moves = solve(graph)));
      row.push(String(moves), ms(time));
    }
    rows.push(row);
  }
  show("Orders in disorder: 10,000 items", ["order", "moves", "uniform, ms", "moves", "power law, ms"]);
}

function makeProblem(nodes: number, ruleCount: number, displaced: number, seed: number): OrderProblem {
  const random = makeRandom(seed);
  const sections = Array.from({ length: 10 }, (_, at) => `s${at}`);
  const hidden = Array.from({ length: nodes }, (_, at) => `n${at}`);
  const order = [...hidden];
  for (let n = 0; n < displaced; n++)
    order.splice(random.below(nodes), 0, order.splice(random.below(nodes), 1)[0]!);
  const rankOf = (at: number) => (at < nodes / 50 ? "foundation" : "ordinary");
  const items = order.map((id) => {
    const at = Number(id.slice(1));
    const needs = at === 0 ? [] : Array.from({ length: random.below(4) }, () => `n${random.below(at)}`);
    return { id, class: rankOf(at), section: sections[Math.floor((at * 10) / nodes)]!, needs };
  });
  const rules = Array.from({ length: ruleCount }, (_, at): OrderRule => {
    const [a, b] = [random.below(nodes), random.below(nodes)];
    return {
      id: `r${at}`,
      kind: "after",
      item: `n${Math.max(a, b)}`,
      other: `n${Math.min(a, b)}`,
      strength: at % 3 === 0 ? "must" : "prefer",
    };
  });
  return { format: "seating-order-problem/1", classes: ["foundation", "ordinary"], sections, items, rules };
}

function benchWhole(): void {
  for (const [nodes, ruleCount] of [
    [2000, 200],
    [5000, 200],
    [10_000, 1000],
  ] as const) {
    const problem = makeProblem(nodes, ruleCount, 20, 7);
    let moves = 0;
    const time = median(() => (moves = propose(problem).result.moved.length));
    rows.push([String(nodes), String(ruleCount), String(moves), ms(time)]);
  }
  show("Whole problems: two classes, ten sections, masters, rules; from names to the result", [
    "items",
    "rules",
    "moves",
    "ms",
  ]);
}

/** What a window asks again and again while somebody arranges 5,000 items. */
function benchInteractive(): void {
  const problem = makeProblem(5000, 200, 0, 7);
  const settled = propose(problem).result.order;
  const byId = new Map(problem.items.map((item) => [item.id, item]));
  const arranged = { ...problem, items: settled.map((id) => byId.get(id)!) };
  const dragged = withItemAt(arranged, settled[4000]!, 300)!;
  const rule = {
    id: "new",
    kind: "after",
    item: settled[10]!,
    other: settled[900]!,
    strength: "must",
  } as const;
  const ruled = { ...arranged, rules: [...arranged.rules!, rule] };
  const constraints = findConstraints(arranged);
  const questions: readonly (readonly [string, () => unknown])[] = [
    ["the proposal after one drag", () => propose(dragged)],
    ["the proposal with one rule more", () => propose(ruled)],
    ["the ties, from the problem", () => findConstraints(arranged)],
    ["the places of all items while the others stay", () => rangesStayingPut(constraints)],
    ["the places of all items in any valid order", () => rangesInAnyOrder(constraints)],
    ["why one item is here", () => whyHere(constraints, settled[2500]!)],
  ];
  for (const [name, ask] of questions) {
    const start = performance.now();
    ask();
    const first = performance.now() - start;
    rows.push([name, ms(first), ms(median(ask))]);
  }
  show("Interactive work at 5,000 items, 200 rules", ["question", "first time, ms", "again, ms"]);
}

/** Every package that apt lists, in the order of the file; of `a | b` the first; packages that are there only. */
function readDebian(): OrderProblem | null {
  let text: string;
  try {
    text = execFileSync("apt-cache", ["dumpavail"], {
      encoding: "utf8",
      maxBuffer: 2 ** 30,
      stdio: ["ignore", "pipe", "ignore"],
    });
  } catch {
    return null;
  }
  const needs = new Map<string, Set<string>>();
  for (const paragraph of text.split("\n\n")) {
    const name = /^Package: (.+)$/m.exec(paragraph)?.[1];
    if (!name || needs.has(name)) continue;
    const fields = [...paragraph.matchAll(/^(?:Pre-)?Depends: (.+)$/gm)].flatMap((match) =>
      match[1]!.split(","),
    );
    needs.set(name, new Set(fields.map((field) => field.split("|")[0]!.trim().split(/[ :(]/)[0]!)));
  }
  if (needs.size < 1000) return null;
  const items = [...needs].map(([id, all]) => ({ id, needs: [...all].filter((need) => needs.has(need)) }));
  return { format: "seating-order-problem/1", items };
}

function benchDebian(): void {
  const problem = readDebian();
  if (!problem)
    return void process.stdout.write("\nDebian's package graph: skipped, for apt has no lists here.\n");
  const ties = problem.items.reduce((sum, item) => sum + item.needs!.length, 0);
  const { command, memory, result: read, end } = runCommand(problem);
  const result = read();
  end();
  const time = median(() => propose(problem));
  const other = new graphlib.Graph({ directed: true });
  for (const { id, needs } of problem.items) for (const need of needs!) other.setEdge(need, id);
  const theirs = graphlib.alg
    .tarjan(other)
    .filter((part) => part.length > 1 || other.hasEdge(part[0]!, part[0]!))
    .map((part) => part.length);
  const ours = result.cycles.map((cycle) => cycle.items.length);
  const sizes = (list: number[]) => list.sort((a, b) => b - a).join(" ");
  const place = new Map(result.order.map((id, at) => [id, at]));
  const aside = new Set(
    result.setAside.map(({ rule }) => ("other" in rule ? `${rule.item} ${rule.other}` : "")),
  );
  const broken = problem.items.flatMap(({ id, needs }) =>
    needs!.filter((need) => !aside.has(`${id} ${need}`) && place.get(need)! >= place.get(id)!),
  ).length;
  rows.push([
    String(problem.items.length),
    String(ties),
    String(result.moved.length),
    String(ours.length),
    sizes(ours) === sizes(theirs) ? "equal" : "DIFFERENT",
    String(broken),
    ms(time),
    ms(command),
    String(memory),
  ]);
  show("Debian's package graph, as apt lists it", [
    "packages",
    "ties",
    "moves",
    "components with a cycle",
    "their sizes beside @dagrejs/graphlib's",
    "kept ties broken",
    "ms",
    "whole command, ms",
    "its memory, MiB",
  ]);
}

function benchShapes(): void {
  for (const row of shapeRows()) rows.push(row);
  show("Ties of all kinds in orders of all kinds, 1,000, 10,000 and 20,000 items", shapesHead);
}

const [, , only, shape, items] = process.argv;
if (only === "shape") measureShape(shape!, Number(items));
else if (only === "shapes") benchShapes();
else benchAll();

function benchAll(): void {
  benchGraphs();
  benchDisorder();
  benchShapes();
  benchWhole();
  benchInteractive();
  benchDebian();
  const { rss } = process.memoryUsage();
  process.stdout.write(
    `\nMemory of the benchmark at its end: ${Math.round(rss / 2 ** 20)} MiB resident, the other libraries' graphs among it. Node.js ${process.versions.node}. Medians of ${runs} runs.\n`,
  );
}
