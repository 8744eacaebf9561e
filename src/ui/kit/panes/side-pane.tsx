import { say } from "@/core/language/say";
import { useEffect, useRef, type KeyboardEvent, type ReactNode } from "react";
import { Group, Panel, usePanelRef, type Layout } from "react-resizable-panels";
import { useKept, type Kept } from "../kept";

type Side = "left" | "right" | "bottom";

interface Props {
  readonly at: Side;
  /** What stands in it, in words: "inspector". */
  readonly name: string;
  /** In pixels, along the side. */
  readonly size: Kept<number>;
  readonly least: number;
  /** In pixels, or as a share: "60%". */
  readonly most: number | string;
  /** What is left of it where it is folded, in pixels; without this it can't be folded. */
  readonly folded?: { readonly size: number; readonly is: boolean; readonly set: (is: boolean) => void };
  /** Holds the edge, by which the keyboard changes its size; null: there is no pane now, and all the room is for the rest. */
  readonly pane: ((edge: ReactNode) => ReactNode) | null;
  readonly children: ReactNode;
}

/** A pane at a side of something: its size is changed by mouse and keyboard, remembered, and stays as it is when the window grows. */
export function SidePane({ at, name, size, least, most, folded, pane, children }: Props) {
  const panel = usePanelRef();
  const group = useRef<HTMLDivElement>(null);
  const isBelow = at === "bottom";
  const isFolded = folded?.is ?? false;
  useEffect(() => {
    if (isFolded) panel.current?.collapse();
    else panel.current?.expand();
  }, [panel, isFolded]);
  const onChanged = (layout: Layout, { isUserInteraction }: { isUserInteraction: boolean }) => {
    const share = layout[name];
    if (!isUserInteraction || share === undefined || !group.current) return;
    // What is drawn may still be what was.
    const whole = isBelow ? group.current.clientHeight : group.current.clientWidth;
    const pixels = Math.round((share / 100) * whole);
    const isNowFolded = folded !== undefined && pixels <= folded.size;
    if (isNowFolded !== isFolded) folded?.set(isNowFolded);
    if (!isNowFolded) size.set(pixels);
  };
  const onResize = (pixels: number) => {
    if (isFolded) folded?.set(false);
    panel.current?.resize(pixels);
    size.set(pixels);
    // It may be held to what there is room for, which is known once it has been drawn.
    requestAnimationFrame(() => panel.current && size.set(Math.round(panel.current.getSize().inPixels)));
  };
  const side = pane && (
    <Panel
      key="side"
      id={name}
      panelRef={panel}
      defaultSize={isFolded ? folded!.size : size.get()}
      minSize={least}
      maxSize={most}
      collapsible={folded !== undefined}
      collapsedSize={folded?.size ?? 0}
      groupResizeBehavior="preserve-pixel-size"
      className="flex min-h-0 min-w-0 flex-col"
    >
      {pane(<Edge at={at} name={name} size={size} least={least} onResize={onResize} />)}
    </Panel>
  );
  return (
    <Group
      orientation={isBelow ? "vertical" : "horizontal"}
      elementRef={group}
      onLayoutChanged={onChanged}
      className="min-h-0 min-w-0 grow"
    >
      {at === "left" && side}
      <Panel key="rest" id="rest" minSize={160} className="flex min-h-0 min-w-0 flex-col">
        {children}
      </Panel>
      {at !== "left" && side}
    </Group>
  );
}

/** Pixels by which one press changes the size. */
const step = 16;

/** Which way a key goes: towards a larger pane, or a smaller one. */
const ways: Readonly<Record<Side, Readonly<Record<string, number>>>> = {
  left: { ArrowRight: 1, ArrowLeft: -1 },
  right: { ArrowLeft: 1, ArrowRight: -1 },
  bottom: { ArrowUp: 1, ArrowDown: -1 },
};

const edgeLook: Readonly<Record<Side, string>> = {
  left: "inset-y-0 right-0 w-1.5 cursor-col-resize border-r",
  right: "inset-y-0 left-0 w-1.5 cursor-col-resize border-l",
  bottom: "inset-x-0 top-0 h-1.5 cursor-row-resize border-t",
};

/** The pane lets itself be dragged here; what is drawn is for the eye and the keyboard, and stands within the pane's landmark. */
function Edge({
  at,
  name,
  size,
  least,
  onResize,
}: {
  at: Side;
  name: string;
  size: Kept<number>;
  least: number;
  onResize: (pixels: number) => void;
}) {
  const [pixels] = useKept(size);
  const onKeyDown = (event: KeyboardEvent) => {
    const way = ways[at][event.key];
    if (way === undefined && event.key !== "Home") return;
    event.preventDefault();
    onResize(way === undefined ? least : Math.max(least, pixels + way * step));
  };
  return (
    <div
      role="separator"
      tabIndex={0}
      aria-label={say("kit.ofThe", { at, name })}
      aria-orientation={at === "bottom" ? "horizontal" : "vertical"}
      aria-valuenow={pixels}
      aria-valuemin={least}
      aria-valuetext={say("kit.pixels", { pixels })}
      onKeyDown={onKeyDown}
      className={`border-line hover:border-pine focus-visible:border-pine outline-pine absolute z-10 focus-visible:outline-2 ${edgeLook[at]}`}
    />
  );
}
