import { useEffect, useState } from "react";
import { findingId } from "@/core/check/identity";
import { countByLevel } from "@/core/check/run-checks";
import { say } from "@/core/language/say";
import { sayFinding } from "@/core/messages/findings";
import { plainText } from "@/core/messages/parts";
import type { Finding } from "@/core/model/finding";
import type { ProfileId } from "@/core/model/ids";
import type { Noted } from "@/core/model/noted";
import { seatAndTitle, type Roster } from "@/core/roster/roster";
import type { ProfileEditor } from "./editor";
import { isStoring } from "./editor-state";
import { noteFindings } from "./server";
import type { ConflictWatch } from "./use-conflicts";
import { listeningTo } from "../kit/listening";

/** Milliseconds for which nothing may have changed: what is found in the midst of work is gone again before anybody has seen it. */
const patience = 4000;

/** Tells the server what is found, once that has settled, and keeps what it knows: since when, how many, the last trial. */
export class FindingsNoted {
  private known: { readonly profile: ProfileId; readonly noted: Noted } | null = null;
  private told = "";
  /** Something else may be known of what was found before; stays until the server has said what. */
  private isAskedAnew = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly editor: ProfileEditor,
    private readonly conflicts: ConflictWatch,
    /** Is told once of what has appeared. */
    private readonly log: (text: string) => void,
  ) {}

  readonly subscribe = listeningTo(this.listeners);

  /** Of the profile that is shown; null as long as nothing is known of it. */
  readonly get = (): Noted | null =>
    this.known?.profile === this.editor.getState().profile.id ? this.known.noted : null;

  readonly soon = (): void => {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.note(), patience);
  };

  stop(): void {
    clearTimeout(this.timer);
  }

  /** `anew`: although the same was found before, for something else may be known of it. */
  async note(anew = false): Promise<void> {
    this.isAskedAnew ||= anew;
    await this.conflicts.known();
    const state = this.editor.getState();
    const { profile, roster, checked } = state;
    if (checked?.input.roster !== roster || isStoring(state)) return this.soon();
    const byId = new Map(checked.findings.map((finding) => [findingId(roster, finding), finding]));
    const ids = [...byId.keys()].sort();
    const now = [profile.id, ...ids].join(" ");
    if (now === this.told && !this.isAskedAnew) return;
    this.isAskedAnew = false;
    const outcome = await noteFindings(profile.id, ids, countByLevel(checked.told));
    // What cannot be noted now is noted with the next change.
    if (!outcome.ok) {
      this.isAskedAnew ||= anew;
      return;
    }
    this.told = now;
    const before = this.get()?.seen;
    if (before) this.logAppeared(roster, byId, new Set(before.map(({ finding }) => finding)));
    this.known = { profile: profile.id, noted: outcome.value };
    for (const listener of this.listeners) listener();
  }

  private logAppeared(
    roster: Roster,
    found: ReadonlyMap<string, Finding>,
    before: ReadonlySet<string>,
  ): void {
    const appeared = [...found].filter(([id]) => !before.has(id));
    if (appeared.length === 0) return;
    const named = appeared
      .slice(0, mostNamed)
      .map(([, finding]) =>
        plainText(sayFinding(finding), (id) => seatAndTitle(roster, id)).replace(/\.$/, ""),
      );
    const what = named.join("; ");
    this.log(
      say("workspace.findingsAppeared", {
        count: appeared.length,
        what,
        more: appeared.length - named.length,
      }),
    );
  }
}

const mostNamed = 5;

export function useFindingsNoted(
  editor: ProfileEditor,
  conflicts: ConflictWatch,
  log: (text: string) => void,
): FindingsNoted {
  const [noted] = useState(() => new FindingsNoted(editor, conflicts, log));
  useEffect(() => {
    noted.soon();
    const end = editor.subscribe(noted.soon);
    return () => {
      end();
      noted.stop();
    };
  }, [editor, noted]);
  return noted;
}
