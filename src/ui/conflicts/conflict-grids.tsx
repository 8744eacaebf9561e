"use client";

import { useMemo, useState } from "react";
import { say } from "@/core/language/say";
import { contestedIn, type Contested } from "@/core/conflict/conflicts";
import type { ConflictSurvey, ContestedRow } from "@/core/conflict/survey";
import type { Roster } from "@/core/roster/roster";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { textLook } from "../kit/grid/grid-cells";
import { nothingSelected, selectOne, type Selection } from "../kit/grid/selection";
import { ListGrid } from "../workspace/list-grid";
import { useEditor } from "../workspace/workspace.client";
import { isOpenPair, pairsOf, type NamedPair } from "./named-pairs";
import { Holder, holderText, Standing, standingText } from "./holder";
import type { Looked } from "./conflicts-address";
import type { Decide } from "./use-decide";

interface Props {
  readonly of: Contested;
  readonly survey: ConflictSurvey;
  readonly looked: Looked | null;
  readonly onLook: (looked: Looked | null) => void;
  readonly decide: Decide;
}

const pairKey = ({ loser, winner }: NamedPair): string => `${loser}\u0000${winner}`;

/** Every two of which one overrides the other, as the matrix shows them. */
export function PairGrid({ of, survey, looked, onLook, decide }: Props) {
  const roster = useEditor((state) => state.roster);
  const rows = useMemo(() => pairsOf(survey), [survey]);
  const columns = useMemo(() => pairColumns(of, roster), [of, roster]);
  const commands = useMemo(() => pairCommands(of, decide), [of, decide]);
  const pair = looked?.kind === "pair" ? looked.pair : null;
  const shown = rows.find(
    ({ loser, winner }) => pair !== null && pair.includes(loser) && pair.includes(winner),
  );
  const selection = useSelected(shown ? pairKey(shown) : null);
  return (
    <ListGrid
      kind={`conflict-pairs-${of}`}
      label={say("conflicts.pairs")}
      rows={rows}
      keyOf={pairKey}
      columns={columns}
      commands={commands}
      empty={say("conflicts.nothingFits")}
      className="min-h-0 grow"
      selection={selection.now}
      onSelection={(next) => {
        selection.set(next);
        const row = rows.find((each) => pairKey(each) === next.active);
        if (row) onLook({ kind: "pair", pair: [row.loser, row.winner] });
      }}
    />
  );
}

const keyOfRow = ({ key }: ContestedRow): string => key;

/** What is contested, one a line. */
export function PathGrid({ of, survey, looked, onLook, decide }: Props) {
  const roster = useEditor((state) => state.roster);
  const columns = useMemo(() => pathColumns(of, roster), [of, roster]);
  const commands = useMemo(() => pathCommands(of, decide), [of, decide]);
  const selection = useSelected(looked?.kind === "key" ? looked.key : null);
  return (
    <ListGrid
      kind={`contested-${of}`}
      label={say(of === "files" ? "conflicts.contestedFiles" : "conflicts.contestedRecords")}
      rows={survey.rows}
      keyOf={keyOfRow}
      columns={columns}
      commands={commands}
      empty={say("conflicts.nothingFits")}
      className="min-h-0 grow"
      selection={selection.now}
      onSelection={(next) => {
        selection.set(next);
        if (next.active !== null) onLook({ kind: "key", key: next.active });
      }}
    />
  );
}

/** Several rows may be selected, of which one is looked at; what is looked at from elsewhere is selected alone. */
function useSelected(key: string | null) {
  const [selection, set] = useState<Selection>(key === null ? nothingSelected : selectOne(key));
  const now = key !== null && selection.active !== key ? selectOne(key) : selection;
  return { now, set };
}

const holderColumn = <Row,>(
  id: string,
  label: string,
  roster: Roster,
  holder: (row: Row) => string,
  isMain = false,
): GridColumn<Row> => ({
  id,
  label,
  width: 118,
  ...(isMain ? { isMain, isFixed: true } : {}),
  text: (row) => holderText(roster, holder(row)),
  sortBy: (row) => placeOf(roster, holder(row)),
  cell: (row) => (
    <span className={`${textLook} font-normal`}>
      <Holder id={holder(row)} />
    </span>
  ),
});

/** As they load; the game itself comes first. */
const placeOf = ({ pluginOf, modOf }: Roster, id: string): number =>
  (pluginOf.get(id) ?? modOf.get(id))?.place ?? -1;

const figure = <Row,>(id: string, label: string, count: (row: Row) => number): GridColumn<Row> => ({
  id,
  label,
  width: 50,
  isFigure: true,
  text: (row) => String(count(row)),
  sortBy: count,
});

const standingColumn = <Row extends { readonly decided: boolean }>(): GridColumn<Row> => ({
  id: "decided",
  label: say("conflicts.standing"),
  width: 84,
  text: ({ decided }) => standingText(decided),
  cell: ({ decided }) => <Standing decided={decided} />,
});

const pairColumns = (of: Contested, roster: Roster): readonly GridColumn<NamedPair>[] => [
  holderColumn("winner", say("conflicts.wins"), roster, ({ winner }) => winner, true),
  holderColumn("loser", say("conflicts.over"), roster, ({ loser }) => loser),
  figure("files", say(of === "files" ? "conflicts.files" : "conflicts.records"), ({ files }) => files),
  ...(of === "files"
    ? [figure<NamedPair>("unequal", say("conflicts.unequal"), ({ unequal }) => unequal)]
    : []),
  standingColumn(),
];

const pathColumns = (of: Contested, roster: Roster): readonly GridColumn<ContestedRow>[] => [
  {
    id: "key",
    label: say(of === "files" ? "common.file" : "conflicts.record"),
    width: 260,
    isFixed: true,
    isMain: true,
    isMono: true,
    text: ({ key }) => key,
  },
  holderColumn("winner", say("conflicts.wins"), roster, ({ providers }) => providers.at(-1)!),
  figure("providers", say("conflicts.providers"), ({ providers }) => providers.length),
  ...(of === "files"
    ? [
        {
          id: "equal",
          label: say("common.contents"),
          width: 78,
          text: ({ equal }: ContestedRow) => say(equal ? "conflicts.equal" : "conflicts.unequal2"),
        },
      ]
    : []),
  standingColumn(),
];

const openPairs = (rows: readonly NamedPair[]) =>
  rows.filter(isOpenPair).map(({ loser, winner }) => ({ earlier: loser, later: winner }));

const pairCommands = (of: Contested, decide: Decide): readonly GridCommand<NamedPair>[] => [
  {
    id: "keep",
    keys: ["k"],
    title: () => say("conflicts.keep"),
    isPossible: (rows) => openPairs(rows).length > 0,
    run: (rows) => decide.keep(contestedIn[of], openPairs(rows)),
  },
  {
    id: "turn",
    keys: ["o"],
    title: () => say("conflicts.letTheOtherWin"),
    isPossible: (rows) => openPairs(rows).length === 1,
    run: (rows) => {
      const [pair] = openPairs(rows);
      if (pair) decide.pairs(contestedIn[of], [{ earlier: pair.later, later: pair.earlier }]);
    },
  },
];

const pathCommands = (of: Contested, decide: Decide): readonly GridCommand<ContestedRow>[] => [
  {
    id: "keep",
    keys: ["k"],
    title: () => say("conflicts.keep"),
    isPossible: (rows) => rows.some(({ decided }) => !decided),
    run: (rows) =>
      decide.keep(
        contestedIn[of],
        rows
          .filter(({ decided }) => !decided)
          .flatMap(({ providers }) =>
            providers
              .slice(0, -1)
              .filter((id) => id !== "")
              .map((earlier) => ({ earlier, later: providers.at(-1)! })),
          ),
      ),
  },
];
