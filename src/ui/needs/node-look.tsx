import { say } from "@/core/language/say";
import type { NeedEdge, NeedNode, NeedReason, NodeStanding } from "@/core/needs/need-graph";

/** How a line is drawn, by why one needs the other. */
export const dashes: Readonly<Record<NeedReason, string>> = {
  master: "",
  requires: "7 3",
  advice: "2 3",
  brings: "1 2",
  expansion: "9 3 2 3",
};

export const lineColour = ({ isMet }: Pick<NeedEdge, "isMet">): string =>
  isMet ? "var(--ink3)" : "var(--brick)";

/** The standing of a node by its shape; the word stands in the list, the legend and the name of the node. */
export function StandingMark({ standing }: { standing: NodeStanding }) {
  return (
    <svg viewBox="0 0 12 12" aria-hidden className="h-3 w-3 shrink-0">
      {standing === "on" && <circle cx={6} cy={6} r={4} fill="var(--pine)" />}
      {standing === "off" && (
        <circle cx={6} cy={6} r={3.5} fill="none" stroke="var(--ink2)" strokeWidth={1.5} />
      )}
      {standing === "shelf" && <path d="M1.5 2v8h9V2" fill="none" stroke="var(--slate)" strokeWidth={1.5} />}
      {standing === "missing" && <path d="M2.5 2.5l7 7M9.5 2.5l-7 7" stroke="var(--brick)" strokeWidth={2} />}
    </svg>
  );
}

export const standingWord = ({ standing }: Pick<NeedNode, "standing">): string =>
  say(`needs.standing.${standing}`);
