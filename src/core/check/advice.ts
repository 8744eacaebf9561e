import type { Level } from "../model/finding";
import type { Advice } from "../model/rulebook";
import { readAdvice } from "../roster/books";
import { foldName } from "../roster/fold";
import type { Roster } from "../roster/roster";
import { plugin as subject, readsOrders, type Check } from "./check";
import { switchOff, switchOn } from "./fixes";

const levelOf: Record<Exclude<Advice["kind"], "note" | "blend">, Level> = {
  "known-bad": "problem",
  outdated: "problem",
  leftover: "problem",
  requires: "problem",
};

/** What the rulebooks in use know of a plugin that loads. Notes and blend advice stand in its inspector only. */
export const advised: Check = {
  reads: readsOrders,
  find: ({ roster }) => {
    const adviceFor = readAdvice(roster);
    return roster.plugins
      .filter((plugin) => plugin.loads && !plugin.fixed)
      .flatMap((plugin) =>
        adviceFor(plugin).flatMap(({ book, advice }) => {
          if (advice.kind === "note" || advice.kind === "blend") return [];
          const other = otherOf(roster, advice);
          if (advice.kind === "requires" && other?.loads) return [];
          return {
            check: "advised",
            id: `advice-${advice.kind}` as const,
            data: {
              item: plugin.id,
              book: book.name,
              text: advice.text ?? "",
              other: other?.id ?? nameIn(advice),
              count: advice.kind === "leftover" ? advice.count : 0,
            },
            level: levelOf[advice.kind],
            subjects: [subject(plugin.id)],
            ...(nameIn(advice) !== "" && {
              besides: [{ kind: "plugin" as const, id: other?.id ?? nameIn(advice) }],
            }),
            fixes:
              advice.kind === "requires" && other ? [switchOn(other.id)] : [switchOff("plugins", plugin.id)],
          };
        }),
      );
  },
};

const nameIn = (advice: Advice): string =>
  advice.kind === "requires" ? advice.other : advice.kind === "outdated" ? advice.replacement : "";

function otherOf({ game, idOfName, pluginOf }: Roster, advice: Advice) {
  return pluginOf.get(idOfName.get(foldName(game, nameIn(advice))) ?? "");
}
