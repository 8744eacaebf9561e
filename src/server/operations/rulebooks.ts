import "server-only";
import { readdir } from "node:fs/promises";
import { join } from "node:path";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { BookFolder, bookFolderKey } from "@/core/model/preferences";
import type { FoundBook, FoundBooks } from "@/core/model/found-books";
import { namedPath } from "@/disk/named-path";
import { readSmall } from "@/disk/open-plain";
import { readRulebook } from "@/formats/rulebook-file";
import { readPreference } from "@/store/preferences";
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

/** Files of a folder that are looked at, and bytes of one of them. */
const mostFiles = 500;
const largestBook = 20 * 2 ** 20;

interface BookFile {
  readonly file: string;
  readonly bytes: Uint8Array;
}

/** The rulebooks for the present game that the depot offers, or that lie in the folder which the user named for them. */
export async function findRulebooks(context: Context): Promise<Outcome<FoundBooks>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { id, definition } = game.value;
  const folder = BookFolder.safeParse(await readPreference(context.db, id, bookFolderKey)).data;
  const books: FoundBook[] = [];
  const passedOver: FoundBooks["passedOver"][number][] = [];
  const take = (files: readonly BookFile[], from: FoundBook["from"]) => {
    for (const { file, bytes } of files) {
      const book = readRulebook(bytes, file, definition);
      if (book.ok) books.push({ book: book.value, from, file });
      else if (!isAnother(book.refusal.code)) passedOver.push({ file, refusal: book.refusal });
    }
  };
  const named = folder ? namedPath(folder) : null;
  const lying = named ? await filesIn(named) : done([]);
  if (lying.ok) take(lying.value, "folder");
  else passedOver.push({ file: named!, refusal: lying.refusal });
  take(await context.depots.depot.rulebooks(id), "depot");
  return done({ books, passedOver });
}

/** Whether a file is none that is looked for: no rulebook, or one of another game. Many a file lies in a folder. */
const isAnother = (code: string): boolean =>
  ["not-a-rulebook", "rulebook-game", "not-json", "not-utf8"].includes(code);

async function filesIn(folder: string): Promise<Outcome<BookFile[]>> {
  try {
    const entries = await readdir(folder, { withFileTypes: true });
    const names = entries
      .filter((entry) => entry.isFile() && /\.json$/i.test(entry.name))
      .map(({ name }) => name);
    return done(
      names
        .sort()
        .slice(0, mostFiles)
        .flatMap((file) => {
          const bytes = readSmall(join(folder, file), largestBook);
          return bytes ? [{ file, bytes }] : [];
        }),
    );
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    return refuse("game-file-unreadable", { path: folder, detail: code ?? message });
  }
}
