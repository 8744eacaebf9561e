import { z } from "zod";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { decodeText, parseJson } from "./text";

/** `holds.json`, beside the order file: the mods that the game opens by itself, in order. */
export const Holds = z.strictObject({
  format: z.literal("seating-holds/1"),
  game: z.string(),
  /** Absolute path of the shelf folder. */
  shelf: z.string(),
  expansions: z.array(z.string()),
  mods: z.array(
    z.strictObject({
      path: z.string(),
      options: z.record(z.string(), z.array(z.string())),
      components: z.array(z.string()),
      hidden: z.array(z.string()),
    }),
  ),
});
export type Holds = z.infer<typeof Holds>;

export function readHolds(bytes: Uint8Array, name: string): Outcome<Holds> {
  const decoded = decodeText(bytes, name);
  if (!decoded.ok) return decoded;
  const json = parseJson(decoded.value.text, name);
  if (!json.ok) return json;
  const parsed = Holds.safeParse(json.value);
  if (parsed.success) return done(parsed.data);
  return refuse("bad-request", { detail: `${name}: ${parsed.error.issues[0]?.message ?? ""}` });
}

export const writeHolds = (holds: Holds): string => `${JSON.stringify(holds, null, 2)}\n`;
