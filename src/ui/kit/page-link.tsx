/** The page of a mod: a link where it is an address that a browser opens, and else what stands there. */
export function PageLink({ page }: { page: string }) {
  if (!/^https?:\/\//.test(page)) return <span className="font-mono text-sm break-all">{page}</span>;
  return (
    <a href={page} target="_blank" rel="noreferrer" className="text-pine break-all underline">
      {page}
    </a>
  );
}
