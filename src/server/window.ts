import "server-only";
import { headers } from "next/headers";
import { ProfileId } from "@/core/model/ids";
import { getContext, type Context } from "./context";

/** By this a window says which profile it works on; its address does, where it is loaded. */
const profileHeader = "x-seating-profile";

/** The context of a request: its window has a profile, and so a game, of its own. */
export async function windowContext(): Promise<Context> {
  const at = ProfileId.safeParse((await headers()).get(profileHeader));
  return { ...(await getContext()), at: at.success ? at.data : null };
}
