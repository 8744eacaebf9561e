import { Select, type SelectOption } from "./select";

/** One of several values by which a list is narrowed; null, under the name of the part, does not narrow it. */
export function NarrowBy({
  label,
  value,
  options,
  onChoose,
}: {
  label: string;
  value: string | null;
  options: readonly SelectOption[];
  onChoose: (value: string | null) => void;
}) {
  return (
    <Select
      label={label}
      value={value ?? ""}
      options={[{ value: "", words: label }, ...options]}
      onChoose={(next) => onChoose(next === "" ? null : next)}
      className={`!h-7 max-w-44 !px-2 ${value === null ? "!text-ink2" : "font-semibold"}`}
    />
  );
}
