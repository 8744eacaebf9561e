/** What can be done with rows of a grid: by its menu, and by its keys where it has some. */
export interface GridCommand<Row> {
  readonly id: string;
  readonly title: (rows: readonly Row[]) => string;
  /** As `KeyboardEvent.key` names them; the menu shows the first. */
  readonly keys?: readonly string[];
  readonly isPossible?: (rows: readonly Row[]) => boolean;
  readonly run: (rows: readonly Row[]) => void;
}

export const isPossible = <Row>(command: GridCommand<Row>, rows: readonly Row[]): boolean =>
  rows.length > 0 && (command.isPossible?.(rows) ?? true);
