import { ViewLink } from "./view-link";

/** Links to the parts of a view, each of which has an address. */
export function PartLinks({
  label,
  view,
  parts,
  present,
}: {
  label: string;
  /** The path of the view. */
  view: string;
  parts: readonly { readonly id: string; readonly label: string }[];
  present: string;
}) {
  return (
    <nav aria-label={label} className="flex flex-wrap gap-1">
      {parts.map(({ id, label: words }) => (
        <ViewLink
          key={id}
          href={`${view}?part=${id}`}
          aria-current={id === present ? "page" : undefined}
          className={`flex h-7 items-center rounded-md px-3 font-semibold ${id === present ? "bg-pine-soft text-pine forced-colors:outline-1" : "text-ink2 hover:bg-sunk hover:text-ink"}`}
        >
          {words}
        </ViewLink>
      ))}
    </nav>
  );
}
