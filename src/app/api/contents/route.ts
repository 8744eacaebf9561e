import { z } from "zod";
import { done } from "@/core/model/outcome";
import { guard } from "@/server/action";
import { readLibrary } from "@/server/operations/read-library";
import { currentGame } from "@/server/operations/situation";
import { receiveJson } from "@/server/receive";
import { windowContext } from "@/server/window";

const largestCall = 4 * 2 ** 20;
const Wanted = z.array(z.string().max(100)).max(20_000);

/** What was read of contents of the window's game, by their hashes: too many for an address. */
export async function POST(request: Request): Promise<Response> {
  const outcome = await guard(async () => {
    const wanted = await receiveJson(request, largestCall);
    if (!wanted.ok) return wanted;
    const context = await windowContext();
    const game = await currentGame(context);
    return game.ok ? done(await readLibrary(context, game.value, Wanted.parse(wanted.value))) : game;
  });
  return Response.json(outcome, { status: outcome.ok ? 200 : 422 });
}
