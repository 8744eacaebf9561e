/**
 * Which of some lists to leave so that the others name no more than so many masters; `mastersOf` has each list's. As few as a search that
 * always leaves the one that frees most finds, and none of them in vain.
 */
export function listsToLeave(mastersOf: ReadonlyMap<string, readonly string[]>, most: number): string[] {
  const kept = new Set(mastersOf.keys());
  const named = new Map<string, number>();
  for (const masters of mastersOf.values())
    for (const master of masters) named.set(master, (named.get(master) ?? 0) + 1);
  const freedBy = (list: string): number =>
    mastersOf.get(list)!.filter((master) => named.get(master) === 1).length;
  const left: string[] = [];
  while (named.size > most && kept.size > 0) {
    const [first, ...others] = kept;
    const next = others.reduce((best, list) => {
      const gain = freedBy(list) - freedBy(best);
      return gain > 0 || (gain === 0 && mastersOf.get(list)!.length > mastersOf.get(best)!.length)
        ? list
        : best;
    }, first!);
    kept.delete(next);
    left.push(next);
    for (const master of mastersOf.get(next)!)
      if (named.get(master) === 1) named.delete(master);
      else named.set(master, named.get(master)! - 1);
  }
  return left.filter((list) => {
    const fresh = mastersOf.get(list)!.filter((master) => !named.has(master));
    if (named.size + fresh.length > most) return true;
    for (const master of mastersOf.get(list)!) named.set(master, (named.get(master) ?? 0) + 1);
    return false;
  });
}
