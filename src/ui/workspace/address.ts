import type { ProfileId } from "@/core/model/ids";
import { profileHeader, tokenHeader } from "@/core/model/window-headers";

/** What this window works on, and what it says with large reads. */
let shown: { readonly profile: ProfileId; readonly token: string } | null = null;

/** Says with each call which profile, and so which game, this window works on. */
export const windowHeaders = (
  profile: ProfileId | null | undefined = shown?.profile,
): Record<string, string> => ({
  ...(profile ? { [profileHeader]: profile } : {}),
  ...(shown ? { [tokenHeader]: shown.token } : {}),
});

/** Where the list of a profile is read, in a format. */
export const listAddress = (profile: ProfileId, format: string, token: string): string =>
  `/api/lineups?${new URLSearchParams({ profile, format, token })}`;

/** To be called before anything is asked of the server. */
export function setWindow(profile: ProfileId, token: string): void {
  shown = { profile, token };
}

/** The profile is in the address, whatever view is looked at, so that the window has it again when it is loaded anew. */
export function showProfile(profile: ProfileId, token: string): void {
  setWindow(profile, token);
  showQuery(new URLSearchParams(location.search).toString());
}

/** What a view keeps in the address. */
export function showQuery(query: string): void {
  const params = new URLSearchParams(shown ? { profile: shown.profile } : {});
  for (const [key, value] of new URLSearchParams(query)) if (key !== "profile") params.append(key, value);
  const search = params.size > 0 ? `?${params}` : "";
  if (location.search === search) return;
  // Past the router, which would take the change for a way to another page and may load that anew.
  history.replaceState(history.state, "", location.pathname + search + location.hash);
}
