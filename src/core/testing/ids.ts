import { ModId, PluginId, ProfileId, RuleId, SectionId } from "../model/ids";

// Ids of tests, where a name is all that is to be said.
export const aMod = (id: string) => ModId.parse(id);
export const aPlugin = (id: string) => PluginId.parse(id);
export const aSection = (id: string) => SectionId.parse(id);
export const aRule = (id: string) => RuleId.parse(id);
export const aProfile = (id: string) => ProfileId.parse(id);
