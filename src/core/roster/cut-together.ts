import type { ItemId } from "../model/ids";
import type { ListName } from "../model/profile";
import { findConstraints } from "../order/constraints";
import { listProblem } from "./list-problem";
import type { Roster, SeatedItem } from "./roster";

/** A member that cannot stand with the others: another load rank, or a section that a tie or its curator gives it, lies between. */
interface Apart {
  readonly id: ItemId;
  readonly border: "rank" | "section";
  /** What its rank or section is called. */
  readonly where: string;
}

/** Of items that are to stay together, those that can, and why the others cannot. */
interface CutTogether {
  readonly items: readonly ItemId[];
  readonly apart: readonly Apart[];
}

/**
 * A group over a border of load ranks or sections can be kept by no order. Cut down to the members of the rank and the section
 * that has most of them, the earliest of equal ones, it can. Null where no border lies between the members.
 */
export function cutTogether(roster: Roster, name: ListName, ids: readonly string[]): CutTogether | null {
  const list = roster.lists[name];
  const members: SeatedItem[] = ids.flatMap((id) => list.itemOf.get(id) ?? []);
  if (members.length < 2) return null;
  const { problem, effective } = findConstraints(listProblem(roster, name));
  const placesOf = (item: SeatedItem) => {
    const place = problem.placeOf.get(item.id)!;
    return { rank: problem.rank[place]!, section: effective[place]! };
  };
  const groups = new Map<
    string,
    { readonly rank: number; readonly section: number; members: SeatedItem[] }
  >();
  for (const item of members) {
    const at = placesOf(item);
    const key = `${at.rank} ${at.section}`;
    const group = groups.get(key) ?? { ...at, members: [] };
    group.members.push(item);
    groups.set(key, group);
  }
  if (groups.size === 1) return null;
  const [largest] = [...groups.values()].sort(
    (a, b) => b.members.length - a.members.length || a.rank - b.rank || a.section - b.section,
  );
  const kept = new Set(largest!.members);
  const sectionName = (at: number) =>
    list.sections.find(({ id }) => id === problem.sections[at])?.name ?? "no section";
  return {
    items: largest!.members.map(({ id }) => id),
    apart: members
      .filter((item) => !kept.has(item))
      .map((item) => {
        const { rank, section } = placesOf(item);
        return rank === largest!.rank
          ? { id: item.id, border: "section", where: sectionName(section) }
          : { id: item.id, border: "rank", where: item.rank.label };
      }),
  };
}
