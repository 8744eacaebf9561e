import { say } from "@/core/language/say";
import { goByBook } from "@/core/edit/books";
import type { Rulebook } from "@/core/model/rulebook";
import { writeRulebook } from "@/formats/rulebook-file";
import { storeRulebook } from "../workspace/server";
import { useWorkspace } from "../workspace/workspace.client";

/** Keeps a rulebook and has the profile go by it; answers whether it does, once it is shown. */
export function useTakeBook(): (book: Rulebook, file: string) => Promise<boolean> {
  const { editor, unwrap, workOn, tell } = useWorkspace();
  return async (book, file) => {
    const stored = await storeRulebook(writeRulebook(book), file);
    unwrap(stored);
    if (!stored.ok) return false;
    editor.dispatch(goByBook(editor.getState().roster, book));
    await editor.settled();
    await workOn(editor.getState().profile.id);
    tell([say("rules.thisProfileGoesByNowYour", { name: book.name, version: book.version })]);
    return true;
  };
}
