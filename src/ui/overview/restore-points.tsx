"use client";

import { format } from "date-fns";
import { useState, type FormEvent } from "react";
import { plural } from "@/core/messages/parts";
import type { Changes } from "@/core/profile/changes";
import { changesSincePoint, goBack, nameRestorePoint } from "../workspace/server";
import { Button } from "../kit/button";
import { inputLook } from "../kit/field";
import { ItemName } from "../kit/sentence";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Named states of the profile to go back to; one is made before every accepted proposal. */
export function RestorePoints() {
  const { editor, unwrap, refresh, tell } = useWorkspace();
  const points = useEditor((state) => state.view.restorePoints);
  const [name, setName] = useState("");
  const [compared, setCompared] = useState<{ id: string; changes: Changes } | null>(null);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    await editor.settled();
    const outcome = await nameRestorePoint(editor.getState().profile.id, name);
    unwrap(outcome);
    if (!outcome.ok) return;
    setName("");
    refresh();
  };
  const compare = async (id: string) => {
    if (compared?.id === id) return setCompared(null);
    await editor.settled();
    const changes = unwrap(await changesSincePoint(id));
    if (changes) setCompared({ id, changes });
  };
  const back = async (id: string, point: string) => {
    await editor.settled();
    if (!unwrap(await goBack(id, editor.getState().profile.version))) return;
    await editor.reload();
    tell([`Back at “${point}”. Undo takes you forward again.`]);
  };
  return (
    <>
      <form onSubmit={(event) => void add(event)} className="mb-2 flex gap-2">
        <input
          value={name}
          onChange={(event) => setName(event.target.value)}
          aria-label="Name of a restore point"
          placeholder="Name the present state…"
          maxLength={80}
          className={inputLook}
        />
        <Button type="submit" disabled={name.trim() === ""}>
          Keep
        </Button>
      </form>
      {points.length === 0 && (
        <p className="text-ink2">None yet. One is made before every accepted proposal.</p>
      )}
      <ul>
        {points.map((point) => (
          <li key={point.id} className="border-line flex flex-wrap items-center gap-x-3 border-t py-1.5">
            <span className="min-w-0 grow truncate">{point.name}</span>
            <time
              dateTime={point.at}
              className="text-ink3 shrink-0 font-mono text-sm"
              suppressHydrationWarning
            >
              {format(new Date(point.at), "d MMM HH:mm")}
            </time>
            <Button small onClick={() => void compare(point.id)} aria-expanded={compared?.id === point.id}>
              Compare
            </Button>
            <Button small onClick={() => void back(point.id, point.name)}>
              Go back
            </Button>
            {compared?.id === point.id && <Since changes={compared.changes} />}
          </li>
        ))}
      </ul>
    </>
  );
}

const mostNamed = 8;

const kindsOfChange = [
  ["Moved", "moved"],
  ["New", "added"],
  ["Gone", "gone"],
  ["Switched on", "switchedOn"],
  ["Switched off", "switchedOff"],
] as const;

/** What has changed since a restore point, by kind. */
function Since({ changes }: { changes: Changes }) {
  const lists = (["plugins", "mods"] as const).flatMap((list) =>
    kindsOfChange.map(([title, kind]) => [`${title} ${list}`, changes[list][kind]] as const),
  );
  const rules = changes.rulesAdded + changes.rulesGone;
  const isSame = rules === 0 && lists.every(([, ids]) => ids.length === 0);
  return (
    <div className="text-ink2 w-full space-y-0.5 py-1" role="status">
      {isSame && <p>Nothing has changed since.</p>}
      {lists.map(([title, ids]) =>
        ids.length === 0 ? null : (
          <p key={title}>
            <b className="text-ink">
              {title}, {ids.length}:
            </b>{" "}
            {ids.slice(0, mostNamed).map((id) => (
              <span key={id} className="mr-2 inline-block">
                <ItemName id={id} />
              </span>
            ))}
            {ids.length > mostNamed && `and ${ids.length - mostNamed} more`}
          </p>
        ),
      )}
      {rules > 0 && (
        <p>
          {plural(changes.rulesAdded, "rule")} new, {changes.rulesGone} gone.
        </p>
      )}
    </div>
  );
}
