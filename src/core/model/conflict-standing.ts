import type { ListName } from "./profile";

/** What the conflicts come to, as far as somebody should look at it; items by their ids. */
export interface ConflictStanding {
  /** Mods of which another one brings every file in the same contents. */
  readonly copies: readonly { readonly id: string; readonly of: string }[];
  /** Items of which others win all that they bring, and that are no copies. */
  readonly covered: Readonly<Record<ListName, readonly string[]>>;
  /** Null where everything is decided. */
  readonly undecided: Readonly<Record<ListName, Undecided | null>>;
  readonly hidden: readonly Hidden[];
  /** Parts, by their keys, of two packages that bring the same. */
  readonly twice: readonly {
    readonly mods: readonly [string, string];
    readonly parts: readonly [string, string];
  }[];
  readonly blend: BlendStanding;
}

/** How the blend of a profile stands to the one that would be made of it now; `none`: it has none. */
export type BlendStanding = "none" | "due" | "current";

/** So many pairs meet and nothing but the order says who wins; the two that share most, as they stand. */
export interface Undecided {
  readonly count: number;
  readonly loser: string;
  readonly winner: string;
  readonly shared: number;
}

/** So many packed files of a mod lose to loose ones of a mod that stands before it; `path` is one of them. */
export interface Hidden {
  readonly hidden: string;
  readonly by: string;
  readonly count: number;
  readonly path: string;
}
