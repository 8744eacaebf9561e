/** Which side's decision holds where both changed the same thing differently. */
export type Side = "mine" | "theirs";

/** The same by what it says, whatever order its keys stand in. */
export const sameValue = (a: unknown, b: unknown): boolean => a === b || said(a) === said(b);

const said = (value: unknown): string =>
  JSON.stringify(value, (_, each: unknown) =>
    typeof each === "object" && each !== null && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([a], [b]) => (a < b ? -1 : 1)))
      : each,
  ) ?? "";

/**
 * The value that one side changed; `clash` where both changed it, and not to the same. Of a clash the value is that of
 * `side`.
 */
export function threeWay<T>(
  base: T,
  mine: T,
  theirs: T,
  side: Side,
  same: (a: T, b: T) => boolean = sameValue,
): { value: T; clash: boolean } {
  if (same(mine, base)) return { value: theirs, clash: false };
  if (same(theirs, base) || same(mine, theirs)) return { value: mine, clash: false };
  return { value: side === "mine" ? mine : theirs, clash: true };
}
