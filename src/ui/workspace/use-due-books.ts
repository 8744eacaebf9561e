import { useCallback, useMemo, useRef, useState } from "react";
import type { FoundBook } from "@/core/model/found-books";
import { dueBooks } from "@/core/roster/books";
import type { ProfileEditor } from "./editor";
import { findRulebooks } from "./server";

/** Newer rulebooks that wait for an answer before something is proposed. */
interface BooksOffered {
  readonly due: readonly FoundBook[];
  /** Whether it goes on; what was declined is not offered again. */
  readonly answer: (goOn: boolean) => void;
}

export interface DueBooks {
  readonly booksOffered: BooksOffered | null;
  /** Offers what is due, if anything is; answers whether to go on. */
  readonly offerBooks: () => Promise<boolean>;
}

export function useDueBooks(editor: ProfileEditor): DueBooks {
  const [booksOffered, setOffered] = useState<BooksOffered | null>(null);
  const declined = useRef(new Set<string>());
  const offerBooks = useCallback(async () => {
    if (editor.getState().roster.profile.state.books.length === 0) return true;
    const found = await findRulebooks();
    // What cannot be looked for holds nothing up.
    if (!found.ok) return true;
    const due = dueBooks(editor.getState().roster, found.value.books).filter(
      (each) => !declined.current.has(keyOf(each)),
    );
    if (due.length === 0) return true;
    return new Promise<boolean>((resolve) =>
      setOffered({
        due,
        answer: (goOn) => {
          if (goOn) for (const each of due) declined.current.add(keyOf(each));
          setOffered(null);
          resolve(goOn);
        },
      }),
    );
  }, [editor]);
  return useMemo(() => ({ booksOffered, offerBooks }), [booksOffered, offerBooks]);
}

const keyOf = ({ book }: FoundBook): string => `${book.id} ${book.version}`;
