import type { DepotMod } from "../model/depot";
import type { Finding } from "../model/finding";
import type { GameDefinition } from "../model/game";
import type { Want } from "../model/want";
import { foldName } from "../roster/fold";
import type { SeatedMod, Stock } from "../roster/roster";
import { compareVersions, isInRange } from "../version/version";

/** What of the depot meets something that is missing here. */
export interface Offer {
  /** How many of the wants it meets. */
  readonly met: number;
  /** What is to be got, what others need first. */
  readonly files: readonly DepotMod[];
  /** How many of them nobody asked for, but something that was asked for needs. */
  readonly needs: number;
  /** What it is no good without, and of which the depot has only a page. */
  readonly byHand: readonly DepotMod[];
}

/** The depot's catalogue against what lies here: what there is of something that is missing, with what that needs. */
export class Offers {
  private readonly byId: ReadonlyMap<string, readonly DepotMod[]>;
  private readonly byPlugin: ReadonlyMap<string, readonly DepotMod[]>;
  private readonly here: ReadonlyMap<string, readonly string[]>;
  private readonly pluginsHere: ReadonlySet<string>;

  constructor(
    private readonly game: GameDefinition,
    catalogue: readonly DepotMod[],
    { base, shelf }: Pick<Stock, "base" | "shelf">,
  ) {
    const sound = shelf.filter(({ problem }) => !problem);
    // What can be got goes before what has only a page, and the newer before the older.
    const best = [...catalogue].sort(
      (a, b) =>
        Number(a.terms !== null) - Number(b.terms !== null) || compareVersions(b.mod.version, a.mod.version),
    );
    this.byId = groupBy(best, ({ mod }) => [mod.id]);
    this.byPlugin = groupBy(best, (each) => this.broughtBy(each));
    this.here = new Map(
      [...groupBy(sound, ({ id }) => [id])].map(([id, mods]) => [id, mods.map(({ version }) => version)]),
    );
    this.pluginsHere = new Set(
      [...base, ...sound.flatMap(({ plugins }) => plugins)].map(({ name }) => this.fold(name)),
    );
  }

  /** Null where the depot has nothing of it that can be got. */
  of(wants: readonly Want[]): Offer | null {
    const asked = new Set<DepotMod>();
    let met = 0;
    for (const want of wants) {
      const found = this.find(want);
      if (!found || found.terms) continue;
      met++;
      asked.add(found);
    }
    if (met === 0) return null;
    const all = this.withNeeds([...asked]);
    const files = all.filter(({ terms }) => !terms);
    return { met, files, needs: files.length - asked.size, byHand: all.filter(({ terms }) => terms) };
  }

  private find(want: Want): DepotMod | undefined {
    if (want.kind === "plugin") {
      const key = this.fold(want.name);
      return this.byPlugin
        .get(key)
        ?.find(({ mod }) =>
          mod.plugins.some((file) => this.fold(file.name) === key && file.sha256 !== want.unlike),
        );
    }
    const { content, versions, version } = want;
    return this.byId
      .get(want.id)
      ?.filter(({ mod }) => version === undefined || compareVersions(mod.version, version) === 0)
      .find(({ mod }) => (content === null || mod.content === content) && isWithin(mod.version, versions));
  }

  /** These and all that they need and is not here, each behind what it needs itself; of a circle any of them may be first. */
  private withNeeds(asked: readonly DepotMod[]): DepotMod[] {
    const chosen = new Map(asked.map((each) => [each.mod.id, each]));
    const ordered = new Set<DepotMod>();
    const open = new Set<DepotMod>();
    const add = (each: DepotMod) => {
      if (ordered.has(each) || open.has(each)) return;
      open.add(each);
      for (const need of this.needsOf(each)) {
        // Whatever was asked for of a mod, or is needed already, will do.
        if (!chosen.has(need.mod.id)) chosen.set(need.mod.id, need);
        add(chosen.get(need.mod.id)!);
      }
      ordered.add(each);
    };
    for (const each of asked) add(each);
    return [...ordered];
  }

  private needsOf({ mod }: DepotMod): DepotMod[] {
    const required = (mod.manifest?.requires ?? [])
      .filter(({ mod: id, versions }) => !this.here.get(id)?.some((version) => isWithin(version, versions)))
      .map(({ mod: id, versions = null }) => this.find({ kind: "mod", id, content: null, versions }));
    const own = new Set(mod.plugins.map(({ name }) => this.fold(name)));
    const masters = mod.plugins
      .filter(({ part }) => part === undefined)
      .flatMap(({ header }) => header?.masters ?? [])
      .filter((name) => !own.has(this.fold(name)) && !this.pluginsHere.has(this.fold(name)))
      .map((name) => this.find({ kind: "plugin", name }));
    return [...required, ...masters].filter((each) => each !== undefined);
  }

  private broughtBy({ mod }: DepotMod): string[] {
    return mod.plugins.filter(({ part }) => part === undefined).map(({ name }) => this.fold(name));
  }

  private fold(name: string): string {
    return foldName(this.game, name);
  }
}

/** A mod of a profile in the contents that it pins, where it pins any. */
export const wantOfMod = ({ id, mod, entry }: Pick<SeatedMod, "id" | "mod" | "entry">): Want => ({
  kind: "mod",
  id,
  content: mod?.content ?? entry.content ?? null,
  versions: null,
});

/** What is missing by all findings together, each thing once. */
export function wantsOf(findings: readonly Pick<Finding, "wants">[]): Want[] {
  const wants = findings.flatMap((finding) => finding.wants ?? []);
  return [...new Map(wants.map((want) => [JSON.stringify(want), want])).values()];
}

const isWithin = (version: string, versions: string | null | undefined): boolean =>
  !versions || isInRange(version, versions);

function groupBy<T>(values: readonly T[], keysOf: (value: T) => readonly string[]): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const value of values)
    for (const key of keysOf(value)) {
      const group = groups.get(key);
      if (group) group.push(value);
      else groups.set(key, [value]);
    }
  return groups;
}
