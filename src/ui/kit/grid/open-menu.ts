/** Opens the menu of a list at the row or heading that the keyboard stands on. */
export function openMenuAt(list: HTMLElement): void {
  const at = list.querySelector("[data-active]") ?? list;
  const { left, bottom } = at.getBoundingClientRect();
  const where = { clientX: left + 48, clientY: bottom };
  at.dispatchEvent(new MouseEvent("contextmenu", { bubbles: true, cancelable: true, ...where }));
}
