import { isBroaderFirst } from "../order/broader-first";
import { isBroken } from "../profile/ties";
import { plugin as subject, type Check } from "./check";
import { proposeOrder } from "./fixes";

/** The order as it stands breaks one of the curator's own rules for a pair. */
export const ruleBroken: Check = ({ roster, ties }) =>
  ties.all
    .filter(
      (tie) =>
        tie.because !== "needs" &&
        !isBroaderFirst(tie.because) &&
        isBroken(tie, (id) => roster.pluginOf.get(id)!.place),
    )
    .map((tie) => ({
      check: "rule-broken",
      id: "rule-broken",
      data: { earlier: tie.earlier, later: tie.later },
      level: tie.strength === "must" ? "problem" : "hint",
      subjects: [subject(tie.later), subject(tie.earlier)],
      fixes: [proposeOrder],
    }));
