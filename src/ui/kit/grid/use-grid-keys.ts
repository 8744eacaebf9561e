import type { KeyboardEvent } from "react";
import { copiedRows, moved, widened, type Chosen, type GridColumn } from "./columns";
import { isPossible, type GridCommand } from "./commands";
import { openMenuAt } from "./open-menu";
import { afterKey, selectOne, type Selection } from "./selection";
import { nextSort } from "./sort";
import { useTypeAhead } from "./use-type-ahead";

/** The headings, of which the keyboard can stand on one. */
export interface Headed<Row> extends Chosen {
  /** As they are shown. */
  readonly columns: readonly GridColumn<Row>[];
  /** The place of the heading that the keyboard stands on; null where it is among the rows. */
  readonly head: number | null;
  readonly setHead: (head: number | null) => void;
}

interface Keyed<Row> extends Headed<Row> {
  readonly keys: readonly string[];
  readonly rows: readonly Row[];
  /** What a row is found by when its name is typed. */
  readonly nameOf: (row: Row) => string;
  readonly selection: Selection;
  readonly onSelection: (selection: Selection) => void;
  readonly commands: readonly GridCommand<Row>[];
  readonly selectedRows: readonly Row[];
  /** How many rows are in sight. */
  readonly page: () => number;
}

const step = 16;
const walking = /^(?:Arrow|Page|Home|End)/;

/** The keys of a grid: walking and selecting, copying, typing a name, its commands, and the headings above the first row. */
export function useGridKeys<Row>(keyed: Keyed<Row>): (event: KeyboardEvent<HTMLElement>) => void {
  const typeAhead = useTypeAhead();
  const onLetter = (sign: string): boolean => {
    const { rows, keys, nameOf, selection, onSelection } = keyed;
    const at = typeAhead(sign, () => rows.map(nameOf), keys.indexOf(selection.active ?? ""));
    if (at !== null) onSelection(selectOne(keys[at]!));
    return at !== null;
  };
  return (event) => {
    if (event.defaultPrevented) return;
    if (event.target !== event.currentTarget) {
      // From a button in a row the arrows lead back to the rows; its own keys are its own.
      if (!walking.test(event.key)) return;
      event.currentTarget.focus({ preventScroll: true });
    }
    if (keyed.head === null ? onRowKey(keyed, event, onLetter) : onHeadKey(keyed, event))
      event.preventDefault();
  };
}

function onRowKey<Row>(
  keyed: Keyed<Row>,
  event: KeyboardEvent<HTMLElement>,
  onLetter: (sign: string) => boolean,
) {
  const { keys, columns, selection, onSelection, setHead, commands, selectedRows, page } = keyed;
  const { key, shiftKey, altKey } = event;
  const ctrlKey = event.ctrlKey || event.metaKey;
  if (altKey) return false;
  if (key === "ContextMenu" || (shiftKey && key === "F10")) {
    openMenuAt(event.currentTarget);
    return true;
  }
  if (ctrlKey && key.toLowerCase() === "c" && selectedRows.length > 0) {
    void navigator.clipboard.writeText(copiedRows(columns, selectedRows));
    return true;
  }
  const isFirst = selection.active === null || selection.active === keys[0];
  if (key === "ArrowUp" && !shiftKey && !ctrlKey && isFirst) {
    setHead(columns.findIndex(({ isMain }) => isMain));
    return true;
  }
  const command = ctrlKey ? undefined : commands.find((each) => each.keys?.includes(key));
  if (command) {
    if (isPossible(command, selectedRows)) command.run(selectedRows);
    return true;
  }
  const after = afterKey(keys, selection, { key, shiftKey, ctrlKey }, page());
  if (after) onSelection(after);
  // A space would scroll.
  return after !== null || key === " " || (!ctrlKey && onLetter(key));
}

/** Left and right go from heading to heading, Enter sorts; with Alt they make the column narrower and wider, with Ctrl they move it. */
export function onHeadKey<Row>(
  { columns, layout, onLayout, sort, onSort, head, setHead }: Headed<Row>,
  { key, altKey, ctrlKey, metaKey, currentTarget }: KeyboardEvent<HTMLElement>,
): boolean {
  if (head === null) return false;
  const column = columns[head]!;
  const by = { ArrowLeft: -1, ArrowRight: 1 }[key];
  if (by !== undefined) {
    const next = Math.max(0, Math.min(columns.length - 1, head + by));
    if (altKey) onLayout(widened(layout, column.id, by * step));
    else if (!ctrlKey && !metaKey) setHead(next);
    else if (moved(layout, column.id, by) !== layout) {
      onLayout(moved(layout, column.id, by));
      setHead(next);
    }
  } else if (key === "Enter" || key === " ") {
    if (column.sortBy !== null) onSort(nextSort(sort, column));
  } else if (key === "ContextMenu" || key === "F10") openMenuAt(currentTarget);
  else if (key === "ArrowDown" || key === "Escape") setHead(null);
  else return false;
  return true;
}
