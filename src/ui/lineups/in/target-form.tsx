"use client";

import { useState, type FormEvent } from "react";
import type { TakeInWay } from "@/core/state/facet";
import type { ResolvedList } from "@/formats/lineup/resolve";
import type { Acceptance } from "@/server/operations/lineups";
import { Button } from "../../kit/button";
import { Choice } from "../../kit/choice";
import { Field } from "../../kit/field";
import { keepList } from "../keep-list";
import { acceptImport } from "../../workspace/server";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";

export type Way = "new" | TakeInWay;

const doWords: Readonly<Record<Way, string>> = {
  new: "Create profile",
  into: "Import list",
  alone: "Replace profile",
  order: "Apply order",
};

/** Into what a list comes, and the one click that does it. */
export function TargetForm({
  resolved,
  fileName,
  keepMine,
  way,
  onWay,
  onAccepted,
  onLeave,
}: {
  resolved: ResolvedList;
  fileName: string;
  keepMine: readonly string[];
  way: Way;
  onWay: (way: Way) => void;
  onAccepted: () => void;
  onLeave: () => void;
}) {
  const { editor, unwrap, refresh, workOn, tell } = useWorkspace();
  const { lineup } = resolved;
  const profile = useEditor((state) => state.profile);
  const profiles = useEditor((state) => state.view.profiles);
  const taken = profiles.map((each) => each.name);
  const [name, setName] = useState(() => freeName(lineup.title, taken));
  const [busy, setBusy] = useState(false);
  const targetOf = (): Acceptance["target"] => {
    if (way === "new") return { way, name };
    return { way, profile: profile.id, version: editor.getState().profile.version };
  };
  const accept = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    await editor.settled();
    const kept = unwrap(await keepList(resolved, fileName));
    const accepted =
      kept && unwrap(await acceptImport(kept.importId, { target: targetOf(), keepMine: [...keepMine] }));
    if (!accepted) return setBusy(false);
    if (way === "new") await workOn(accepted.profileId);
    else {
      await editor.reload();
      tell([
        `${way === "order" ? "The order" : "The whole"} of “${lineup.title}” is taken in. Undo takes it back.`,
      ]);
      refresh();
    }
    setBusy(false);
    onAccepted();
  };
  return (
    <form onSubmit={(event) => void accept(event)} className="space-y-3">
      <fieldset>
        <legend className="mb-1 font-bold">Where it goes</legend>
        <Choice name="target" checked={way === "new"} onChoose={() => onWay("new")}>
          Into a new profile
        </Choice>
        <Choice name="target" checked={way === "into"} onChoose={() => onWay("into")}>
          Into {profile.name}, with what is yours
        </Choice>
        <Choice name="target" checked={way === "alone"} onChoose={() => onWay("alone")}>
          Replace {profile.name}: your other mods are switched off
        </Choice>
        <Choice name="target" checked={way === "order"} onChoose={() => onWay("order")}>
          Only its order, into {profile.name}
        </Choice>
      </fieldset>
      {way === "new" ? (
        <Field
          label="Name of the new profile"
          value={name}
          onChange={(event) => setName(event.target.value)}
          maxLength={80}
        />
      ) : (
        <p className="text-ink2">One restore point is made, and one undo takes it back.</p>
      )}
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={busy || (way === "new" && name.trim() === "")}>
          {doWords[way]}
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Cancel
        </Button>
      </div>
    </form>
  );
}

function freeName(title: string, taken: readonly string[]): string {
  const used = new Set(taken.map((name) => name.toLowerCase()));
  const base = title.slice(0, 70);
  for (let n = 1; ; n++) {
    const name = n === 1 ? base : `${base} (${n})`;
    if (!used.has(name.toLowerCase())) return name;
  }
}
