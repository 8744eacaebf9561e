import { useCallback, useState } from "react";
import { say } from "@/core/language/say";
import { sayRefusal } from "@/core/messages/refusals";
import type { BlendView } from "@/formats/blend-view";
import { useAskConflicts } from "../conflicts/use-ask-conflicts";
import { buildBlend } from "../workspace/server";
import type { ConflictQuestion } from "../workspace/use-conflicts";
import { useWorkspace } from "../workspace/workspace.client";

const question: ConflictQuestion<BlendView> = (jobs) => jobs.blend();

/** What a blend of the profile would come to now; undefined before it is known. */
export const useBlendView = () => useAskConflicts(question);

/** Builds the blend, or builds it anew, once everything else is stored. */
export function useBuildBlend() {
  const { editor, tell } = useWorkspace();
  const [isBuilding, setBuilding] = useState(false);
  const build = useCallback(async () => {
    setBuilding(true);
    try {
      await editor.settled();
      const { profile } = editor.getState();
      const built = await buildBlend(profile.id, profile.version);
      if (built.ok) tell([say("blend.built")]);
      else tell(sayRefusal(built.refusal), "wrong");
    } finally {
      setBuilding(false);
    }
  }, [editor, tell]);
  return { build, isBuilding };
}
