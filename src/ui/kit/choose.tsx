import type { ReactNode } from "react";

/** One of several values by which a list is narrowed; null, under the name of the part, does not narrow it. */
export function Choose({
  label,
  value,
  onChoose,
  children,
}: {
  label: string;
  value: string | null;
  onChoose: (value: string | null) => void;
  children: ReactNode;
}) {
  return (
    <select
      aria-label={label}
      value={value ?? ""}
      onChange={(event) => onChoose(event.target.value === "" ? null : event.target.value)}
      className={`border-line bg-surface h-7 max-w-44 rounded-md border px-1.5 text-base ${value === null ? "text-ink2" : "text-ink font-semibold"}`}
    >
      <option value="">{label}</option>
      {children}
    </select>
  );
}
