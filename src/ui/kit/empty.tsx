import type { ReactNode } from "react";

/** A view that holds nothing yet: what it is for, and what comes first. */
export const Empty = ({ purpose, children }: { purpose: ReactNode; children?: ReactNode }) => (
  <div className="text-ink2 flex flex-col items-start gap-2.5 p-4">
    <p className="max-w-prose">{purpose}</p>
    {children && <p className="flex flex-wrap gap-2">{children}</p>}
  </div>
);
