import type { BitRows } from "./bit-rows";

export interface Matching {
  /** Partner of each right vertex among the left ones, and the other way round; -1 for none. */
  readonly ofRight: Int32Array;
  readonly ofLeft: Int32Array;
  readonly size: number;
  /** What alternating paths reach from the unmatched right vertices: the minimum cover by Kőnig's theorem. */
  readonly reachedRight: Uint8Array;
  readonly reachedLeft: Uint8Array;
}

/**
 * A maximum matching of the bipartite graph in which right vertex r, below `rights`, is joined to the left ones of
 * `adjacent`'s row r.
 * Phases as in Hopcroft and Karp (1973): in each, vertex-disjoint augmenting paths are searched from all unmatched
 * right vertices with one shared set of visited left vertices; as a bit row it lets a whole word be skipped at
 * once. The phase that finds no path has reached exactly what Kőnig's construction asks for.
 */
export function maximumMatching(adjacent: BitRows, rights = adjacent.rows): Matching {
  const search = new MatchingSearch(adjacent, rights);
  while (search.phase() > 0);
  return search.result();
}

class MatchingSearch {
  private readonly ofRight: Int32Array;
  private readonly ofLeft: Int32Array;
  private readonly unseen: Uint32Array;
  private readonly wordAt: Int32Array;
  private reachedRight: Uint8Array;

  constructor(
    private readonly adjacent: BitRows,
    private readonly rights: number,
  ) {
    this.ofRight = new Int32Array(rights).fill(-1);
    this.ofLeft = new Int32Array(adjacent.columns).fill(-1);
    this.unseen = new Uint32Array(adjacent.words);
    this.wordAt = new Int32Array(rights);
    this.reachedRight = new Uint8Array(rights);
  }

  /** Augments along disjoint paths; answers how many it found. */
  phase(): number {
    this.unseen.fill(0xffffffff);
    this.wordAt.fill(0);
    this.reachedRight.fill(0);
    let found = 0;
    for (let right = 0; right < this.rights; right++)
      if (this.ofRight[right] === -1 && this.augment(right)) found++;
    return found;
  }

  private augment(root: number): boolean {
    const rights = [root];
    const lefts: number[] = [];
    while (rights.length > 0) {
      const right = rights[rights.length - 1]!;
      this.reachedRight[right] = 1;
      const left = this.nextUnseen(right);
      if (left === -1) {
        rights.pop();
        lefts.pop();
        continue;
      }
      lefts.push(left);
      const partner = this.ofLeft[left]!;
      if (partner === -1) {
        this.flip(rights, lefts);
        return true;
      }
      rights.push(partner);
    }
    return false;
  }

  private flip(rights: readonly number[], lefts: readonly number[]): void {
    rights.forEach((right, at) => {
      this.ofRight[right] = lefts[at]!;
      this.ofLeft[lefts[at]!] = right;
    });
  }

  /** The first left vertex beside `right` that this phase has not visited; it is marked as visited. */
  private nextUnseen(right: number): number {
    const { words } = this.adjacent;
    for (let word = this.wordAt[right]!; word < words; word++) {
      const bits = this.adjacent.word(right, word) & this.unseen[word]!;
      if (bits === 0) continue;
      this.wordAt[right] = word;
      const low = bits & -bits;
      this.unseen[word]! ^= low;
      return (word << 5) + (31 - Math.clz32(low));
    }
    this.wordAt[right] = words;
    return -1;
  }

  result(): Matching {
    const reachedLeft = new Uint8Array(this.adjacent.columns);
    for (let left = 0; left < reachedLeft.length; left++)
      reachedLeft[left] = this.unseen[left >>> 5]! & (1 << (left & 31)) ? 0 : 1;
    let size = 0;
    for (const partner of this.ofRight) if (partner !== -1) size++;
    return {
      ofRight: this.ofRight,
      ofLeft: this.ofLeft,
      size,
      reachedRight: this.reachedRight,
      reachedLeft,
    };
  }
}
