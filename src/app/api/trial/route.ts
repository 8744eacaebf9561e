import { guard } from "@/server/action";
import { getContext } from "@/server/context";
import { runTrial } from "@/server/operations/trial";
import { streamLines } from "@/server/stream";

/** Starts the stand-in game; streams its log. */
export function POST(): Response {
  return streamLines((send, signal) =>
    guard(async () => runTrial(await getContext(), (line) => send({ line }), signal)),
  );
}
