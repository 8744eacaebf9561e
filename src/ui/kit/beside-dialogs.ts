/** For `onInteractOutside`: what is told beside an open dialog can be touched without closing it. */
export function keepOpenBeside(event: CustomEvent<{ originalEvent: Event }>): void {
  const { target } = event.detail.originalEvent;
  if (target instanceof Element && target.closest("[data-beside-dialogs]")) event.preventDefault();
}
