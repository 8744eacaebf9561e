import type { GridColumn } from "./columns";

/** What a row says, for a row that is marked as a group of that name. */
export function GridCells<Row>({ columns, row }: { columns: readonly GridColumn<Row>[]; row: Row }) {
  return columns.map((column, place) => (
    <span key={column.id} role="gridcell" aria-colindex={place + 1} className={cellLook(column)}>
      {column.cell?.(row) ?? <span className={textLook}>{column.text(row)}</span>}
    </span>
  ));
}

/** What is cut shows whole where the pointer or the keyboard is. */
export const textLook =
  "group-hover/row:relative group-hover/row:z-[1] group-hover/row:bg-inherit group-data-[active]/row:relative group-data-[active]/row:z-[1] group-data-[active]/row:bg-inherit";

const cellLook = ({
  isMain,
  isMono,
  isFigure,
}: Pick<GridColumn<unknown>, "isMain" | "isMono" | "isFigure">): string =>
  `min-w-0 truncate bg-inherit group-hover/row:overflow-visible group-data-[active]/row:overflow-visible ` +
  `${isMain ? "font-semibold" : "text-ink2"} ${isMono || isFigure ? "font-mono text-sm" : ""} ${isFigure ? "text-right" : ""}`;
