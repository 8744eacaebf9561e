"use client";

import { say } from "@/core/language/say";
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
  get new() {
    return say("common.createProfile");
  },
  get into() {
    return say("lineups.importList");
  },
  get alone() {
    return say("lineups.replaceProfile");
  },
  get order() {
    return say("lineups.applyOrder");
  },
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
  const acceptAs = (importId: string, target: Acceptance["target"]) =>
    acceptImport(importId, { target, keepMine: [...keepMine] });
  const accept = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const kept = unwrap(await keepList(resolved, fileName));
    const accepted =
      kept &&
      unwrap(
        way === "new"
          ? await acceptAs(kept.importId, { way, name })
          : await editor.changedBy(({ id, version }) =>
              acceptAs(kept.importId, { way, profile: id, version }),
            ),
      );
    if (!accepted) return setBusy(false);
    if (way === "new") await workOn(accepted.profileId);
    else {
      tell([say("lineups.ofIsTakenInUndoTakes", { way, title: lineup.title })]);
      refresh();
    }
    setBusy(false);
    onAccepted();
  };
  return (
    <form onSubmit={(event) => void accept(event)} className="space-y-3">
      <fieldset>
        <legend className="mb-1 font-bold">{say("lineups.whereItGoes")}</legend>
        <Choice name="target" checked={way === "new"} onChoose={() => onWay("new")}>
          {say("lineups.intoANewProfile")}
        </Choice>
        <Choice name="target" checked={way === "into"} onChoose={() => onWay("into")}>
          {say("lineups.intoWithWhatIsYours", { name: profile.name })}
        </Choice>
        <Choice name="target" checked={way === "alone"} onChoose={() => onWay("alone")}>
          {say("lineups.replaceYourOtherModsAreSwitched", { name: profile.name })}
        </Choice>
        <Choice name="target" checked={way === "order"} onChoose={() => onWay("order")}>
          {say("lineups.onlyItsOrderInto", { name: profile.name })}
        </Choice>
      </fieldset>
      {way === "new" ? (
        <Field
          label={say("lineups.nameOfTheNewProfile")}
          value={name}
          onChange={(event) => setName(event.target.value)}
          maxLength={80}
        />
      ) : (
        <p className="text-ink2">{say("lineups.oneRestorePointIsMadeAnd")}</p>
      )}
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={busy || (way === "new" && name.trim() === "")}>
          {doWords[way]}
        </Button>
        <Button look="quiet" onClick={onLeave}>
          {say("common.cancel")}
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
