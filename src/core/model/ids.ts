import { z } from "zod";

// Of text that one kind of thing is known by, none stands for another: a mod's id given where a plugin's is asked does not compile.

const item = z.string().min(1).max(500);

/** The name of its file, as it was first met. */
export const PluginId = item.brand<"PluginId">();
export type PluginId = z.infer<typeof PluginId>;

/** Its manifest's, or what its archive's name is without the version. */
export const ModId = item.brand<"ModId">();
export type ModId = z.infer<typeof ModId>;

/** What an order holds: a mod's id or a plugin's, by its list. */
export type ItemId = ModId | PluginId;
// Which of the two it is a text alone does not say, so that a union of schemas would only read it twice.
export const ItemId = item as unknown as z.ZodType<ItemId, string>;

export const SectionId = z.string().brand<"SectionId">();
export type SectionId = z.infer<typeof SectionId>;

export const RuleId = z.string().min(1).max(100).brand<"RuleId">();
export type RuleId = z.infer<typeof RuleId>;

export const ProfileId = z.string().max(100).brand<"ProfileId">();
export type ProfileId = z.infer<typeof ProfileId>;
