import { say } from "../language/say";
import type { FacetName } from "../model/profile";

/** What one decision of a facet is called, and several. */
export const facetWord = (facet: FacetName, how: "one" | "many"): string => say(`facets.${how}.${facet}`);

export const facetCount = (facet: FacetName, count: number): string =>
  say(`facets.count.${facet}`, { count });
