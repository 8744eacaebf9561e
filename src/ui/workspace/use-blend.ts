import { useCallback, useMemo, useState } from "react";
import { recipeOf } from "@/core/blend/decisions";
import { say } from "@/core/language/say";
import type { Outcome } from "@/core/model/outcome";
import type { ProfileEditor } from "./editor";
import type { Tell } from "./messages";
import { buildBlend } from "./server";
import type { ConflictWatch } from "./use-conflicts";

export interface BlendState {
  /** Builds the blend, or builds it anew, once everything else is stored, with another name if one is given; answers whether it did. */
  readonly build: (name?: string) => Promise<boolean>;
  readonly isBuilding: boolean;
  /** Whether the profile has one that is not what would be built of what loads now. */
  readonly isDue: () => Promise<boolean>;
}

/** The blend of the profile that is worked on. */
export function useBlend(
  editor: ProfileEditor,
  conflicts: ConflictWatch,
  unwrap: <T>(outcome: Outcome<T>) => T | null,
  tell: Tell,
): BlendState {
  const [isBuilding, setBuilding] = useState(false);
  const build = useCallback(
    async (name?: string) => {
      setBuilding(true);
      try {
        const built = await editor.changedBy(({ id, version }) => buildBlend(id, version, name ?? null));
        const isBuilt = unwrap(built) !== null;
        if (isBuilt) tell([say("blend.built")]);
        return isBuilt;
      } finally {
        setBuilding(false);
      }
    },
    [editor, unwrap, tell],
  );
  const isDue = useCallback(async () => {
    const has = () => recipeOf(editor.getState().profile.state) !== null;
    if (!has()) return false;
    await conflicts.known();
    return has() && editor.getState().roster.overlaps.standing.blend === "due";
  }, [editor, conflicts]);
  return useMemo(() => ({ build, isBuilding, isDue }), [build, isBuilding, isDue]);
}
