"use client";

import { say } from "@/core/language/say";
import { usePathname } from "next/navigation";
import { useCallback, useEffect, useState, type ReactNode } from "react";
import { z } from "zod";
import { Floor } from "../kit/floor";
import { focusView, viewId, watchFocus } from "../kit/give-focus-back";
import { Kept } from "../kit/kept";
import { useSpoken } from "../language/spoken";
import { SidePane } from "../kit/panes/side-pane";
import { DepotRoot } from "../depot/depot.client";
import { IncomingMods } from "../incoming/incoming.client";
import { MoveToDialog } from "../plan/move-to-dialog";
import { FirstOrderBar } from "../order-file/first-order-bar";
import { OrderFileDialog } from "../order-file/order-file-dialog";
import type { ShownView } from "../workspace/read-workspace";
import { useWorkspace, WorkspaceRoot } from "../workspace/workspace.client";
import { BottomPanel } from "./bottom-panel";
import { commands, type Command, type CommandContext, type DialogName } from "./commands";
import { changedKeys, keysOf, keysPressed } from "./keys";
import { KeysDialog } from "./keys-dialog";
import { NewProfileDialog, PresentFactsDialog } from "../profiles/profile-dialogs";
import { DueBooksDialog } from "../rules/due-books-dialog";
import { SwitchDialog } from "../profiles/switch-dialog";
import { MessageLine } from "./message-line";
import { WithRail } from "./rail";
import { Strip } from "./strip";
import { turnTheme } from "./theme";
import { TopBar } from "./top-bar";
import { useGo } from "../workspace/use-go";

/** Everything around a view: top bar, rail, strip, dialogs, keys. */
export function FrameScreen({ view, children }: { view: ShownView; children: ReactNode }) {
  const language = useSpoken();
  return (
    <WorkspaceRoot view={view}>
      <DepotRoot>
        <Frame key={language}>{children}</Frame>
      </DepotRoot>
    </WorkspaceRoot>
  );
}

function Frame({ children }: { children: ReactNode }) {
  const [dialog, setDialog] = useState<DialogName | null>(null);
  const close = useCallback(() => setDialog(null), []);
  const run = useCommands(setDialog);
  const pathname = usePathname();
  const { panel } = useWorkspace();
  const openTab = panel.tab;
  useEffect(() => watchFocus(), []);
  return (
    <div className="flex h-screen flex-col overflow-hidden">
      <SkipLink />
      <TopBar run={run} openDialog={setDialog} />
      <WithRail>
        <SidePane
          at="bottom"
          name="panel"
          size={panelHeight}
          least={96}
          most="70%"
          pane={openTab && ((edge) => <BottomPanel tab={openTab} edge={edge} />)}
        >
          <div className="bg-surface flex min-h-0 grow flex-col overflow-hidden">
            <FirstOrderBar />
            <main
              id={viewId}
              tabIndex={-1}
              className="min-h-0 grow overflow-hidden focus-visible:outline-none"
            >
              <Floor key={pathname} what={say("common.thisView")}>
                {children}
              </Floor>
            </main>
          </div>
        </SidePane>
      </WithRail>
      <MessageLine />
      <Strip />
      <NewProfileDialog open={dialog === "new-profile"} onClose={close} />
      <PresentFactsDialog open={dialog === "profile-facts"} onClose={close} />
      <SwitchDialog open={dialog === "switch-profile"} onClose={close} />
      <DueBooksDialog />
      <OrderFileDialog />
      <KeysDialog open={dialog === "keys"} onClose={close} />
      <IncomingMods />
      <MoveToDialog open={dialog === "move-to"} onClose={close} />
    </div>
  );
}

/** Less than a third of a usual window: it covers no half of a view unasked. */
const panelHeight = new Kept("seating-panel-height", z.number().min(96).max(2000), 224);

/** The first stop of the tab key: past bar and rail. */
function SkipLink() {
  return (
    <a
      href={`#${viewId}`}
      onClick={(event) => {
        event.preventDefault();
        focusView();
      }}
      className="border-pine bg-surface text-pine fixed left-2 top-2 z-50 -translate-y-16 rounded-md border-2 px-3 py-2 font-semibold focus:translate-y-0"
    >
      {say("frame.toTheView")}
    </a>
  );
}

/** Runs commands, and listens for their keys. */
function useCommands(openDialog: (name: DialogName) => void): (command: Command) => void {
  const workspace = useWorkspace();
  const go = useGo();
  const context = useCallback(
    (): CommandContext => ({
      workspace,
      state: workspace.editor.getState(),
      go,
      openDialog,
      turnTheme,
    }),
    [workspace, go, openDialog],
  );
  const run = useCallback(
    (command: Command) => {
      const now = context();
      if (command.possible?.(now) ?? true) command.run(now);
    },
    [context],
  );
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || (isTyping(event.target) && !isCommandWhileTyping(event))) return;
      const pressed = keysPressed(event);
      const changed = changedKeys.get();
      const command = pressed && commands.find((each) => keysOf(each, changed) === pressed);
      if (!command) return;
      event.preventDefault();
      run(command);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [run]);
  return run;
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.matches("input, textarea, select, [contenteditable]");

const isCommandWhileTyping = (event: KeyboardEvent): boolean =>
  event.altKey || isSave(event) || /^F\d+$/.test(event.key);

const isSave = (event: KeyboardEvent): boolean => (event.ctrlKey || event.metaKey) && event.code === "KeyS";
