import { useCallback, useMemo } from "react";
import { say } from "@/core/language/say";
import type { Outcome } from "@/core/model/outcome";
import { acceptFiles, gatherFiles, readOrderOnDisk, setFilesAside } from "../workspace/server";
import { useWorkspace } from "../workspace/workspace.client";

/** What can be done with files in the game's folder that are not as Seating left them; each answers whether it was. */
export interface FolderActs {
  readonly accept: (paths: readonly string[], isBare: boolean) => Promise<boolean>;
  readonly setAside: (paths: readonly string[]) => Promise<boolean>;
  readonly gather: (paths: readonly string[], name: string) => Promise<boolean>;
}

export function useFolder(): FolderActs {
  const { editor, unwrap, tell } = useWorkspace();
  const lookAgain = useCallback(async () => {
    const onDisk = unwrap(await readOrderOnDisk());
    if (onDisk) editor.setOnDisk(onDisk);
  }, [editor, unwrap]);
  const done = useCallback(
    async (outcome: Outcome<unknown>, text: string) => {
      if (!outcome.ok) {
        unwrap(outcome);
        return false;
      }
      tell([text]);
      await lookAgain();
      return true;
    },
    [unwrap, tell, lookAgain],
  );
  return useMemo(
    () => ({
      accept: async (paths, isBare) =>
        done(await acceptFiles([...paths], isBare), say("layout.accepted", { count: paths.length })),
      setAside: async (paths) =>
        done(await setFilesAside([...paths]), say("layout.wasSetAside", { count: paths.length })),
      gather: async (paths, name) =>
        done(
          await editor.changedBy(({ id, version }) => gatherFiles(id, version, [...paths], name)),
          say("layout.gathered", { count: paths.length, name }),
        ),
    }),
    [editor, done],
  );
}
