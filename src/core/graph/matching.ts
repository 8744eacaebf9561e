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
 * `adjacent`'s row r. It begins with the first left vertex that is left over for each right one: whoever can, lets that be a
 * good one. Then phases of disjoint augmenting paths, depth first, each left vertex tried once a phase, unmatched ones first
 * (Pothen and Fan 1990). A word of a row is searched at once.
 */
export function maximumMatching(adjacent: BitRows, rights = adjacent.rows): Matching {
  const matcher = new Matcher(adjacent, rights);
  while (matcher.phase());
  return matcher;
}

const lowestBit = (bits: number): number => 31 - Math.clz32(bits & -bits);

class Matcher implements Matching {
  readonly ofRight: Int32Array;
  readonly ofLeft: Int32Array;
  readonly reachedLeft: Uint8Array;
  /** Left vertices without a partner, and those that no search of this phase has reached, as words of bits. */
  private readonly free: Uint32Array;
  private readonly unseen: Uint32Array;
  /** The word at which the search of each right vertex stands: for unmatched partners at any time, for others in this phase. */
  private readonly freeAt: Int32Array;
  private readonly unseenAt: Int32Array;

  constructor(
    private readonly adjacent: BitRows,
    rights: number,
  ) {
    const { words, columns } = adjacent;
    this.ofRight = new Int32Array(rights).fill(-1);
    this.ofLeft = new Int32Array(columns).fill(-1);
    this.reachedLeft = new Uint8Array(columns);
    this.free = new Uint32Array(words).fill(0xffffffff);
    this.unseen = new Uint32Array(words);
    this.freeAt = new Int32Array(rights);
    this.unseenAt = new Int32Array(rights);
    for (let right = 0; right < rights; right++) {
      const left = this.take(right, this.free, this.freeAt);
      if (left !== -1) this.match(right, left);
    }
  }

  /** Augments along disjoint paths; false where there is none, and then `reachedLeft` is what it says. */
  phase(): boolean {
    this.unseen.fill(0xffffffff);
    this.unseenAt.fill(0);
    this.reachedLeft.fill(0);
    let found = false;
    for (let right = 0; right < this.ofRight.length; right++)
      if (this.ofRight[right] === -1 && this.augmentFrom(right)) found = true;
    return found;
  }

  private augmentFrom(root: number): boolean {
    const rights = [root];
    const lefts: number[] = [];
    while (rights.length > 0) {
      const right = rights[rights.length - 1]!;
      const free = this.take(right, this.free, this.freeAt);
      if (free !== -1) {
        lefts.push(free);
        rights.forEach((each, at) => this.match(each, lefts[at]!));
        return true;
      }
      const left = this.take(right, this.unseen, this.unseenAt);
      if (left === -1) {
        rights.pop();
        lefts.pop();
        continue;
      }
      this.reachedLeft[left] = 1;
      lefts.push(left);
      rights.push(this.ofLeft[left]!);
    }
    return false;
  }

  private match(right: number, left: number): void {
    this.ofRight[right] = left;
    this.ofLeft[left] = right;
  }

  /** Takes the first partner of the right vertex out of a set that only shrinks; -1 where there is none. */
  private take(right: number, from: Uint32Array, standsAt: Int32Array): number {
    for (let word = standsAt[right]!; word < from.length; word++) {
      const bits = this.adjacent.word(right, word) & from[word]!;
      if (bits === 0) continue;
      standsAt[right] = word;
      from[word]! &= ~(bits & -bits);
      return (word << 5) + lowestBit(bits);
    }
    standsAt[right] = from.length;
    return -1;
  }
}
