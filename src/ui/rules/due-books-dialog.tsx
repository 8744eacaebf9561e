"use client";

import { useState } from "react";
import { say } from "@/core/language/say";
import { openBooks } from "@/core/roster/books";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { BookDifference } from "./book-dialog";
import { useTakeBook } from "./use-take-book";

/** Before an order is proposed: rulebooks that the profile goes by and of which there is a newer version, with what it changes. */
export function DueBooksDialog() {
  const { booksOffered } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const takeBook = useTakeBook();
  const [isTaking, setTaking] = useState(false);
  const due = booksOffered?.due ?? [];
  const used = new Map(openBooks(roster).map(({ book }) => [book.id, book]));
  const take = async () => {
    setTaking(true);
    let isTaken = true;
    for (const { book, file } of due) isTaken = isTaken && (await takeBook(book, file));
    setTaking(false);
    booksOffered?.answer(isTaken ? "used" : "cancel");
  };
  return (
    <Dialog
      open={booksOffered !== null}
      onClose={() => booksOffered?.answer("cancel")}
      title={say("rules.newerRulebooks", { count: due.length })}
      hint={say("rules.newerRulebooksHint")}
      size="medium"
    >
      {due.map(({ book, from }) => (
        <section key={book.id} className="mb-3 space-y-2">
          <h3 className="font-bold">
            {say("rules.newerBook", {
              name: book.name,
              version: used.get(book.id)?.version,
              version2: book.version,
              from,
            })}
          </h3>
          <BookDifference old={used.get(book.id) ?? null} next={book} />
        </section>
      ))}
      <div className="flex flex-wrap justify-end gap-2">
        <Button look="quiet" onClick={() => booksOffered?.answer("cancel")}>
          {say("common.cancel")}
        </Button>
        <Button onClick={() => booksOffered?.answer("without")}>{say("rules.proposeWithoutThem")}</Button>
        <Button look="main" disabled={isTaking} onClick={() => void take()}>
          {say("rules.useThemAndPropose")}
        </Button>
      </div>
    </Dialog>
  );
}
