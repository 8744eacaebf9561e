"use client";

import { useCallback, useEffect, useState } from "react";
import { say } from "@/core/language/say";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { BookFolder, bookFolderKey } from "@/core/model/preferences";
import type { FoundBook, FoundBooks } from "@/core/model/found-books";
import { openBooks } from "@/core/roster/books";
import { compareVersions } from "@/core/version/version";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { FolderField } from "../start/folder-field";
import { findRulebooks, setPreference } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Rulebooks that the depot or the named folder has and the profile does not go by in that version, the newest of each. */
export function FoundBooksList({ onLook }: { onLook: (found: FoundBook) => void }) {
  const roster = useEditor((state) => state.roster);
  const folder = useEditor((state) => state.view.preferences)[bookFolderKey];
  const found = useFound(folder);
  const used = new Map(openBooks(roster).map(({ book }) => [book.id, book.version]));
  const offered = newestOf(found?.books ?? []).filter(({ book }) => {
    const version = used.get(book.id);
    return version === undefined || compareVersions(book.version, version) > 0;
  });
  if (offered.length + (found?.passedOver.length ?? 0) === 0) return null;
  return (
    <section aria-label={say("rules.rulebooksFound")} className="border-line border-t px-3 py-2">
      <h3 className="text-ink2 text-sm font-semibold">{say("rules.rulebooksFound")}</h3>
      <ul>
        {offered.map((each) => (
          <li key={each.book.id} className="flex flex-wrap items-center gap-2 py-0.5">
            <span className="grow">
              <b>{each.book.name}</b> <span className="font-mono text-sm">{each.book.version}</span>{" "}
              <span className="text-ink2">
                {used.has(each.book.id)
                  ? say("rules.foundNewer", { version: used.get(each.book.id), from: each.from })
                  : say("rules.foundNew", { from: each.from })}
              </span>
            </span>
            <Button small onClick={() => onLook(each)}>
              {used.has(each.book.id) ? say("rules.seeChanges") : say("rules.seeWhatItBrings")}
            </Button>
          </li>
        ))}
        {found?.passedOver.map(({ file, refusal }) => (
          <li key={file} className="text-saffron py-0.5">
            {say("rules.passedOver", { file, why: plainText(sayRefusal(refusal)) })}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Read anew when another folder is named. */
function useFound(folder: unknown): FoundBooks | null {
  const [found, setFound] = useState<FoundBooks | null>(null);
  useEffect(() => {
    let isWanted = true;
    void findRulebooks().then((outcome) => {
      if (isWanted && outcome.ok) setFound(outcome.value);
    });
    return () => {
      isWanted = false;
    };
  }, [folder]);
  return found;
}

function newestOf(books: readonly FoundBook[]): FoundBook[] {
  const newest = new Map<string, FoundBook>();
  for (const each of books) {
    const { id, version } = each.book;
    const known = newest.get(id);
    if (!known || compareVersions(known.book.version, version) < 0) newest.set(id, each);
  }
  return [...newest.values()];
}

/** Names the folder in which rulebooks of the game are looked for. */
export function BookFolderButton() {
  const { editor, unwrap } = useWorkspace();
  const stored = BookFolder.safeParse(useEditor((state) => state.view.preferences)[bookFolderKey]).data ?? "";
  const [path, setPath] = useState<string | null>(null);
  const save = useCallback(
    async (folder: string) => {
      const outcome = await setPreference(bookFolderKey, folder);
      unwrap(outcome);
      if (!outcome.ok) return;
      editor.setPreference(bookFolderKey, folder);
      setPath(null);
    },
    [editor, unwrap],
  );
  return (
    <>
      <Button small onClick={() => setPath(stored)}>
        {say("rules.bookFolder")}
      </Button>
      <Dialog
        open={path !== null}
        onClose={() => setPath(null)}
        title={say("rules.bookFolderTitle")}
        hint={say("rules.bookFolderHint")}
        size="medium"
      >
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void save((path ?? "").trim());
          }}
        >
          <FolderField
            label={say("rules.bookFolderLabel")}
            value={path ?? ""}
            onChange={setPath}
            needs="reading"
          />
          <div className="flex justify-end gap-2 pt-3">
            {stored !== "" && (
              <Button look="quiet" type="button" onClick={() => void save("")}>
                {say("rules.noBookFolder")}
              </Button>
            )}
            <Button look="main" type="submit">
              {say("rules.useBookFolder")}
            </Button>
          </div>
        </form>
      </Dialog>
    </>
  );
}
