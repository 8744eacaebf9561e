import { longestIncreasing } from "../graph/longest-increasing";

/**
 * Order by numbers with gaps, as people keep it in sheets: every section is a tier with a value (10, 20, 30), and an
 * item's number is its tier's value plus a weight inside it. Both ways round: numbers to sections and order, and back.
 */
interface Tier {
  readonly section: string;
  /** Finite, and greater than that of the tier before. */
  readonly value: number;
}

export interface Numbered {
  readonly id: string;
  readonly number: number;
}

interface Seated {
  readonly id: string;
  /** Null below the first tier. */
  readonly section: string | null;
}

/** In the order of their numbers, equal ones as listed; each in the last tier whose value its number reaches. */
export function seatsOfNumbers(tiers: readonly Tier[], items: readonly Numbered[]): Seated[] {
  return [...items]
    .sort((a, b) => a.number - b.number)
    .map(({ id, number }) => ({
      id,
      section: tiers.findLast((tier) => tier.value <= number)?.section ?? null,
    }));
}

/**
 * Numbers for items in their order, each within its section's tier; an item of no section comes below the first. Of the numbers that the items
 * have already, as many are kept as can be; the others are put evenly between their neighbours, as round as they can
 * be. `items` are in the order of the tiers.
 */
export function numbersOfSeats(
  tiers: readonly Tier[],
  items: readonly (Seated & { readonly number?: number })[],
): Numbered[] {
  const known = new Set(tiers.map((tier) => tier.section));
  const parts = [null, ...tiers.map((tier) => tier.section)].map((section) => {
    const at = tiers.findIndex((tier) => tier.section === section);
    const members = items.filter((item) => (known.has(item.section ?? "") ? item.section : null) === section);
    return numberPart(members, tiers[at]?.value ?? -Infinity, tiers[at + 1]?.value ?? Infinity);
  });
  return parts.flat();
}

type Known = { readonly id: string; readonly number?: number };

/** Numbers from `start` on, below `end`; afresh where those that could be kept leave no room for the others. */
function numberPart(items: readonly Known[], start: number, end: number): Numbered[] {
  const afresh = () => fillPart(items, [], start, end);
  const numbers = fillPart(items, keepRising(items, start, end), start, end) ?? afresh();
  if (!numbers) throw new RangeError(`no ${items.length} numbers fit between ${start} and ${end}`);
  return numbers;
}

/** As many of the numbers as can stay: their places among the items, and they themselves. */
function keepRising(items: readonly Known[], start: number, end: number) {
  const fits = (number: number | undefined) => number !== undefined && number >= start && number < end;
  const candidates = items.flatMap(({ number }, at) => (fits(number) ? [{ at, number: number! }] : []));
  return longestIncreasing(candidates.map(({ number }) => number)).map((each) => candidates[each]!);
}

function fillPart(
  items: readonly Known[],
  kept: readonly { readonly at: number; readonly number: number }[],
  start: number,
  end: number,
): Numbered[] | null {
  const numbers: Numbered[] = [];
  let from = 0;
  for (const { at, number } of [...kept, { at: items.length, number: end }]) {
    const last = numbers.at(-1);
    const low = last ? last.number : start;
    const between = numbersBetween(low, number, at - from, last === undefined);
    if (!between) return null;
    between.forEach((each, n) => numbers.push({ id: items[from + n]!.id, number: each }));
    if (at < items.length) numbers.push({ id: items[at]!.id, number });
    from = at + 1;
  }
  return numbers;
}

/** `count` rising numbers above `low` (from it on where `closed`) and below `high`, with as few decimals as tell them apart; null where there is no room. */
function numbersBetween(low: number, high: number, count: number, closed: boolean): number[] | null {
  if (count === 0) return [];
  const bottom = Number.isFinite(low) ? low : (Number.isFinite(high) ? high : 1) - (count + 1);
  const isClosed = closed && Number.isFinite(low);
  const top = Number.isFinite(high) ? high : bottom + count + 1;
  for (let decimals = 0; decimals <= 15; decimals++) {
    const numbers = Array.from({ length: count }, (_, at) => {
      const share = isClosed ? at / count : (at + 1) / (count + 1);
      return Number((bottom + (top - bottom) * share).toFixed(decimals));
    });
    const rises = numbers.every((number, at) =>
      at === 0 ? (isClosed ? number >= low : number > bottom) : number > numbers[at - 1]!,
    );
    if (rises && numbers.at(-1)! < high) return numbers;
  }
  return null;
}
