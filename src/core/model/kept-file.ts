import { z } from "zod";
import { Below } from "./placement";

/** A file that the game itself changes, as that of its own settings: profiles can each keep their own. */
export const KeptFile = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  label: z.string().min(1).max(120),
  path: Below.min(1),
  /** Below which of its folders it lies: `game` where this is left out, `order` is that in which the order file lies. */
  folder: z.enum(["game", "order"]).optional(),
});
export type KeptFile = z.infer<typeof KeptFile>;

/** How such a file stands to a profile. */
export interface KeptFileStanding {
  readonly id: string;
  readonly label: string;
  readonly path: string;
  /** Whether the profile has its own; else it has the one that all such profiles share. */
  readonly keeps: boolean;
  /** Whose lies there now: the profile's own, that of all who keep none, or that of the profile of this name. */
  readonly lies: { readonly whose: "own" | "shared" } | { readonly whose: "other"; readonly name: string };
  /** When its own was last taken up, in ISO 8601; null where it never had one. */
  readonly takenAt: string | null;
  /** As far as each is a text; null: none is known, or it is no text. */
  readonly own: string | null;
  readonly shared: string | null;
}
