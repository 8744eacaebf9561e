import { useCallback, useEffect, useRef, type RefObject } from "react";
import type { Carrying } from "./use-carry";

/** Within this share of its height from an edge the list scrolls by itself, at the edge by so many pixels a second. */
const nearEdge = 0.08;
const fastest = 2000;
/** Seconds that the pointer is there before it begins, for it may only pass, and until it is at its full speed. */
const restBefore = 0.15;
const speedUp = 0.5;

/** Pixels a second, negative upwards, for a pointer at `y`; outside of the list as fast as at its edge, which lies `above` below its top. */
function scrollSpeed({ top: edge, bottom, height }: DOMRect, above: number, y: number): number {
  const top = edge + above;
  const reach = nearEdge * height;
  const share = (depth: number) => Math.max(0, Math.min(1, depth / reach));
  return fastest * (share(y - (bottom - reach)) - share(top + reach - y));
}

/**
 * While items are dragged by mouse, holds them over the slot under the pointer and scrolls the list at its edges. The pointer
 * is followed before anything is picked up: on a busy machine it has come to rest before what is carried is drawn first.
 */
export function useHoldAtPointer(
  listRef: RefObject<HTMLDivElement | null>,
  above: number,
  holdAtHeight: Carrying["holdAtHeight"],
  dragging: boolean,
): () => void {
  const pointer = useRef<number | null>(null);
  const pressed = useRef<number | null>(null);
  const holdAtPointer = useCallback(() => {
    const list = listRef.current;
    if (!list || pointer.current === null) return;
    holdAtHeight(pointer.current - list.getBoundingClientRect().top + list.scrollTop - above);
  }, [listRef, above, holdAtHeight]);
  useEffect(() => {
    const list = listRef.current;
    const onMove = (event: PointerEvent) => {
      pointer.current = event.clientY;
      holdAtPointer();
    };
    const onDown = (event: PointerEvent) => {
      pressed.current = event.clientY;
    };
    window.addEventListener("pointerdown", onDown, { capture: true });
    window.addEventListener("pointermove", onMove, { capture: true });
    list?.addEventListener("scroll", holdAtPointer);
    return () => {
      window.removeEventListener("pointerdown", onDown, { capture: true });
      window.removeEventListener("pointermove", onMove, { capture: true });
      list?.removeEventListener("scroll", holdAtPointer);
    };
  }, [listRef, holdAtPointer]);
  useEffect(
    () => (dragging ? scrollAtEdges(listRef.current, above, pointer, pressed.current) : undefined),
    [dragging, listRef, above],
  );
  return holdAtPointer;
}

/**
 * Scrolls the list, frame by frame, for as long as the pointer is near an edge; answers how to end that. What was `picked` up near an
 * edge is mostly on its way elsewhere, however long that takes to be drawn: it scrolls once the pointer has come nearer to the edge
 * than there, or has been away from it.
 */
function scrollAtEdges(
  list: HTMLElement | null,
  above: number,
  pointer: { readonly current: number | null },
  picked: number | null,
): () => void {
  let from = picked;
  const speedAt = (y: number): number => {
    const speed = list ? scrollSpeed(list.getBoundingClientRect(), above, y) : 0;
    if (speed === 0) from = null;
    return from !== null && (y - from) * speed <= 0 ? 0 : speed;
  };
  if (from !== null) speedAt(from);
  let last = performance.now();
  let rested = 0;
  const step = (now: number) => {
    // A long frame counts as a short one: nobody could let go in time.
    const seconds = Math.min(now - last, 50) / 1000;
    last = now;
    const speed = pointer.current === null ? 0 : speedAt(pointer.current);
    rested = speed === 0 ? 0 : rested + seconds;
    const share = Math.max(0, Math.min(1, (rested - restBefore) / speedUp));
    if (list && share > 0) list.scrollTop += speed * share * seconds;
    frame = requestAnimationFrame(step);
  };
  let frame = requestAnimationFrame(step);
  return () => cancelAnimationFrame(frame);
}
