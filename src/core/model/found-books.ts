import type { Refusal } from "./refusal";
import type { Rulebook } from "./rulebook";

/** A rulebook that lies where rulebooks are looked for: in the folder that the user named for the game, or in the depot. */
export interface FoundBook {
  readonly book: Rulebook;
  readonly from: "folder" | "depot";
  readonly file: string;
}

/** What was found of rulebooks; a file that says it is one and cannot be read is passed over. */
export interface FoundBooks {
  readonly books: readonly FoundBook[];
  readonly passedOver: readonly { readonly file: string; readonly refusal: Refusal }[];
}
