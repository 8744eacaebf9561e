"use client";

import { ChevronDown } from "lucide-react";
import { Popover } from "radix-ui";
import type { ReactNode } from "react";
import { menuLook } from "./menu-look";

/** A button that opens onto settings of a list. */
export function Drop({
  label,
  isOn,
  isOpenAtFirst = false,
  children,
}: {
  label: string;
  isOn: boolean;
  isOpenAtFirst?: boolean;
  children: ReactNode;
}) {
  return (
    <Popover.Root defaultOpen={isOpenAtFirst}>
      <Popover.Trigger
        className={`border-line bg-surface flex h-7 items-center gap-1 rounded-md border px-2 ${isOn ? "font-semibold" : "text-ink2"}`}
      >
        <span className="max-w-44 truncate">{label}</span>
        <ChevronDown size={13} aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content align="start" sideOffset={4} aria-label={label} className={`${menuLook} p-3`}>
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
