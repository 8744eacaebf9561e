/** How an entry of a menu looks. */
export const menuItemLook =
  "flex h-8 cursor-pointer items-center gap-2 rounded px-2 outline-none data-[highlighted]:bg-pine-soft data-[disabled]:text-ink3";

export const menuLook =
  "border-line bg-surface text-ink z-50 max-h-[70vh] overflow-auto rounded-md border p-1 shadow-xl";
