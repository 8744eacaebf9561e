import { useEffect, useRef, type ReactNode } from "react";
import { Group, Panel, Separator, usePanelRef, type Layout } from "react-resizable-panels";
import type { Kept } from "../kept";

type Side = "left" | "right" | "bottom";

interface Props {
  readonly at: Side;
  /** What stands in it, in words: "Inspector". */
  readonly name: string;
  /** In pixels, along the side. */
  readonly size: Kept<number>;
  readonly least: number;
  /** In pixels, or as a share: "60%". */
  readonly most: number | string;
  /** What is left of it where it is folded, in pixels; without this it can't be folded. */
  readonly folded?: { readonly size: number; readonly is: boolean; readonly set: (is: boolean) => void };
  /** Null: there is none now, and all the room is for the rest. */
  readonly pane: ReactNode;
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
  const side = pane !== null && (
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
      {pane}
    </Panel>
  );
  const edge = pane !== null && (
    <Separator
      key="edge"
      aria-label={`${isBelow ? "Height" : "Width"} of the ${name}`}
      className={`bg-line hover:bg-pine focus-visible:bg-pine data-[separator=active]:bg-pine relative shrink-0 outline-offset-2 ${isBelow ? "h-px" : "w-px"}`}
    />
  );
  return (
    <Group
      orientation={isBelow ? "vertical" : "horizontal"}
      elementRef={group}
      onLayoutChanged={onChanged}
      className="min-h-0 min-w-0 grow"
    >
      {at === "left" && side}
      {at === "left" && edge}
      <Panel key="rest" id="rest" minSize={160} className="flex min-h-0 min-w-0 flex-col">
        {children}
      </Panel>
      {at !== "left" && edge}
      {at !== "left" && side}
    </Group>
  );
}
