import { say } from "@/core/language/say";
import { PanelRight } from "lucide-react";
import { useState, type ReactNode } from "react";
import { z } from "zod";
import { Button } from "../button";
import { Kept, useKept } from "../kept";
import { Sheet } from "./sheet";
import { SidePane } from "./side-pane";
import { useNarrow } from "./use-narrow";

const isKeptShown = new Kept("seating-inspector", z.boolean(), true);
const width = new Kept("seating-inspector-width", z.number().min(200).max(2000), 308);

/** Whether what is known of the selection stands beside it: in all views alike; over them where there is no room beside. */
export interface Inspecting {
  readonly shown: boolean;
  readonly turn: () => void;
  readonly isSheet: boolean;
}

export function useInspecting(): Inspecting {
  const isSheet = useNarrow();
  const [isKept, keep] = useKept(isKeptShown);
  const [isOpen, open] = useState(false);
  return isSheet
    ? { shown: isOpen, turn: () => open(!isOpen), isSheet }
    : { shown: isKept, turn: () => keep(!isKept), isSheet };
}

export function InspectorButton({ inspecting: { shown, turn } }: { inspecting: Inspecting }) {
  return (
    <Button
      look="quiet"
      aria-pressed={shown}
      aria-label={say("kit.inspector")}
      title={shown ? say("kit.hideTheInspector") : say("kit.showTheInspector")}
      onClick={turn}
      className="w-8 !px-0"
    >
      <PanelRight size={16} aria-hidden />
    </Button>
  );
}

/** A view, and at its right what is known of what is selected in it. */
export function WithInspector({
  inspecting: { shown, turn, isSheet },
  label = say("kit.inspector"),
  inspector,
  children,
}: {
  inspecting: Inspecting;
  label?: string;
  inspector: ReactNode;
  children: ReactNode;
}) {
  const pane = (edge: ReactNode) => (
    <aside aria-label={label} className="bg-surface relative flex min-h-0 grow flex-col overflow-hidden">
      {edge}
      {inspector}
    </aside>
  );
  return (
    <>
      <SidePane
        at="right"
        name="inspector"
        size={width}
        least={220}
        most="60%"
        pane={shown && !isSheet ? pane : null}
      >
        {children}
      </SidePane>
      {isSheet && (
        <Sheet open={shown} onClose={turn} at="right" title={label}>
          {pane(null)}
        </Sheet>
      )}
    </>
  );
}
