import { issueText } from "@/core/language/issue";
import { say } from "@/core/language/say";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { ModManifest } from "@/core/model/shelf";
import { decodeText, parseJson } from "./text";
import type { ProblemCode } from "@/core/model/refusal";

export function readManifest(bytes: Uint8Array): Outcome<ModManifest, ProblemCode> {
  const broken = (detail: string) => refuse("manifest-broken", { detail });
  const decoded = decodeText(bytes, "seating-mod.json");
  if (!decoded.ok) return broken(say("formats.itIsNotUTF8Text"));
  const json = parseJson(decoded.value.text, "seating-mod.json");
  if (!json.ok) return broken(json.refusal.data.detail);
  const parsed = ModManifest.safeParse(json.value);
  if (parsed.success) return done(parsed.data);
  const issue = parsed.error.issues[0]!;
  return broken(`${issue.path.join(".") || say("common.theTop")}: ${issueText(issue)}`);
}
