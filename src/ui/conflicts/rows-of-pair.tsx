"use client";

import { ChevronDown, ChevronRight } from "lucide-react";
import { useCallback, useMemo, useState } from "react";
import { say } from "@/core/language/say";
import type { AboutPair, NoConflict, PairRow } from "@/core/conflict/about";
import type { Contested } from "@/core/conflict/conflicts";
import { leaveOutEdit } from "@/core/edit/leave-out";
import { foldName } from "@/core/roster/fold";
import type { Roster } from "@/core/roster/roster";
import { formatSize } from "../kit/format-size";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { textLook } from "../kit/grid/grid-cells";
import { Part } from "../kit/part";
import { ListGrid } from "../workspace/list-grid";
import { filesOfMod } from "../workspace/server";
import { useAnswer } from "../workspace/use-answer";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import type { Looked } from "./conflicts-address";
import { ContentsDialog, type Compared } from "./contents-dialog";
import { holderText } from "./holder";
import { treeLines, type TreeLine } from "./path-tree";

type Line = TreeLine<PairRow>;
const keyOf = ({ path }: Line): string => path;

interface Props {
  of: Contested;
  about: AboutPair;
  onLook: (looked: Looked) => void;
}

/** What two bring both, as a tree: who wins each, and why it is no conflict where it is none. */
export function RowsOfPair({ of, about, onLook }: Props) {
  const roster = useEditor((state) => state.roster);
  const { items, rows } = about;
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
  const [compared, compare] = useState<Compared | null>(null);
  const sizes = useSizes(of, items);
  const lines = useMemo(
    () => (of === "files" ? treeLines(rows, closed) : rows.map(plainLine)),
    [of, rows, closed],
  );
  const turn = useCallback(
    (path: string) =>
      setClosed((now) => {
        const next = new Set(now);
        if (!next.delete(path)) next.add(path);
        return next;
      }),
    [],
  );
  const columns = useMemo(() => columnsOf(of, rows, roster, sizes, turn), [of, rows, roster, sizes, turn]);
  const leaveOut = useLeaveOut();
  const commands = useMemo(
    () => [
      ...commandsOf(of, turn, onLook, (path) => compare({ path, items })),
      ...(of === "files" ? items.filter((id) => id !== "") : []).map((id) =>
        leavingOut(id, holderText(roster, id), leaveOut),
      ),
    ],
    [of, turn, onLook, items, roster, leaveOut],
  );
  if (rows.length === 0) return null;
  const title = say(`conflicts.bothBring.${of}`, { count: rows.length });
  return (
    <Part title={title}>
      <ListGrid
        kind={`pair-rows-${of}`}
        label={title}
        rows={lines}
        keyOf={keyOf}
        columns={columns}
        commands={commands}
        className="border-line max-h-72 rounded-md border"
      />
      <ContentsDialog compared={compared} onClose={() => compare(null)} />
    </Part>
  );
}

/** The profile does without files of a mod, or without whole folders of it. */
const leavingOut = (
  id: string,
  name: string,
  leaveOut: (id: string, paths: readonly string[]) => void,
): GridCommand<Line> => ({
  id: `leave-out-${id}`,
  title: () => say("conflicts.leaveOutOf", { item: name }),
  run: (lines) => leaveOut(id, lines.map(keyOf)),
});

function useLeaveOut() {
  const { editor } = useWorkspace();
  return useCallback(
    (id: string, paths: readonly string[]) => {
      const { roster } = editor.getState();
      const mod = roster.modOf.get(id);
      const edit = mod && leaveOutEdit(roster, mod, paths, true, []);
      if (edit) editor.dispatch(edit);
    },
    [editor],
  );
}

const plainLine = (row: PairRow): Line => ({ kind: "file", path: row.key, name: row.key, depth: 0, row });

type Sizes = ReadonlyMap<string, readonly (number | null)[]>;

/** Of each path the sizes in the first and in the second, which are read when they are asked for. */
function useSizes(of: Contested, items: AboutPair["items"]): Sizes | null {
  const game = useEditor(({ roster }) => roster.game);
  const contents = useEditor(({ roster }) =>
    items.map((id) => roster.modOf.get(id)?.mod?.content ?? "").join(" "),
  );
  const question = useCallback(async () => {
    if (of === "records") return null;
    const sizes = new Map<string, (number | null)[]>();
    for (const [at, content] of contents.split(" ").entries()) {
      const files = content === "" ? null : await filesOfMod(content);
      for (const { path, size } of files?.ok ? files.value : []) {
        const key = foldName(game, path);
        const known = sizes.get(key) ?? [null, null];
        known[at] = size;
        sizes.set(key, known);
      }
    }
    return sizes;
  }, [of, contents, game]);
  return useAnswer(question).answer;
}

/** Why something is no conflict is a column where anything is none. */
function columnsOf(
  of: Contested,
  rows: readonly PairRow[],
  roster: Roster,
  sizes: Sizes | null,
  turn: (path: string) => void,
): readonly GridColumn<Line>[] {
  const nameOf = (id: string | null) => holderText(roster, id);
  const sizeOf = (path: string) =>
    (sizes?.get(path) ?? []).map((size) => (size === null ? "–" : formatSize(size)));
  const ofFile = (text: (row: PairRow) => string) => (line: Line) =>
    line.kind === "file" ? text(line.row) : "";
  return [
    {
      id: "key",
      label: say(of === "files" ? "common.file" : "conflicts.record"),
      width: 150,
      isFixed: true,
      isMain: true,
      sortBy: null,
      text: ({ name }) => name,
      cell: (line) => <PathCell line={line} turn={turn} />,
    },
    {
      id: "winner",
      label: say("conflicts.wins"),
      width: 104,
      sortBy: null,
      text: ofFile(({ winner }) => nameOf(winner)),
    },
    ...(rows.some(({ none }) => none !== null)
      ? [
          {
            id: "why",
            label: say("conflicts.whyNot"),
            width: 150,
            sortBy: null,
            text: ofFile(({ none }) => noConflictText(none, nameOf)),
          },
        ]
      : []),
    ...(of === "files"
      ? [
          {
            id: "sizes",
            label: say("common.size"),
            width: 130,
            sortBy: null,
            text: ofFile(({ key }) => [...new Set(sizeOf(key))].join(" / ")),
          },
        ]
      : []),
  ];
}

function PathCell({ line, turn }: { line: Line; turn: (path: string) => void }) {
  const Sign = line.kind === "folder" && !line.isOpen ? ChevronRight : ChevronDown;
  return (
    <span className="flex min-w-0 items-center gap-1" style={{ paddingLeft: `${line.depth * 0.75}rem` }}>
      {line.kind === "folder" && (
        <button
          type="button"
          tabIndex={-1}
          aria-expanded={line.isOpen}
          aria-label={say("conflicts.folder", { name: line.name })}
          onClick={() => turn(line.path)}
          className="flex size-6 shrink-0 items-center justify-center"
        >
          <Sign size={13} aria-hidden />
        </button>
      )}
      <span
        className={`${textLook} min-w-0 truncate font-mono text-sm ${line.kind === "folder" ? "" : "font-normal"}`}
      >
        {line.name}
      </span>
      {line.kind === "folder" && <span className="text-ink3 text-sm">{line.count}</span>}
    </span>
  );
}

const isFile = (lines: readonly Line[]): boolean => lines.length === 1 && lines[0]!.kind === "file";

function commandsOf(
  of: Contested,
  turn: (path: string) => void,
  onLook: Props["onLook"],
  compare: (path: string) => void,
): readonly GridCommand<Line>[] {
  const look: GridCommand<Line> = {
    id: "look",
    keys: ["Enter"],
    title: () => say("conflicts.lookAtIt"),
    isPossible: isFile,
    run: ([line]) => line && onLook({ kind: "key", key: line.path }),
  };
  if (of === "records") return [look];
  return [
    look,
    {
      id: "compare",
      keys: ["c"],
      title: () => say("conflicts.compareContents"),
      isPossible: isFile,
      run: ([line]) => line && compare(line.path),
    },
    {
      id: "fold",
      keys: ["f"],
      title: () => say("conflicts.fold"),
      isPossible: (lines) => lines.length === 1 && lines[0]!.kind === "folder",
      run: ([line]) => line && turn(line.path),
    },
  ];
}

/** Why something that both bring is no conflict; empty where it is one. */
function noConflictText(none: NoConflict | null, nameOf: (id: string) => string): string {
  if (none === null) return "";
  if (none.because === "equal") return say("conflicts.none.equal");
  return say(`conflicts.none.${none.because}`, { item: nameOf(none.of) });
}
