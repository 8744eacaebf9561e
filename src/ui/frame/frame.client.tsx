"use client";

import { usePathname } from "next/navigation";
import { useCallback, useEffect, useState, type ReactNode } from "react";
import { Toaster } from "sonner";
import { Floor } from "../kit/floor";
import { focusView, viewId, watchFocus } from "../kit/give-focus-back";
import { DepotRoot } from "../depot/depot.client";
import { IncomingMods } from "../incoming/incoming.client";
import { MoveToDialog } from "../plan/move-to-dialog";
import { FirstOrderBar } from "../order-file/first-order-bar";
import { OrderFileDialog } from "../order-file/order-file-dialog";
import type { ShownView } from "../workspace/read-workspace";
import { useWorkspace, WorkspaceRoot } from "../workspace/workspace.client";
import { commands, matchKeys, type Command, type CommandContext, type DialogName } from "./commands";
import { KeysDialog } from "./keys-dialog";
import { NewProfileDialog, PresentFactsDialog } from "../profiles/profile-dialogs";
import { SwitchDialog } from "../profiles/switch-dialog";
import { Rail } from "./rail";
import { Strip } from "./strip";
import { turnTheme, useTheme } from "./theme";
import { TopBar } from "./top-bar";
import { TrialPanel } from "./trial-panel";
import { useGo } from "../workspace/use-go";

/** Everything around a view: top bar, rail, strip, dialogs, keys. */
export function FrameScreen({ view, children }: { view: ShownView; children: ReactNode }) {
  return (
    <WorkspaceRoot view={view}>
      <DepotRoot>
        <Frame>{children}</Frame>
      </DepotRoot>
    </WorkspaceRoot>
  );
}

function Frame({ children }: { children: ReactNode }) {
  const [dialog, setDialog] = useState<DialogName | null>(null);
  const close = useCallback(() => setDialog(null), []);
  const run = useCommands(setDialog);
  const theme = useTheme();
  const pathname = usePathname();
  const { trial } = useWorkspace();
  useEffect(() => watchFocus(), []);
  return (
    <div className="grid h-screen grid-cols-[auto_minmax(0,1fr)] grid-rows-[48px_minmax(0,1fr)_auto_30px]">
      <SkipLink />
      <TopBar run={run} openDialog={setDialog} />
      <Rail />
      <div className="bg-surface flex min-h-0 min-w-0 flex-col overflow-hidden">
        <FirstOrderBar />
        <main id={viewId} tabIndex={-1} className="min-h-0 grow overflow-hidden focus-visible:outline-none">
          <Floor key={pathname} what="This view">
            {children}
          </Floor>
        </main>
      </div>
      <TrialPanel />
      <Strip />
      <NewProfileDialog open={dialog === "new-profile"} onClose={close} />
      <PresentFactsDialog open={dialog === "profile-facts"} onClose={close} />
      <SwitchDialog open={dialog === "switch-profile"} onClose={close} />
      <OrderFileDialog />
      <KeysDialog open={dialog === "keys"} onClose={close} />
      <IncomingMods />
      <MoveToDialog open={dialog === "move-to"} onClose={close} />
      <Toaster
        theme={theme}
        position="bottom-right"
        offset={{ bottom: trial.open ? 268 : 44, right: 16 }}
        closeButton
        toastOptions={{
          className: "!font-sans !text-[13px] !bg-surface !text-ink !border-line !rounded-md !shadow-xl",
          classNames: { warning: "!border-saffron", closeButton: "!bg-surface !text-ink2 !border-line" },
        }}
      />
    </div>
  );
}

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
      To the view
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
      if (event.defaultPrevented || (isTyping(event.target) && !event.altKey && !isSave(event))) return;
      const command = commands.find((each) => each.keys && matchKeys(each.keys, event));
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

const isSave = (event: KeyboardEvent): boolean => (event.ctrlKey || event.metaKey) && event.code === "KeyS";
