import { z } from "zod";
import { Section } from "./game";
import { ProfileBook } from "./rulebook";
import { Choice, Entry, LaunchValues, ListName, Note, ProfileState, Rule } from "./profile";

/**
 * What changes a profile, by ids and never by index. `put` seats entries, new or old, before another one (null:
 * at the end); `drop` takes entries away; `switch` turns them on or off; `arrange` gives a whole order of the
 * present items, and with `sections` of those too; `keep-rule` puts a rule, new or
 * changed, before another (null: at the end); `books` says by which rulebooks
 * the profile goes; `note` writes what stands beside an item, or takes it away; `choose` says what of a package is taken (null: as
 * its author proposes); `settings` which expansions are on, what of the game is off, how it is launched; `replace` goes to another state altogether, but for rules that are shared.
 */
export const Step = z.discriminatedUnion("kind", [
  z.strictObject({
    kind: z.literal("put"),
    list: ListName,
    entries: z.array(Entry),
    before: z.string().nullable(),
  }),
  z.strictObject({ kind: z.literal("drop"), list: ListName, ids: z.array(z.string()) }),
  z.strictObject({ kind: z.literal("switch"), list: ListName, ids: z.array(z.string()), on: z.boolean() }),
  z.strictObject({
    kind: z.literal("arrange"),
    list: ListName,
    entries: z.array(Entry),
    sections: z.array(Section).optional(),
  }),
  z.strictObject({ kind: z.literal("keep-rule"), rule: Rule, before: z.string().nullable() }),
  z.strictObject({ kind: z.literal("drop-rule"), id: z.string() }),
  z.strictObject({ kind: z.literal("broader-first"), on: z.boolean() }),
  z.strictObject({ kind: z.literal("books"), books: z.array(ProfileBook) }),
  z.strictObject({ kind: z.literal("note"), list: ListName, item: z.string(), note: Note.nullable() }),
  z.strictObject({ kind: z.literal("choose"), mod: z.string(), choice: Choice.nullable() }),
  z.strictObject({
    kind: z.literal("settings"),
    expansions: z.array(z.string()).optional(),
    baseOff: z.array(z.string()).optional(),
    launch: LaunchValues.optional(),
  }),
  z.strictObject({ kind: z.literal("replace"), state: ProfileState }),
]);
export type Step = z.infer<typeof Step>;

/** What an edit did, as data; its words ("Move Tidal Core.keel to B3") stand in core/messages under `id`. */
export const EditLabel = z.strictObject({
  id: z.enum([
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
    "choose",
    "expansion-on",
    "expansion-off",
    "base-on",
    "base-off",
    "launch",
    "take-over",
    "take-in",
  ]),
  data: z.record(z.string(), z.union([z.string(), z.number()])),
});
export type EditLabel = z.infer<typeof EditLabel>;

export const Edit = z.strictObject({
  label: EditLabel,
  steps: z.array(Step).min(1),
  /** Name of a restore point that is made before the edit. */
  restorePoint: z.string().optional(),
});
export type Edit = z.infer<typeof Edit>;
