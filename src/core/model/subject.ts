import { z } from "zod";

export const subjectKinds = [
  "mod",
  "plugin",
  "part",
  "rule",
  "expansion",
  "path",
  "record",
  "prerequisite",
  "list",
] as const;

/** What a finding is about. A part is named `mod id:part key`, the list itself `""`. */
export const Subject = z.strictObject({ kind: z.enum(subjectKinds), id: z.string() });
export type Subject = z.infer<typeof Subject>;
