/** Something in a sequence that stands in blocks, one a group. */
export interface Grouped {
  readonly id: string;
  readonly group: string;
}

/**
 * Puts into `kept` what of `model` is not among it, each behind the nearest item before it in the model that stands in its group,
 * first of the group where there is none. Both go group by group; what of the model is kept is only looked at for where it stands.
 * Linear.
 *
 *     kept  a b c      model  x a y z c      ->  x a y z b c
 */
export function insertNear<T extends Grouped>(
  groups: readonly string[],
  kept: readonly T[],
  model: readonly T[],
): T[] {
  const groupOf = new Map(kept.map(({ id, group }) => [id, group]));
  const first = new Map<string, T[]>(groups.map((group) => [group, []]));
  const behind = new Map<string, T[]>();
  const near = new Map<string, string>();
  for (const each of model) {
    const stands = groupOf.get(each.id);
    if (stands !== undefined) {
      // What stands in another group here says nothing of places in this one.
      if (stands === each.group) near.set(stands, each.id);
      continue;
    }
    const anchor = near.get(each.group);
    if (anchor === undefined) first.get(each.group)?.push(each);
    else if (behind.has(anchor)) behind.get(anchor)!.push(each);
    else behind.set(anchor, [each]);
  }
  const members = new Map<string, T[]>(groups.map((group) => [group, [...first.get(group)!]]));
  for (const each of kept) members.get(each.group)?.push(each, ...(behind.get(each.id) ?? []));
  return groups.flatMap((group) => members.get(group)!);
}

/** The same of a sequence without groups. */
export const insertKeys = (kept: readonly string[], model: readonly string[]): string[] =>
  insertNear(
    [""],
    kept.map((id) => ({ id, group: "" })),
    model.map((id) => ({ id, group: "" })),
  ).map(({ id }) => id);
