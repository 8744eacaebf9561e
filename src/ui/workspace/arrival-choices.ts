import { z } from "zod";
import { Kept } from "../kit/kept";

/** What becomes of a mod that is added to the shelf: it goes into the profile, on or off, or onto the shelf alone. */
export const arrivalWays = ["on", "off", "shelf"] as const;
export type ArrivalWay = (typeof arrivalWays)[number];
export const arrivalWay = new Kept<ArrivalWay>("seating-arrivals", z.enum(arrivalWays), "off");

/** Whether Seating asks before it moves mods to the bin: always, or where a profile would lose some. */
export const binQuestion = new Kept<"always" | "used">(
  "seating-ask-bin",
  z.enum(["always", "used"]),
  "always",
);
