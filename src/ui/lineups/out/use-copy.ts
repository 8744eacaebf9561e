import { say } from "@/core/language/say";
import { useWorkspace } from "../../workspace/workspace.client";

/** Puts a text into the clipboard and says so, or what to do where the browser does not allow it. */
export function useCopy(): (text: string, what: string) => Promise<void> {
  const { tell } = useWorkspace();
  return async (text, what) => {
    try {
      await navigator.clipboard.writeText(text);
      tell([say("lineups.isInTheClipboard", { what })]);
    } catch {
      tell([say("lineups.theBrowserDoesNotLetSeating")]);
    }
  };
}
