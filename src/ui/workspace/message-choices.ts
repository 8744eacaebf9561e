import { z } from "zod";
import { Kept } from "../kit/kept";

/** For how long something is said above the strip. */
export const messageTime = new Kept("seating-message-time", z.enum(["usual", "long", "stay"]), "usual");

/** What is said there; the log has the rest. */
export const messagesSaid = new Kept("seating-messages-said", z.enum(["all", "wrong"]), "all");
