"use client";

import {
  FileStack,
  Layers,
  House,
  ListOrdered,
  PanelLeftClose,
  PanelLeftOpen,
  LibraryBig,
  Scale,
  Settings2,
  Warehouse,
  type LucideIcon,
} from "lucide-react";
import { usePathname } from "next/navigation";
import { useState } from "react";
import { mainList } from "@/core/model/game";
import { useEditor } from "../workspace/workspace.client";
import { ViewLink } from "../workspace/view-link";

/** The views that work, with what stands in each. */
export function Rail() {
  const [narrow, setNarrow] = useState(false);
  const shelf = useEditor((state) => state.view.stock.shelf.length);
  const plan = useEditor(({ roster }) => roster.lists[mainList(roster.game)].items.length);
  const rules = useEditor((state) => state.profile.state.rules.length);
  const profiles = useEditor((state) => state.view.profiles).filter((each) => !each.deleted).length;
  const Fold = narrow ? PanelLeftOpen : PanelLeftClose;
  return (
    <nav
      aria-label="Views"
      className={`border-line bg-surface row-span-1 flex flex-col gap-0.5 border-r p-1.5 ${narrow ? "w-12" : "w-42"}`}
    >
      <RailLink to="/overview" icon={House} label="Overview" narrow={narrow} />
      <RailLink to="/shelf" icon={LibraryBig} label="Shelf" count={shelf} narrow={narrow} />
      <RailLink to="/plan" icon={ListOrdered} label="Plan" count={plan} narrow={narrow} />
      <RailLink to="/rules" icon={Scale} label="Rules" count={rules} narrow={narrow} />
      <RailLink to="/lineups" icon={FileStack} label="Lineups" narrow={narrow} />
      <RailLink to="/profiles" icon={Layers} label="Profiles" count={profiles} narrow={narrow} />
      <RailLink to="/depot" icon={Warehouse} label="Depot" narrow={narrow} />
      <RailLink to="/settings" icon={Settings2} label="Settings" narrow={narrow} />
      <button
        type="button"
        onClick={() => setNarrow(!narrow)}
        aria-label={narrow ? "Widen the rail" : "Narrow the rail"}
        className="text-ink3 hover:bg-sunk hover:text-ink mt-auto flex h-8 items-center gap-3 rounded-md px-2"
      >
        <Fold size={16} aria-hidden />
      </button>
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
    <ViewLink
      href={to}
      aria-current={here ? "page" : undefined}
      aria-label={narrow ? label : undefined}
      title={narrow ? label : undefined}
      className={`flex h-8 items-center gap-3 rounded-md px-2 font-semibold ${here ? "bg-pine-soft text-pine" : "text-ink2 hover:bg-sunk hover:text-ink"}`}
    >
      <Icon size={16} aria-hidden className="shrink-0" />
      {!narrow && <span className="grow">{label}</span>}
      {!narrow && count !== undefined && <span className="text-sm font-mono font-normal">{count}</span>}
    </ViewLink>
  );
}
