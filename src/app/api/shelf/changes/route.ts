import { guard } from "@/server/action";
import { getContext } from "@/server/context";
import { watchShelf } from "@/server/operations/shelf-changes";
import { streamLines } from "@/server/stream";

/** Tells how the shelf folders differ from what was last read of them, for as long as somebody listens. */
export function POST(): Response {
  return streamLines((send, signal) => guard(async () => watchShelf(await getContext(), send, signal)));
}
