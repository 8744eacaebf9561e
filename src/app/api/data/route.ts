import { guard } from "@/server/action";
import { getContext } from "@/server/context";
import { receiveData, sendData } from "@/server/data-files";

/** Everything that Seating keeps, as one archive. */
export const GET = async (): Promise<Response> => sendData(await getContext(), new Date());

/** Takes such an archive and tells what is in it; nothing is changed yet. */
export async function POST(request: Request): Promise<Response> {
  const outcome = await guard(async () => receiveData(await getContext(), request));
  return Response.json(outcome, { status: outcome.ok ? 200 : 422 });
}
