"use client";

import { useDeferredValue, useMemo, useState } from "react";
import { say } from "@/core/language/say";
import { contestedIn, type Contested } from "@/core/conflict/conflicts";
import { kinshipOrder } from "@/core/conflict/kinship";
import type { ConflictSurvey, SurveyPair } from "@/core/conflict/survey";
import type { Roster } from "@/core/roster/roster";
import { letterOf } from "@/core/roster/seats";
import { useEditor } from "../workspace/workspace.client";
import { Choice } from "../kit/choice";
import { PairGrid } from "./conflict-grids";
import { holderText } from "./holder";
import type { Looked } from "./conflicts-address";
import type { Band } from "./draw-matrix";
import { Matrix, type Cell } from "./matrix";
import type { Decide } from "./use-decide";

interface Props {
  of: Contested;
  survey: ConflictSurvey;
  looked: Looked | null;
  onLook: (looked: Looked | null) => void;
  decide: Decide;
  /** What is searched for: rows and columns of items that are called so are lit. */
  text: string;
}

/** The square, and beside it a table that says the same. */
export function MatrixSheet({ text, ...rest }: Props) {
  const { of, survey, looked, onLook } = rest;
  const roster = useEditor((state) => state.roster);
  const [byKinship, setByKinship] = useState(false);
  const [find, setFind] = useState("");
  const [at, setAt] = useState<Cell | null>(null);
  const square = useMemo(() => squareOf(survey, byKinship), [survey, byKinship]);
  const bands = useMemo(
    () => (byKinship ? [] : bandsOf(square.ids, roster, of)),
    [square, byKinship, roster, of],
  );
  const searched = useDeferredValue((find || text).trim().toLowerCase());
  const lit = useMemo(
    () =>
      searched === ""
        ? []
        : square.ids.flatMap((id, place) =>
            holderText(roster, id).toLowerCase().includes(searched) ? [place] : [],
          ),
    [square, roster, searched],
  );
  const pair = looked?.kind === "pair" ? cellOfPair(square, looked.pair) : null;
  const read = (cell: Cell): string => {
    const found = square.pairAt(cell);
    const [loser, winner] = [square.ids[cell.row], square.ids[cell.column]];
    if (loser === undefined || winner === undefined) return "";
    const named = { loser: holderText(roster, loser), winner: holderText(roster, winner) };
    if (!found) return say("conflicts.cellEmpty", named);
    return say(`conflicts.cellSays.${of}`, {
      ...named,
      files: found.files,
      unequal: found.unequal,
      decided: String(found.decided),
    });
  };
  return (
    <div className="flex min-h-0 grow flex-wrap content-stretch overflow-auto">
      <section className="border-line flex max-h-full min-h-64 min-w-0 grow basis-64 flex-col border-r">
        <div className="border-line flex flex-wrap items-center gap-x-3 gap-y-1 border-b px-3 py-1">
          <span role="radiogroup" aria-label={say("conflicts.arranged")} className="flex gap-3">
            <Choice name="conflicts-arranged" checked={!byKinship} onChoose={() => setByKinship(false)}>
              {say("conflicts.inLoadOrder")}
            </Choice>
            <Choice name="conflicts-arranged" checked={byKinship} onChoose={() => setByKinship(true)}>
              {say("conflicts.byKinship")}
            </Choice>
          </span>
          <input
            value={find}
            onChange={(event) => setFind(event.target.value)}
            placeholder={say("conflicts.light")}
            aria-label={say("conflicts.light")}
            className="border-line bg-surface h-7 w-36 rounded-md border px-2"
          />
        </div>
        <Matrix
          label={say(`conflicts.matrixOf.${contestedIn[of]}`, { count: square.ids.length })}
          count={square.ids.length}
          cells={square.cells}
          bands={bands}
          lit={lit}
          cursor={at && square.ids.length > Math.max(at.row, at.column) ? at : pair}
          onCursor={(cell) => {
            setAt(cell);
            const found = square.pairAt(cell);
            if (found) onLook({ kind: "pair", pair: [square.ids[cell.row]!, square.ids[cell.column]!] });
          }}
          read={read}
        />
      </section>
      <section className="flex max-h-full min-h-64 min-w-0 grow basis-[28rem] flex-col">
        <PairGrid
          {...rest}
          onLook={(next) => {
            setAt(null);
            onLook(next);
          }}
        />
      </section>
    </div>
  );
}

/** Those that meet somebody, in the order of the rows, and what is marked. */
function squareOf({ items, pairs }: ConflictSurvey, byKinship: boolean) {
  const all = byKinship ? kinshipOrder(items.length, pairs) : items.map((_, number) => number);
  const meets = new Set(pairs.flatMap(({ loser, winner }) => [loser, winner]));
  const shown = all.filter((number) => meets.has(number));
  const placeOf = new Map(shown.map((number, place) => [number, place]));
  const at = new Map<string, SurveyPair>();
  const cells = pairs.map((pair) => {
    const [row, column] = [placeOf.get(pair.loser)!, placeOf.get(pair.winner)!];
    at.set(`${row} ${column}`, pair);
    return { row, column, files: pair.files, decided: pair.decided || pair.unequal === 0 };
  });
  cells.sort((a, b) => a.row - b.row || a.column - b.column);
  return {
    ids: shown.map((number) => items[number]!.id),
    cells,
    pairAt: ({ row, column }: Cell) => at.get(`${row} ${column}`) ?? null,
  };
}

type Square = ReturnType<typeof squareOf>;

function cellOfPair({ ids, pairAt }: Square, pair: readonly string[]): Cell | null {
  const [one, other] = pair.map((id) => ids.indexOf(id));
  if (one === undefined || other === undefined || one < 0 || other < 0) return null;
  const cell = { row: one, column: other };
  return pairAt(cell) ? cell : { row: other, column: one };
}

/** Stretches of one section. */
function bandsOf(ids: readonly string[], roster: Roster, of: Contested) {
  const { itemOf } = roster.lists[contestedIn[of]];
  const { sections } = roster.lists[contestedIn[of]];
  const bands: (Band & { section: string; to: number })[] = [];
  for (const [place, id] of ids.entries()) {
    const section = itemOf.get(id)?.entry.section ?? "";
    const last = bands.at(-1);
    if (last?.section === section) last.to = place + 1;
    else {
      const at = sections.findIndex((each) => each.id === section);
      bands.push({ section, from: place, to: place + 1, letter: at < 0 ? "" : letterOf(at) });
    }
  }
  return bands;
}
