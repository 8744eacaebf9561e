import { refuse } from "@/core/model/outcome";
import { guard } from "@/server/action";
import { incomingFolder } from "@/server/context";
import { windowContext } from "@/server/window";
import { dropIncoming, makeRoom, planTakeIn } from "@/server/operations/take-in";
import { fileNameOf, receiveInto } from "@/server/receive";

const largestMod = 16 * 2 ** 30;

/** Takes an archive that was dropped, checks it, and answers what it would bring; the shelf is not touched yet. */
export async function POST(request: Request): Promise<Response> {
  const outcome = await guard(async () => {
    const name = fileNameOf(request);
    if (name === null) return refuse("bad-request", { detail: "the file has no name" });
    const room = await makeRoom(incomingFolder(), name);
    if (!room.ok) return room;
    const { id, path } = room.value;
    const received = await receiveInto(path, request, name, largestMod);
    if (received.ok) return planTakeIn(await windowContext(), incomingFolder(), id);
    await dropIncoming(incomingFolder(), id);
    return received;
  });
  return Response.json(outcome, { status: outcome.ok ? 200 : 422 });
}
