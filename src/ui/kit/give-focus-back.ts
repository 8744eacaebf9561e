/** What passes by over the work, and takes the focus with it when it goes. */
const passing = "[role=dialog], [role=menu], [role=listbox], [data-radix-popper-content-wrapper]";

/** What has had the focus last in the work itself, and in each dialog. */
let last: HTMLElement | null = null;
const lastIn = new WeakMap<Element, HTMLElement>();

/** Remembers from now on what has the focus. Answers how to stop. */
export function watchFocus(): () => void {
  const onFocus = ({ target }: FocusEvent) => {
    if (!(target instanceof HTMLElement)) return;
    const holder = target.closest(passing);
    if (holder) lastIn.set(holder, target);
    else last = target;
  };
  document.addEventListener("focusin", onFocus);
  return () => document.removeEventListener("focusin", onFocus);
}

/** Gives the focus back once a dialog has closed: to the one below it, or to the work, or to the view where that has gone meanwhile. */
export function giveFocusBack(): void {
  const below = [...document.querySelectorAll("[role=dialog]")].at(-1);
  const to = below ? (lastIn.get(below) ?? null) : last;
  const isThere = to?.isConnected === true && to.getClientRects().length > 0 && !to.matches(":disabled");
  if (isThere) to.focus({ preventScroll: true });
  else focusView();
}

export const focusView = (): void => document.getElementById(viewId)?.focus({ preventScroll: true });

/** The id of the element that holds the view. */
export const viewId = "view";
