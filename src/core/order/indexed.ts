import type { OrderProblem, OrderRule } from "../model/problem";

/** The problem with integers for names: an item's number is its current place. */
export interface IndexedProblem {
  readonly ids: readonly string[];
  readonly placeOf: ReadonlyMap<string, number>;
  /** Load rank of each item, 0 loads first. */
  readonly rank: Int32Array;
  readonly ranks: number;
  /** Own section of each item, -1 for none. */
  readonly section: Int32Array;
  readonly sections: readonly string[];
  /** Present needs of each item, each once, as listed. */
  readonly needs: readonly (readonly number[])[];
  readonly missing: readonly { item: string; needs: string }[];
  readonly rules: readonly OrderRule[];
  /** 1 for each item that was placed by hand. */
  readonly placed: Uint8Array;
}

/** 1 for an item that was placed by hand, else 0; undefined where none was. */
export const placedIn = ({ placed }: IndexedProblem): ((item: number) => number) | undefined =>
  placed.includes(1) ? (item) => placed[item] ?? 0 : undefined;

/** Expects a checked problem: unique ids, known classes and sections (`readProblem` refuses all else). */
export function indexProblem(problem: OrderProblem): IndexedProblem {
  const { items, classes = [], sections = [], rules = [] } = problem;
  const ids = items.map((item) => item.id);
  const placeOf = new Map(ids.map((id, place) => [id, place]));
  const rankOf = new Map(classes.map((name, rank) => [name, rank]));
  const sectionOf = new Map(sections.map((name, at) => [name, at]));
  const missing: { item: string; needs: string }[] = [];
  const lastRank = Math.max(0, classes.length - 1);
  const needs = items.map((item) => {
    const present: number[] = [];
    for (const need of new Set(item.needs ?? [])) {
      const place = placeOf.get(need);
      if (place === undefined) missing.push({ item: item.id, needs: need });
      else present.push(place);
    }
    return present;
  });
  return {
    ids,
    placeOf,
    rank: Int32Array.from(items, (item) =>
      item.class === undefined ? lastRank : (rankOf.get(item.class) ?? lastRank),
    ),
    ranks: Math.max(1, classes.length),
    section: Int32Array.from(items, (item) =>
      item.section === undefined ? -1 : (sectionOf.get(item.section) ?? -1),
    ),
    sections,
    needs,
    missing,
    rules,
    placed: Uint8Array.from(items, ({ placed }) => (placed ? 1 : 0)),
  };
}
