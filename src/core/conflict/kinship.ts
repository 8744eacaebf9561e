/**
 * An order in which those that meet stand near one another, so that a matrix of them has its marks in blocks along the diagonal: the
 * reverse Cuthill-McKee order (Cuthill and McKee, 1969; George, 1971; from memory). Those that meet nobody come last, as they stood.
 */
export function kinshipOrder(
  count: number,
  pairs: readonly { readonly loser: number; readonly winner: number }[],
): number[] {
  const meets = Array.from({ length: count }, () => new Set<number>());
  for (const { loser, winner } of pairs) {
    meets[loser]!.add(winner);
    meets[winner]!.add(loser);
  }
  const degree = (item: number) => meets[item]!.size;
  const byDegree = (a: number, b: number) => degree(a) - degree(b) || a - b;
  const seen = new Uint8Array(count);
  const order: number[] = [];
  const starts = Array.from({ length: count }, (_, item) => item)
    .filter((item) => degree(item) > 0)
    .sort(byDegree);
  for (const start of starts) {
    if (seen[start]) continue;
    const group = [start];
    seen[start] = 1;
    for (let at = 0; at < group.length; at++)
      for (const next of [...meets[group[at]!]!].sort(byDegree))
        if (!seen[next]) {
          seen[next] = 1;
          group.push(next);
        }
    order.push(...group.reverse());
  }
  for (let item = 0; item < count; item++) if (degree(item) === 0) order.push(item);
  return order;
}
