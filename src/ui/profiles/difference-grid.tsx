"use client";

import { say } from "@/core/language/say";
import { useMemo } from "react";
import {
  differenceItem,
  differenceName,
  differenceSides,
  groupDifferences,
  type Sides,
} from "@/core/messages/profile-differences";
import { keyOfDifference, type Difference } from "@/core/compare/states";
import { findItem, type Roster } from "@/core/roster/roster";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { ListGrid } from "../workspace/list-grid";

/** Which of the differences are left, by their keys. */
interface TakingOver {
  readonly left: ReadonlySet<string>;
  readonly onTurn: (keys: readonly string[], take: boolean) => void;
}

/** A difference with what is said of it. */
interface Told {
  readonly difference: Difference;
  readonly key: string;
  readonly kind: string;
  readonly seat: string;
  readonly name: string;
  readonly here: string;
  readonly there: string;
}

const keyOf = ({ key }: Told): string => key;

/** All differences between two states, kind after kind; with `choice` each, several, or all of a kind can be left out of what is taken over. */
export function DifferenceGrid({
  here,
  there,
  sides,
  differences,
  choice,
}: {
  here: Roster;
  there: Roster;
  /** What the two are called. */
  sides: Sides;
  differences: readonly Difference[];
  choice?: TakingOver;
}) {
  const groups = useMemo(() => groupDifferences(differences, sides), [differences, sides]);
  const rows = useMemo(
    () => groups.flatMap(({ title, members }) => members.map((each) => told(here, there, title, each))),
    [groups, here, there],
  );
  const columns = useMemo(() => columnsOf(rows, sides, choice), [rows, sides, choice]);
  if (rows.length === 0) return null;
  return (
    <>
      {choice && groups.length > 1 && (
        <div
          role="group"
          aria-label={say("profiles.applyByKind")}
          className="mb-2 flex flex-wrap gap-x-5 gap-y-1"
        >
          {groups.map(({ title, members }) => (
            <KindChoice key={title} title={title} members={members} choice={choice} />
          ))}
        </div>
      )}
      <ListGrid
        kind="differences"
        label={say("profiles.differences")}
        rows={rows}
        keyOf={keyOf}
        columns={columns}
        commands={choice && commandsOf(choice)}
        className="border-line max-h-[65vh] rounded-md border"
      />
    </>
  );
}

function told(here: Roster, there: Roster, kind: string, difference: Difference): Told {
  const item = differenceItem(difference);
  const seat = item === null ? undefined : (findItem(here, item) ?? findItem(there, item))?.seat;
  const [mine, theirs] = differenceSides(here, there, difference);
  return {
    difference,
    key: keyOfDifference(difference),
    kind,
    seat: seat ?? "",
    name: differenceName(here, there, difference),
    here: mine || say("common.none"),
    there: theirs || say("common.none"),
  };
}

const matterWords = ({ difference: { matters } }: Told): string =>
  matters === undefined
    ? ""
    : matters
      ? say("profiles.changesATieOrAWinner")
      : say("profiles.changesNothing");

const factsOf = ([here, there]: Sides): readonly GridColumn<Told>[] => [
  {
    id: "seat",
    get label() {
      return say("common.seat");
    },
    width: 56,
    isMono: true,
    isFixed: true,
    text: ({ seat }) => seat,
    sortBy: ({ seat }) => seatOrder(seat),
  },
  {
    id: "name",
    get label() {
      return say("common.name");
    },
    width: 144,
    isFixed: true,
    isMain: true,
    text: ({ name }) => name,
  },
  {
    id: "kind",
    get label() {
      return say("profiles.whatDiffers");
    },
    width: 166,
    text: ({ kind }) => kind,
  },
  {
    id: "here",
    label: here.name,
    width: 108,
    isMono: true,
    text: ({ here }) => here,
  },
  {
    id: "there",
    label: there.name,
    width: 108,
    isMono: true,
    text: ({ there }) => there,
  },
];

/** `B9` before `B10` before `AA1`; what has no seat last. */
function seatOrder(seat: string): string {
  const [, letters = "", digits = ""] = /^(\D*)(\d*)$/.exec(seat) ?? [];
  return seat === "" ? "\uffff" : `${letters.padStart(4)}${digits.padStart(6)}`;
}

const effect: GridColumn<Told> = {
  id: "effect",
  get label() {
    return say("profiles.effect");
  },
  width: 124,
  text: matterWords,
  cell: (row) => (
    <span className={row.difference.matters ? "text-ink font-semibold" : ""}>{matterWords(row)}</span>
  ),
};

/** Nothing is said of effects where none was looked for. */
function columnsOf(rows: readonly Told[], sides: Sides, choice?: TakingOver): readonly GridColumn<Told>[] {
  const told = rows.some(({ difference }) => difference.matters !== undefined);
  return [...(choice ? [takeColumn(choice)] : []), ...factsOf(sides), ...(told ? [effect] : [])];
}

const takeColumn = ({ left, onTurn }: TakingOver): GridColumn<Told> => ({
  id: "take",
  label: say("profiles.take"),
  width: 40,
  isFixed: true,
  text: ({ key }) => (left.has(key) ? say("common.no") : say("common.yes")),
  cell: ({ key, name }) => (
    <input
      type="checkbox"
      tabIndex={-1}
      checked={!left.has(key)}
      onClick={(event) => event.stopPropagation()}
      onChange={(event) => onTurn([key], event.target.checked)}
      aria-label={say("profiles.apply", { name })}
      className="accent-pine align-middle"
    />
  ),
});

const commandsOf = ({ left, onTurn }: TakingOver): readonly GridCommand<Told>[] => [
  {
    id: "turn",
    title: (rows) =>
      rows.some(({ key }) => left.has(key)) ? say("profiles.apply2") : say("profiles.keepMine"),
    keys: [" "],
    run: (rows) => {
      const take = rows.some(({ key }) => left.has(key));
      onTurn(rows.map(keyOf), take);
    },
  },
];

function KindChoice({
  title,
  members,
  choice: { left, onTurn },
}: {
  title: string;
  members: readonly Difference[];
  choice: TakingOver;
}) {
  const keys = members.map(keyOfDifference);
  const taken = keys.filter((key) => !left.has(key)).length;
  const isAll = taken === keys.length;
  return (
    <label className="flex items-center gap-1.5">
      <input
        type="checkbox"
        checked={isAll}
        ref={(box) => {
          if (box) box.indeterminate = taken > 0 && !isAll;
        }}
        onChange={() => onTurn(keys, !isAll)}
        className="accent-pine"
      />
      {title} <span className="text-ink2 font-mono text-sm">{keys.length}</span>
    </label>
  );
}
