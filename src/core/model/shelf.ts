import { z } from "zod";
import { AdditiveList } from "./additive-list";
import { ModId, PluginId } from "./ids";
import type { FileProblem } from "./refusal";
import { SettingAsked } from "./settings";
import { ModStartNote } from "./start-note";

/** Something wrong with a file, as it is stored; one that another version stored may bear a code that is not known here. */
export const Problem: z.ZodType<FileProblem> = z.strictObject({
  code: z.string(),
  data: z.record(z.string(), z.union([z.string(), z.number()])),
}) as never;

export const PluginHeader = z.strictObject({
  flags: z.number().int().min(0),
  title: z.string().nullable(),
  author: z.string().nullable(),
  description: z.string().nullable(),
  date: z.string().nullable(),
  masters: z.array(z.string()),
  records: z.number().int().min(0),
  lists: z.number().int().min(0),
  /** Its texts are not UTF-8, though no layout says what else they are: they were read as Windows-1252. */
  guessedTexts: z.literal(true).optional(),
});
export type PluginHeader = z.infer<typeof PluginHeader>;

/** A plugin as it lies on the disk; `header` is null where it could not be read, and `problem` says why. */
export const PluginFile = z.strictObject({
  name: PluginId,
  size: z.number().int().min(0),
  sha256: z.string(),
  header: PluginHeader.nullable(),
  problem: Problem.nullable(),
  /** The part of its package that brings it; absent where the mod always does. See core/roster/parts.ts. */
  part: z.string().optional(),
  /** Names of the records that it changes; only on what has just been read, for the store keeps them apart. */
  recordNames: z.array(z.string()).optional(),
  /** Its additive lists; only on what has just been read, for the store keeps them apart. */
  additiveLists: z.array(AdditiveList).optional(),
});
export type PluginFile = z.infer<typeof PluginFile>;

/** The names of the records that a plugin changes, and its additive lists; absent where it has none, or an earlier version kept none. */
export interface RecordNames {
  readonly plugin: string;
  readonly records: readonly string[];
  readonly lists?: readonly AdditiveList[];
}

/** Of plugins that have just been read. */
export const recordsOf = (plugins: readonly PluginFile[]): RecordNames[] =>
  plugins.map(({ name, recordNames = [], additiveLists: lists }) => ({
    plugin: name,
    records: recordNames,
    ...(lists && { lists }),
  }));

/** What has to hold in a profile for a part to be on offer. */
export const PartCondition = z.looseObject({
  /** A mod that has to be on, and one that must not be. */
  mod: z.string().optional(),
  withoutMod: z.string().optional(),
  expansion: z.string().optional(),
});
export type PartCondition = z.infer<typeof PartCondition>;

/** A part of a package: its files, by folders (ending in a slash) or single paths below the mod's root. */
export const ModPart = z.looseObject({
  id: z.string().min(1).max(100),
  label: z.string().min(1).max(300),
  paths: z.array(z.string()).max(1000),
  when: PartCondition.optional(),
  note: z.string().max(2000).optional(),
  /** Why one had better not take it. */
  caution: z.string().max(2000).optional(),
  /** Parts that it cannot be taken with, by their keys: of another mod, or of its own where none is named. */
  clashes: z
    .array(z.looseObject({ mod: z.string().optional(), part: z.string(), reason: z.string().optional() }))
    .max(100)
    .optional(),
});
export type ModPart = z.infer<typeof ModPart>;

/** A question that a package asks: at most one of its parts, or any of them. */
export const ModOption = z.looseObject({
  id: z.string().min(1).max(100),
  label: z.string().min(1).max(300),
  choose: z.enum(["one", "any"]),
  parts: z.array(ModPart).min(1).max(500),
});
export type ModOption = z.infer<typeof ModOption>;

/** A part that is switched directly; `on` is what its author proposes. */
export const ModComponent = z.looseObject({ ...ModPart.shape, on: z.boolean().optional() });
export type ModComponent = z.infer<typeof ModComponent>;

/** `seating-mod/1`, the optional `seating-mod.json` in a mod's root. Unknown fields are kept. */
export const ModManifest = z.looseObject({
  format: z.literal("seating-mod/1"),
  id: z.string().min(1).max(200),
  name: z.string().min(1).max(300),
  version: z.string().max(100),
  author: z.string().optional(),
  gameVersions: z.string().optional(),
  tags: z.array(z.string()).optional(),
  summary: z.string().optional(),
  page: z.string().optional(),
  requires: z
    .array(z.looseObject({ mod: z.string(), versions: z.string().optional(), reason: z.string().optional() }))
    .optional(),
  clashes: z.array(z.looseObject({ mod: z.string(), reason: z.string().optional() })).optional(),
  expansions: z.array(z.string()).optional(),
  options: z.array(ModOption).max(200).optional(),
  components: z.array(ModComponent).max(2000).optional(),
  /** What it wants to stand in the game's files of settings. */
  settings: z.array(SettingAsked).max(500).optional(),
  /** What whoever starts the game with it has to know. */
  startNotes: z.array(ModStartNote).max(50).optional(),
  /** Whether the game's awards stay possible with it. */
  awards: z.boolean().optional(),
  /** Made by a generator, from what else there is: what kind of thing it made. */
  generated: z.string().max(100).optional(),
  /** What of its plugins' additive lists counts in a blend: "additions", "all" or "never"; other words say nothing. */
  blend: z.string().max(100).optional(),
});
export type ModManifest = z.infer<typeof ModManifest>;

/** A file of a mod's contents, as the game sees it once its part is chosen. */
const ContentFile = z.object({
  path: z.string(),
  /** In bytes; null where an earlier version has not kept it. */
  size: z.number().int().min(0).nullable(),
  /** The first 16 bytes of its SHA-256, in hexadecimal; null where it was not read, or an earlier version has not kept it. */
  hash: z.string().nullable(),
  /** The part of the package that brings it, by its key; null where it always comes. */
  part: z.string().nullable(),
  /** The packed file of the same mod in which it lies; absent where it lies loose. */
  container: z.string().optional(),
});
export type ContentFile = z.infer<typeof ContentFile>;

/** A path that a mod brings, with whatever part. */
export type FileOfMod = Pick<ContentFile, "path" | "size">;

/** An archive or a folder of the shelf folder, as read. An unsound one has a `problem` and no content hash. */
export const ShelfMod = z.strictObject({
  /** Name within the shelf folder. */
  path: z.string(),
  kind: z.enum(["archive", "folder"]),
  size: z.number().int().min(0),
  /** Of the archive: its time of change; of a folder: a hash over the sizes and times of its files. */
  stamp: z.string(),
  id: ModId,
  name: z.string(),
  version: z.string(),
  author: z.string().nullable(),
  summary: z.string().nullable(),
  tags: z.array(z.string()),
  /** Those of its tags that its user gave it; absent where there are none. */
  ownTags: z.array(z.string()).optional(),
  files: z.number().int().min(0),
  /** SHA-256 over the contents, equal for a folder and any archive of the same files. */
  content: z.string().nullable(),
  archiveSha256: z.string().nullable(),
  manifest: ModManifest.nullable(),
  plugins: z.array(PluginFile),
  problem: Problem.nullable(),
  /** When its file was last changed, and when it was first read, in ISO 8601; the latter only of what the store holds. */
  updated: z.string().nullable(),
  added: z.string().optional(),
  /** By path, and of one path in the order of the package's parts; only on what has just been read, for the store keeps them apart. */
  contentFiles: z.array(ContentFile).optional(),
});
export type ShelfMod = z.infer<typeof ShelfMod>;
