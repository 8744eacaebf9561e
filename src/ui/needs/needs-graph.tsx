"use client";

import { useEffect, useId, useMemo, useRef, type CSSProperties, type KeyboardEvent } from "react";
import { say } from "@/core/language/say";
import { nodeSize, type DrawnEdge, type NeedsDrawing, type Point } from "@/core/needs/drawing";
import { needReasons } from "@/core/needs/need-graph";
import type { Surrounding } from "@/core/needs/surroundings";
import { dashes, lineColour, StandingMark, standingWord } from "./node-look";

interface Props {
  readonly drawing: NeedsDrawing;
  readonly nodes: readonly Surrounding[];
  readonly at: string;
  readonly onAt: (key: string) => void;
  /** Looks at what needs it and what it needs, instead. */
  readonly onExplore: (key: string) => void;
}

const rem = (pixels: number): string => `${pixels / 16}rem`;

/** The width of a page on its side, in pixels, less its margins. */
const pageWidth = 980;
const fitting = (width: number) => ({ "--fitting": Math.min(1, pageWidth / width) }) as CSSProperties;

/** Who needs whom, in layers: what is needed at the left. The arrow keys walk along the needs and up and down a layer. */
export function NeedsGraph({ drawing, nodes, at, onAt, onExplore }: Props) {
  const hint = useId();
  const box = useRef<HTMLDivElement>(null);
  const nodeOf = useMemo(() => new Map(nodes.map((node) => [node.key, node])), [nodes]);
  useEffect(() => {
    box.current
      ?.querySelector('[aria-current="true"]')
      ?.scrollIntoView({ block: "center", inline: "center" });
  }, [drawing]);
  useEffect(() => {
    box.current?.querySelector('[tabindex="0"]')?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [at]);
  const onKeyDown = (event: KeyboardEvent) => {
    const next = walk(drawing, at, event.key);
    if (next === null) return;
    event.preventDefault();
    onAt(next);
    box.current?.querySelector<HTMLElement>(`[data-node="${CSS.escape(next)}"]`)?.focus();
  };
  const reading = nodeOf.get(at);
  return (
    <section aria-label={say("needs.drawing")} className="flex min-h-0 min-w-0 grow flex-col">
      <div ref={box} onKeyDown={onKeyDown} className="bg-surface min-h-40 grow overflow-auto">
        <div
          data-drawing
          role="group"
          aria-label={say("needs.drawing")}
          aria-describedby={hint}
          className="relative print:[zoom:var(--fitting)]"
          style={{ width: rem(drawing.width), height: rem(drawing.height), ...fitting(drawing.width) }}
        >
          <svg
            viewBox={`0 0 ${drawing.width} ${drawing.height}`}
            aria-hidden
            className="absolute inset-0 h-full w-full"
          >
            {drawing.edges.map((edge) => (
              <Line key={`${edge.from} ${edge.to} ${edge.why}`} edge={edge} at={at} />
            ))}
          </svg>
          {drawing.nodes.map(({ key, x, y }) => {
            const node = nodeOf.get(key)!;
            return (
              <button
                key={key}
                type="button"
                data-node={key}
                tabIndex={key === at ? 0 : -1}
                aria-current={node.role === "itself" ? "true" : undefined}
                aria-label={say("needs.nodeName", { name: node.title, standing: standingWord(node) })}
                title={node.title}
                onFocus={() => onAt(key)}
                onClick={(event) => event.detail !== 1 && onExplore(key)}
                className={`absolute flex items-center gap-1.5 rounded-md border px-1.5 ${
                  node.role === "itself"
                    ? "border-pine bg-pine-soft border-2 font-bold"
                    : "border-line bg-sunk"
                } ${node.kind === "plugin" ? "font-mono text-sm" : ""} ${node.kind === "expansion" ? "italic" : ""}`}
                style={{
                  left: rem(x - nodeSize.width / 2),
                  top: rem(y - nodeSize.height / 2),
                  width: rem(nodeSize.width),
                  height: rem(nodeSize.height),
                }}
              >
                <StandingMark standing={node.standing} />
                <span className="truncate">{node.title}</span>
              </button>
            );
          })}
        </div>
      </div>
      <div className="border-line flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-t px-2 py-1 text-sm">
        <p id={hint} className="text-ink2 grow print:hidden" role="status">
          {reading &&
            say("needs.reading", {
              name: reading.title,
              standing: standingWord(reading),
              needs: drawing.edges.filter(({ from }) => from === at).length,
              neededBy: drawing.edges.filter(({ to }) => to === at).length,
            })}
        </p>
        <Legend drawing={drawing} nodes={nodes} />
      </div>
    </section>
  );
}

/** Rounded through the points that the layout gives. */
function pathThrough([first, ...rest]: readonly Point[]): string {
  if (!first) return "";
  const middles = rest.slice(0, -1).map((point, at) => {
    const next = rest[at + 1]!;
    return `Q${point.x} ${point.y} ${(point.x + next.x) / 2} ${(point.y + next.y) / 2}`;
  });
  const last = rest.at(-1) ?? first;
  return `M${first.x} ${first.y}${middles.join("")}L${last.x} ${last.y}`;
}

function Line({ edge, at }: { edge: DrawnEdge; at: string }) {
  const isLit = edge.from === at || edge.to === at;
  const end = edge.points.at(-1)!;
  const colour = isLit && edge.isMet ? "var(--pine)" : lineColour(edge);
  return (
    <g stroke={colour} fill={colour}>
      <path
        d={pathThrough(edge.points)}
        fill="none"
        strokeWidth={isLit ? 2 : 1.25}
        strokeDasharray={dashes[edge.why]}
      />
      <path d={`M${end.x} ${end.y}l6 -3v6z`} stroke="none" />
    </g>
  );
}

/** Only of what is drawn. */
function Legend({ drawing, nodes }: Pick<Props, "drawing" | "nodes">) {
  const standings = [...new Map(nodes.map((node) => [node.standing, node])).values()];
  const reasons = needReasons.filter((why) => drawing.edges.some((edge) => edge.why === why));
  return (
    <ul className="text-ink2 flex flex-wrap gap-x-3">
      {standings.map((node) => (
        <li key={node.standing} className="flex items-center gap-1">
          <StandingMark standing={node.standing} /> {standingWord(node)}
        </li>
      ))}
      {reasons.map((why) => (
        <li key={why} className="flex items-center gap-1">
          <Sample dash={dashes[why]} colour="var(--ink3)" /> {say(`needs.why.${why}`)}
        </li>
      ))}
      {drawing.edges.some(({ isMet }) => !isMet) && (
        <li className="flex items-center gap-1">
          <Sample dash="" colour="var(--brick)" /> {say("needs.unmet")}
        </li>
      )}
    </ul>
  );
}

const Sample = ({ dash, colour }: { dash: string; colour: string }) => (
  <svg viewBox="0 0 24 6" aria-hidden className="h-1.5 w-6">
    <path d="M0 3h24" stroke={colour} strokeWidth={2} strokeDasharray={dash} />
  </svg>
);

/** Where an arrow key leads: along a need to the nearest, or to the next of the same layer; null where nowhere. */
function walk({ nodes, edges }: NeedsDrawing, at: string, key: string): string | null {
  const here = nodes.find((node) => node.key === at);
  if (!here) return null;
  const nearest = (keys: readonly string[]): string | null =>
    nodes
      .filter((node) => keys.includes(node.key))
      .sort((a, b) => Math.abs(a.y - here.y) - Math.abs(b.y - here.y))[0]?.key ?? null;
  if (key === "ArrowLeft") return nearest(edges.filter(({ from }) => from === at).map(({ to }) => to));
  if (key === "ArrowRight") return nearest(edges.filter(({ to }) => to === at).map(({ from }) => from));
  if (key !== "ArrowUp" && key !== "ArrowDown") return null;
  const down = key === "ArrowDown";
  return nearest(
    nodes
      .filter(({ layer, y }) => layer === here.layer && (down ? y > here.y : y < here.y))
      .map((node) => node.key),
  );
}
