import "server-only";
import { done, refuse, type Outcome } from "@/core/model/outcome";

/** Reads a request's body as it streams in and stops at the cap; nothing larger is ever held. */
export async function receiveFile(request: Request, name: string, cap: number): Promise<Outcome<Uint8Array>> {
  const tooLarge = refuse("too-large", { name, limit: `${Math.round(cap / 2 ** 20)} MB` });
  if (Number(request.headers.get("content-length") ?? 0) > cap) return tooLarge;
  const parts: Uint8Array[] = [];
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
    parts.push(value);
  }
  return done(Buffer.concat(parts));
}
