import type { Step } from "../model/edit";
import type { Side } from "./three-way";

/** In what two values of a facet differ: which of the two has something, or what of it is not the same in both. */
export type DifferenceKind =
  | "only-here"
  | "only-there"
  | "changed"
  | "place"
  | "on"
  | "content"
  | "section"
  | "section-only-here"
  | "section-only-there"
  | "section-changed"
  | "section-place";

/** One thing in which two values of a facet differ, which can be applied alone. */
export interface FacetDifference {
  readonly kind: DifferenceKind;
  /** Of a decision, an item or a section. */
  readonly key: string;
  /** Differences that have to be applied with it, by `differenceKey`: the section into which an item goes, the items of one that goes. */
  readonly needs?: readonly string[];
}

export const differenceKey = ({ kind, key }: Pick<FacetDifference, "kind" | "key">): string =>
  `${kind} ${key}`;

/** What both sides did to the same thing, each in another way. */
export interface FacetClash {
  readonly what: "changed" | "removed" | "on" | "content" | "section" | "place";
  readonly key: string;
  readonly mine: ClashSide;
  readonly theirs: ClashSide;
}

/** What stands on a side: a value; of a place the item that it follows, null where it is the first of its section. */
export interface ClashSide {
  readonly value?: unknown;
  readonly after?: string | null;
}

/** Says which side holds for a clash, by what it is about. */
export type Decide = (what: FacetClash["what"], key: string) => Side;

export type Three<T> = readonly [base: T, mine: T, theirs: T];

/**
 * How a list comes into a profile that is there: all of it, with what is mine besides; all of it, and what is mine besides
 * is switched off; or only its order.
 */
export const takeInWays = ["into", "alone", "order"] as const;
export type TakeInWay = (typeof takeInWays)[number];
/** Switching off what is mine besides is no matter of joining the two. */
export const joinWays = ["into", "order"] as const satisfies readonly TakeInWay[];
export type JoinWay = (typeof joinWays)[number];

/**
 * All that can be asked of one key of a profile's state. Functions answer with the very value that they were given where
 * nothing of it changes.
 */
export interface Facet<Value> {
  /** Whether both decide the same; what says nothing of the setup (that nobody has placed an item yet) does not count. */
  readonly same: (a: Value, b: Value) => boolean;
  readonly differences: (here: Value, there: Value) => FacetDifference[];
  /** What is here, with those of the differences whose keys are given as it is there. */
  readonly apply: (here: Value, there: Value, keys: ReadonlySet<string>) => Value;
  /** What only one side changed counts; of what both changed, each in another way, the side that `decide` names. */
  readonly merge: (three: Three<Value>, decide: Decide) => { value: Value; clashes: FacetClash[] };
  /** Mine after theirs has come in from a list that is about these mods. */
  readonly takeIn: (mine: Value, theirs: Value, way: JoinWay, mods: ReadonlySet<string>) => Value;
  /** Theirs in the place of mine, but for what all profiles of the game share. */
  readonly replace: (mine: Value, theirs: Value) => Value;
  /** Steps that lead from one value to another, the fewest that say it. */
  readonly steps: (from: Value, to: Value) => Step[];
  /** The game reads it, so that what is written for it is behind where this has changed. */
  readonly gameSees: boolean;
  /** It decides how the setup behaves, and so counts in the fingerprint. */
  readonly fingerprinted: boolean;
}
