import { useCallback, useMemo, useRef, useState } from "react";
import type { FoundBook } from "@/core/model/found-books";
import { dueBooks } from "@/core/roster/books";
import type { ProfileEditor } from "./editor";
import { findRulebooks } from "./server";

/** Newer rulebooks that wait for an answer before something is proposed. */
interface BooksOffered {
  readonly due: readonly FoundBook[];
  /** They are used now; or it goes on without them, and they are not offered again; or nothing is proposed. */
  readonly answer: (how: "used" | "without" | "cancel") => void;
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
        answer: (how) => {
          if (how === "without") for (const each of due) declined.current.add(keyOf(each));
          setOffered(null);
          resolve(how !== "cancel");
        },
      }),
    );
  }, [editor]);
  return useMemo(() => ({ booksOffered, offerBooks }), [booksOffered, offerBooks]);
}

const keyOf = ({ book }: FoundBook): string => `${book.id} ${book.version}`;
