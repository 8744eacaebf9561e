import "server-only";
import { headers } from "next/headers";
import { ProfileId } from "@/core/model/ids";
import { profileHeader } from "@/core/model/window-headers";
import { getContext, type Context } from "./context";

/** The context of a request: its window has a profile, and so a game, of its own. */
export async function windowContext(): Promise<Context> {
  const at = ProfileId.safeParse((await headers()).get(profileHeader));
  return { ...(await getContext()), at: at.success ? at.data : null };
}
