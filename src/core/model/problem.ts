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

/** Who says a rule that its asker did not write: the game's own fixed order, a rulebook, the preference for breadth, the other order. */
type RuleSource =
  | { readonly kind: "built-in" | "broader-first" | "aligned" }
  | { readonly kind: "book"; readonly book: string; readonly rule: string };

/** A rule as a problem in memory has it; in a file nobody but its asker says one. */
export type ProblemRule = OrderRule & { readonly source?: RuleSource };

export const ProblemItem = z.strictObject({
  id: z.string(),
  class: z.string().optional(),
  section: z.string().optional(),
  needs: z.array(z.string()).optional(),
  /** It was placed by hand: of equally good items it rather stays. */
  placed: z.boolean().optional(),
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
export type OrderProblem = Omit<z.infer<typeof OrderProblem>, "rules"> & {
  readonly rules?: readonly ProblemRule[] | undefined;
};

/** Where a tie comes from: what an item needs, the classes, the sections, or a rule, by its id or "#index" where it has none. */
export type Origin = "needs" | "class" | "section" | RuleOrigin;
export interface RuleOrigin {
  readonly rule: string;
  readonly source?: RuleSource;
}

/** One step of a reason. */
export interface Link {
  readonly before: string;
  readonly after: string;
  readonly because: Origin;
}

/** A chain as it is told: of a long one the first and the last links, and how many lie between them, 0 where it is whole. */
export interface ToldChain {
  readonly links: readonly Link[];
  readonly left: number;
}

const NeedsRule = z.strictObject({ kind: z.literal("needs"), item: z.string(), other: z.string() });

/** What could not be kept, and the ties that stood in its way; `index` is that of a rule. */
export interface SetAside {
  readonly rule: ProblemRule | z.infer<typeof NeedsRule>;
  readonly index?: number;
  readonly because: readonly Link[];
}

/** An order that was found, with all that is to be said of it. */
export interface FoundOrder {
  readonly order: readonly string[];
  readonly moved: readonly string[];
  readonly setAside: readonly SetAside[];
  readonly cycles: readonly { readonly items: readonly string[]; readonly links: readonly Link[] }[];
  readonly missing: readonly { readonly item: string; readonly needs: string }[];
  readonly raised: readonly {
    readonly item: string;
    readonly section: string;
    readonly effective: string;
    readonly because: readonly Link[];
  }[];
  /** As many inverted pairs as there are moves; null where there is no proof. */
  readonly certificate: readonly (readonly [string, string])[] | null;
}

/** `because` is "needs", "class", "section", or what the rule is called. */
const WrittenLink = z.strictObject({ before: z.string(), after: z.string(), because: z.string() });
export type WrittenLink = z.infer<typeof WrittenLink>;

/** `seating-order-result/1`; `certificate` holds as many inverted pairs as there are moves. */
export const OrderResult = z.strictObject({
  format: z.literal("seating-order-result/1"),
  order: z.array(z.string()),
  moved: z.array(z.string()),
  setAside: z.array(
    z.strictObject({
      rule: z.union([OrderRule, NeedsRule]),
      index: z.number().int().optional(),
      because: z.array(WrittenLink),
    }),
  ),
  cycles: z.array(z.strictObject({ items: z.array(z.string()), links: z.array(WrittenLink) })),
  missing: z.array(z.strictObject({ item: z.string(), needs: z.string() })),
  raised: z.array(
    z.strictObject({
      item: z.string(),
      section: z.string(),
      effective: z.string(),
      because: z.array(WrittenLink),
    }),
  ),
  certificate: z.array(z.tuple([z.string(), z.string()])).nullable(),
});
export type OrderResult = z.infer<typeof OrderResult>;
