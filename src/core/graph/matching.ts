import type { BitRows } from "./bit-rows";

interface Matching {
  /** Partner of each right vertex among the left ones, and the other way round; -1 for none. */
  readonly ofRight: Int32Array;
  readonly ofLeft: Int32Array;
  /** Left vertices that alternating paths reach from the unmatched right ones: half of Kőnig's minimum cover. */
  readonly reachedLeft: Uint8Array;
}

/**
 * A maximum matching of the bipartite graph in which right vertex r, below `rights`, is joined to the left ones of
 * `adjacent`'s row r, by Hopcroft and Karp (1973): each phase finds shortest augmenting paths only, as many as are
 * disjoint. Layers of left vertices are kept as bit rows, so that a word of a row is searched at once.
 * `start` is a matching to begin with; it is not changed.
 */
export function maximumMatching(
  adjacent: BitRows,
  rights = adjacent.rows,
  start?: Pick<Matching, "ofRight" | "ofLeft">,
): Matching {
  const ofRight = start ? start.ofRight.slice() : new Int32Array(rights).fill(-1);
  const ofLeft = start ? start.ofLeft.slice() : new Int32Array(adjacent.columns).fill(-1);
  for (;;) {
    const { layers, reachedLeft, isFree } = findLayers(adjacent, ofRight, ofLeft);
    if (!isFree) return { ofRight, ofLeft, reachedLeft };
    augmentByLayers(adjacent, layers, ofRight, ofLeft);
  }
}

/** Breadth first from all unmatched right vertices, up to the first layer that holds an unmatched left one. */
function findLayers(adjacent: BitRows, ofRight: Int32Array, ofLeft: Int32Array) {
  const unseen = new Uint32Array(adjacent.words).fill(0xffffffff);
  const reachedLeft = new Uint8Array(adjacent.columns);
  const layers: Uint32Array[] = [];
  let isFree = false;
  let frontier: number[] = [];
  ofRight.forEach((left, right) => left === -1 && frontier.push(right));
  while (frontier.length > 0 && !isFree) {
    const layer = new Uint32Array(adjacent.words);
    const further: number[] = [];
    for (const right of frontier)
      for (let word = 0; word < adjacent.words; word++) {
        const found = adjacent.word(right, word) & unseen[word]!;
        if (found === 0) continue;
        unseen[word]! &= ~found;
        layer[word]! |= found;
        for (let bits = found; bits !== 0; bits &= bits - 1) {
          const left = (word << 5) + (31 - Math.clz32(bits & -bits));
          reachedLeft[left] = 1;
          if (ofLeft[left] === -1) isFree = true;
          else further.push(ofLeft[left]!);
        }
      }
    layers.push(layer);
    frontier = further;
  }
  return { layers, reachedLeft, isFree };
}

/** Depth first along the layers; each left vertex is taken out of its layer once it has been tried. */
function augmentByLayers(
  adjacent: BitRows,
  layers: readonly Uint32Array[],
  ofRight: Int32Array,
  ofLeft: Int32Array,
): void {
  const rights: number[] = [];
  const lefts: number[] = [];
  const wordAt = new Int32Array(ofRight.length);
  const next = (right: number, layer: Uint32Array): number => {
    for (let word = wordAt[right]!; word < layer.length; word++) {
      const bits = adjacent.word(right, word) & layer[word]!;
      if (bits === 0) continue;
      wordAt[right] = word;
      layer[word]! &= ~(bits & -bits);
      return (word << 5) + (31 - Math.clz32(bits & -bits));
    }
    wordAt[right] = layer.length;
    return -1;
  };
  for (let root = 0; root < ofRight.length; root++) {
    if (ofRight[root] !== -1) continue;
    rights.push(root);
    while (rights.length > 0) {
      const depth = rights.length - 1;
      const left = depth < layers.length ? next(rights[depth]!, layers[depth]!) : -1;
      if (left === -1) {
        rights.pop();
        lefts.pop();
        continue;
      }
      lefts.push(left);
      if (ofLeft[left] !== -1) {
        rights.push(ofLeft[left]!);
        continue;
      }
      rights.forEach((right, at) => {
        ofRight[right] = lefts[at]!;
        ofLeft[lefts[at]!] = right;
      });
      rights.length = lefts.length = 0;
    }
  }
}
