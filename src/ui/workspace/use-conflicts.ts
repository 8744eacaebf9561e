import { useEffect, useState } from "react";
import type { HandSummary } from "@/core/conflict/hand-summary";
import type { PackedLibrary } from "@/core/conflict/packed-library";
import type { Outcome } from "@/core/model/outcome";
import type { ProfileState } from "@/core/model/profile";
import type { Roster } from "@/core/roster/roster";
import { ConflictDesk } from "../../work/conflict-desk";
import { windowHeaders } from "./address";
import type { ProfileEditor } from "./editor";
import { unreachable } from "./server";

/** Milliseconds. After an edit it is stored first, for which the machine would be too busy beside it; several at once are looked at once. */
const patience = { opened: 60, edited: 300 };

const readLibrary = async (wanted: readonly string[]): Promise<PackedLibrary> => {
  const outcome = await fetch("/api/contents", {
    method: "POST",
    headers: { ...windowHeaders(), "content-type": "application/json" },
    body: JSON.stringify(wanted),
  })
    .then((response) => response.json() as Promise<Outcome<PackedLibrary>>)
    .catch(unreachable);
  if (!outcome.ok) throw new Error(outcome.refusal.code);
  return outcome.value;
};

export type ConflictQuestion<T> = Parameters<typeof ConflictDesk.prototype.ask<T>>[1];

/** Keeps the index of conflicts at what the editor shows, and tells the editor who meets whom. */
export class ConflictWatch {
  private readonly desk = new ConflictDesk(readLibrary);
  private looked: Roster | null = null;
  private looking: Promise<void> = Promise.resolve();
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly editor: ProfileEditor) {}

  /** Once the editor knows who meets whom in what it shows now, or that cannot be known. */
  known(): Promise<void> {
    this.stop();
    if (!this.isLookedAt()) this.looking = this.look();
    return this.looking;
  }

  /** What would change hands if this were what the profile decides; null where a newer question came, or it cannot be known now. */
  async preview(state: ProfileState): Promise<HandSummary | null> {
    await this.known();
    return this.desk.preview(this.editor.getState().roster, state).catch(() => null);
  }

  /** Asks of what the profile's conflicts are as it is shown now; rejects where that cannot be known. */
  async ask<T>(question: ConflictQuestion<T>): Promise<T> {
    await this.known();
    return this.desk.ask(this.editor.getState().roster, question);
  }

  soon(after: keyof typeof patience): void {
    if (!this.isLookedAt()) this.timer ??= setTimeout(() => void this.known(), patience[after]);
  }

  stop(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
  }

  private isLookedAt(): boolean {
    const { profile, stock } = this.editor.getState().roster;
    return this.looked?.profile.state === profile.state && this.looked.stock === stock;
  }

  private async look(): Promise<void> {
    const { roster } = this.editor.getState();
    this.looked = roster;
    const overlaps = await this.desk.show(roster).catch(() => {
      // With whatever happens next it is looked at again.
      if (this.looked === roster) this.looked = null;
      return null;
    });
    if (overlaps && this.editor.getState().profile.id === roster.profile.id) this.editor.meet(overlaps);
  }
}

/** Nothing that is shown waits for it. */
export function useConflicts(editor: ProfileEditor): ConflictWatch {
  const [watch] = useState(() => new ConflictWatch(editor));
  useEffect(() => {
    watch.soon("opened");
    const end = editor.subscribe(() => watch.soon("edited"));
    return () => {
      end();
      watch.stop();
    };
  }, [editor, watch]);
  return watch;
}
