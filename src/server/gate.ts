import { createHash } from "node:crypto";
import { tokenHeader } from "@/core/model/window-headers";

/** What is asked of the server, before anything of it is answered. */
interface Asked {
  readonly method: string;
  /** As it stands in the request: a path with what follows it. */
  readonly url: string;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
}

interface Closed {
  readonly status: number;
  readonly why: string;
}

/**
 * Why a request is not answered; null where it is. Seating answers only to its own host name and origin: a page of another site, or of
 * another port of this machine, can open its views, and have nothing else of it. Large reads, and what runs programs, need the token that its own pages have.
 */
export function closedTo({ method, url, headers }: Asked, port: number, token: string): Closed | null {
  if (!["GET", "HEAD", "POST"].includes(method)) return { status: 405, why: "This method is not answered." };
  const path = pathOf(url);
  if (path === null || path.startsWith("/_next/image")) return { status: 404, why: "There is nothing here." };
  const one = (name: string) => String(headers[name] ?? "");
  const own = [`127.0.0.1:${port}`, `localhost:${port}`];
  const host = one("host");
  if (!own.includes(host))
    return { status: 403, why: `Seating answers only to http://${own[0]}, not to “${host.slice(0, 80)}”.` };
  const origin = headers.origin;
  if (origin !== undefined && origin !== `http://${host}`)
    return { status: 403, why: "Requests from other origins are refused." };
  const isOwn = ownPosts.includes(path) || (method !== "POST" && largeReads.includes(path));
  if (isOwn && ![one(tokenHeader), queryOf(url).get("token")].includes(token))
    return { status: 403, why: "This is read only from a window of Seating." };
  const site = one("sec-fetch-site");
  if (["", "same-origin", "none"].includes(site)) return null;
  const opensView =
    method === "GET" &&
    one("sec-fetch-mode") === "navigate" &&
    one("sec-fetch-dest") === "document" &&
    kindOf(path) === "view";
  return opensView ? null : { status: 403, why: "Requests from other sites are refused." };
}

/** What only windows and the command may ask for: a large read whose name is too long for an address, and whatever runs a program. */
const ownPosts = [
  "/api/contents",
  "/api/trial",
  "/api/act/confirmWay",
  "/api/act/removeOwnWay",
  "/api/act/saveOwnWay",
];

const largeReads = [
  "/api/data",
  "/api/lineups",
  "/api/stock",
  "/api/workspace",
  "/api/act/readCatalogue",
  "/api/act/readProfile",
  "/api/act/readStateOf",
];

const queryOf = (url: string): URLSearchParams => new URL(url, "http://127.0.0.1").searchParams;

/** The profile that a view is opened for, or read for, by its address. */
export function profileInAddress(url: string): string | null {
  const path = pathOf(url) ?? "/api/";
  const isOfWindow = kindOf(path) === "view" || path === "/api/workspace" || path === "/api/stock";
  return isOfWindow ? queryOf(url).get("profile") : null;
}

/** Null of one that is written in no sound way. */
function pathOf(url: string): string | null {
  try {
    const path = decodeURIComponent(url.split(/[?#]/)[0]!);
    return path.startsWith("/") && !/\p{Cc}/u.test(path) ? path : null;
  } catch {
    return null;
  }
}

const kindOf = (path: string): "view" | "lineup" | "data" =>
  path.startsWith("/api/") ? "data" : path.startsWith("/lineup/") ? "lineup" : "view";

/** What is said with every answer of how it may be used; `nonce` marks the scripts of a view, `inline` is the only other one of it. */
export function headersOf(url: string, nonce: string, inline: string): Record<string, string> {
  const hash = createHash("sha256").update(inline).digest("base64");
  const policies = {
    view: [
      "default-src 'self'",
      `script-src 'self' 'nonce-${nonce}' 'sha256-${hash}'`,
      // What is drawn at a computed place says so in the element itself.
      "style-src 'self' 'unsafe-inline'",
      "img-src 'self' data: blob:",
      "font-src 'self' data:",
      "worker-src 'self' blob:",
      "object-src 'none'",
      "form-action 'self'",
    ],
    // It says the rest itself, wherever it is opened.
    lineup: ["object-src 'none'", "form-action 'none'"],
    data: ["default-src 'none'", "form-action 'none'"],
  };
  const policy = [...policies[kindOf(pathOf(url) ?? "/")], "base-uri 'none'", "frame-ancestors 'none'"];
  return {
    "content-security-policy": policy.join("; "),
    "x-content-type-options": "nosniff",
    "x-frame-options": "DENY",
    "referrer-policy": "no-referrer",
    "cross-origin-opener-policy": "same-origin",
    "cross-origin-resource-policy": "same-origin",
  };
}
