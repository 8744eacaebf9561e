import { useSearchParams } from "next/navigation";
import { useCallback, useState } from "react";
import { queryAtBegin } from "../workspace/address";
import { filterFromQuery, filterToQuery, type ShelfFilter } from "./shelf-filter";

interface Narrowing {
  readonly filter: ShelfFilter;
  readonly sort: string;
}

/**
 * The filter and the sort of the shelf, and the mod that a link asks for. The shelf begins as its address says; from then
 * on the address follows, so that both survive a reload and can be passed on. It never leads again: the router may draw
 * an address late, or put an older one back when it has read something, and what was typed meanwhile would be lost.
 */
export function useShelfFilter() {
  const params = useSearchParams();
  const [begin] = useState(() => queryAtBegin("/shelf", params).query);
  const [{ filter, sort }, setNow] = useState(() => fromQuery(begin));
  const setFilter = useCallback(
    (part: Partial<ShelfFilter>) => setNow((now) => ({ ...now, filter: { ...now.filter, ...part } })),
    [],
  );
  const setSort = useCallback((next: string) => setNow((now) => ({ ...now, sort: next })), []);
  return { filter, sort, wanted: begin.get("mod"), setFilter, setSort };
}

const fromQuery = (query: URLSearchParams): Narrowing => ({
  filter: filterFromQuery(query),
  sort: query.get("sort") ?? "",
});

/** `mod` is the one that is looked at. */
export function shelfQuery({ filter, sort }: Narrowing, mod: string | null): string {
  const query = filterToQuery(filter);
  if (sort) query.set("sort", sort);
  if (mod !== null) query.set("mod", mod);
  return query.toString();
}
