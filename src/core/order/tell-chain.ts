import type { Link, ToldChain } from "../model/problem";

/** Links of a long chain that are told at each end. */
const atEachEnd = 5;

/** The chain as a screen or a report tells it. */
export function tellChain(links: readonly Link[]): ToldChain {
  const left = links.length - 2 * atEachEnd;
  if (left <= 1) return { links, left: 0 };
  return { links: [...links.slice(0, atEachEnd), ...links.slice(-atEachEnd)], left };
}

/** Where in `links` the ones that are left out would stand. */
export const gapOf = ({ links, left }: ToldChain): number | null => (left === 0 ? null : links.length / 2);
