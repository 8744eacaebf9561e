import { Graph, layout } from "@dagrejs/dagre";
import type { NeedEdge } from "./need-graph";
import type { Surroundings } from "./surroundings";

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** The middle of its box, which is as large as `nodeSize`. */
interface DrawnNode extends Point {
  readonly key: string;
  /** From the left: each stands left of what needs it, as far as circles let them. */
  readonly layer: number;
}

export interface DrawnEdge extends NeedEdge {
  readonly points: readonly Point[];
}

/** What is needed at the left, and at its right what needs it; in pixels, from the upper left corner. */
export interface NeedsDrawing {
  readonly width: number;
  readonly height: number;
  readonly nodes: readonly DrawnNode[];
  readonly edges: readonly DrawnEdge[];
}

export const nodeSize = { width: 176, height: 26 } as const;

/** In layers, by the method of Gansner, Koutsofios, North and Vo (1993), which the package follows. */
export function drawNeeds({ nodes, edges }: Pick<Surroundings, "nodes" | "edges">): NeedsDrawing {
  const graph = new Graph({ multigraph: true });
  graph.setGraph({ rankdir: "RL", nodesep: 8, ranksep: 48, edgesep: 6, marginx: 8, marginy: 8 });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const { key } of nodes) graph.setNode(key, { ...nodeSize });
  for (const { from, to, why } of edges) graph.setEdge(from, to, {}, why);
  layout(graph);
  const { width = 0, height = 0 } = graph.graph() as { width?: number; height?: number };
  const placed = nodes.map(({ key }) => ({ key, ...at(graph.node(key) as Point) }));
  const layers = [...new Set(placed.map(({ x }) => x))].sort((a, b) => a - b);
  return {
    width,
    height,
    nodes: placed.map((node) => ({ ...node, layer: layers.indexOf(node.x) })),
    edges: edges.map((edge) => {
      const { points } = graph.edge(edge.from, edge.to, edge.why) as { points: readonly Point[] };
      return { ...edge, points: points.map(at) };
    }),
  };
}

const at = ({ x, y }: Point): Point => ({ x: Math.round(x), y: Math.round(y) });
