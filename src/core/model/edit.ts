import { z } from "zod";
import { Section } from "./game";
import { ItemId } from "./ids";
import { decisions, Entry, ListName, PartialState, type KeyedName } from "./profile";

type DecideSchema<Name extends KeyedName> = z.ZodObject<
  {
    kind: z.ZodLiteral<"decide">;
    facet: z.ZodLiteral<Name>;
    key: z.ZodString;
    item: z.ZodNullable<(typeof decisions)[Name]>;
    before: z.ZodOptional<z.ZodNullable<z.ZodString>>;
  },
  z.core.$strict
>;
type AnyDecideSchema = { [Name in KeyedName]: DecideSchema<Name> }[KeyedName];

// One schema a facet, made of `decisions`; which is of which a mapping over the names loses.
const decideSteps = Object.entries(decisions).map(([facet, item]) =>
  z.strictObject({
    kind: z.literal("decide"),
    facet: z.literal(facet),
    key: z.string().max(5000),
    item: item.nullable(),
    before: z.string().nullable().optional(),
  }),
) as unknown as [AnyDecideSchema, ...AnyDecideSchema[]];

/**
 * Sets one decision of a facet, or takes it away (null), by its key; `before` says where among those of a facet whose order
 * counts: null at the end, left out where it is.
 */
const DecideStep = z.discriminatedUnion("facet", decideSteps);
export type DecideStep = z.infer<typeof DecideStep>;

/**
 * What changes a profile, by ids and never by index. `put` seats entries, new or old, before another one (null:
 * at the end); `drop` takes entries away; `switch` turns them on or off; `arrange` gives a whole order of the
 * present items, and with `sections` of those too; `decide` sets a single decision of any other facet; `replace` goes to
 * another state in the facets that it names, but for rules that are shared.
 */
export const Step = z.discriminatedUnion("kind", [
  z.strictObject({
    kind: z.literal("put"),
    list: ListName,
    entries: z.array(Entry),
    before: ItemId.nullable(),
  }),
  z.strictObject({ kind: z.literal("drop"), list: ListName, ids: z.array(ItemId) }),
  z.strictObject({ kind: z.literal("switch"), list: ListName, ids: z.array(ItemId), on: z.boolean() }),
  z.strictObject({
    kind: z.literal("arrange"),
    list: ListName,
    entries: z.array(Entry),
    sections: z.array(Section).optional(),
  }),
  DecideStep,
  z.strictObject({ kind: z.literal("replace"), state: PartialState }),
]);
export type Step = z.infer<typeof Step>;

type Item = { readonly item: string };
type Items = Item & { readonly count: number };
type Named = { readonly name: string };

/** What an edit did, by its id, and what there is to say of it; its words ("Move Tidal Core.keel to B3") stand in core/messages. */
export type LabelData = {
  readonly move: Items;
  readonly "switch-on": Items;
  readonly "switch-off": Items;
  readonly accept: { readonly moves: number };
  readonly drop: Items;
  readonly restore: Named;
  readonly arrivals: { readonly count: number };
  readonly add: Items;
  readonly "add-rule": Item;
  readonly "change-rule": Item;
  readonly "drop-rule": Item;
  readonly "rule-on": Item;
  readonly "rule-off": Item;
  readonly "broader-first": { readonly on: number };
  readonly "add-section": Named;
  readonly "change-section": Named;
  readonly "drop-section": Named;
  readonly "move-section": Named;
  readonly "add-book": Named & { readonly version: string };
  readonly "update-book": Named & { readonly version: string };
  readonly "drop-book": Named;
  readonly "write-note": Item;
  readonly "drop-note": Item;
  readonly "write-advice": Item;
  readonly "drop-advice": Item;
  readonly "set-aside": { readonly count: number };
  readonly "sure-ways": { readonly count: number };
  readonly "build-blend": Named;
  readonly "gather-files": { readonly item: string };
  readonly "decide-blend": Named;
  readonly "drop-blend": Named;
  readonly "tell-again": { readonly count: number };
  readonly remind: Named;
  readonly "drop-reminder": Named;
  readonly purpose: Readonly<Record<never, never>>;
  readonly "start-note": Named;
  readonly "drop-start-note": Named;
  readonly choose: Items;
  readonly versions: Items & { readonly version: string };
  readonly pin: Items & { readonly version: string };
  readonly "own-work": Items & { readonly version: string };
  readonly "leave-out": Items & { readonly path: string };
  readonly "bring-back": Items & { readonly path: string };
  /** `item` wins; of so many pairs. */
  readonly decide: Items;
  readonly "let-win": Item & { readonly path: string };
  readonly "expansion-on": Named;
  readonly "expansion-off": Named;
  readonly "base-on": Named;
  readonly "base-off": Named;
  readonly launch: Named;
  readonly setting: Named;
  readonly "take-over": Named & { readonly count: number };
  readonly "take-over-order": { readonly path: string };
  readonly "take-in": Named & { readonly way: string };
  readonly follow: Named & { readonly version: string };
  readonly unfollow: Named;
  readonly number: Item & { readonly number: number | string };
  readonly renumber: Named;
};

const labelIds = [
  "move",
  "switch-on",
  "switch-off",
  "accept",
  "drop",
  "restore",
  "arrivals",
  "add",
  "add-rule",
  "change-rule",
  "drop-rule",
  "rule-on",
  "rule-off",
  "broader-first",
  "add-section",
  "change-section",
  "drop-section",
  "move-section",
  "add-book",
  "update-book",
  "drop-book",
  "write-note",
  "drop-note",
  "write-advice",
  "drop-advice",
  "set-aside",
  "sure-ways",
  "build-blend",
  "gather-files",
  "decide-blend",
  "drop-blend",
  "tell-again",
  "remind",
  "drop-reminder",
  "purpose",
  "start-note",
  "drop-start-note",
  "choose",
  "versions",
  "pin",
  "own-work",
  "leave-out",
  "bring-back",
  "decide",
  "let-win",
  "expansion-on",
  "expansion-off",
  "base-on",
  "base-off",
  "launch",
  "setting",
  "take-over",
  "take-in",
  "take-over-order",
  "follow",
  "unfollow",
  "number",
  "renumber",
] as const satisfies readonly (keyof LabelData)[];

/** The same as it is stored. */
export const EditLabel = z.strictObject({
  id: z.enum(labelIds),
  data: z.record(z.string(), z.union([z.string(), z.number()])),
});
export type EditLabel = z.infer<typeof EditLabel>;

export const Edit = z.strictObject({
  label: EditLabel,
  /** May be none where `follow` is there. */
  steps: z.array(Step),
  /** Name of a restore point that is made before the edit. */
  restorePoint: z.string().optional(),
  /** Id under which a list that came in is kept: the profile follows it from this edit on; null: none any more. */
  follow: z.string().max(100).nullable().optional(),
});
export type Edit = z.infer<typeof Edit>;
