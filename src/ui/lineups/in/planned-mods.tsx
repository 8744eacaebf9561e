"use client";

import { say } from "@/core/language/say";
import { rich } from "../../kit/rich";
import { versionText } from "@/core/version/version";
import { Select } from "../../kit/select";
import { useMemo } from "react";
import type { PlannedMod, PlanStatus } from "@/core/lineup/plan";
import { extraWords, foundText, planHint, planTitle } from "@/core/messages/matching";
import { roleWords } from "@/core/messages/roles";
import type { SeatedMod } from "@/core/roster/roster";
import type { TakeInWay } from "@/core/state/facet";
import { formatSize } from "../../kit/format-size";
import type { GridColumn } from "../../kit/grid/columns";
import type { GridCommand } from "../../kit/grid/commands";
import { ListGrid } from "../../workspace/list-grid";

/** Mods of a list that are in one state here, under what that state is. */
export function PlannedMods({
  status,
  mods,
  keepMine,
  onTurn,
}: {
  status: PlanStatus;
  mods: readonly PlannedMod[];
  keepMine: ReadonlySet<string>;
  onTurn: (ids: readonly string[], mine: boolean) => void;
}) {
  const columns = useMemo(() => columnsOf(status, keepMine, onTurn), [status, keepMine, onTurn]);
  if (mods.length === 0) return null;
  const title = planTitle(status);
  const hint = status === "found" ? foundText(mods.map(({ basis }) => basis)) : planHint(status);
  return (
    <details open={status !== "found"}>
      <summary className="cursor-pointer font-semibold">
        {title} <span className="font-mono">{mods.length}</span>{" "}
        <span className="text-ink2 font-normal">{hint}</span>
      </summary>
      <ListGrid
        kind={`import-${status}`}
        label={title}
        rows={mods}
        keyOf={keyOf}
        columns={columns}
        commands={status === "other" ? versionCommands(onTurn) : undefined}
        className={gridLook}
      />
    </details>
  );
}

const gridLook = "border-line mt-1 max-h-72 rounded-md border";
const keyOf = ({ wanted }: PlannedMod): string => wanted.id;

type Turn = (ids: readonly string[], mine: boolean) => void;

/** What stands beside a name depends on what can be done about the mod. */
const columnsOf = (
  status: PlanStatus,
  keepMine: ReadonlySet<string>,
  onTurn: Turn,
): readonly GridColumn<PlannedMod>[] => [
  {
    id: "name",
    label: say("common.mod"),
    width: 150,
    isFixed: true,
    isMain: true,
    text: ({ wanted }) => wanted.name,
    cell: ({ wanted }) => (
      <span className={wanted.on ? "" : "text-ink3 font-normal line-through"}>{wanted.name}</span>
    ),
  },
  {
    id: "version",
    label: say("common.version"),
    width: 76,
    isMono: true,
    text: ({ wanted }) => versionText(wanted.version),
  },
  ...byStatus(status, keepMine, onTurn),
  {
    id: "role",
    label: say("lineups.partOfTheList"),
    width: 104,
    text: ({ wanted: { role } }) => (role ? roleWords[role] : ""),
  },
  ...(status === "found" ? [] : [neededBy]),
];

const neededBy: GridColumn<PlannedMod> = {
  id: "needed-by",
  get label() {
    return say("common.neededBy");
  },
  width: 140,
  text: (mod) => mod.neededBy.join(", "),
};

function byStatus(
  status: PlanStatus,
  keepMine: ReadonlySet<string>,
  onTurn: Turn,
): readonly GridColumn<PlannedMod>[] {
  switch (status) {
    case "to-get":
      return [
        {
          id: "offered",
          label: say("lineups.inTheDepot"),
          width: 110,
          text: ({ exact, depot, wanted }) =>
            exact
              ? formatSize(depot?.mod.size ?? wanted.size)
              : say("lineups.only", { version: depot!.mod.version }),
        },
        sourceColumn,
      ];
    case "by-hand":
    case "not-to-be-had":
      return [sourceColumn];
    case "other":
      return [choiceColumn(keepMine, onTurn)];
    case "found":
    case "to-build":
      return [];
  }
}

const sourceColumn: GridColumn<PlannedMod> = {
  id: "source",
  get label() {
    return say("lineups.whereItIsFrom");
  },
  width: 150,
  isMono: true,
  text: ({ depot, wanted }) => depot?.terms?.where ?? wanted.source ?? "",
};

/** Here in another version: the list's is taken, or the present one kept. */
function choiceColumn(keepMine: ReadonlySet<string>, onTurn: Turn): GridColumn<PlannedMod> {
  const theirs = ({ wanted, exact }: PlannedMod) =>
    say("lineups.take", { version: wanted.version, exact: String(exact) });
  const mine = ({ here }: PlannedMod) => say("lineups.keep", { version: here!.version });
  const isSame = ({ wanted, here }: PlannedMod) => wanted.content === here?.content;
  const text = (row: PlannedMod) => {
    if (isSame(row)) return say("lineups.hereWhichIsKept", { version: row.here!.version });
    return keepMine.has(row.wanted.id) ? mine(row) : theirs(row);
  };
  return {
    id: "here",
    label: say("common.here"),
    width: 200,
    text,
    cell: (row) =>
      isSame(row) ? (
        text(row)
      ) : (
        <Select
          label={say("lineups.versionOf", { name: row.wanted.name })}
          small
          tabIndex={-1}
          value={keepMine.has(row.wanted.id) ? "mine" : "theirs"}
          options={[
            { value: "theirs", words: theirs(row) },
            { value: "mine", words: mine(row) },
          ]}
          onChoose={(whose) => onTurn([row.wanted.id], whose === "mine")}
        />
      ),
  };
}

const versionCommands = (onTurn: Turn): readonly GridCommand<PlannedMod>[] =>
  [false, true].map((isMine) => ({
    id: isMine ? "keep-mine" : "take-theirs",
    title: () => (isMine ? say("lineups.keepVersionHere") : say("lineups.takeVersionOfList")),
    run: (rows) => onTurn(rows.map(keyOf), isMine),
  }));

const extraColumns: readonly GridColumn<SeatedMod>[] = [
  {
    id: "seat",
    get label() {
      return say("common.seat");
    },
    width: 56,
    isFixed: true,
    isMono: true,
    text: ({ seat }) => seat,
    sortBy: ({ place }) => place,
  },
  {
    id: "name",
    get label() {
      return say("common.mod");
    },
    width: 150,
    isFixed: true,
    isMain: true,
    text: ({ id, mod }) => mod?.name ?? id,
  },
  {
    id: "version",
    get label() {
      return say("common.version");
    },
    width: 76,
    isMono: true,
    text: ({ mod }) => versionText(mod?.version ?? ""),
  },
];

const keyOfExtra = ({ id }: SeatedMod): string => id;

/** What is on here and not in the list. */
export function ExtraMods({ mods, way }: { mods: readonly SeatedMod[]; way: TakeInWay | "new" }) {
  if (mods.length === 0) return null;
  return (
    <details>
      <summary className="cursor-pointer font-semibold">
        {rich("lineups.extraHere", { text: <span className="font-mono">{mods.length}</span> })}
        <span className="text-ink2 font-normal">{extraWords[way]}</span>
      </summary>
      <ListGrid
        kind="import-extra"
        label={say("lineups.extraHere2")}
        rows={mods}
        keyOf={keyOfExtra}
        columns={extraColumns}
        className={gridLook}
      />
    </details>
  );
}
