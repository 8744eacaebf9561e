/**
 * Seating answers only to its own host name and origin: a page of another site that resolves to this machine, or
 * that sends a form here, is refused.
 */
export function refuseForeign(headers: Headers, port: number): string | null {
  const own = [`127.0.0.1:${port}`, `localhost:${port}`];
  const host = headers.get("host") ?? "";
  if (!own.includes(host)) return `Seating answers only to http://${own[0]}, not to “${host.slice(0, 80)}”.`;
  const origin = headers.get("origin");
  if (origin !== null && origin !== `http://${host}`) return "Requests from other origins are refused.";
  if (headers.get("sec-fetch-site") === "cross-site" && headers.get("sec-fetch-mode") !== "navigate")
    return "Requests from other sites are refused.";
  return null;
}
