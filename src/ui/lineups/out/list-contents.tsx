"use client";

import { useState } from "react";
import { roleWords, termWords } from "@/core/messages/roles";
import type { LineupRole, LineupSheet, LineupTerms } from "@/core/model/lineup";
import type { SeatedMod } from "@/core/roster/roster";
import { Button } from "../../kit/button";
import { Choice } from "../../kit/choice";
import { Dialog } from "../../kit/dialog";
import { Field } from "../../kit/field";
import { LongList } from "../../kit/long-list";
import { useEditor } from "../../workspace/workspace.client";
import type { SheetState } from "./use-sheet";

const columns = "grid grid-cols-[34px_minmax(0,1fr)_52px_116px_108px] items-center gap-x-2 px-2.5";

/** What goes out: every mod in order, with what it is to the list and on what terms others get it. */
export function ListContents({ sheet, change }: Pick<SheetState, "sheet" | "change">) {
  const mods = useEditor((state) => state.roster.mods);
  const [asking, setAsking] = useState<SeatedMod | null>(null);
  return (
    <section aria-labelledby="contents" className="flex min-h-0 grow flex-col">
      <h2 id="contents" className="mb-2 text-lg font-bold">
        What it holds
      </h2>
      <div className="border-line flex min-h-0 grow flex-col rounded-md border">
        <div
          className={`border-line bg-sunk text-ink2 h-8 shrink-0 border-b text-sm font-semibold ${columns}`}
        >
          <span>Seat</span>
          <span>Mod</span>
          <span>Version</span>
          <span>Part of the list</span>
          <span>Terms</span>
        </div>
        <LongList
          label="Mods of the list"
          rows={mods}
          keyOf={({ id }) => id}
          rowLook={columns}
          className="min-h-0 grow"
        >
          {(each) => <Row item={each} sheet={sheet} change={change} onTerms={() => setAsking(each)} />}
        </LongList>
      </div>
      {asking && (
        <TermsDialog
          item={asking}
          present={sheet.terms[asking.id] ?? null}
          onClose={() => setAsking(null)}
          onTerms={(terms) => {
            change({ terms: withValue(sheet.terms, asking.id, terms) });
            setAsking(null);
          }}
        />
      )}
    </section>
  );
}

function withValue<T>(record: Readonly<Record<string, T>>, key: string, value: T | null): Record<string, T> {
  const { [key]: _, ...rest } = record;
  return value === null ? rest : { ...rest, [key]: value };
}

function Row({
  item: { id, seat, mod, loads },
  sheet,
  change,
  onTerms,
}: {
  item: SeatedMod;
  sheet: LineupSheet;
  change: SheetState["change"];
  onTerms: () => void;
}) {
  const name = mod?.name ?? id;
  const terms = sheet.terms[id];
  const words = terms ? termWords[terms.kind] : "not stated";
  return (
    <>
      <span className="text-pine font-mono text-sm font-semibold">{seat}</span>
      <span className={`truncate ${loads ? "font-semibold" : "text-ink2"}`}>
        {name}
        {!loads && <span className="text-ink2 ml-1.5 text-sm">off</span>}
        {!mod && <span className="text-saffron ml-1.5 text-sm">not on the shelf</span>}
      </span>
      <span className="text-ink2 truncate font-mono text-sm">{mod?.version}</span>
      <select
        aria-label={`What ${name} is to the list`}
        value={sheet.roles[id] ?? ""}
        onChange={(event) =>
          change({ roles: withValue(sheet.roles, id, (event.target.value || null) as LineupRole | null) })
        }
        className={`bg-surface border-line h-6 rounded-md border px-1 text-sm ${sheet.roles[id] ? "" : "text-ink2"}`}
      >
        <option value="">belongs to it</option>
        {Object.entries(roleWords).map(([role, words]) => (
          <option key={role} value={role}>
            {words}
          </option>
        ))}
      </select>
      <button
        type="button"
        onClick={onTerms}
        aria-label={`${words}: the terms of ${name}`}
        title={terms?.where}
        className={`hover:bg-sunk h-6 truncate rounded-md px-1 text-left text-sm ${terms ? "text-saffron font-semibold" : "text-ink2"}`}
      >
        {words}
      </button>
    </>
  );
}

function TermsDialog({
  item,
  present,
  onTerms,
  onClose,
}: {
  item: SeatedMod;
  present: LineupTerms | null;
  onTerms: (terms: LineupTerms | null) => void;
  onClose: () => void;
}) {
  const [kind, setKind] = useState<LineupTerms["kind"] | null>(present?.kind ?? null);
  const [where, setWhere] = useState(present?.where ?? "");
  const kinds = [null, "paid", "not-passed-on"] as const;
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Terms of ${item.mod?.name ?? item.id}`}
      hint="What costs something or may not be passed on is named with its source, and never copied."
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          onTerms(kind === null ? null : { kind, where: where.trim() });
        }}
        className="space-y-3"
      >
        {kinds.map((each) => (
          <Choice key={each ?? "free"} name="terms" checked={kind === each} onChoose={() => setKind(each)}>
            {each === null ? "not stated" : termWords[each]}
          </Choice>
        ))}
        {kind !== null && (
          <Field
            label="Where to get it, and what it costs"
            value={where}
            onChange={(event) => setWhere(event.target.value)}
            maxLength={500}
          />
        )}
        <Button look="main" type="submit" disabled={kind !== null && where.trim() === ""}>
          Keep it so
        </Button>
      </form>
    </Dialog>
  );
}
