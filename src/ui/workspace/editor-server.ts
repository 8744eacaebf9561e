import { applySteps } from "@/core/edit/steps";
import type { Edit, Step } from "@/core/model/edit";
import type { ProfileId } from "@/core/model/ids";
import type { Outcome } from "@/core/model/outcome";
import type { Refusal } from "@/core/model/refusal";
import type { WorkspaceView } from "@/server/views/workspace";
import type { EditorHistory, StoredProfile } from "./pending";

/** How the editor reaches the server; a test gives it one of its own. */
export interface EditorServer {
  editProfile(profileId: ProfileId, base: number, edit: Edit, editId: string): Promise<Outcome<Answered>>;
  undoOrRedo(
    profileId: ProfileId,
    base: number,
    way: "undo" | "redo",
    isKnown: boolean,
  ): Promise<Outcome<Returned>>;
  readProfile(profileId: ProfileId): Promise<Outcome<StoredProfile>>;
}

interface Answered extends FollowedNow {
  readonly version: number;
  readonly history: EditorHistory;
}

/** The list that is followed, only there if that has changed. */
export interface FollowedNow {
  readonly followed?: WorkspaceView["followed"];
}

/** These say nothing of the edit itself: it may be stored yet. */
export const isTrouble = ({ code }: Refusal): boolean => code === "unreachable" || code === "fault";

/** What undo or redo led to; the steps are not there where the window said that it knows them. */
interface Returned extends Answered {
  readonly steps?: readonly Step[];
}

/** The profile after these steps; null where that is not the version that the server has come to. */
export function storedAfter(
  { profile }: StoredProfile,
  { version, history, steps }: Returned,
): StoredProfile | null {
  const applied = steps && version === profile.version + 1 ? applySteps(profile.state, steps) : null;
  return applied?.ok ? { profile: { ...profile, version, state: applied.value.state }, history } : null;
}
