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

/** What is read of a profile, or of the one that was last chosen: an address says all, so that a page can ask before it comes to life. */
export const largeRead = (
  path: "/api/workspace" | "/api/stock",
  profile: ProfileId | null,
  token: string,
  more: Record<string, string> = {},
): string => `${path}?${new URLSearchParams({ ...(profile ? { profile } : {}), token, ...more })}`;

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

/**
 * Goes to another part of the view that is shown, which its query names, as a step of the window's history; false where the path
 * leads elsewhere, or to that view as it begins.
 */
export function pushWithin(path: string): boolean {
  const { pathname, search, hash } = new URL(path, location.href);
  if (pathname !== location.pathname || search === "" || hash !== "") return false;
  // The router takes its query from an address that is pushed so, and leaves the view as it stands.
  history.pushState(null, "", pathname + withProfile(search));
  return true;
}

/** What each view kept in the address when it was last shown in this window, by its path. */
const lastQueries = new Map<string, string>();

/** What a view begins with: what its address says, or else as it was left. `isAsked`: the address says it. */
export function queryAtBegin(
  path: string,
  params: URLSearchParams,
): { readonly query: URLSearchParams; readonly isAsked: boolean } {
  const said = new URLSearchParams([...params].filter(([key]) => key !== "profile"));
  const isAsked = said.size > 0;
  return { query: isAsked ? said : new URLSearchParams(lastQueries.get(path)), isAsked };
}

/** What a view keeps in its address, and has again when it is come back to. */
export function keepQuery(path: string, query: string): void {
  lastQueries.set(path, query);
  showQuery(query);
}

function showQuery(query: string): void {
  const search = withProfile(query);
  if (location.search === search) return;
  // Past the router, which would take the change for a way to another page and may load that anew.
  history.replaceState(history.state, "", location.pathname + search + location.hash);
}

function withProfile(query: string): string {
  const params = new URLSearchParams(shown ? { profile: shown.profile } : {});
  for (const [key, value] of new URLSearchParams(query)) if (key !== "profile") params.append(key, value);
  return params.size > 0 ? `?${params}` : "";
}
