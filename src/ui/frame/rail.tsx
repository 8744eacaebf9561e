"use client";

import { say } from "@/core/language/say";
import {
  Blend,
  FileStack,
  FolderDown,
  Layers,
  House,
  ListOrdered,
  Menu,
  PanelLeftClose,
  PanelLeftOpen,
  LibraryBig,
  Scale,
  Grid3x3,
  HeartPulse,
  Settings2,
  Warehouse,
  type LucideIcon,
} from "lucide-react";
import { usePathname } from "next/navigation";
import { Toolbar } from "radix-ui";
import { useState, type ReactNode } from "react";
import { z } from "zod";
import { mainList } from "@/core/model/game";
import { Kept, useKept } from "../kit/kept";
import { Button } from "../kit/button";
import { Sheet } from "../kit/panes/sheet";
import { SidePane } from "../kit/panes/side-pane";
import { useNarrow } from "../kit/panes/use-narrow";
import { useEditor } from "../workspace/workspace.client";
import { ViewLink } from "../workspace/view-link";

const width = new Kept("seating-rail-width", z.number().min(120).max(600), 168);
const isKeptNarrow = new Kept("seating-rail-narrow", z.boolean(), false);

/** The rail, and beside it the rest. */
export function WithRail({ children }: { children: ReactNode }) {
  const [isNarrow, setNarrow] = useKept(isKeptNarrow);
  const isSheet = useNarrow();
  return (
    <SidePane
      at="left"
      name="rail"
      size={width}
      least={128}
      most={320}
      folded={{ size: 48, is: isNarrow, set: setNarrow }}
      pane={isSheet ? null : (edge) => <Rail narrow={isNarrow} setNarrow={setNarrow} edge={edge} />}
    >
      {children}
    </SidePane>
  );
}

/** Where there is no room for the rail beside the view, the way to it. */
export function RailButton() {
  const isSheet = useNarrow();
  const [isOpen, open] = useState(false);
  const path = usePathname();
  const [from, setFrom] = useState(path);
  if (path !== from) {
    // It was for going there.
    setFrom(path);
    open(false);
  }
  if (!isSheet) return null;
  return (
    <>
      <Button
        look="quiet"
        aria-label={say("frame.views")}
        aria-expanded={isOpen}
        onClick={() => open(true)}
        className="w-8 !px-0"
      >
        <Menu size={16} aria-hidden />
      </Button>
      <Sheet open={isOpen} onClose={() => open(false)} at="left" title={say("frame.views")}>
        <Rail narrow={false} setNarrow={null} />
      </Sheet>
    </>
  );
}

/** The views that work, with what stands in each. */
function Rail({
  narrow,
  setNarrow,
  edge = null,
}: {
  narrow: boolean;
  setNarrow: ((narrow: boolean) => void) | null;
  edge?: ReactNode;
}) {
  const shelf = useEditor((state) => state.view.stock.shelf.length);
  const plan = useEditor(({ roster }) => roster.lists[mainList(roster.game)].items.length);
  const rules = useEditor((state) => state.profile.state.rules.length);
  const lays = useEditor(({ onDisk }) => onDisk.laid !== undefined);
  const hasPlugins = useEditor(({ roster }) => roster.game.lists.includes("plugins"));
  const graves = useEditor((state) => state.findings).filter(({ level }) => level !== "hint").length;
  const profiles = useEditor((state) => state.view.profiles).filter((each) => !each.deleted).length;
  const Fold = narrow ? PanelLeftOpen : PanelLeftClose;
  return (
    <nav
      aria-label={say("frame.views")}
      className="bg-surface relative flex min-h-0 grow flex-col gap-0.5 overflow-y-auto p-1.5"
    >
      <Toolbar.Root
        orientation="vertical"
        aria-label={say("frame.views")}
        className="flex min-h-0 grow flex-col gap-0.5"
      >
        <RailLink to="/overview" icon={House} label={say("common.overview")} narrow={narrow} />
        <RailLink to="/shelf" icon={LibraryBig} label={say("common.shelf")} count={shelf} narrow={narrow} />
        <RailLink to="/plan" icon={ListOrdered} label={say("common.plan")} count={plan} narrow={narrow} />
        <RailLink to="/health" icon={HeartPulse} label={say("health.title")} count={graves} narrow={narrow} />
        <RailLink to="/conflicts" icon={Grid3x3} label={say("common.conflicts")} narrow={narrow} />
        <RailLink to="/rules" icon={Scale} label={say("common.rules")} count={rules} narrow={narrow} />
        {hasPlugins && <RailLink to="/blend" icon={Blend} label={say("blend.title")} narrow={narrow} />}
        {lays && <RailLink to="/layout" icon={FolderDown} label={say("layout.title")} narrow={narrow} />}
        <RailLink to="/lineups" icon={FileStack} label={say("common.lineups")} narrow={narrow} />
        <RailLink
          to="/profiles"
          icon={Layers}
          label={say("common.profiles")}
          count={profiles}
          narrow={narrow}
        />
        <RailLink to="/depot" icon={Warehouse} label={say("common.depot")} narrow={narrow} />
        <RailLink to="/settings" icon={Settings2} label={say("common.settings")} narrow={narrow} />
        {setNarrow && (
          <Toolbar.Button
            onClick={() => setNarrow(!narrow)}
            aria-label={narrow ? say("frame.widenTheRail") : say("frame.narrowTheRail")}
            className="text-ink3 hover:bg-sunk hover:text-ink mt-auto flex h-8 items-center gap-3 rounded-md px-2"
          >
            <Fold size={16} aria-hidden />
          </Toolbar.Button>
        )}
      </Toolbar.Root>
      {edge}
    </nav>
  );
}

function RailLink({
  to,
  icon: Icon,
  label,
  count,
  narrow,
}: {
  to: string;
  icon: LucideIcon;
  label: string;
  count?: number;
  narrow: boolean;
}) {
  const here = usePathname() === to;
  return (
    <Toolbar.Link asChild>
      <ViewLink
        href={to}
        aria-current={here ? "page" : undefined}
        aria-label={narrow ? label : undefined}
        title={narrow ? label : undefined}
        className={`flex h-8 items-center gap-3 rounded-md px-2 font-semibold ${here ? "bg-pine-soft text-pine forced-colors:outline-1" : "text-ink2 hover:bg-sunk hover:text-ink"}`}
      >
        <Icon size={16} aria-hidden className="shrink-0" />
        {!narrow && <span className="grow">{label}</span>}
        {!narrow && count !== undefined && <span className="text-sm font-mono font-normal">{count}</span>}
      </ViewLink>
    </Toolbar.Link>
  );
}
