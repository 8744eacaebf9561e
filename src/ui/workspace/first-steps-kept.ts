import { z } from "zod";
import { Kept } from "../kit/kept";

/** Whether the first steps are shown: as long as one is open, always, or not at all. */
export const firstStepsShown = new Kept<"open" | "always" | "never">(
  "seating-first-steps",
  z.enum(["open", "always", "never"]),
  "open",
);

/** Whether a list went out of this browser. */
export const hasShared = new Kept("seating-has-shared", z.boolean(), false);
