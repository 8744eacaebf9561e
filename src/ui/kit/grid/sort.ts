/** How rows are sorted by a column: its id, with a minus before it the other way round; empty: as they come. */
export type Sort = string;

type SortWay = "ascending" | "descending" | "none";

export const sortWay = (sort: Sort, id: string): SortWay =>
  sort === id ? "ascending" : sort === `-${id}` ? "descending" : "none";

/** Once one way, then the other, then as they come. */
export const nextSort = (sort: Sort, id: string): Sort =>
  ({ none: id, ascending: `-${id}`, descending: "" })[sortWay(sort, id)];
