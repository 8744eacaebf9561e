import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";
import { isPlain } from "@/core/roster/fold";

/** Names that some systems take for a device, whatever extension follows (common practice; recalled, not looked up). */
const devices = /^(?:con|prn|aux|nul|com[1-9¹²³]|lpt[1-9¹²³])(?:\.|$)/i;

/** Embeddings, overrides and isolates of direction (Unicode Standard Annex 9, 2.1 to 2.4). */
const bidi = /[\u202A-\u202E\u2066-\u2069]/;

/** All signs that are refused: most paths hold none, and are looked through once. */
const odd = /[\p{Cc}<>"|?*\u202A-\u202E\u2066-\u2069]/u;

/** Bytes of one name, on most file systems (common practice; recalled, not looked up). */
const longestName = 255;

/** A sign of UTF-16 is three bytes of UTF-8 at most. */
const isLong = (part: string): boolean =>
  part.length > longestName / 3 && new TextEncoder().encode(part).length > longestName;

/** A path inside a mod with `/` as separator; refused if it could lead out of the mod's folder or cannot be a file's. */
export function safePath(raw: string): Outcome<string, ProblemCode> {
  const wrong = problemOf(raw);
  if (wrong) return refuse(wrong, { entry: shownPath(raw, wrong) });
  const path = raw.replaceAll("\\", "/");
  return done(isPlain(path) ? path : path.normalize("NFC"));
}

type PathProblem = Exclude<Extract<ProblemCode, `path-${string}`>, "path-twice">;

function problemOf(raw: string): PathProblem | null {
  if (odd.test(raw)) return problemOfSigns(raw);
  const path = raw.replaceAll("\\", "/");
  const parts = path.replace(/\/$/, "").split("/");
  const leads = path.startsWith("/") || /^[a-z]:/i.test(path) || parts.includes("..");
  if (leads || parts.some((part) => part === "" || part === ".")) return "path-unsafe";
  if (parts.some(isLong)) return "path-long";
  return parts.some((part) => devices.test(part.trimEnd())) ? "path-device" : null;
}

function problemOfSigns(raw: string): PathProblem {
  if (/\p{Cc}/u.test(raw)) return "path-control";
  return bidi.test(raw) ? "path-direction" : "path-character";
}

function shownPath(raw: string, wrong: PathProblem): string {
  const shown = raw.replace(/\p{Cc}/gu, "?").slice(0, 200);
  return wrong === "path-direction" ? shown.replaceAll(new RegExp(bidi, "g"), "\uFFFD") : shown;
}
