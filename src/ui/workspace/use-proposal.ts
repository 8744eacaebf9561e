import { say } from "@/core/language/say";
import { usePathname } from "next/navigation";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Sentence } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { refuse } from "@/core/model/outcome";
import { acceptEdit, type OrderProposal } from "@/core/edit/accept";
import type { Roster } from "@/core/roster/roster";
import { askForProposal, cancelWork } from "../../work/ask";
import type { Question } from "../../work/jobs";
import type { ProfileEditor } from "./editor";
import type { ConflictWatch } from "./use-conflicts";
import type { DueBooks } from "./use-due-books";
import { useGo } from "./use-go";

/** A proposal and the profile that it was made for, which may have changed since. */
export interface Proposed {
  readonly roster: Roster;
  readonly proposal: OrderProposal;
}

export interface Proposing {
  /** The last answer; it stays to be seen while a newer one is computed. */
  readonly proposed: Proposed | null;
  /** Shows the proposal in the plan; false where nothing moves, or it was given up. */
  readonly propose: (question: Question) => Promise<boolean>;
  readonly leaveProposal: () => void;
  /** A proposal is being computed. */
  readonly proposing: boolean;
  readonly stopProposing: () => void;
}

/** Once there is a proposal, or one is under way, every change of the profile asks anew. */
export function useProposal(
  editor: ProfileEditor,
  conflicts: ConflictWatch,
  tell: (sentence: Sentence) => void,
  offerBooks: DueBooks["offerBooks"],
): Proposing {
  const go = useGo();
  const path = usePathname();
  const [proposed, setProposed] = useState<Proposed | null>(null);
  const [proposing, setProposing] = useState(false);
  /** The last question, and null once it was given up. */
  const latest = useRef<symbol | null>(null);
  const askedFor = useRef<{ readonly roster: Roster; readonly question: Question } | null>(null);

  const stopProposing = useCallback(() => {
    cancelWork();
    latest.current = null;
    askedFor.current = null;
    setProposing(false);
  }, []);
  const leaveProposal = useCallback(() => {
    stopProposing();
    setProposed(null);
  }, [stopProposing]);

  const ask = useCallback(
    async (question: Question): Promise<Proposed | null> => {
      const own = (latest.current = Symbol("question"));
      setProposing(true);
      // Who meets whom decides about some of the order.
      await conflicts.known();
      if (latest.current !== own) return null;
      const { view, roster } = editor.getState();
      askedFor.current = { roster, question };
      const computed = await askForProposal(view.game, view.stock, roster, question).catch(
        (error: Error) => error,
      );
      if (!computed) return null;
      setProposing(false);
      if (computed instanceof Error) {
        leaveProposal();
        tell(sayRefusal(refuse("fault", { detail: computed.message }).refusal));
        return null;
      }
      const proposal = computed;
      const answer = { roster, proposal };
      const { setAside, cycles } = proposal.result;
      const nothing = acceptEdit(roster, proposal) === null && setAside.length + cycles.length === 0;
      if (nothing) {
        leaveProposal();
        tell([say("workspace.alreadyInOrderNothingMoves")]);
        return null;
      }
      setProposed(answer);
      return answer;
    },
    [editor, conflicts, tell, leaveProposal],
  );

  useEffect(
    () =>
      editor.subscribe(() => {
        const { roster } = editor.getState();
        const asked = askedFor.current;
        if (asked && asked.roster.profile.state !== roster.profile.state) void ask(asked.question);
      }),
    [editor, ask],
  );

  const propose = useCallback(
    async (question: Question) => {
      editor.lookAt(question.list);
      if (!(await offerBooks())) return false;
      const isToSee = (await ask(question)) !== null;
      if (isToSee && path !== "/plan") go("/plan");
      return isToSee;
    },
    [editor, ask, go, path, offerBooks],
  );
  return useMemo(
    () => ({ proposed, propose, leaveProposal, proposing, stopProposing }),
    [proposed, propose, leaveProposal, proposing, stopProposing],
  );
}
