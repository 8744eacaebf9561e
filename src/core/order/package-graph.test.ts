import * as graphlib from "@dagrejs/graphlib";
import type { OrderProblem } from "../model/problem";
import { makeRandom } from "../random";
import { propose } from "./propose";
import { verifyResult } from "./verify";
import { writeResult } from "./write-result";

/**
 * A generated excerpt in the shape of a distribution's package graph: a few packages that very many need, most needs
 * on what is older, some small circles of packages that need each other, some needs that nothing answers, listed by
 * name rather than by age.
 */
function packageGraph(count: number, seed: number): OrderProblem {
  const random = makeRandom(seed);
  const name = (age: number) => `pkg-${((age * 7919) % count).toString().padStart(5, "0")}`;
  const needs = Array.from({ length: count }, () => new Set<string>());
  for (let age = 1; age < count; age++)
    for (let n = random.below(8); n > 0; n--)
      needs[age]!.add(name(Math.floor(age * (random.below(1e6) / 1e6) ** 3)));
  for (let circle = 0; circle < count / 60; circle++) {
    const size = 2 + random.below(4);
    const start = random.below(count - size);
    for (let at = 0; at < size; at++) needs[start + at]!.add(name(start + ((at + 1) % size)));
  }
  for (let n = 0; n < count / 50; n++) needs[random.below(count)]!.add(`virtual-${n}`);
  const items = needs.map((all, age) => ({ id: name(age), needs: [...all] }));
  return { format: "seating-order-problem/1", items: items.sort((a, b) => (a.id < b.id ? -1 : 1)) };
}

const problem = packageGraph(1500, 5);
const { result } = propose(problem);

test("every need that was kept holds, and what was not is set aside", () => {
  const place = new Map(result.order.map((id, at) => [id, at]));
  const aside = new Set(
    result.setAside.map(({ rule }) => rule.kind === "needs" && `${rule.item} ${rule.other}`),
  );
  const broken = problem.items.flatMap(({ id, needs }) =>
    needs!.filter(
      (need) => place.has(need) && !aside.has(`${id} ${need}`) && place.get(need)! >= place.get(id)!,
    ),
  );
  expect(broken).toEqual([]);
  expect(result.missing.length).toBeGreaterThan(20);
});

test("the components that hold a cycle are those of @dagrejs/graphlib", () => {
  const other = new graphlib.Graph({ directed: true });
  const present = new Set(problem.items.map(({ id }) => id));
  for (const { id, needs } of problem.items)
    for (const need of needs!) if (present.has(need)) other.setEdge(need, id);
  const theirs = graphlib.alg
    .tarjan(other)
    .filter((part) => part.length > 1 || other.hasEdge(part[0]!, part[0]!))
    .map((part) => part.sort().join(" "));
  const ours = result.cycles.map(({ items }) => [...items].sort().join(" "));
  expect(ours.length).toBeGreaterThan(5);
  expect(ours.sort()).toEqual(theirs.sort());
});

test("the result passes the independent check; one move fewer does not", () => {
  expect(verifyResult(problem, writeResult(result))).toEqual([]);
  expect(result.moved.length).toBeGreaterThan(100);
  const fewer = { ...writeResult(result), moved: result.moved.slice(1) };
  expect(verifyResult(problem, fewer)).not.toEqual([]);
});
