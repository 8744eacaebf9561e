import { z } from "zod";
import { AdditiveList, Marks } from "./additive-list";

const clash = {
  record: z.string(),
  name: z.string(),
  /** Names of plugins, in load order. */
  by: z.array(z.string()),
  won: z.string(),
};
const Left = z.strictObject({ record: z.string(), why: z.enum(["equal", "never-last"]) });
const LeftByAnybody = z.strictObject({
  record: z.string(),
  why: z.enum(["equal", "never-last", "decided"]),
});

/** `seating-blend/1`: what a blend of a list comes to. */
export const BlendOutput = z.strictObject({
  format: z.literal("seating-blend/1"),
  /** By the first plugin that has the record, and the record's place there; so are `left` and `clashes`. */
  lists: z.array(
    z.strictObject({
      ...AdditiveList.shape,
      /** By the name of an entry, the plugin that last set or altered its places. */
      from: z.record(z.string(), z.string()),
    }),
  ),
  left: z.array(Left),
  /** Those of one record by name, in the order of UTF-16 units. */
  clashes: z.array(z.strictObject(clash)),
});
export type BlendOutput = z.infer<typeof BlendOutput>;

/** `seating-blend-report/1`: who had part in a blend, and with how much. */
export const BlendReport = z.strictObject({
  format: z.literal("seating-blend-report/1"),
  game: z.string(),
  /** When, in ISO 8601. */
  date: z.string().max(40),
  /** The file that came of it; null where no list had to be blended. */
  plugin: z.string().nullable(),
  lists: z.number().int().min(0),
  /** Those that say something of a list that several have, in load order. */
  plugins: z.array(
    z.strictObject({
      name: z.string(),
      /** Of its mod; null of the game's own, and where nobody says one. */
      version: z.string().nullable(),
      marks: Marks.nullable(),
      /** How many entries of the blended lists have their places from it. */
      entries: z.number().int().min(0),
    }),
  ),
  left: z.array(LeftByAnybody),
  clashes: z.array(z.strictObject(clash)),
  /** Records that stand in one plugin twice, of which the last counted. */
  doubled: z.array(z.strictObject({ plugin: z.string(), record: z.string() })),
});
export type BlendReport = z.infer<typeof BlendReport>;

/** Marks for once: by the name of a plugin. */
export const MarksFile = z.record(z.string(), Marks);
