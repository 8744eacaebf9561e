"use client";

import { versionText } from "@/core/version/version";
import { useMemo, useState } from "react";
import { roleWords, termWords } from "@/core/messages/roles";
import type { LineupRole, LineupSheet, LineupTerms } from "@/core/model/lineup";
import type { SeatedMod } from "@/core/roster/roster";
import { Select, type SelectOption } from "../../kit/select";
import { Button } from "../../kit/button";
import { Choice } from "../../kit/choice";
import { Dialog } from "../../kit/dialog";
import { Field } from "../../kit/field";
import type { GridColumn } from "../../kit/grid/columns";
import type { GridCommand } from "../../kit/grid/commands";
import { ListGrid } from "../../workspace/list-grid";
import { useEditor } from "../../workspace/workspace.client";
import type { SheetState } from "./use-sheet";

/** What goes out: every mod in order, with what it is to the list and on what terms others get it. */
export function ListContents({ sheet, change }: Pick<SheetState, "sheet" | "change">) {
  const mods = useEditor((state) => state.roster.mods);
  const [asking, setAsking] = useState<SeatedMod | null>(null);
  const columns = useMemo(() => columnsOf(sheet, change, setAsking), [sheet, change]);
  return (
    <section aria-labelledby="contents" className="flex min-h-0 grow flex-col">
      <h2 id="contents" className="mb-2 text-lg font-bold">
        Contents
      </h2>
      <ListGrid
        kind="list-contents"
        label="Mods of the list"
        rows={mods}
        keyOf={keyOf}
        columns={columns}
        commands={commandsOf(sheet, change, setAsking)}
        empty="No mod is in this profile yet."
        className="border-line min-h-0 grow rounded-md border"
      />
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

type Change = SheetState["change"];

const keyOf = ({ id }: SeatedMod): string => id;
const nameOf = ({ id, mod }: SeatedMod): string => mod?.name ?? id;
const partOfIt = "part of the list";
const roleOf = ({ roles }: LineupSheet, { id }: SeatedMod): string => {
  const role = roles[id];
  return role ? roleWords[role] : partOfIt;
};
const termsOf = ({ terms }: LineupSheet, { id }: SeatedMod): string => {
  const own = terms[id];
  return own ? termWords[own.kind] : "not stated";
};
const stateOf = ({ mod, loads }: SeatedMod): string => (!mod ? "not on the shelf" : loads ? "on" : "off");

const columnsOf = (
  sheet: LineupSheet,
  change: Change,
  onTerms: (item: SeatedMod) => void,
): readonly GridColumn<SeatedMod>[] => [
  {
    id: "seat",
    label: "Seat",
    width: 48,
    isFixed: true,
    isMono: true,
    text: ({ seat }) => seat,
    sortBy: ({ place }) => place,
  },
  { id: "name", label: "Mod", width: 150, isFixed: true, isMain: true, text: nameOf },
  {
    id: "role",
    label: "Part of the list",
    width: 124,
    text: (row) => roleOf(sheet, row),
    cell: (row) => <RoleChoice item={row} sheet={sheet} change={change} />,
  },
  {
    id: "terms",
    label: "Terms",
    width: 108,
    text: (row) => termsOf(sheet, row),
    cell: (row) => (
      <button
        type="button"
        tabIndex={-1}
        onClick={() => onTerms(row)}
        aria-label={`${termsOf(sheet, row)}: the terms of ${nameOf(row)}`}
        title={sheet.terms[row.id]?.where}
        className={`hover:bg-sunk h-6 max-w-full truncate rounded-md px-1 text-left text-sm ${sheet.terms[row.id] ? "text-saffron font-semibold" : "text-ink2"}`}
      >
        {termsOf(sheet, row)}
      </button>
    ),
  },
  {
    id: "state",
    label: "State",
    width: 72,
    text: stateOf,
    cell: (row) => <span className={row.mod ? "" : "text-saffron font-semibold"}>{stateOf(row)}</span>,
  },
  {
    id: "version",
    label: "Version",
    width: 64,
    isMono: true,
    text: ({ mod }) => versionText(mod?.version ?? ""),
  },
];

/** What the controls in a row do, for many rows and by keyboard. */
const commandsOf = (
  sheet: LineupSheet,
  change: Change,
  onTerms: (item: SeatedMod) => void,
): readonly GridCommand<SeatedMod>[] => [
  ...[null, ...(Object.keys(roleWords) as LineupRole[])].map((role) => ({
    id: role ?? "part",
    title: () => `Mark as ${role ? roleWords[role] : partOfIt}`,
    run: (rows: readonly SeatedMod[]) =>
      change({ roles: rows.reduce((roles, { id }) => withValue(roles, id, role), sheet.roles) }),
  })),
  {
    id: "terms",
    title: () => "Terms…",
    isPossible: (rows) => rows.length === 1,
    run: ([row]) => onTerms(row!),
  },
];

function withValue<T>(record: Readonly<Record<string, T>>, key: string, value: T | null): Record<string, T> {
  const { [key]: _, ...rest } = record;
  return value === null ? rest : { ...rest, [key]: value };
}

const roleOptions: readonly SelectOption[] = [
  { value: "", words: partOfIt },
  ...Object.entries(roleWords).map(([value, words]) => ({ value, words })),
];

function RoleChoice({ item, sheet, change }: { item: SeatedMod; sheet: LineupSheet; change: Change }) {
  const role = sheet.roles[item.id];
  return (
    <Select
      label={`What ${nameOf(item)} is to the list`}
      small
      tabIndex={-1}
      value={role ?? ""}
      options={roleOptions}
      onChoose={(next) =>
        change({ roles: withValue(sheet.roles, item.id, (next || null) as LineupRole | null) })
      }
      className={`w-full ${role ? "" : "!text-ink2"}`}
    />
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
          Save
        </Button>
      </form>
    </Dialog>
  );
}
