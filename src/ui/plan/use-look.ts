import { z } from "zod";
import { Kept, useKept } from "../kit/kept";

const Look = z.object({
  gatherOff: z.boolean().catch(false),
  compact: z.boolean().catch(false),
});

/** What of the plan's look this browser remembers. */
export type KeptLook = Readonly<z.infer<typeof Look>>;

const kept = new Kept<KeptLook>("seating-plan-look", Look, {
  gatherOff: false,
  compact: false,
});

export const useLook = (): [KeptLook, (look: KeptLook) => void] => useKept(kept);
