"use client";

import { say } from "@/core/language/say";
import { useState } from "react";
import { ruleText, strengthText } from "@/core/messages/rules";
import type { FoundBook } from "@/core/model/found-books";
import { dropBook, switchBookRule } from "@/core/edit/books";
import { bookRuleId, openBooks, type OpenBook } from "@/core/roster/books";
import { readRulebook } from "@/formats/rulebook-file";
import { Term } from "../kit/term";
import { Button } from "../kit/button";
import { FileButton } from "../kit/file-button";
import { Say } from "../kit/sentence";
import { Toggle } from "../kit/toggle";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { BookDialog } from "./book-dialog";
import { BookFolderButton, FoundBooksList } from "./found-books";
import { useTakeBook } from "./use-take-book";

/** The rulebooks that the profile goes by: bring one in, update it, switch single rules of it off. */
export function Rulebooks() {
  const { editor, unwrap } = useWorkspace();
  const takeBook = useTakeBook();
  const roster = useEditor((state) => state.roster);
  const ties = useEditor((state) => state.ties);
  const [chosen, setChosen] = useState<Pick<FoundBook, "book" | "file"> | null>(null);
  const books = openBooks(roster);
  const aside = [ties.plugins, ties.mods].flatMap(({ constraints }) => constraints.setAside);
  const setAside = new Set(aside.map(({ rule }) => ("id" in rule ? rule.id : undefined)));
  const look = async (file: File) => {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const book = unwrap(readRulebook(bytes, file.name, roster.game));
    if (book) setChosen({ book, file: file.name });
  };
  const accept = async ({ book, file }: Pick<FoundBook, "book" | "file">) => {
    setChosen(null);
    await takeBook(book, file);
  };
  return (
    <section aria-label={say("common.rulebooks")} className="border-line border-t">
      <header className="bg-sunk border-line flex flex-wrap items-center gap-2 border-b px-3 py-1.5">
        <h2 className="font-bold">
          <Term word="rulebook">{say("common.rulebooks")}</Term>
        </h2>
        <span className="text-ink2 min-w-0 grow basis-52">{say("rules.whatOthersKnowAboutTheOrder")}</span>
        <BookFolderButton />
        <FileButton
          small
          of={say("rules.rulebookFile")}
          accept=".json,application/json"
          onFile={(file) => void look(file)}
        >
          {say("rules.importRulebook")}
        </FileButton>
      </header>
      {books.map((open) => (
        <Book
          key={open.book.id}
          open={open}
          isAside={(rule) => setAside.has(bookRuleId(open.book.id, rule))}
          onDrop={() => editor.dispatch(dropBook(open))}
        />
      ))}
      {books.length === 0 && <p className="text-ink2 px-3 py-3">{say("rules.noRulebookInUse")}</p>}
      <FoundBooksList onLook={setChosen} />
      <BookDialog
        chosen={chosen?.book ?? null}
        onClose={() => setChosen(null)}
        onAccept={() => chosen && void accept(chosen)}
      />
    </section>
  );
}

function Book({
  open,
  isAside,
  onDrop,
}: {
  open: OpenBook;
  isAside: (rule: string) => boolean;
  onDrop: () => void;
}) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const { book, off } = open;
  return (
    <article aria-label={book.name}>
      <header className="flex items-center gap-3 px-3 py-2">
        <p className="grow">
          <b>{book.name}</b> <span className="font-mono text-sm">{book.version}</span>
          {book.author && <span className="text-ink2">{say("common.by", { author: book.author })}</span>}
          <span className="text-ink2">
            {say("rules.rulesOffPiecesOfAdvice", {
              count: book.rules.length,
              count2: off.size,
              count3: book.advice.length,
            })}
          </span>
        </p>
        <Button small look="danger" onClick={onDrop}>
          {say("rules.stopUsing")}
        </Button>
      </header>
      <ul aria-label={say("rules.rulesOf", { name: book.name })}>
        {book.rules.map((rule) => (
          <li key={rule.id} className="border-line flex items-center gap-2 border-t py-1 pr-3 pl-3">
            <Toggle
              on={!off.has(rule.id)}
              label={say("rules.of", { id: rule.id, name: book.name, which: String(off.has(rule.id)) })}
              onClick={() => {
                const edit = switchBookRule(roster, open, rule, off.has(rule.id));
                if (edit) editor.dispatch(edit);
              }}
            />
            <span className="min-w-0 grow">
              <span className={`block ${off.has(rule.id) ? "text-ink3" : ""}`}>
                <Say parts={ruleText(rule.rule)} />
              </span>
              {rule.note && (
                <span className="text-ink2 block truncate text-sm">
                  {say("rules.because2", { note: rule.note })}
                </span>
              )}
            </span>
            <span className="text-ink2 w-28 shrink-0 text-sm">{strengthText(rule)}</span>
            <span className="text-saffron w-24 shrink-0 text-sm font-semibold">
              {isAside(rule.id) ? say("rules.setAside2") : ""}
            </span>
          </li>
        ))}
      </ul>
    </article>
  );
}
