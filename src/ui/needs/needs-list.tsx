"use client";

import { useMemo } from "react";
import { say } from "@/core/language/say";
import type { NeedNode } from "@/core/needs/need-graph";
import type { Surrounding } from "@/core/needs/surroundings";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { selectOne } from "../kit/grid/selection";
import { ListGrid } from "../workspace/list-grid";
import { StandingMark, standingWord } from "./node-look";

/** Found by a name, or around the one that is looked at. */
type ListedNode = NeedNode & Partial<Pick<Surrounding, "role" | "steps">>;

interface Props {
  readonly label: string;
  readonly nodes: readonly ListedNode[];
  readonly at: string | null;
  readonly onAt: (key: string) => void;
  readonly onExplore: (key: string) => void;
}

export function NeedsList({ label, nodes, at, onAt, onExplore }: Props) {
  const commands = useMemo(
    (): GridCommand<ListedNode>[] => [
      {
        id: "explore",
        title: () => say("needs.explore"),
        keys: ["Enter"],
        isPossible: ([node]) => node !== undefined && node.role !== "itself",
        run: ([node]) => node && onExplore(node.key),
      },
    ],
    [onExplore],
  );
  return (
    <ListGrid
      kind="needs"
      label={label}
      rows={nodes}
      keyOf={keyOf}
      columns={columns}
      commands={commands}
      empty={say("needs.nobody")}
      selection={selectOne(at ?? nodes[0]?.key ?? "")}
      onSelection={({ active }) => active !== null && onAt(active)}
      className="min-h-40 grow"
    />
  );
}

const keyOf = ({ key }: ListedNode): string => key;

const roleWord = ({ role, steps = 0 }: ListedNode): string =>
  role ? say(`needs.role.${role}`, { steps }) : "";

const columns: readonly GridColumn<ListedNode>[] = [
  {
    id: "name",
    get label() {
      return say("common.name");
    },
    width: 0,
    isFixed: true,
    isMain: true,
    sortBy: null,
    text: ({ title }) => title,
    cell: (node) => (
      <span className="flex min-w-0 items-center gap-1.5">
        <StandingMark standing={node.standing} />
        <span className={`truncate ${node.kind === "plugin" ? "font-mono text-sm" : ""}`}>{node.title}</span>
      </span>
    ),
  },
  {
    id: "role",
    get label() {
      return say("needs.role");
    },
    width: 92,
    sortBy: null,
    text: roleWord,
  },
  {
    id: "standing",
    get label() {
      return say("common.state");
    },
    width: 84,
    sortBy: null,
    text: standingWord,
  },
];
