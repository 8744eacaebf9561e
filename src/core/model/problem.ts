import { z } from "zod";

/** `must` ties are kept before all `prefer` ties; a set-aside must is reported as a contradiction. */
export const Strength = z.enum(["must", "prefer"]);
export type Strength = z.infer<typeof Strength>;

const weight = z.number().optional();
const ruleBase = { id: z.string().optional(), strength: Strength, weight };

export const OrderRule = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.enum(["after", "before"]), item: z.string(), other: z.string(), ...ruleBase }),
  z.strictObject({
    kind: z.enum(["first", "last"]),
    item: z.string(),
    within: z.enum(["section", "list"]),
    ...ruleBase,
  }),
  z.strictObject({
    kind: z.literal("together"),
    items: z.array(z.string()),
    id: z.string().optional(),
    strength: z.literal("prefer"),
    weight,
  }),
]);
export type OrderRule = z.infer<typeof OrderRule>;

export const ProblemItem = z.strictObject({
  id: z.string(),
  class: z.string().optional(),
  section: z.string().optional(),
  needs: z.array(z.string()).optional(),
});
export type ProblemItem = z.infer<typeof ProblemItem>;

/** `seating-order-problem/1`: items stand in their current order; classes and sections in load order. */
export const OrderProblem = z.strictObject({
  format: z.literal("seating-order-problem/1"),
  items: z.array(ProblemItem),
  classes: z.array(z.string()).optional(),
  sections: z.array(z.string()).optional(),
  rules: z.array(OrderRule).optional(),
});
export type OrderProblem = z.infer<typeof OrderProblem>;

/** One step of a reason: `because` is "needs", "class", "section", a rule's id, or "#index" of a rule without one. */
export const Link = z.strictObject({ before: z.string(), after: z.string(), because: z.string() });
export type Link = z.infer<typeof Link>;

export const NeedsRule = z.strictObject({ kind: z.literal("needs"), item: z.string(), other: z.string() });

export const SetAside = z.strictObject({
  rule: z.union([OrderRule, NeedsRule]),
  index: z.number().int().optional(),
  because: z.array(Link),
});
export type SetAside = z.infer<typeof SetAside>;

/** `seating-order-result/1`; `certificate` holds as many inverted pairs as there are moves. */
export const OrderResult = z.strictObject({
  format: z.literal("seating-order-result/1"),
  order: z.array(z.string()),
  moved: z.array(z.string()),
  setAside: z.array(SetAside),
  cycles: z.array(z.strictObject({ items: z.array(z.string()), links: z.array(Link) })),
  missing: z.array(z.strictObject({ item: z.string(), needs: z.string() })),
  raised: z.array(
    z.strictObject({
      item: z.string(),
      section: z.string(),
      effective: z.string(),
      because: z.array(Link),
    }),
  ),
  certificate: z.array(z.tuple([z.string(), z.string()])).nullable(),
});
export type OrderResult = z.infer<typeof OrderResult>;
