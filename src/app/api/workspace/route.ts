import { answerTagged } from "@/server/tagged";
import { viewWorkspace } from "@/server/views/workspace";

export const dynamic = "force-dynamic";

/** Everything that a window shows of its profile and game. */
export const GET = async (request: Request): Promise<Response> =>
  answerTagged(request, await viewWorkspace());
