"use client";

import { useState, type FormEvent } from "react";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import { plural } from "@/core/messages/parts";
import type { ImportPlan } from "@/server/operations/lineups";
import { Button } from "../kit/button";
import { Field } from "../kit/field";
import { LevelMark } from "../kit/level";
import { useEditor } from "../workspace/workspace.client";

type PlannedMod = ImportPlan["mods"][number];

/** What a lineup would bring: what is here, what is different, what is missing. */
export function ImportPlanView({
  plan,
  onAccept,
  onLeave,
}: {
  plan: ImportPlan;
  onAccept: (name: string) => Promise<void>;
  onLeave: () => void;
}) {
  const taken = useEditor((state) => state.view.profiles);
  const [name, setName] = useState(() =>
    freeName(
      plan.title,
      taken.map((each) => each.name),
    ),
  );
  const [busy, setBusy] = useState(false);
  const of = (status: PlannedMod["status"]) => plan.mods.filter((mod) => mod.status === status);
  const accept = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    await onAccept(name);
    setBusy(false);
  };
  return (
    <div className="space-y-3">
      <p>
        <b>{plan.title}</b> <span className="text-ink2">from {plan.fileName}</span>
        <br />
        <span className="text-ink2">
          {plural(plan.mods.length, "mod")}, {plural(plan.plugins, "plugin")} · fingerprint{" "}
          <span className="text-ink font-mono">{shortFingerprint(plan.fingerprint)}</span>
        </span>
      </p>
      <Warnings plan={plan} />
      <Group title="Missing here" hint="their seats are kept" mods={of("missing")} />
      <Group title="Different here" hint="what is on the shelf is taken" mods={of("different")} />
      <Group title="Found here" hint="with the same contents" mods={of("found")} folded />
      <form onSubmit={(event) => void accept(event)} className="border-line space-y-3 border-t pt-3">
        <Field
          label="Name of the new profile"
          value={name}
          onChange={(event) => setName(event.target.value)}
          maxLength={80}
        />
        <div className="flex gap-2">
          <Button look="main" type="submit" disabled={busy || name.trim() === ""}>
            Make the profile
          </Button>
          <Button look="quiet" onClick={onLeave}>
            Leave it
          </Button>
        </div>
      </form>
    </div>
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

function Warnings({ plan }: { plan: ImportPlan }) {
  const warnings = [
    !plan.intact &&
      "This file was changed after it had been exported: its contents do not give the fingerprint that it names.",
    plan.gameVersion !== null && `It was made for version ${plan.gameVersion} of the game.`,
    ...plan.expansionsMissing.map((name) => `It uses the expansion ${name}, which is not owned here.`),
    ...plan.baseDifferent.map((name) => `${name} of the game itself is another file here.`),
  ].filter((text) => text !== false);
  return warnings.map((text) => (
    <p key={text} className="bg-saffron-soft flex gap-2 rounded-md px-3 py-2">
      <LevelMark level="problem" label="problem" />
      {text}
    </p>
  ));
}

function Group({
  title,
  hint,
  mods,
  folded = false,
}: {
  title: string;
  hint: string;
  mods: readonly PlannedMod[];
  folded?: boolean;
}) {
  if (mods.length === 0) return null;
  return (
    <details open={!folded}>
      <summary className="cursor-pointer font-semibold">
        {title} <span className="font-mono">{mods.length}</span>{" "}
        <span className="text-ink2 font-normal">{hint}</span>
      </summary>
      <ul className="border-line mt-1 max-h-64 overflow-auto border-t">
        {mods.map((mod) => (
          <li key={mod.id} className="border-line flex gap-3 border-b py-1">
            <span className={`min-w-0 grow truncate ${mod.on ? "font-semibold" : "text-ink3 line-through"}`}>
              {mod.name}
            </span>
            <span className="text-ink2 shrink-0 font-mono text-sm">
              {mod.here !== null && mod.status === "different"
                ? `${mod.wanted}, here ${mod.here}`
                : mod.wanted}
            </span>
            {mod.status === "missing" && (
              <span className="text-ink3 w-40 shrink-0 truncate font-mono text-sm">{mod.source}</span>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
