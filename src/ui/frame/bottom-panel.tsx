import { say } from "@/core/language/say";
import { X } from "lucide-react";
import { Tabs } from "radix-ui";
import type { ReactNode } from "react";
import { Queue } from "../depot/queue";
import { HistoryTab } from "../history/history-tab";
import { Button } from "../kit/button";
import { GuideTab } from "../guide/guide-tab";
import { Floor } from "../kit/floor";
import { giveFocusBack } from "../kit/give-focus-back";
import type { PanelTab } from "../workspace/use-panel";
import { useWorkspace } from "../workspace/workspace.client";
import { MessagesTab } from "./messages-tab";
import { TrialTab } from "../trial/trial-tab";

const tabs = [
  {
    id: "trial",
    get label() {
      return say("frame.trial");
    },
    Content: TrialTab,
    guide: "when-something-is-wrong",
  },
  {
    id: "queue",
    get label() {
      return say("common.queue");
    },
    Content: () => <Queue isView />,
    guide: "extend-a-list",
  },
  {
    id: "history",
    get label() {
      return say("common.history");
    },
    Content: HistoryTab,
    guide: "when-something-is-wrong",
  },
  {
    id: "messages",
    get label() {
      return say("common.messages");
    },
    Content: MessagesTab,
    guide: "when-something-is-wrong",
  },
  {
    id: "guide",
    get label() {
      return say("guide.title");
    },
    Content: GuideTab,
    guide: undefined,
  },
] as const;

/** What goes on below the views, whichever is looked at. */
export function BottomPanel({ tab, edge }: { tab: PanelTab; edge: ReactNode }) {
  const { panel } = useWorkspace();
  const close = () => {
    panel.close();
    setTimeout(giveFocusBack);
  };
  return (
    <Tabs.Root
      role="region"
      aria-label={say("frame.panel")}
      value={tab}
      onValueChange={(to) => panel.show(to as PanelTab)}
      className="bg-surface relative flex min-h-0 grow flex-col"
      onKeyDown={(event) => {
        if (event.key !== "Escape" || event.defaultPrevented) return;
        event.preventDefault();
        close();
      }}
    >
      {edge}
      <div className="border-line flex h-8 shrink-0 items-stretch border-b px-1.5">
        <Tabs.List aria-label={say("frame.panel")} className="flex">
          {tabs.map(({ id, label }) => (
            <Tabs.Trigger
              key={id}
              value={id}
              className="text-ink2 hover:text-ink data-[state=active]:text-ink data-[state=active]:border-pine border-b-2 border-transparent px-2.5 font-semibold -outline-offset-2"
            >
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Button
          small
          look="quiet"
          onClick={close}
          aria-label={say("frame.closeThePanel")}
          className="ml-auto w-6 self-center !px-0"
        >
          <X size={14} aria-hidden />
        </Button>
      </div>
      {tabs.map(({ id, label, Content, guide }) => (
        <Tabs.Content
          key={id}
          value={id}
          tabIndex={-1}
          data-guide={guide}
          className="min-h-0 grow flex-col data-[state=active]:flex"
        >
          <Floor what={label}>
            <Content />
          </Floor>
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
