import "server-only";
import { headers } from "next/headers";
import { ProfileId } from "@/core/model/ids";
import { profileHeader } from "@/core/model/window-headers";
import { home } from "@/disk/places";
import { getContext, type Context } from "./context";
import { readToken } from "./token";

/** What a window that is opened has to say with what it reads. */
export const openedWindow = async (): Promise<{ profile: ProfileId | null; token: string }> => ({
  profile: (await windowContext()).at,
  token: readToken(home()),
});

/** The context of a request: its window has a profile, and so a game, of its own. */
export async function windowContext(): Promise<Context> {
  const at = ProfileId.safeParse((await headers()).get(profileHeader));
  return { ...(await getContext()), at: at.success ? at.data : null };
}
