import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";

/** Names that some systems take for a device, whatever extension follows (common practice; recalled, not looked up). */
const devices = /^(?:con|prn|aux|nul|com[1-9¹²³]|lpt[1-9¹²³])(?:\.|$)/i;

/** A path inside a mod with `/` as separator; refused if it could lead out of the mod's folder or cannot be a file's. */
export function safePath(raw: string): Outcome<string, ProblemCode> {
  const shown = raw.replace(/\p{Cc}/gu, "?").slice(0, 200);
  if (/\p{Cc}/u.test(raw)) return refuse("path-control", { entry: shown });
  if (/[<>"|?*]/.test(raw)) return refuse("path-character", { entry: shown });
  const path = raw.replaceAll("\\", "/");
  const parts = path.replace(/\/$/, "").split("/");
  const leads = path.startsWith("/") || /^[a-z]:/i.test(path) || parts.some((part) => part === "..");
  if (leads || parts.some((part) => part === "" || part === "."))
    return refuse("path-unsafe", { entry: shown });
  if (parts.some((part) => devices.test(part.trimEnd()))) return refuse("path-device", { entry: shown });
  return done(path.normalize("NFC"));
}
