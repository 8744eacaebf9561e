import { useSearchParams } from "next/navigation";
import { useCallback, useMemo } from "react";
import { filterFromQuery, filterToQuery, type ShelfFilter } from "./shelf-filter";

/** The filter and the sort of the shelf, which live in the address: they survive a reload and can be passed on. */
export function useShelfFilter() {
  const params = useSearchParams();
  const filter = useMemo(() => filterFromQuery(params), [params]);
  const sort = params.get("sort") ?? "";
  const setFilter = useCallback((part: Partial<ShelfFilter>) => {
    const now = new URLSearchParams(location.search);
    replace(filterToQuery({ ...filterFromQuery(now), ...part }), now.get("sort") ?? "");
  }, []);
  const setSort = useCallback(
    (next: string) => replace(filterToQuery(filterFromQuery(new URLSearchParams(location.search))), next),
    [],
  );
  return { filter, sort, setFilter, setSort };
}

function replace(query: URLSearchParams, sort: string): void {
  if (sort) query.set("sort", sort);
  window.history.replaceState(null, "", query.size > 0 ? `?${query}` : location.pathname);
}
