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
export function threeWay<T>(base: T, mine: T, theirs: T, side: Side): { value: T; clash: boolean } {
  if (sameValue(mine, base)) return { value: theirs, clash: false };
  if (sameValue(theirs, base) || sameValue(mine, theirs)) return { value: mine, clash: false };
  return { value: side === "mine" ? mine : theirs, clash: true };
}

/** Something that both sides changed, each in another way. */
export interface Clash<T> {
  readonly key: string;
  readonly mine: T | undefined;
  readonly theirs: T | undefined;
}

/**
 * Merges collections by a key: what only one side added, changed or took away counts. In the order of mine, then what
 * only they have.
 */
export function mergeByKey<T>(
  keyOf: (value: T) => string,
  [base, mine, theirs]: readonly [readonly T[], readonly T[], readonly T[]],
  sideOf: (key: string) => Side,
): { values: T[]; clashes: Clash<T>[] } {
  if (sameValue(mine, base)) return { values: [...theirs], clashes: [] };
  if (sameValue(theirs, base) || sameValue(mine, theirs)) return { values: [...mine], clashes: [] };
  const index = (values: readonly T[]) => new Map(values.map((value) => [keyOf(value), value]));
  const [a, b, c] = [index(base), index(mine), index(theirs)];
  const clashes: Clash<T>[] = [];
  const values: T[] = [];
  for (const key of new Set([...b.keys(), ...c.keys()])) {
    const merged = threeWay(a.get(key), b.get(key), c.get(key), sideOf(key));
    if (merged.clash) clashes.push({ key, mine: b.get(key), theirs: c.get(key) });
    if (merged.value !== undefined) values.push(merged.value);
  }
  return { values, clashes };
}
