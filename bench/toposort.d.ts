declare module "toposort" {
  /** The nodes of the edges [before, after], each before those that come after it. */
  export default function toposort(edges: readonly (readonly [string, string])[]): string[];
}
