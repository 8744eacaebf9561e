import type { ReactNode } from "react";

/** A part of an inspector under a small heading. */
export function Part({ title, children }: { title: ReactNode; children: ReactNode }) {
  return (
    <section>
      <h3 className="text-ink2 mb-1 text-sm font-semibold">{title}</h3>
      {children}
    </section>
  );
}
