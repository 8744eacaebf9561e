import { z } from "zod";

/** A folder below the game's own, or that itself (empty); `/` between the names, none at the ends. */
export const Below = z
  .string()
  .max(300)
  .regex(/^(?!.*(?:^|\/)\.{1,2}(?:\/|$))(?:[^\p{Cc}\\/<>"|?*:]+(?:\/[^\p{Cc}\\/<>"|?*:]+)*)?$/u);

const shared = {
  folder: Below,
  /** Folders of a mod, with a slash at the end, that go elsewhere: `to` is where, below the game's folder. */
  elsewhere: z.array(z.strictObject({ from: z.string().regex(/^[^/]+\/$/), to: Below })).optional(),
  /** Paths of mods, of folders with a slash at the end, that the game or its tools write to: they are copied, never linked. */
  written: z.array(z.string().min(1)).optional(),
  /** Its editors list plugins by date: those that load get the dates of their order. */
  datesByOrder: z.literal(true).optional(),
};

/**
 * How a game finds its mods. `list`: it reads a list of what to open. `folders`: each that is on lies as a folder of its own, named by a
 * pattern of `{id}`, `{name}`, `{version}` and `{folder}`, its own name on the shelf. `merged`: of each path the winner's file.
 */
export const Placement = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("list") }),
  z.strictObject({ kind: z.literal("folders"), name: z.string().min(1).max(200), ...shared }),
  z.strictObject({ kind: z.literal("merged"), ...shared }),
]);
export type Placement = z.infer<typeof Placement>;
/** One by which files come to lie in the game's folder. */
export type Laying = Exclude<Placement, { kind: "list" }>;

/** How files come to lie in the folder of a game; null for one that reads a list of what to open. */
export const layingOf = ({ placement }: { readonly placement?: Placement | undefined }): Laying | null =>
  placement === undefined || placement.kind === "list" ? null : placement;
