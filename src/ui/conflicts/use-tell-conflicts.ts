import { useCallback } from "react";
import { say } from "@/core/language/say";
import { useGo } from "../workspace/use-go";
import { useWorkspace } from "../workspace/workspace.client";
import { figuresText } from "./about-mod";
import { conflictsAbout } from "./conflicts-address";

/** Tells what a mod that has just been added overrides and what overrides it, with the way there; nothing where it meets nobody. */
export function useTellConflicts(): (id: string) => void {
  const { conflicts, tell } = useWorkspace();
  const go = useGo();
  return useCallback(
    (id: string) => {
      const told = async () => {
        const about = await conflicts.ask((jobs) => jobs.aboutItem("files", id));
        if (!about || about.wins + about.loses === 0) return;
        const nothing = about.covered || about.copyOf !== null ? ` ${say("conflicts.doesNothing")}` : "";
        tell([{ item: id }, `: ${figuresText("files", about)}${nothing}`], "plain", {
          word: say("conflicts.showThem"),
          run: () => go(conflictsAbout("files", { kind: "item", id })),
        });
      };
      // Where it cannot be known now there is nothing to tell.
      void told().catch(() => undefined);
    },
    [conflicts, tell, go],
  );
}
