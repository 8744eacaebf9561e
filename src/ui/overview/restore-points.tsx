"use client";

import { moment } from "../kit/moment";
import { say } from "@/core/language/say";
import { useState, type FormEvent } from "react";
import type { Difference } from "@/core/compare/states";
import { changesSincePoint, nameRestorePoint } from "../workspace/server";
import { momentOfPoint } from "../history/moments";
import { useGoBack } from "../history/use-go-back";
import { Button } from "../kit/button";
import { inputLook } from "../kit/field";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { Since } from "./since";

/** Named states of the profile to go back to; one is made before every accepted proposal. */
export function RestorePoints() {
  const { editor, unwrap, refresh } = useWorkspace();
  const points = useEditor((state) => state.view.restorePoints);
  const [name, setName] = useState("");
  const [compared, setCompared] = useState<{ id: string; changes: readonly Difference[] } | null>(null);
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
  const back = useGoBack();
  return (
    <>
      <form onSubmit={(event) => void add(event)} className="mb-2 flex gap-2">
        <input
          value={name}
          onChange={(event) => setName(event.target.value)}
          aria-label={say("overview.nameOfARestorePoint")}
          placeholder={say("overview.nameThePresentState")}
          maxLength={80}
          className={inputLook}
        />
        <Button type="submit" disabled={name.trim() === ""}>
          {say("overview.keep")}
        </Button>
      </form>
      {points.length === 0 && <p className="text-ink2">{say("overview.noneYetOneIsMadeBefore")}</p>}
      <ul>
        {points.map((point) => (
          <li key={point.id} className="border-line flex flex-wrap items-center gap-x-3 border-t py-1.5">
            <span className="min-w-0 grow truncate">{point.name}</span>
            <time
              dateTime={point.at}
              className="text-ink3 shrink-0 font-mono text-sm"
              suppressHydrationWarning
            >
              {moment(point.at)}
            </time>
            <Button small onClick={() => void compare(point.id)} aria-expanded={compared?.id === point.id}>
              {say("common.compare")}
            </Button>
            <Button small onClick={() => void back(momentOfPoint(point))}>
              {say("overview.goBack")}
            </Button>
            {compared?.id === point.id && <Since changes={compared.changes} />}
          </li>
        ))}
      </ul>
    </>
  );
}
