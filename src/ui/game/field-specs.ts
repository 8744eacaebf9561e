import type { TextKey } from "@/core/language/say";

/** A value of a draft, which need not be a definition yet. */
export type Draft = Readonly<Record<string, unknown>>;

interface Named {
  readonly key: string;
  /** Null where the heading above says it. */
  readonly label: TextKey | null;
  readonly hint?: TextKey;
  /** Whether the field is there for what stands beside it. */
  readonly when?: (beside: Draft) => boolean;
}

/** A field of a form, as data; an optional one is left out of the draft where it is empty. */
export type FieldSpec = Named &
  (
    | { readonly kind: "text"; readonly optional?: true; readonly wide?: true }
    | { readonly kind: "number"; readonly optional?: true }
    | { readonly kind: "flag"; readonly optional?: true }
    /** Words with commas between them, and texts of which each has a line. */
    | { readonly kind: "words" | "lines"; readonly optional?: true }
    | {
        readonly kind: "choice";
        readonly choices: readonly (readonly [value: string | number, words: TextKey])[];
        readonly optional?: true;
      }
    | { readonly kind: "checks"; readonly choices: readonly (readonly [value: string, words: TextKey])[] }
    /** Fields of an object; one that may be missing has a `start`. */
    | { readonly kind: "group"; readonly fields: readonly FieldSpec[]; readonly start?: Draft }
    | {
        readonly kind: "rows";
        readonly one: TextKey;
        readonly fields: readonly FieldSpec[];
        readonly start: Draft;
        readonly optional?: true;
      }
  );

/** A copy of the draft with another value at the key; without it where the value is undefined. */
export function withValue(draft: Draft, key: string, value: unknown): Draft {
  const { [key]: _, ...others } = draft;
  if (value === undefined) return others;
  // A key that stands already keeps its place, so that an export reads like what it came from.
  return key in draft ? { ...draft, [key]: value } : { ...others, [key]: value };
}
