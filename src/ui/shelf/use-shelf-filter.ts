import { useSearchParams } from "next/navigation";
import { useCallback, useEffect, useState } from "react";
import { showQuery } from "../workspace/address";
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
  const [{ filter, sort }, setNow] = useState(() => fromQuery(params));
  const [wanted] = useState(() => params.get("mod"));
  const query = toQuery({ filter, sort });
  useEffect(() => showQuery(query));
  const setFilter = useCallback(
    (part: Partial<ShelfFilter>) => setNow((now) => ({ ...now, filter: { ...now.filter, ...part } })),
    [],
  );
  const setSort = useCallback((next: string) => setNow((now) => ({ ...now, sort: next })), []);
  return { filter, sort, wanted, setFilter, setSort };
}

const fromQuery = (query: URLSearchParams): Narrowing => ({
  filter: filterFromQuery(query),
  sort: query.get("sort") ?? "",
});

function toQuery({ filter, sort }: Narrowing): string {
  const query = filterToQuery(filter);
  if (sort) query.set("sort", sort);
  return query.toString();
}
