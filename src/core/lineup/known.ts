import type { ShelfMod } from "../model/shelf";
import { compareVersions } from "../version/version";

/** A sound mod with contents, that lies on the shelf or is offered by the depot. */
export interface KnownMod {
  readonly from: "shelf" | "depot";
  readonly mod: ShelfMod & { readonly content: string };
}

const isSound = (mod: ShelfMod): mod is KnownMod["mod"] => mod.content !== null && !mod.problem;

/** What can be had: from the shelf first. */
export const knownMods = (shelf: readonly ShelfMod[], depot: readonly ShelfMod[]): KnownMod[] => [
  ...shelf.filter(isSound).map((mod) => ({ from: "shelf" as const, mod })),
  ...depot.filter(isSound).map((mod) => ({ from: "depot" as const, mod })),
];

export const sourceOf = ({ manifest }: Pick<ShelfMod, "manifest">): string => manifest?.page ?? "local";

/** Of several versions of one mod the one that is asked for; else the newest on the shelf; else the newest of all. */
export function pickVersion(versions: readonly KnownMod[], wanted: string | undefined): KnownMod | null {
  const newest = (some: readonly KnownMod[]) =>
    some.reduce<KnownMod | null>(
      (best, each) => (best && compareVersions(best.mod.version, each.mod.version) >= 0 ? best : each),
      null,
    );
  const exact =
    wanted === undefined ? [] : versions.filter(({ mod }) => compareVersions(mod.version, wanted) === 0);
  const here = versions.filter(({ from }) => from === "shelf");
  return exact[0] ?? newest(here) ?? newest(versions);
}
