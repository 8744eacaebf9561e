import { RuleId } from "@/core/model/ids";
import type { OrderRule } from "@/core/model/problem";
import type { ListName, Rule } from "@/core/model/profile";

/** A rule made now for one of the orders, with a name of its own. */
export const newRule = (list: ListName, rule: OrderRule, note = ""): Rule => ({
  id: RuleId.parse(crypto.randomUUID()),
  rule,
  note,
  made: new Date().toISOString(),
  ...(list === "mods" ? { list } : {}),
});
