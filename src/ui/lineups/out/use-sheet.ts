import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from "react";
import type { z } from "zod";
import { blankSheet, LineupSheet } from "@/core/model/lineup";
import { keepDraft, readDraft } from "../../kit/drafts";
import { useAskOnLeave } from "../../kit/use-ask-on-leave";
import { readSheet, saveSheet } from "../../workspace/server";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";
import { listeningTo } from "../../kit/listening";

/** Pictures may be too large for the browser to keep. */
const Typed = LineupSheet.partial() as z.ZodType<Partial<LineupSheet>>;

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
 * of it, so that neither is lost. What is not stored yet is kept in the browser.
 */
class SheetDraft {
  private read: LineupSheet | null = null;
  private typed: Partial<LineupSheet> = {};
  private shown: LineupSheet = blankSheet;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private last: Promise<void> = Promise.resolve();
  private reading: Promise<void> | null = null;
  private readonly listeners = new Set<() => void>();

  /** `save` answers whether it is stored. */
  constructor(
    private readonly draft: string,
    private readonly load: () => Promise<LineupSheet | null>,
    private readonly save: (sheet: LineupSheet) => Promise<boolean>,
  ) {}

  readonly getSheet = (): LineupSheet => this.shown;

  readonly subscribe = listeningTo(this.listeners);

  readonly isUnstored = (): boolean => Object.keys(this.typed).length > 0;

  open(): void {
    this.reading ??= this.load().then((sheet) => {
      this.read = sheet;
      this.typed = { ...readDraft(localStorage, this.draft, Typed), ...this.typed };
      this.show();
    });
  }

  readonly change = (part: Partial<LineupSheet>): void => {
    this.typed = { ...this.typed, ...part };
    keepDraft(localStorage, this.draft, this.typed);
    this.show();
  };

  readonly stored = async (): Promise<void> => {
    await this.reading;
    this.flush();
    await this.last;
  };

  private show(): void {
    this.shown = { ...(this.read ?? blankSheet), ...this.typed };
    if (this.read && this.isUnstored()) {
      if (this.timer) clearTimeout(this.timer);
      this.timer = setTimeout(() => this.flush(), storedAfter);
    }
    for (const listener of this.listeners) listener();
  }

  private flush(): void {
    if (!this.timer) return;
    clearTimeout(this.timer);
    this.timer = null;
    const { shown: sheet, typed } = this;
    this.last = this.last.then(async () => {
      if (!(await this.save(sheet))) return;
      this.read = sheet;
      if (this.typed !== typed) return;
      this.typed = {};
      keepDraft(localStorage, this.draft, null);
    });
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
        `sheet-${profile}`,
        async () => unwrap(await readSheet(profile)),
        async (sheet) => {
          const saved = await saveSheet(profile, sheet);
          unwrap(saved);
          return saved.ok;
        },
      );
    drafts.set(profile, made);
    return made;
  }, [drafts, profile, unwrap]);
  useEffect(() => {
    draft.open();
    return () => void draft.stored();
  }, [draft]);
  useAskOnLeave(draft.isUnstored);
  const sheet = useSyncExternalStore(
    draft.subscribe,
    draft.getSheet,
    useCallback(() => blankSheet, []),
  );
  return { sheet, change: draft.change, stored: draft.stored };
}
