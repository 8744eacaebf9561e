import type { CheckInput } from "../check/check";
import { previewEdits, type WayOut } from "../check/ways-out";
import { drawNeeds, type NeedsDrawing } from "./drawing";
import { itemOfNode, needGraph, type NeedNode } from "./need-graph";
import { surroundingsOf, type Surroundings } from "./surroundings";
import { ifItComes, ifItGoes, type WhatIf } from "./what-if";

/** What a switch comes to, with what would be found after it; without a way where that cannot be told. */
export interface Switched extends WhatIf {
  readonly way: Pick<WayOut, "goes" | "comes"> | null;
}

export interface Explored {
  readonly node: NeedNode;
  readonly around: Surroundings;
  readonly drawing: NeedsDrawing;
  /** Null where it is not on, or cannot be switched off. */
  readonly goes: Switched | null;
  /** Null where it is on, or nothing here brings it. */
  readonly comes: Switched | null;
}

/** All that is to be told of what something needs and what needs it; null of what nobody here knows. */
export function explore(input: CheckInput, key: string): Explored | null {
  const { roster } = input;
  const graph = needGraph(roster);
  const around = surroundingsOf(graph, key);
  const node = graph.nodes.get(key);
  if (!around || !node) return null;
  const item = itemOfNode(roster, node);
  const [goes, comes] = [item ? ifItGoes(roster, item) : null, ifItComes(roster, node)];
  const [without, along] = previewEdits(input, [goes?.edit ?? null, comes?.edit ?? null]);
  return {
    node,
    around,
    drawing: drawNeeds(around),
    goes: goes && { ...goes, way: without ?? null },
    comes: comes && { ...comes, way: along ?? null },
  };
}
