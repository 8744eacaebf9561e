/** Two items that provide the same, as plugins the same records; `broader` provides more in all, or as much where they are `equal`. */
export interface Overlap {
  readonly broader: string;
  readonly narrower: string;
  /** How much both provide. */
  readonly shared: number;
  readonly equal?: true;
}

/** Overlaps by the numbers of their items in `ids`, in arrays as long as one another: there may be hundreds of thousands, and they go from thread to thread. */
export interface OverlapList {
  readonly ids: readonly string[];
  readonly broader: Int32Array;
  readonly narrower: Int32Array;
  readonly shared: Int32Array;
  /** 1 where they are. */
  readonly equal: Uint8Array;
}

export function packOverlaps(overlaps: Iterable<Overlap>): OverlapList {
  const numbers = new Map<string, number>();
  const numberOf = (id: string): number => {
    const known = numbers.get(id) ?? numbers.size;
    numbers.set(id, known);
    return known;
  };
  const broader: number[] = [];
  const narrower: number[] = [];
  const shared: number[] = [];
  const equal: number[] = [];
  for (const each of overlaps) {
    broader.push(numberOf(each.broader));
    narrower.push(numberOf(each.narrower));
    shared.push(each.shared);
    equal.push(each.equal ? 1 : 0);
  }
  return {
    ids: [...numbers.keys()],
    broader: Int32Array.from(broader),
    narrower: Int32Array.from(narrower),
    shared: Int32Array.from(shared),
    equal: Uint8Array.from(equal),
  };
}

/** Of `touching`, where that is given, at least one item. */
export function* overlapsOf(
  { ids, broader, narrower, shared, equal }: OverlapList,
  touching?: ReadonlySet<string>,
): Generator<Overlap> {
  const isWanted = Uint8Array.from(ids, (id) => ((touching?.has(id) ?? true) ? 1 : 0));
  for (let at = 0; at < shared.length; at++) {
    if (isWanted[broader[at]!] === 0 && isWanted[narrower[at]!] === 0) continue;
    yield {
      broader: ids[broader[at]!]!,
      narrower: ids[narrower[at]!]!,
      shared: shared[at]!,
      ...(equal[at] === 1 && { equal: true as const }),
    };
  }
}
