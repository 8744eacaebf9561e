import type { ListName } from "@/core/model/profile";
import type { PlanSort } from "@/core/roster/plan-filter";
import { columnLook, type PlanColumn } from "./plan-columns";
import { gutterWidth } from "./tie-arcs";

export const headHeight = 28;

interface Heading {
  readonly column: PlanColumn;
  readonly words: string;
  /** By which the list is sorted to be looked at; "order" leads back to the real order, null: by this it can't be sorted. */
  readonly sorts: PlanSort | "order" | null;
}

export function headingsOf(list: ListName, withNumbers: boolean): readonly Heading[] {
  const isPlugins = list === "plugins";
  return [
    { column: "seat", words: "Seat", sorts: "order" },
    ...(withNumbers ? [{ column: "number", words: "Number", sorts: null } as const] : []),
    { column: "switch", words: "On", sorts: null },
    { column: "name", words: isPlugins ? "Plugin" : "Mod", sorts: "name" },
    isPlugins
      ? { column: "kind", words: "Class", sorts: "kind" }
      : { column: "kind", words: "Version", sorts: null },
    isPlugins
      ? { column: "origin", words: "Mod", sorts: "mod" }
      : { column: "origin", words: "Brings", sorts: null },
    { column: "state", words: "State", sorts: null },
  ];
}

export const headingId = (column: PlanColumn): string => `plan-head-${column}`;

/** Whether the list is sorted by what a heading stands for. */
const waySorted = ({ sorts }: Heading, sortBy: PlanSort | null): "ascending" | "none" =>
  sorts === (sortBy ?? "order") ? "ascending" : "none";

/** The order that a press of a heading leads to: what is sorted by it already goes back to the real one. */
export const sortAfter = ({ sorts }: Heading, sortBy: PlanSort | null): PlanSort | null =>
  sorts === null ? sortBy : sorts === "order" || sorts === sortBy ? null : sorts;

/** Names of the columns, which stay in sight; a press sorts the list to be looked at, or goes back to the order. */
export function PlanHead({
  headings,
  sortBy,
  onSort,
  active,
}: {
  headings: readonly Heading[];
  sortBy: PlanSort | null;
  onSort: (by: PlanSort | null) => void;
  /** The place of the heading that the keyboard stands on. */
  active: number | null;
}) {
  return (
    <div
      role="row"
      aria-rowindex={1}
      className="border-line bg-sunk text-ink2 sticky top-0 z-[4] flex items-center border-b text-sm font-semibold"
      style={{ paddingLeft: gutterWidth, height: headHeight }}
    >
      <span aria-hidden className="mr-2.5 w-1 shrink-0" />
      {headings.map((heading, at) => {
        const { column, words, sorts } = heading;
        const way = waySorted(heading, sortBy);
        return (
          <span
            key={column}
            id={headingId(column)}
            role="columnheader"
            aria-colindex={at + 1}
            aria-label={words}
            aria-sort={sorts === null ? undefined : way}
            data-active={at === active || undefined}
            className={`outline-pine data-[active]:outline-2 ${columnLook[column]}`}
          >
            {sorts === null ? (
              <span className="truncate">{words}</span>
            ) : (
              <button
                type="button"
                tabIndex={-1}
                aria-label={sorts === "order" ? `${words}: the load order` : `Sort by ${words}`}
                onClick={() => onSort(sortAfter(heading, sortBy))}
                className="hover:text-ink h-6 truncate"
              >
                {words} {way === "ascending" && sortBy !== null && <span aria-hidden>↑</span>}
              </button>
            )}
          </span>
        );
      })}
    </div>
  );
}
