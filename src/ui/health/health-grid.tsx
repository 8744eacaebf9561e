"use client";

import { useMemo } from "react";
import { say } from "@/core/language/say";
import { plainText } from "@/core/messages/parts";
import { seatAndTitle, type Roster } from "@/core/roster/roster";
import { useFix } from "../findings/use-fix";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { selectOne } from "../kit/grid/selection";
import { LevelMark, levelWord } from "../kit/level";
import { Say } from "../kit/sentence";
import { ListGrid } from "../workspace/list-grid";
import { useEditor } from "../workspace/workspace.client";
import type { FindingSheet } from "./health-address";
import type { HealthRow } from "./health-rows";

interface Props {
  rows: readonly HealthRow[];
  sheet: FindingSheet;
  at: string | null;
  onLook: (key: string) => void;
}

const digits = ["1", "2", "3", "4", "5", "6", "7", "8", "9"];

/** The findings, to be walked through: `n` and `p` go on and back, a digit takes the way out of that number. */
export function HealthGrid({ rows, sheet, at, onLook }: Props) {
  const roster = useEditor((state) => state.roster);
  const { run, dialogs } = useFix();
  const columns = useMemo(() => columnsOf(roster, sheet), [roster, sheet]);
  const commands = useMemo((): GridCommand<HealthRow>[] => {
    const step = (by: number) => () => {
      const now = rows.findIndex(({ key }) => key === at);
      const next = rows[Math.max(0, Math.min(rows.length - 1, now + by))];
      if (next) onLook(next.key);
    };
    return [
      { id: "next", title: () => say("health.next"), keys: ["n"], run: step(1) },
      { id: "previous", title: () => say("health.previous"), keys: ["p"], run: step(-1) },
      ...digits.map((digit, place): GridCommand<HealthRow> => ({
        id: `way-${digit}`,
        title: () => say("health.takeWay", { number: digit }),
        keys: [digit],
        isPossible: ([row]) => (row?.fixes.length ?? 0) > place,
        run: ([row]) => {
          const fix = row?.fixes[place];
          if (fix) run(fix);
        },
      })),
    ];
  }, [rows, at, onLook, run]);
  return (
    <>
      <ListGrid
        kind="health"
        label={say("common.findings")}
        rows={rows}
        keyOf={keyOf}
        columns={columns}
        commands={commands}
        selection={at === null ? selectOne(rows[0]?.key ?? "") : selectOne(at)}
        onSelection={({ active }) => active !== null && onLook(active)}
        className="min-h-0 grow"
      />
      {dialogs}
    </>
  );
}

const keyOf = ({ key }: HealthRow): string => key;

function columnsOf(roster: Roster, sheet: FindingSheet): GridColumn<HealthRow>[] {
  const said = ({ said: parts }: HealthRow) => plainText(parts, (id) => seatAndTitle(roster, id));
  return [
    {
      id: "level",
      label: say("health.level"),
      width: 92,
      isFixed: true,
      sortBy: null,
      text: ({ level }) => levelWord(level),
      cell: ({ level }) => (
        <span className="flex items-center gap-1.5 font-normal">
          <LevelMark level={level} />
          {levelWord(level)}
        </span>
      ),
    },
    {
      id: "title",
      label: sheet === "item" ? say("health.item") : say("health.what"),
      width: 0,
      isFixed: true,
      isMain: true,
      sortBy: null,
      text: ({ title, findings }) => (findings.length > 1 ? `${title} × ${findings.length}` : title),
    },
    {
      id: "said",
      label: say("health.more"),
      width: 420,
      sortBy: null,
      text: said,
      cell: ({ said: parts }) => (
        <span className="text-ink2 truncate font-normal">
          <Say parts={parts} />
        </span>
      ),
    },
    ...(sheet === "aside"
      ? [
          {
            id: "reason",
            label: say("health.reason"),
            width: 200,
            sortBy: null,
            text: ({ reason }: HealthRow) => reason ?? "",
          },
        ]
      : []),
  ];
}
