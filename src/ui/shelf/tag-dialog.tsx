"use client";

import { say } from "@/core/language/say";
import { useState, type FormEvent } from "react";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { tagMods } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import type { ShelfRow } from "./shelf-rows";

interface Props {
  open: boolean;
  onClose: () => void;
  rows: readonly ShelfRow[];
}

export function TagDialog({ rows, ...props }: Props) {
  return (
    <Dialog
      {...props}
      title={say("shelf.tagMods", { count: rows.length })}
      hint={say("shelf.yourOwnTagsStandBesideThose")}
    >
      <TagForm rows={rows} onClose={props.onClose} />
    </Dialog>
  );
}

function TagForm({ rows, onClose }: Omit<Props, "open">) {
  const { unwrap, refresh, tell } = useWorkspace();
  const known = useEditor((state) => state.view.stock.shelf).flatMap((mod) => mod.tags);
  const own = rows.flatMap(({ mod }) => mod?.ownTags ?? []);
  const [tag, setTag] = useState("");
  const name = tag.trim();
  const act = async (on: boolean) => {
    const ids = [...new Set(rows.map((row) => row.id))];
    const changed = unwrap(await tagMods(ids, name, on));
    if (!changed) return;
    onClose();
    refresh();
    const undo = () => void tagMods(changed, name, !on).then(unwrap).then(refresh);
    const said = on ? say("shelf.haveTheTagNow", { name }) : say("shelf.haveLostTheTag", { name });
    tell([`${say("common.mods3", { count: changed.length })} ${said}.`], "plain", {
      word: say("common.undo"),
      run: undo,
    });
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (name) void act(true);
  };
  return (
    <form onSubmit={submit} className="space-y-3">
      <Field
        label={say("common.tag")}
        value={tag}
        maxLength={60}
        list="known-tags"
        autoFocus
        onChange={(event) => setTag(event.target.value)}
      />
      <datalist id="known-tags">
        {[...new Set(known)].sort().map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button disabled={!own.includes(name)} onClick={() => void act(false)}>
          {say("shelf.removeTag")}
        </Button>
        <Button look="main" type="submit" disabled={!name}>
          {say("shelf.addTag")}
        </Button>
      </div>
    </form>
  );
}
