import { z } from "zod";

/** What of a list has a digest of its own, so that it can be told where the list was changed. */
export const digestNames = [
  "mods",
  "plugins",
  "options",
  "leftOut",
  "expansions",
  "baseItems",
  "launch",
  "sections",
  "rules",
] as const;
export type DigestName = (typeof digestNames)[number];

/** Where a list does not agree with what its author's Seating wrote; `digests`: they are gone; `fingerprint`: only it disagrees. */
const alteredPlaces = [...digestNames, "digests", "fingerprint"] as const;
export type AlteredPlace = (typeof alteredPlaces)[number];

/** What became of a list in a profile; see core/lineup/verdict. */
export const verdicts = ["altered", "not-yet", "differs", "as-far", "exact"] as const;

/** What decides how a setup behaves and a list may not say: of mods and plugins their order, and of plugins which of them load. */
const unsaidParts = [
  "game",
  "mods",
  "plugins",
  "versions",
  "hashes",
  "off",
  "parts",
  "left-out",
  "settings",
  "base",
] as const;
export type UnsaidPart = (typeof unsaidParts)[number];

/** What a profile keeps and no list but a whole one carries; it decides nothing of how a setup behaves. */
const besideParts = ["sections", "numbers", "rules", "notes", "facts"] as const;
export type BesidePart = (typeof besideParts)[number];

const words = z.string().max(600);

/** What a list that came in says of itself, and how far it was understood; kept with the profile that was made of it. */
export const Claim = z.strictObject({
  /** As what it was recognised. */
  format: z.string().max(60),
  /** The fingerprint that its author's Seating wrote into it; null where it carries none, or not the whole of it. */
  fingerprint: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .nullable(),
  altered: z.array(z.enum(alteredPlaces)),
  unsaid: z.array(z.enum(unsaidParts)),
  /** Lines of which nothing was known when it came in, and those of which nobody has said what they mean. */
  unmatched: z.array(words).max(20_000),
  unsure: z.array(words).max(20_000),
  /** What decides nothing of a setup and did not come along. */
  beside: z.array(z.enum(besideParts)).default([]),
  /** Ids of mods of which it names plugins and not themselves: it says nothing of their place. */
  implied: z.array(z.string()).max(20_000).default([]),
});
export type Claim = z.infer<typeof Claim>;
