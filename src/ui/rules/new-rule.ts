import type { OrderRule } from "@/core/model/problem";
import type { Rule } from "@/core/model/profile";

/** A rule made now, with a name of its own. */
export const newRule = (rule: OrderRule, note = ""): Rule => ({
  id: crypto.randomUUID(),
  rule,
  note,
  made: new Date().toISOString(),
});
