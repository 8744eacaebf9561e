import { say } from "../language/say";
import { z } from "zod";

const fourLetters = z.string().regex(/^[\x20-\x7e]{4}$/, { error: () => say("model.fourLetters") });
const tag = z.string().regex(/^[\x21-\x7e]{1,8}$/, { error: () => say("model.upToEightLetters") });
const chunks = z.strictObject({ list: fourLetters, item: fourLetters });

/** Of texts, where it is not UTF-8; labels of the Encoding standard. */
export const PluginEncoding = z.enum([
  "utf-8",
  "windows-1250",
  "windows-1251",
  "windows-1252",
  "windows-1253",
  "windows-1254",
  "shift_jis",
  "gbk",
  "big5",
  "euc-kr",
]);
export type PluginEncoding = z.infer<typeof PluginEncoding>;

/** What the chunks of a RIFF plugin are called; see `standardChunks` for those of the stand-in games. */
export const RiffChunks = z.strictObject({
  /** Holds the flags, a little-endian 32-bit number, at this byte. */
  head: fourLetters,
  flagsAt: z.number().int().min(0).max(1024),
  masters: chunks,
  records: chunks,
  /** Of additive lists, each laid out as in docs/FORMATS.md; without them none are read. */
  lists: chunks.optional(),
});
export type RiffChunks = z.infer<typeof RiffChunks>;

/** The published chunk container; texts of its INFO list are the title, the author, the description and the date. */
export const RiffLayout = z.strictObject({
  container: z.literal("riff"),
  formType: fourLetters,
  chunks: RiffChunks.optional(),
  encoding: PluginEncoding.optional(),
});
export type RiffLayout = z.infer<typeof RiffLayout>;

const place = z.number().int().min(0).max(255);
const headerBytes = z.number().int().min(2).max(256);
/** What a size counts: the contents alone, or the header too. */
const sizeCounts = z.enum(["contents", "record"]);
const bytes = z.union([z.literal(1), z.literal(2), z.literal(4)]);

/**
 * Records one after another, each a header of one width and then its contents; the first describes the file. Its contents
 * are fields, each a tag, a size and a value. All places are bytes from the start of the header.
 */
const TaggedShape = z.strictObject({
  container: z.literal("tagged"),
  byteOrder: z.enum(["little", "big"]),
  record: z
    .strictObject({
      headerBytes,
      tagAt: place,
      tagBytes: z.number().int().min(1).max(8),
      sizeAt: place,
      sizeBytes: bytes,
      sizeCounts,
      flagsAt: place,
      flagsBytes: bytes,
    })
    .superRefine((record, context) => {
      for (const [what, at, width] of [
        ["tagAt", record.tagAt, record.tagBytes],
        ["sizeAt", record.sizeAt, record.sizeBytes],
        ["flagsAt", record.flagsAt, record.flagsBytes],
      ] as const)
        if (at + width > record.headerBytes)
          context.addIssue({ code: "custom", path: [what], message: say("model.endsBehindTheHeaderOfA") });
    }),
  /**
   * Records with this tag hold no fields but records, and such groups again; tag and size stand where every record has them. They
   * are no records of their own.
   */
  groups: z.strictObject({ tag, headerBytes, sizeCounts }).optional(),
  field: z.strictObject({ tagBytes: z.number().int().min(1).max(8), sizeBytes: bytes }),
  encoding: PluginEncoding.optional(),
  /** How texts end: with a zero byte, or with the field. */
  texts: z.enum(["zero", "field"]),
  tags: z.strictObject({
    /** Of the first record. */
    file: tag,
    /** Of fields of the first record; one master a field. */
    master: tag,
    title: tag.optional(),
    author: tag.optional(),
    description: tag.optional(),
    date: tag.optional(),
    /** Of the field that names a record, in every other record; without it records are only counted. */
    name: tag.optional(),
  }),
  /** Which records are additive lists, and where in them stands what; without it none are read. */
  lists: z
    .strictObject({
      /** Of the records. */
      tag,
      /** Of the field that names what record the list is of. */
      record: tag,
      /** Of the fields of which each is an entry: two numbers and then its name, at these bytes. */
      entry: tag,
      depthAt: place,
      shareAt: place,
      numberBytes: z.union([z.literal(1), z.literal(2)]),
      nameAt: place,
    })
    .optional(),
});

export const TaggedLayout = TaggedShape.superRefine(({ record, groups, tags }, context) => {
  if (!groups) return;
  const least = Math.max(record.tagAt + record.tagBytes, record.sizeAt + record.sizeBytes);
  if (groups.headerBytes < least)
    context.addIssue({
      code: "custom",
      path: ["groups", "headerBytes"],
      message: say("model.endsBeforeTheTagAndThe"),
    });
  // While both are being typed, both are empty.
  if (groups.tag !== "" && groups.tag === tags.file)
    context.addIssue({
      code: "custom",
      path: ["groups", "tag"],
      message: say("model.isThatOfTheFirstRecord"),
    });
});
export type TaggedLayout = z.infer<typeof TaggedLayout>;

/** Where the header of a plugin stands in its file, as data. */
export const PluginLayout = z.discriminatedUnion("container", [RiffLayout, TaggedLayout]);
export type PluginLayout = z.infer<typeof PluginLayout>;
