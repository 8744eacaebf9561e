import { done, refuse, type Outcome } from "@/core/model/outcome";

const strict = new TextDecoder("utf-8", { fatal: true, ignoreBOM: true });

/** Text that a person or a program wrote: UTF-8, with or without a byte-order mark. */
export function decodeText(
  bytes: Uint8Array,
  name: string,
): Outcome<{ text: string; mark: boolean }, "not-utf8"> {
  try {
    const text = strict.decode(bytes);
    const mark = text.startsWith("\uFEFF");
    return done({ text: mark ? text.slice(1) : text, mark });
  } catch {
    return refuse("not-utf8", { name });
  }
}

/** Text of any origin: UTF-8, or UTF-16 that says so by its mark. */
export function decodeAnyText(bytes: Uint8Array, name: string): Outcome<string, "not-utf8"> {
  const utf16 =
    bytes[0] === 0xff && bytes[1] === 0xfe
      ? "utf-16le"
      : bytes[0] === 0xfe && bytes[1] === 0xff
        ? "utf-16be"
        : null;
  if (utf16) return done(new TextDecoder(utf16).decode(bytes));
  const decoded = decodeText(bytes, name);
  return decoded.ok ? done(decoded.value.text) : decoded;
}

export function parseJson(text: string, name: string): Outcome<unknown, "not-json"> {
  try {
    return done(JSON.parse(text) as unknown);
  } catch (error) {
    return refuse("not-json", { name, detail: (error as Error).message.slice(0, 200) });
  }
}
