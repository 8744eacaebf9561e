import "server-only";
import { done, type Outcome } from "@/core/model/outcome";
import { readRulebook } from "@/formats/rulebook-file";
import { saveRulebook } from "@/store/rulebooks";
import type { Context } from "../context";
import { currentGame } from "./situation";

/** Keeps a rulebook for the present game; a profile goes by it once an edit says so. */
export async function storeRulebook(context: Context, text: string, name: string): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const book = readRulebook(new TextEncoder().encode(text), name, game.value.definition);
  if (!book.ok) return book;
  await saveRulebook(context.db, game.value.id, book.value);
  return done(null);
}
