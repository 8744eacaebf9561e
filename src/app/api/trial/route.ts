import { guard } from "@/server/action";
import { readTrial, startGame } from "@/server/operations/start";
import { streamLines } from "@/server/stream";
import { windowContext } from "@/server/window";

/**
 * Starts the present game (`way`: one of its ways, or the last one; `unmet`: also where conditions are not ticked), or reads a start that
 * goes on (`follow`); streams its log, and ends with how it was. The game goes on when whoever reads leaves.
 */
export function POST(request: Request): Response {
  const { searchParams } = new URL(request.url);
  const follow = searchParams.get("follow");
  return streamLines((send, signal) =>
    guard(async () => {
      const context = await windowContext();
      const isUnmet = searchParams.has("unmet");
      const started = follow === null ? await startGame(context, searchParams.get("way"), { isUnmet }) : null;
      if (started && !started.ok) return started;
      if (started) send({ began: started.value });
      return readTrial(context, follow ?? started!.value.id, (line) => send({ line }), signal);
    }),
  );
}
