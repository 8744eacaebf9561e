import { createHash } from "node:crypto";

/** A large read, or nothing but that it is as before, where whoever asks has it already (ETag, RFC 9110, 8.8.3). */
export function answerTagged(request: Request, value: unknown): Response {
  const body = JSON.stringify(value);
  const etag = `"${createHash("sha256").update(body).digest("base64url")}"`;
  const headers = { etag, "cache-control": "private, no-cache", "content-type": "application/json" };
  const isKnown = request.headers.get("if-none-match") === etag;
  return isKnown ? new Response(null, { status: 304, headers }) : new Response(body, { headers });
}
