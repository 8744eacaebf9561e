import { guard } from "@/server/action";
import { windowContext } from "@/server/window";
import { readShelfOfGame } from "@/server/operations/read-shelf";
import { streamLines } from "@/server/stream";

/** Reads the shelf; streams the count while it goes on. */
export function POST(): Response {
  return streamLines((send, signal) =>
    guard(async () => readShelfOfGame(await windowContext(), send, signal)),
  );
}
