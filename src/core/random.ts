/** A seeded source of numbers (mulberry32, public domain): the same seed gives the same demo on every machine. */
export interface Random {
  /** A whole number from 0 to below `limit`. */
  readonly below: (limit: number) => number;
  readonly pick: <T>(from: readonly T[]) => T;
  readonly chance: (share: number) => boolean;
}

export function makeRandom(seed: number): Random {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  const below = (limit: number) => Math.floor(next() * limit);
  return { below, pick: (from) => from[below(from.length)]!, chance: (share) => next() < share };
}
