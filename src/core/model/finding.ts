import type { Edit } from "./edit";
import type { ListName } from "./profile";

/** The worst first. */
export const levels = ["blocker", "problem", "hint"] as const;
export type Level = (typeof levels)[number];

export interface Fix {
  /** Sentence id in core/messages. */
  readonly id: string;
  readonly data: Readonly<Record<string, string | number>>;
  /** An edit of the profile, or a named act of the application. */
  readonly does:
    | { readonly edit: Edit }
    | { readonly act: "propose" | "align"; readonly list: ListName }
    | { readonly act: "write-order" }
    /** Shows what newer versions change, to be chosen from. */
    | { readonly act: "versions" }
    /** Gets the contents that a profile pins from the depot. */
    | { readonly act: "get"; readonly mod: string; readonly content: string };
}

export interface Finding {
  readonly check: string;
  /** Sentence id in core/messages. */
  readonly id: string;
  readonly data: Readonly<Record<string, string | number>>;
  readonly level: Level;
  /** Ids of the items that it is about. */
  readonly subjects: readonly { readonly list: ListName; readonly id: string }[];
  readonly fixes: readonly Fix[];
}
