"use client";

import { say } from "@/core/language/say";
import { Bell, CircleHelp, History, Moon, Play, Redo2, Sun, Undo2 } from "lucide-react";
import { Toolbar } from "radix-ui";
import type { ComponentProps, ReactNode } from "react";
import { labelText } from "@/core/messages/labels";
import { findItem, titleOfId } from "@/core/roster/roster";
import { placeInQuestion } from "../guide/place-in-question";
import { Button } from "../kit/button";
import { useEditor, useMessages, useWorkspace } from "../workspace/workspace.client";
import type { PanelTab } from "../workspace/use-panel";
import { Brand } from "./brand";
import { CommandField } from "./command-field";
import type { Command, DialogName } from "./commands";
import { RailButton } from "./rail";
import { GameMenu } from "./game-menu";
import { ProfileMenu } from "./profile-menu";
import { turnTheme, useTheme } from "./theme";

export function TopBar({
  run,
  openDialog,
}: {
  run: (command: Command) => void;
  openDialog: (name: DialogName) => void;
}) {
  const { trial } = useWorkspace();
  const theme = useTheme();
  const Lamp = theme === "dark" ? Sun : Moon;
  return (
    <header className="border-line bg-surface flex min-h-12 shrink-0 flex-wrap items-center gap-2 border-b px-3 py-1.5 md:flex-nowrap">
      <RailButton />
      <Brand />
      <Toolbar.Root
        aria-label={say("frame.gameAndProfile")}
        className="flex min-w-0 flex-wrap items-center gap-2"
      >
        <GameMenu />
        <ProfileMenu openDialog={openDialog} />
      </Toolbar.Root>
      <div className="flex min-w-40 grow justify-center max-md:order-last max-md:basis-full md:basis-40 md:px-2">
        <CommandField run={run} />
      </div>
      <Toolbar.Root aria-label={say("frame.whatWasDoneAndTheGame")} className="flex items-center gap-2">
        <Travel way="undo" />
        <Travel way="redo" />
        <HistoryButton />
        <Tool onClick={() => void trial.start()}>
          <Play size={14} aria-hidden /> <span className="max-md:sr-only">{say("frame.startATrial")}</span>
        </Tool>
        <MessagesButton />
        <GuideButton />
        <Tool
          look="quiet"
          onClick={turnTheme}
          aria-label={theme === "dark" ? say("frame.lightTheme") : say("frame.darkTheme")}
          className="w-8 !px-0"
        >
          <Lamp size={16} aria-hidden />
        </Tool>
      </Toolbar.Root>
    </header>
  );
}

/** A button of a bar that is one stop of the tab key: arrows go from one to the next. */
const Tool = (props: ComponentProps<typeof Button>) => (
  <Toolbar.Button asChild disabled={props.disabled}>
    <Button {...props} />
  </Toolbar.Button>
);

/** Shows a tab of the panel below the view, or closes it there. */
function PanelTool({
  tab,
  label,
  title,
  show,
  children,
}: {
  tab: PanelTab;
  label: string;
  title: string;
  show?: () => void;
  children: ReactNode;
}) {
  const { panel } = useWorkspace();
  const isOpen = panel.tab === tab;
  const open = show ?? (() => panel.show(tab));
  return (
    <Tool
      look="quiet"
      aria-pressed={isOpen}
      aria-label={label}
      title={title}
      onClick={isOpen ? panel.close : open}
      className="!px-2"
    >
      {children}
    </Tool>
  );
}

/** What was done before, and what can be gone back to. */
const HistoryButton = () => (
  <PanelTool tab="history" label={say("common.history")} title={say("frame.historyOfThisProfile")}>
    <History size={15} aria-hidden />
  </PanelTool>
);

/** The log of messages, and how many came since it was looked at. */
function MessagesButton() {
  const unread = useMessages((state) => state.unread);
  const words = unread === 0 ? say("common.messages") : say("frame.messagesNew", { unread });
  return (
    <PanelTool tab="messages" label={words} title={words}>
      <Bell size={16} aria-hidden />
      {unread > 0 && <span className="font-mono text-sm">{unread}</span>}
    </PanelTool>
  );
}

/** What the guide says of where one is. */
function GuideButton() {
  const { panel } = useWorkspace();
  const show = () => panel.showGuide(placeInQuestion());
  return (
    <PanelTool tab="guide" label={say("guide.title")} title={say("guide.open")} show={show}>
      <CircleHelp size={16} aria-hidden />
    </PanelTool>
  );
}

/** Undo or redo, with what it would do. */
function Travel({ way }: { way: "undo" | "redo" }) {
  const { editor } = useWorkspace();
  const label = useEditor((state) => state.history[way]);
  const word = way === "undo" ? say("common.undo") : say("frame.redo");
  const Icon = way === "undo" ? Undo2 : Redo2;
  const roster = useEditor((state) => state.roster);
  const words =
    label &&
    labelText(label, {
      title: (id) => titleOfId(roster, id),
      seat: (id) => (way === "undo" ? (findItem(roster, id)?.seat ?? null) : null),
    });
  const title = `${word}: ${words ?? say("frame.nothing")}`;
  return (
    <Tool
      look="quiet"
      disabled={!label}
      title={title}
      aria-label={title}
      onClick={() => void editor.travel(way)}
      className="!px-2"
    >
      <Icon size={15} aria-hidden />
      {way === "undo" && words && (
        <span className="hidden max-w-36 truncate min-[1240px]:inline">{words}</span>
      )}
    </Tool>
  );
}
