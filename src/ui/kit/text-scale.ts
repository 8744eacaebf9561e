import { useSyncExternalStore } from "react";

/** Pixels of the browser's usual size of text, for which heights and widths in code are. */
const usual = 16;
let scale = 1;
const listeners = new Set<() => void>();
let isWatched = false;

/** The browser tells of no change of its size of text, but of one of what is measured by it. */
function watch(): void {
  isWatched = true;
  const probe = document.createElement("div");
  Object.assign(probe.style, { position: "absolute", visibility: "hidden", width: "1rem" });
  document.body.append(probe);
  new ResizeObserver(() => {
    read();
    for (const listener of listeners) listener();
  }).observe(probe);
}

function read(): void {
  scale = parseFloat(getComputedStyle(document.documentElement).fontSize) / usual;
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  if (!isWatched) watch();
  read();
  return () => listeners.delete(listener);
}

/** How much larger than usual text is, by the browser's settings: 1 as a rule. */
export const useTextScale = (): number =>
  useSyncExternalStore(
    subscribe,
    () => scale,
    () => 1,
  );
