import type { ListName } from "../model/profile";
import { isBroken } from "../roster/ties";
import { subject, type Check, type CheckInput } from "./check";
import { proposeOrder } from "./fixes";

/** An order as it stands breaks one of the curator's own rules for a pair, or a mod stands before one that it requires. */
export const ruleBroken: Check = (input) =>
  (["plugins", "mods"] as const).flatMap((list) => brokenIn(input, list));

function brokenIn({ roster, ties }: CheckInput, list: ListName) {
  const { itemOf } = roster.lists[list];
  return ties[list].all
    .filter(({ because }) =>
      because === "needs" ? list === "mods" : because.source?.kind !== "broader-first",
    )
    .filter((tie) => isBroken(tie, (id) => itemOf.get(id)!.place))
    .map(({ earlier, later, because, strength }) => ({
      check: "rule-broken",
      id: because === "needs" ? ("required-late" as const) : ("rule-broken" as const),
      data: { earlier, later },
      level: strength === "must" ? ("problem" as const) : ("hint" as const),
      subjects: [subject(list, later), subject(list, earlier)],
      fixes: [proposeOrder(list)],
    }));
}
