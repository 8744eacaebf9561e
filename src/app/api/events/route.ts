import { getContext } from "@/server/context";
import { streamEvents } from "@/server/operations/stream-events";

/** Tells what happens, as server-sent events, for as long as somebody listens. */
export async function GET(): Promise<Response> {
  return streamEvents(await getContext());
}
