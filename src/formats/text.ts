import { say } from "@/core/language/say";
import { parse as parseTolerant, type ParseError } from "jsonc-parser";
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
  let value: unknown;
  try {
    value = JSON.parse(text) as unknown;
  } catch {
    return refuse("not-json", { name, detail: whereBroken(text) });
  }
  const flaw = flawOfJson(value);
  return flaw === null ? done(value) : refuse("not-json", { name, detail: flaw });
}

/** At which line and column a text is no JSON any more; the engines say so in ways of their own. */
function whereBroken(text: string): string {
  const errors: ParseError[] = [];
  try {
    parseTolerant(text, errors, { disallowComments: true, allowTrailingComma: false });
  } catch {
    // It follows the text by calling itself.
    return say("formats.itIsNestedMoreThanDeep", { deepest });
  }
  const at = errors[0]?.offset ?? text.length;
  const before = text.slice(0, at);
  const line = before.split("\n").length;
  const found = text.slice(at, at + 20).split(/\s/)[0] ?? "";
  return say("formats.brokenJson", { line, column: at - before.lastIndexOf("\n"), found: found || "end" });
}

/** Deeper than anything that says something; a program that follows it by calling itself would run out of its stack. */
const deepest = 200;

/** What is wrong with a value of JSON that could not be stored or followed; null where nothing is. */
function flawOfJson(value: unknown): string | null {
  let level: unknown[] = [value];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > deepest) return say("formats.itIsNestedMoreThanDeep", { deepest });
    const below: unknown[] = [];
    for (const each of level) {
      if (typeof each === "string") {
        const flaw = flawOfText(each);
        if (flaw !== null) return flaw;
      } else if (typeof each === "object" && each !== null)
        for (const [key, item] of Object.entries(each)) below.push(key, item);
    }
    level = below;
  }
  return null;
}

/** PostgreSQL keeps no zero character, and UTF-8 has no half of a pair. */
function flawOfText(text: string): string | null {
  if (text.includes("\0")) return say("formats.itHoldsAZeroCharacter");
  return /[\uD800-\uDFFF]/u.test(text) ? say("formats.itHoldsHalfACharacterA") : null;
}
