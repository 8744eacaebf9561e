"use client";

import { say } from "@/core/language/say";
import { versionText } from "@/core/version/version";
import { useMemo, useState } from "react";
import { roleWords, termWords } from "@/core/messages/roles";
import type { LineupRole, LineupSheet, LineupTerms } from "@/core/model/lineup";
import type { SeatedMod } from "@/core/roster/roster";
import { Select, type SelectOption } from "../../kit/select";
import { Button } from "../../kit/button";
import { Choice } from "../../kit/choice";
import { Dialog } from "../../kit/dialog";
import { Empty } from "../../kit/empty";
import { Field } from "../../kit/field";
import { TextLink } from "../../workspace/view-link";
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
        {say("common.contents")}
      </h2>
      {mods.length === 0 ? (
        <Empty purpose={say("lineups.noModIsInThisProfile")}>
          <TextLink href="/shelf">{say("plan.chooseModsOnTheShelf")}</TextLink>
        </Empty>
      ) : (
        <ListGrid
          kind="list-contents"
          label={say("lineups.modsOfTheList")}
          rows={mods}
          keyOf={keyOf}
          columns={columns}
          commands={commandsOf(sheet, change, setAsking)}
          className="border-line min-h-0 grow rounded-md border"
        />
      )}
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
const partOfIt = (): string => say("lineups.partOfIt");
const roleOf = ({ roles }: LineupSheet, { id }: SeatedMod): string => {
  const role = roles[id];
  return role ? roleWords[role] : partOfIt();
};
const termsOf = ({ terms }: LineupSheet, { id }: SeatedMod): string => {
  const own = terms[id];
  return own ? termWords[own.kind] : say("lineups.notStated");
};
const stateOf = ({ mod, loads }: SeatedMod): string =>
  !mod ? say("common.notOnTheShelf") : loads ? say("common.on") : say("common.off");

const columnsOf = (
  sheet: LineupSheet,
  change: Change,
  onTerms: (item: SeatedMod) => void,
): readonly GridColumn<SeatedMod>[] => [
  {
    id: "seat",
    label: say("common.seat"),
    width: 48,
    isFixed: true,
    isMono: true,
    text: ({ seat }) => seat,
    sortBy: ({ place }) => place,
  },
  { id: "name", label: say("common.mod"), width: 150, isFixed: true, isMain: true, text: nameOf },
  {
    id: "role",
    label: say("lineups.partOfTheList"),
    width: 124,
    text: (row) => roleOf(sheet, row),
    cell: (row) => <RoleChoice item={row} sheet={sheet} change={change} />,
  },
  {
    id: "terms",
    label: say("lineups.terms"),
    width: 108,
    text: (row) => termsOf(sheet, row),
    cell: (row) => (
      <button
        type="button"
        tabIndex={-1}
        onClick={() => onTerms(row)}
        aria-label={say("lineups.theTermsOf", { termsOf: termsOf(sheet, row), nameOf: nameOf(row) })}
        title={sheet.terms[row.id]?.where}
        className={`hover:bg-sunk h-6 max-w-full truncate rounded-md px-1 text-left text-sm ${sheet.terms[row.id] ? "text-saffron font-semibold" : "text-ink2"}`}
      >
        {termsOf(sheet, row)}
      </button>
    ),
  },
  {
    id: "state",
    label: say("common.state"),
    width: 72,
    text: stateOf,
    cell: (row) => <span className={row.mod ? "" : "text-saffron font-semibold"}>{stateOf(row)}</span>,
  },
  {
    id: "version",
    label: say("common.version"),
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
    title: () => say("lineups.markAs", { rest: role ? roleWords[role] : partOfIt() }),
    run: (rows: readonly SeatedMod[]) =>
      change({ roles: rows.reduce((roles, { id }) => withValue(roles, id, role), sheet.roles) }),
  })),
  {
    id: "terms",
    title: () => say("lineups.terms2"),
    isPossible: (rows) => rows.length === 1,
    run: ([row]) => onTerms(row!),
  },
];

function withValue<T>(record: Readonly<Record<string, T>>, key: string, value: T | null): Record<string, T> {
  const { [key]: _, ...rest } = record;
  return value === null ? rest : { ...rest, [key]: value };
}

const roleOptions = (): readonly SelectOption[] => [
  { value: "", words: partOfIt() },
  ...Object.entries(roleWords).map(([value, words]) => ({ value, words })),
];

function RoleChoice({ item, sheet, change }: { item: SeatedMod; sheet: LineupSheet; change: Change }) {
  const role = sheet.roles[item.id];
  return (
    <Select
      label={say("lineups.whatIsToTheList", { nameOf: nameOf(item) })}
      small
      tabIndex={-1}
      value={role ?? ""}
      options={roleOptions()}
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
      title={say("lineups.termsOf", { name: item.mod?.name ?? item.id })}
      hint={say("lineups.whatCostsSomethingOrMayNot")}
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
            {each === null ? say("lineups.notStated") : termWords[each]}
          </Choice>
        ))}
        {kind !== null && (
          <Field
            label={say("lineups.whereToGetItAndWhat")}
            value={where}
            onChange={(event) => setWhere(event.target.value)}
            maxLength={500}
          />
        )}
        <Button look="main" type="submit" disabled={kind !== null && where.trim() === ""}>
          {say("common.save")}
        </Button>
      </form>
    </Dialog>
  );
}
