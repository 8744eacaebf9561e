import { answerTagged } from "@/server/tagged";
import { viewStock } from "@/server/views/stock";

export const dynamic = "force-dynamic";

/** What lies on the disk for the game of the window; with `since`, a revision that it has, what is otherwise now. */
export const GET = async (request: Request): Promise<Response> =>
  answerTagged(request, await viewStock(new URL(request.url).searchParams.get("since")));
