import { z } from "zod";
import { ProfileId } from "@/core/model/ids";
import { guard } from "@/server/action";
import { writeOrder } from "@/server/operations/order-file";
import { streamLines } from "@/server/stream";
import { windowContext } from "@/server/window";

const Asked = z.object({
  profile: ProfileId,
  /** What somebody changed of what lies in the game's folder is put again, too. */
  again: z.literal("1").optional(),
  /** The hash of somebody else's order file that may be written over. */
  seen: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .optional(),
});

/** Lays the mods of a profile out, where its game needs that, and writes its order; streams how far that is. */
export function POST(request: Request): Response {
  const asked = Asked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  return streamLines((send) =>
    guard(async () => {
      const { profile, again, seen = null } = asked.success ? asked.data : Asked.parse({});
      return writeOrder(await windowContext(), profile, seen, {
        onProgress: send,
        putAgain: again !== undefined,
      });
    }),
  );
}
