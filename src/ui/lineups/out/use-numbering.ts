import { useState } from "react";
import { hasShared } from "../../workspace/first-steps-kept";
import { publishVersion } from "../../workspace/server";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";
import type { SheetState } from "./use-sheet";

/** A number under which something else went out before. */
interface Taken {
  readonly version: string;
  /** The next one that is free. */
  readonly next: string;
  readonly answer: (sendAs: string | null) => void;
}

export interface Numbering {
  /** Counts what was noted, so that it can be read anew. */
  readonly noted: number;
  readonly taken: Taken | null;
  /**
   * To be waited for before the list goes out: everything is stored, and what goes out under a number is noted as that version.
   * Answers false if it is not to go out.
   */
  readonly note: (needsNumber?: boolean) => Promise<boolean>;
}

/** One number, one list: what went out under a number does not go out with other contents unless its curator wants that. */
export function useNumbering({ sheet, change, stored }: SheetState): Numbering {
  const { editor, unwrap } = useWorkspace();
  const profile = useEditor((state) => state.profile.id);
  const [noted, setNoted] = useState(0);
  const [taken, setTaken] = useState<Taken | null>(null);
  const publish = async (anew: boolean): Promise<boolean> => {
    await stored();
    const outcome = await publishVersion(profile, anew);
    if (!outcome.ok && outcome.refusal.code === "list-version-taken" && !anew) {
      const { version, next } = outcome.refusal.data;
      return ask(version, next);
    }
    unwrap(outcome);
    return outcome.ok;
  };
  const ask = async (version: string, next: string): Promise<boolean> => {
    const sendAs = await new Promise<string | null>((answer) => setTaken({ version, next, answer }));
    setTaken(null);
    if (sendAs === null) return false;
    if (sendAs !== version) change({ listVersion: sendAs });
    return publish(sendAs === version);
  };
  const note = async (needsNumber = false) => {
    await Promise.all([stored(), editor.settled()]);
    const isNoted = (!needsNumber && sheet.listVersion.trim() === "") || (await publish(false));
    setNoted((count) => count + 1);
    if (isNoted) hasShared.set(true);
    return isNoted;
  };
  return { noted, taken, note };
}
