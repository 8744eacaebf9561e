import { z } from "zod";
import { Kept } from "../kit/kept";

/** What a trial does where the game would read another order than the profile's. */
export const trialStart = new Kept("seating-trial-start", z.enum(["ask", "write", "as-written"]), "ask");

/** What follows when another profile is worked on and the game reads the order of none or of another one. */
export const afterSwitch = new Kept("seating-after-switch", z.enum(["offer", "write", "leave"]), "offer");
