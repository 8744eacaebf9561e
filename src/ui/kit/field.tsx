import type { ComponentProps } from "react";

export const inputLook =
  "h-8 w-full rounded-md border border-line bg-surface px-2.5 text-base text-ink placeholder:text-ink3";

export function Field({ label, hint, ...rest }: ComponentProps<"input"> & { label: string; hint?: string }) {
  return (
    <label className="block">
      <span className="text-ink2 mb-1 block text-sm font-semibold">{label}</span>
      <input className={inputLook} {...rest} />
      {hint && <span className="text-ink3 mt-1 block text-xs">{hint}</span>}
    </label>
  );
}
