import type { BlendView } from "@/formats/blend-view";
import { useAskConflicts } from "../conflicts/use-ask-conflicts";
import type { ConflictQuestion } from "../workspace/use-conflicts";

const question: ConflictQuestion<BlendView> = (jobs) => jobs.blend();

/** What a blend of the profile would come to now; undefined before it is known. */
export const useBlendView = () => useAskConflicts(question);
