import { guard } from "@/server/action";
import { takeAllBack } from "@/server/operations/order-file";
import { streamLines } from "@/server/stream";
import { windowContext } from "@/server/window";

/** Takes all that is laid out for the present game back; streams how far that is. */
export function POST(): Response {
  return streamLines((send) => guard(async () => takeAllBack(await windowContext(), send)));
}
