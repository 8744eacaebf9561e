import { say } from "../language/say";
import type { ListName } from "../model/profile";

/** So many of what a list holds. */
export const itemCount = (list: ListName, count: number): string => say(`facets.count.${list}`, { count });

/** So many of what the items of a list share: mods files, plugins records. */
export const sharedCount = (list: ListName, count: number): string => say(`counts.shared.${list}`, { count });
