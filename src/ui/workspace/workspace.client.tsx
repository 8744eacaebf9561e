"use client";

import type { ProfileId } from "@/core/model/ids";
import {
  createContext,
  use,
  useCallback,
  useDeferredValue,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from "react";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { Outcome } from "@/core/model/outcome";
import type { Refusal } from "@/core/model/refusal";
import { seatAndTitle } from "@/core/roster/roster";
import type { ShownView } from "./read-workspace";
import { setWindow } from "./address";
import { ProfileEditor } from "./editor";
import { MessageLog, type MessageState, type Tell } from "./messages";
import { usePanel, type PanelState } from "./use-panel";
import type { EditorState } from "./editor-state";
import { editProfile, readProfile, undoOrRedo } from "./server";
import { useOrderFile, type OrderFileState } from "../order-file/use-order-file";
import { useEvents } from "./use-events";
import { useBlend, type BlendState } from "./use-blend";
import { useConflicts, type ConflictWatch } from "./use-conflicts";
import { useFindingsNoted, type FindingsNoted } from "./use-findings-noted";
import { useDrift } from "./use-drift";
import { useDueBooks, type DueBooks } from "./use-due-books";
import { useOutbox } from "./use-outbox";
import { useProfileSwitch } from "./use-profile-switch";
import { useProposal, type Proposing } from "./use-proposal";
import { unlessLeaving, watchLeaving } from "./unless-leaving";
import { useRefresh } from "./use-refresh";
import { useShelfReading, type ShelfReadingState } from "./use-shelf-reading";
import { useTrial, type TrialState } from "./use-trial";

export interface Workspace extends Proposing, DueBooks {
  readonly editor: ProfileEditor;
  readonly messages: MessageLog;
  readonly panel: PanelState;
  readonly tell: Tell;
  /** The value of an outcome, or null after its refusal has been told. */
  readonly unwrap: <T>(outcome: Outcome<T>) => T | null;
  /** Reads anew what the server shows. */
  readonly refresh: () => void;
  /** Works on a profile, whatever game it is of; null: on the one that was last chosen. */
  readonly workOn: (id: ProfileId | null) => Promise<void>;
  /** Works on another profile; answers whether it does. */
  readonly switchTo: (id: ProfileId) => Promise<boolean>;
  readonly orderFile: OrderFileState;
  readonly blend: BlendState;
  readonly trial: TrialState;
  readonly conflicts: ConflictWatch;
  readonly noted: FindingsNoted;
  readonly shelfReading: ShelfReadingState;
}

const WorkspaceContext = createContext<Workspace | null>(null);

export function useWorkspace(): Workspace {
  const workspace = use(WorkspaceContext);
  if (!workspace) throw new Error("there is no workspace above this component");
  return workspace;
}

/** A state that parts of the screen still show while the present one is drawn elsewhere; see `Later`. */
const LaterContext = createContext<EditorState | null>(null);
const neverChanges = () => () => undefined;

/** A part of the editor's state; `select` must give the same object as long as that part is unchanged. */
export function useEditor<T>(select: (state: EditorState) => T): T {
  const { editor } = useWorkspace();
  const later = use(LaterContext);
  const read = () => select(later ?? editor.getState());
  return useSyncExternalStore(later ? neverChanges : editor.subscribe, read, read);
}

/** What is inside is drawn anew after everything else has been painted, so that it does not hold up what is looked at first. */
export function Later({ children }: { children: ReactNode }) {
  const state = useDeferredValue(useEditor((now) => now));
  return <LaterContext value={state}>{children}</LaterContext>;
}

/** A part of what is told and was told; as `useEditor`. */
export function useMessages<T>(select: (state: MessageState) => T): T {
  const { messages } = useWorkspace();
  const read = () => select(messages.getState());
  return useSyncExternalStore(messages.subscribe, read, read);
}

const server = { editProfile, undoOrRedo, readProfile };

export function WorkspaceRoot({ view, children }: { view: ShownView; children: ReactNode }) {
  const [messages] = useState(() => new MessageLog(sessionStorage));
  const panel = usePanel();
  const [editor] = useState(() => {
    // What is inside asks the server at once.
    setWindow(view.profile.id, view.token);
    return new ProfileEditor(view, server);
  });
  const tell: Tell = useCallback(
    (sentence, tone = "plain", act = null) => {
      const text = plainText(sentence, (id) => seatAndTitle(editor.getState().roster, id));
      messages.tell(text, tone, act);
    },
    [editor, messages],
  );
  const refusal = useCallback(
    (why: Refusal) => {
      if (why.code === "unreachable") unlessLeaving(() => tell(sayRefusal(why), "wrong"));
      else tell(sayRefusal(why), "wrong");
    },
    [tell],
  );
  useEffect(() => watchLeaving(), []);
  useEffect(() => editor.onRefusal(refusal), [editor, refusal]);
  useEffect(() => {
    // A task that a frame asks for runs after that frame has been painted.
    const frame = requestAnimationFrame(() => setTimeout(() => editor.catchUpSoon()));
    return () => cancelAnimationFrame(frame);
  }, [editor]);

  const unwrap = useCallback(
    <T,>(outcome: Outcome<T>): T | null => {
      if (outcome.ok) return outcome.value;
      refusal(outcome.refusal);
      return null;
    },
    [refusal],
  );
  const { refresh, workOn, reach } = useRefresh(editor, unwrap);
  const conflicts = useConflicts(editor);
  const noted = useFindingsNoted(editor, conflicts, messages.note);
  const dueBooks = useDueBooks(editor);
  const proposals = useProposal(editor, conflicts, tell, dueBooks.offerBooks);
  const { show } = panel;
  const orderFile = useOrderFile(editor, unwrap, tell);
  useDrift(editor, orderFile.isBusy);
  const switchTo = useProfileSwitch(editor, unwrap, tell, orderFile.write);
  const blend = useBlend(editor, conflicts, unwrap, tell);
  const trial = useTrial(
    editor,
    useMemo(() => ({ unwrap, tell }), [unwrap, tell]),
    useCallback(() => show("trial"), [show]),
    orderFile.write,
    blend,
    useCallback(() => void noted.note(true), [noted]),
  );
  const shelfReading = useShelfReading(editor, unwrap, refresh);

  useOutbox(editor);
  useEvents(editor, tell, reach, shelfReading.setChanges, trial.look);

  const workspace = useMemo(
    () => ({
      editor,
      messages,
      panel,
      tell,
      unwrap,
      refresh,
      workOn,
      switchTo,
      orderFile,
      blend,
      ...proposals,
      ...dueBooks,
      trial,
      conflicts,
      noted,
      shelfReading,
    }),
    [
      editor,
      messages,
      panel,
      tell,
      unwrap,
      refresh,
      workOn,
      switchTo,
      orderFile,
      blend,
      proposals,
      dueBooks,
      trial,
      conflicts,
      noted,
      shelfReading,
    ],
  );
  return <WorkspaceContext value={workspace}>{children}</WorkspaceContext>;
}
