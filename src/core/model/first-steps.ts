import { z } from "zod";
import { Step } from "./edit";
import { LaunchValues } from "./launch";
import { Choice, ListName, Note, ProfileState, Rule } from "./profile";
import { ProfileBook } from "./rulebook";

/** Steps of edits as they were kept before there were facets: a kind each. All others have stayed. */
const FirstStep = z.discriminatedUnion("kind", [
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
  // What a whole state did not say was meant, too.
  z.strictObject({ kind: z.literal("replace"), state: ProfileState }),
]);

/** A step of the first form in the present one. Throws where it is neither. */
export function presentStep(value: unknown): Step {
  const first = FirstStep.safeParse(value);
  return first.success ? Step.parse(inFacets(first.data)) : Step.parse(value);
}

function inFacets(step: z.infer<typeof FirstStep>): Step {
  switch (step.kind) {
    case "keep-rule":
      return { kind: "decide", facet: "rules", key: step.rule.id, item: step.rule, before: step.before };
    case "drop-rule":
      return { kind: "decide", facet: "rules", key: step.id, item: null };
    case "broader-first":
      return { kind: "decide", facet: "broaderFirst", key: "off", item: step.on ? null : false };
    case "books":
      return { kind: "replace", state: { books: step.books } };
    case "note":
      return { kind: "decide", facet: "notes", key: `${step.list} ${step.item}`, item: step.note };
    case "choose":
      return { kind: "decide", facet: "choices", key: step.mod, item: step.choice };
    case "settings": {
      const { kind: _, ...state } = step;
      return { kind: "replace", state };
    }
    case "replace":
      return step;
  }
}
