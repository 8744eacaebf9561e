import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";

/** Names that some systems take for a device, whatever extension follows (common practice; recalled, not looked up). */
const devices = /^(?:con|prn|aux|nul|com[1-9¹²³]|lpt[1-9¹²³])(?:\.|$)/i;

/** Embeddings, overrides and isolates of direction (Unicode Standard Annex 9, 2.1 to 2.4). */
const bidi = /[\u202A-\u202E\u2066-\u2069]/;

/** Bytes of one name, on most file systems (common practice; recalled, not looked up). */
const longestName = 255;

/** A sign of UTF-16 is three bytes of UTF-8 at most. */
const isLong = (part: string): boolean =>
  part.length > longestName / 3 && new TextEncoder().encode(part).length > longestName;

/** A path inside a mod with `/` as separator; refused if it could lead out of the mod's folder or cannot be a file's. */
export function safePath(raw: string): Outcome<string, ProblemCode> {
  const shown = raw.replace(/\p{Cc}/gu, "?").slice(0, 200);
  if (/\p{Cc}/u.test(raw)) return refuse("path-control", { entry: shown });
  if (/[<>"|?*]/.test(raw)) return refuse("path-character", { entry: shown });
  if (bidi.test(raw))
    return refuse("path-direction", { entry: shown.replaceAll(new RegExp(bidi, "g"), "\uFFFD") });
  const path = raw.replaceAll("\\", "/");
  const parts = path.replace(/\/$/, "").split("/");
  const leads = path.startsWith("/") || /^[a-z]:/i.test(path) || parts.some((part) => part === "..");
  if (leads || parts.some((part) => part === "" || part === "."))
    return refuse("path-unsafe", { entry: shown });
  if (parts.some(isLong)) return refuse("path-long", { entry: shown });
  if (parts.some((part) => devices.test(part.trimEnd()))) return refuse("path-device", { entry: shown });
  return done(path.normalize("NFC"));
}
