import type { GridColumn } from "./columns";

/** How rows are sorted by a column: its id, with a minus before it the other way round; empty: as they come. */
export type Sort = string;

type SortWay = "ascending" | "descending" | "none";
type Sortable = Pick<GridColumn<never>, "id" | "isOrder">;

export const sortWay = (sort: Sort, { id, isOrder = false }: Sortable): SortWay =>
  sort === (isOrder ? "" : id) ? "ascending" : sort === `-${id}` ? "descending" : "none";

/** Once one way, then the other, then as they come. */
export const nextSort = (sort: Sort, column: Sortable): Sort =>
  column.isOrder
    ? ""
    : { none: column.id, ascending: `-${column.id}`, descending: "" }[sortWay(sort, column)];

/** Whether rows can be put into another order by it. */
export const isSortable = ({ sortBy, isOrder }: Pick<GridColumn<never>, "sortBy" | "isOrder">): boolean =>
  sortBy !== null && !isOrder;
