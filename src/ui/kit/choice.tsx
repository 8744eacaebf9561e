import type { ReactNode } from "react";

/** One of several that exclude each other. */
export function Choice({
  name,
  checked,
  onChoose,
  children,
}: {
  name: string;
  checked: boolean;
  onChoose: () => void;
  children: ReactNode;
}) {
  return (
    <label className="flex min-h-6 items-center gap-1.5">
      <input type="radio" name={name} checked={checked} onChange={onChoose} className="accent-pine" />
      {children}
    </label>
  );
}
