import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from "react";
import { blankSheet, type LineupSheet } from "@/core/model/lineup";
import { readSheet, saveSheet } from "../../workspace/server";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";

/** Milliseconds without a change after which it is stored. */
const storedAfter = 500;

export interface SheetState {
  readonly sheet: LineupSheet;
  readonly change: (part: Partial<LineupSheet>) => void;
  /** Resolves once what was typed is stored. */
  readonly stored: () => Promise<void>;
}

/**
 * The sheet of a profile, free of React: what is typed before it has been read lies over what is read, and is stored with the rest
 * of it, so that neither is lost.
 */
class SheetDraft {
  private read: LineupSheet | null = null;
  private typed: Partial<LineupSheet> = {};
  private shown: LineupSheet = blankSheet;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private last: Promise<void> = Promise.resolve();
  private reading: Promise<void> | null = null;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly load: () => Promise<LineupSheet | null>,
    private readonly save: (sheet: LineupSheet) => Promise<void>,
  ) {}

  readonly getSheet = (): LineupSheet => this.shown;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  open(): void {
    this.reading ??= this.load().then((sheet) => {
      this.read = sheet;
      this.show();
    });
  }

  readonly change = (part: Partial<LineupSheet>): void => {
    this.typed = { ...this.typed, ...part };
    this.show();
  };

  readonly stored = async (): Promise<void> => {
    await this.reading;
    this.flush();
    await this.last;
  };

  private show(): void {
    this.shown = { ...(this.read ?? blankSheet), ...this.typed };
    if (this.read && Object.keys(this.typed).length > 0) {
      if (this.timer) clearTimeout(this.timer);
      this.timer = setTimeout(() => this.flush(), storedAfter);
    }
    for (const listener of this.listeners) listener();
  }

  private flush(): void {
    if (!this.timer) return;
    clearTimeout(this.timer);
    this.timer = null;
    const sheet = this.shown;
    this.last = this.last.then(() => this.save(sheet));
  }
}

/** What the curator says of the list of the present profile, stored as it is typed. */
export function useSheet(): SheetState {
  const { unwrap } = useWorkspace();
  const profile = useEditor((state) => state.profile.id);
  const [drafts] = useState(() => new Map<string, SheetDraft>());
  const draft = useMemo(() => {
    const made =
      drafts.get(profile) ??
      new SheetDraft(
        async () => unwrap(await readSheet(profile)),
        async (sheet) => void unwrap(await saveSheet(profile, sheet)),
      );
    drafts.set(profile, made);
    return made;
  }, [drafts, profile, unwrap]);
  useEffect(() => {
    draft.open();
    return () => void draft.stored();
  }, [draft]);
  const sheet = useSyncExternalStore(
    draft.subscribe,
    draft.getSheet,
    useCallback(() => blankSheet, []),
  );
  return { sheet, change: draft.change, stored: draft.stored };
}
