import type { ComponentProps } from "react";

const looks = {
  main: "bg-pine text-on-pine hover:brightness-110 font-semibold",
  plain: "border border-line bg-surface text-ink hover:bg-sunk font-semibold",
  quiet: "text-ink2 hover:text-ink hover:bg-sunk font-semibold",
  danger: "border border-brick text-brick bg-surface hover:bg-brick-soft font-semibold",
} as const;

export type ButtonLook = keyof typeof looks;

export function Button({
  look = "plain",
  small = false,
  className = "",
  ...rest
}: ComponentProps<"button"> & { look?: ButtonLook; small?: boolean }) {
  const size = small ? "h-6 px-2 text-sm" : "h-8 px-3 text-base";
  return (
    <button
      type="button"
      className={`inline-flex shrink-0 items-center justify-center gap-1.5 whitespace-nowrap rounded-md disabled:opacity-50 ${size} ${looks[look]} ${className}`}
      {...rest}
    />
  );
}
