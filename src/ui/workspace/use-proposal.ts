import { usePathname, useRouter } from "next/navigation";
import { useCallback, useEffect, useMemo, useState } from "react";
import type { Sentence } from "@/core/messages/parts";
import { acceptEdit, type PluginProposal } from "@/core/profile/accept";
import type { Profile } from "@/core/model/profile";
import { askWorker, cancelWork } from "../../work/ask";
import type { ProfileEditor } from "./editor";

interface Proposing {
  readonly proposal: PluginProposal | null;
  readonly propose: () => Promise<void>;
  readonly leaveProposal: () => void;
  /** A proposal is being computed. */
  readonly proposing: boolean;
  readonly stopProposing: () => void;
}

/** A proposal is of one state of the profile: it goes as soon as the profile changes. */
export function useProposal(editor: ProfileEditor, tell: (sentence: Sentence) => void): Proposing {
  const router = useRouter();
  const path = usePathname();
  const [made, setMade] = useState<{ of: Profile; proposal: PluginProposal } | null>(null);
  const [proposing, setProposing] = useState(false);
  const leaveProposal = useCallback(() => setMade(null), []);
  const stopProposing = useCallback(() => {
    cancelWork();
    setProposing(false);
  }, []);
  useEffect(
    () =>
      editor.subscribe(() =>
        setMade((now) => (now && now.of.state !== editor.getState().profile.state ? null : now)),
      ),
    [editor],
  );
  const propose = useCallback(async () => {
    const { profile, view } = editor.getState();
    setProposing(true);
    const proposal = await askWorker().propose(view.game, profile, view.stock);
    setProposing(false);
    if (editor.getState().profile.state !== profile.state) return;
    const { setAside, cycles } = proposal.result;
    const nothing = acceptEdit(editor.getState().roster, proposal) === null;
    if (nothing && setAside.length + cycles.length === 0) {
      setMade(null);
      return tell(["Nothing moves: this order already holds everything that it can."]);
    }
    setMade({ of: profile, proposal });
    if (path !== "/plan") router.push("/plan");
  }, [editor, tell, router, path]);
  return useMemo(
    () => ({ proposal: made?.proposal ?? null, propose, leaveProposal, proposing, stopProposing }),
    [made, propose, leaveProposal, proposing, stopProposing],
  );
}
