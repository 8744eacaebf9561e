import { done, refuse, type Outcome } from "@/core/model/outcome";

const strict = new TextDecoder("utf-8", { fatal: true, ignoreBOM: true });

/** Text that a person or a program wrote: UTF-8, with or without a byte-order mark. */
export function decodeText(bytes: Uint8Array, name: string): Outcome<{ text: string; mark: boolean }> {
  try {
    const text = strict.decode(bytes);
    const mark = text.startsWith("\uFEFF");
    return done({ text: mark ? text.slice(1) : text, mark });
  } catch {
    return refuse("not-utf8", { name });
  }
}

export function parseJson(text: string, name: string): Outcome<unknown> {
  try {
    return done(JSON.parse(text) as unknown);
  } catch (error) {
    return refuse("not-json", { name, detail: (error as Error).message.slice(0, 200) });
  }
}
