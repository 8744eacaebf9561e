import { guard } from "@/server/action";
import { windowContext } from "@/server/window";
import { runTrial } from "@/server/operations/trial";
import { streamLines } from "@/server/stream";

/** Starts the stand-in game; streams its log. */
export function POST(): Response {
  return streamLines((send, signal) =>
    guard(async () => runTrial(await windowContext(), (line) => send({ line }), signal)),
  );
}
