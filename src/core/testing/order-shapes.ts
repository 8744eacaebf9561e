import type { OrderProblem, OrderRule, ProblemItem } from "../model/problem";
import { makeRandom } from "../random";

/** `needs[at]` are the places, in a sound order, of what the item at that place of it needs. */
type Needs = readonly (readonly number[])[];

const upTo = (n: number): number[] => Array.from({ length: n }, (_, at) => at);
const needsOf = (n: number, of: (at: number) => readonly number[]): Needs => upTo(n).map(of);

/** Ties as they may be, each sound in the order 0, 1, 2, …, but for the rings. */
const graphs: Readonly<Record<string, (n: number) => Needs>> = {
  chain: (n) => needsOf(n, (at) => (at === 0 ? [] : [at - 1])),
  ring: (n) => needsOf(n, (at) => [(at + n - 1) % n]),
  "rings of 10": (n) => needsOf(n, (at) => [at % 10 === 0 ? Math.min(n - 1, at + 9) : at - 1]),
  "one needed by all": (n) => needsOf(n, (at) => (at === 0 ? [] : [0])),
  "one that needs all": (n) => needsOf(n, (at) => (at === n - 1 ? upTo(n - 1) : [])),
  "layers of 100": (n) => {
    const random = makeRandom(3);
    const layer = (at: number) => at - (at % 100);
    return needsOf(n, (at) => (at < 100 ? [] : upTo(10).map(() => layer(at) - 100 + random.below(100))));
  },
  comb: (n) => needsOf(n, (at) => (at === 0 ? [] : [at % 2 === 0 ? at - 2 : at - 1])),
  tree: (n) => needsOf(n, (at) => (at === 0 ? [] : [(at - 1) >> 1])),
  "tree upwards": (n) =>
    needsOf(n, (at) => [n - 2 * (n - at), n - 2 * (n - at) - 1].filter((need) => need >= 0)),
  "nearly total": (n) => needsOf(n, (at) => upTo(10).flatMap((back) => (at > back ? [at - back - 1] : []))),
  "ten at random": (n) => {
    const random = makeRandom(5);
    return needsOf(n, (at) => (at === 0 ? [] : upTo(10).map(() => random.below(at))));
  },
  "ten at random, with cycles": (n) => {
    const random = makeRandom(5);
    return needsOf(n, () => upTo(10).map(() => random.below(n)));
  },
};

const orders: Readonly<Record<string, (n: number) => number[]>> = {
  "as it should be": upTo,
  reversed: (n) => upTo(n).reverse(),
  shuffled: (n) => {
    const random = makeRandom(11);
    const order = upTo(n);
    for (let at = n - 1; at > 0; at--) {
      const other = random.below(at + 1);
      [order[at], order[other]] = [order[other]!, order[at]!];
    }
    return order;
  },
  "halves interleaved": (n) => upTo(n).map((at) => (at % 2 === 0 ? at / 2 : (n >> 1) + (at >> 1))),
};

const problemOf = (needs: Needs, order: readonly number[], rules: OrderRule[] = []): OrderProblem => ({
  format: "seating-order-problem/1",
  items: order.map((at): ProblemItem => ({ id: `n${at}`, needs: needs[at]!.map((need) => `n${need}`) })),
  rules,
});

/** Rules of a chain, most of which say the contrary of it. */
const contradictions = (n: number, count: number): OrderRule[] => {
  const random = makeRandom(13);
  return upTo(count).map((at) => {
    const [a, b] = [random.below(n), random.below(n)];
    return {
      id: `r${at}`,
      kind: "before",
      item: `n${a}`,
      other: `n${b}`,
      strength: at % 2 === 0 ? "must" : "prefer",
    };
  });
};

const groupsOf = (n: number, size: number): OrderRule[] =>
  upTo(Math.floor(n / size)).map((at) => ({
    id: `g${at}`,
    kind: "together",
    items: upTo(size).map((member) => `n${at * size + member}`),
    strength: "prefer",
  }));

const apart = (n: number): Needs => needsOf(n, () => []);
const withRules: Readonly<Record<string, (n: number) => OrderProblem>> = {
  "a tenth as many rules as links in a chain, half against it": (n) =>
    problemOf(graphs["chain"]!(n), upTo(n), contradictions(n, n / 10)),
  "nine rules an item, no needs": (n) => problemOf(apart(n), upTo(n), contradictions(n, 9 * n)),
  "pairs that stay together, shuffled": (n) => problemOf(apart(n), orders["shuffled"]!(n), groupsOf(n, 2)),
  "groups of 25 in a tree": (n) => problemOf(graphs["tree"]!(n), orders["shuffled"]!(n), groupsOf(n, 25)),
  "a hundred that must be first, and pairs": (n) =>
    problemOf(apart(n), orders["shuffled"]!(n), [
      ...groupsOf(n, 2),
      ...upTo(100).map((at): OrderRule => ({
        id: `f${at}`,
        kind: "first",
        item: `n${7 * at}`,
        within: "list",
        strength: "prefer",
        weight: 0.5,
      })),
    ]),
};

/** Problems of `n` items, by what they are called: ties as they may be, in orders as they may be. */
export const orderShapes: Readonly<Record<string, (n: number) => OrderProblem>> = {
  ...Object.fromEntries(
    Object.entries(graphs).flatMap(([graph, needs]) =>
      Object.entries(orders).map(([order, make]) => [
        `${graph}, ${order}`,
        (n: number) => problemOf(needs(n), make(n)),
      ]),
    ),
  ),
  ...withRules,
};
