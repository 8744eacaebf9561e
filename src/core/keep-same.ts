/** `after`, with each part that is written the same as before being the very object that it was; the whole too, if all are. */
export function keepSame<T extends object>(before: T, after: T): T {
  const parts = Object.entries(after).map(([key, value]) => {
    const old: unknown = before[key as keyof T];
    return [key, isSame(old, value) ? old : value] as const;
  });
  const isWhole =
    parts.length === Object.keys(before).length &&
    parts.every(([key, part]) => before[key as keyof T] === part);
  return isWhole ? before : (Object.fromEntries(parts) as T);
}

const isSame = (before: unknown, after: unknown): boolean =>
  before === after || (before !== undefined && JSON.stringify(before) === JSON.stringify(after));
