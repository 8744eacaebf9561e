import { say } from "@/core/language/say";
import "server-only";
import { open } from "node:fs/promises";
import { parseJson } from "@/formats/text";
import { done, refuse, type Outcome } from "@/core/model/outcome";

/** Reads a request's body as it streams in and stops at the cap; nothing larger is ever held. */
export async function receiveFile(request: Request, name: string, cap: number): Promise<Outcome<Uint8Array>> {
  const parts: Uint8Array[] = [];
  const received = await receive(request, name, cap, (part) => Promise.resolve(void parts.push(part)));
  return received.ok ? done(Buffer.concat(parts)) : received;
}

/** A body of JSON, which no page of another origin can send without being asked first. */
export async function receiveJson(request: Request, cap: number): Promise<Outcome<unknown>> {
  if (!/^application\/json\b/.test(request.headers.get("content-type") ?? ""))
    return refuse("bad-request", { detail: say("server.theBodyIsNoJSON") });
  const bytes = await receiveFile(request, say("server.theRequest"), cap);
  if (!bytes.ok) return bytes;
  const json = parseJson(new TextDecoder().decode(bytes.value), say("server.whatWasSent"));
  return json.ok ? json : refuse("bad-request", { detail: json.refusal.data.detail });
}

/** The same into a new file at `path`, of which nothing is held. One that was cut short has to be removed by the caller. */
export async function receiveInto(
  path: string,
  request: Request,
  name: string,
  cap: number,
): Promise<Outcome<null>> {
  const file = await open(path, "wx");
  try {
    return await receive(request, name, cap, async (part) => void (await file.write(part)));
  } finally {
    await file.close();
  }
}

async function receive(
  request: Request,
  name: string,
  cap: number,
  take: (part: Uint8Array) => Promise<void>,
): Promise<Outcome<null>> {
  const tooLarge = refuse("too-large", {
    name,
    limit: say("common.mB", { round: Math.round(cap / 2 ** 20) }),
  });
  if (Number(request.headers.get("content-length") ?? 0) > cap) return tooLarge;
  let size = 0;
  const reader = request.body?.getReader();
  for (;;) {
    const { done: ended, value } = (await reader?.read()) ?? { done: true, value: undefined };
    if (ended || !value) break;
    size += value.length;
    if (size > cap) {
      await reader?.cancel();
      return tooLarge;
    }
    await take(value);
  }
  return done(null);
}

/** The name that the sender gives the file, to be shown: control characters taken out, at a sensible length; null for none. */
export function fileNameOf(request: Request): string | null {
  try {
    const name = decodeURIComponent(request.headers.get("x-file-name") ?? "").replace(/\p{Cc}/gu, " ");
    return name.trim().slice(0, 200) || null;
  } catch {
    return null;
  }
}
