/** All that is contested in a profile at once: who overrides whom, what of it fits a question, and how much each answer would show. */
import { extensionOf } from "../roster/fold";
import type { Roster, SeatedItem } from "../roster/roster";
import { Chains } from "./chains";
import { copyOf } from "./copies";
import { contestedIn, type Conflicts, type Contested } from "./conflicts";
import type { ProviderIndex } from "./provider-index";

/** What is to be shown; null and empty do not narrow it. Sections, tags and the item are those of any provider. */
export interface ConflictQuery {
  readonly undecided: boolean;
  readonly unequal: boolean;
  readonly section: string | null;
  /** Extension of the file, `.` where it has none. */
  readonly kind: string | null;
  readonly tag: string | null;
  readonly item: string | null;
  readonly text: string;
}

export const everyConflict: ConflictQuery = {
  undecided: false,
  unequal: false,
  section: null,
  kind: null,
  tag: null,
  item: null,
  text: "",
};

/** A path or a record that several provide, first to last: the last one wins. `""` is the game itself. */
export interface ContestedRow {
  readonly key: string;
  readonly providers: readonly string[];
  readonly equal: boolean;
  readonly decided: boolean;
}

/** What an item comes to among the others. */
interface ItemFigures {
  readonly id: string;
  readonly files: number;
  readonly wins: number;
  readonly loses: number;
  readonly alone: number;
  /** How much of what is contested with others, unequal, nothing decides. */
  readonly undecided: number;
  readonly covered: boolean;
  /** One that brings all of it too, in the same contents; null where none does. */
  readonly copyOf: string | null;
}

/** The winner's item and one that it overrides, by their numbers in `items`, with how much it wins over that one. */
export interface SurveyPair {
  readonly loser: number;
  readonly winner: number;
  readonly files: number;
  readonly unequal: number;
  readonly decided: boolean;
}

type FacetCounts = Readonly<Record<"section" | "kind" | "tag" | "item", Readonly<Record<string, number>>>>;

export interface ConflictSurvey {
  /** All that provide anything, as they load; the game itself first where it does. */
  readonly items: readonly ItemFigures[];
  /** Of what fits the question. */
  readonly pairs: readonly SurveyPair[];
  /** The first that fit, by name. */
  readonly rows: readonly ContestedRow[];
  /** Those that most provide, of all that fit. */
  readonly crowded: readonly ContestedRow[];
  /** How much fits, and of what each answer besides would leave. */
  readonly count: number;
  readonly counts: FacetCounts & { readonly undecided: number; readonly unequal: number };
  /** How much is contested at all, and how much of that is unequal and undecided. */
  readonly contested: number;
  readonly open: number;
}

/** More is not listed at once: the question is narrowed first, or all of it saved. */
export const mostRows = 2000;
const mostCrowded = 12;

/** `most`: how many rows are told. */
export function surveyOf(
  conflicts: Conflicts,
  roster: Roster,
  of: Contested,
  query: ConflictQuery,
  most = mostRows,
): ConflictSurvey {
  const surveyor = new Surveyor(conflicts, roster, of, query);
  for (const at of conflicts[of].provided()) if (conflicts[of].isContested(at)) surveyor.add(at);
  return surveyor.report(most);
}

/** A contested key, as far as it is judged. */
interface Judged {
  readonly at: number;
  readonly key: string;
  /** By their numbers in the index, first to last. */
  readonly providers: readonly number[];
  readonly equal: boolean;
  readonly decided: boolean;
}

class Surveyor {
  private readonly index: ProviderIndex;
  private readonly ids: readonly string[];
  private readonly isDecided: (one: number, other: number) => boolean;
  private readonly pairs: PairSums;
  private readonly facets: FacetSums;
  private readonly undecidedOf: Int32Array;
  private readonly fitting: Judged[] = [];
  private contested = 0;
  private open = 0;

  constructor(
    private readonly conflicts: Conflicts,
    roster: Roster,
    private readonly of: Contested,
    query: ConflictQuery,
  ) {
    const index = (this.index = conflicts[of]);
    this.ids = Array.from({ length: index.items }, (_, item) => conflicts.idOf(of, item));
    this.isDecided = decidedBy(new Chains(roster, contestedIn[of]), this.ids);
    this.pairs = new PairSums(index.items);
    this.facets = new FacetSums(roster, of, this.ids, query);
    this.undecidedOf = new Int32Array(index.items);
  }

  add(at: number): void {
    const { index, of } = this;
    const winner = index.winnerOf(at);
    const compared = index.comparedTo(at, winner);
    const providers = compared.map(({ item }) => item);
    const open = providers.slice(0, -1).filter((loser) => !this.isDecided(loser, winner));
    const judged: Judged = {
      at,
      key: this.conflicts.nameOf(of, at),
      providers,
      equal: of === "files" && compared.every(({ equal }) => equal),
      decided: open.length === 0,
    };
    this.contested++;
    if (!judged.equal && open.length > 0) {
      this.open++;
      for (const item of [winner, ...open]) this.undecidedOf[item]!++;
    }
    if (!this.facets.fits(judged)) return;
    this.fitting.push(judged);
    for (const { item, equal } of compared.slice(0, -1)) this.pairs.add(item, winner, equal);
  }

  private told = ({ key, providers, equal, decided }: Judged): ContestedRow => ({
    key,
    providers: providers.map((item) => this.ids[item]!),
    equal,
    decided,
  });

  report(most: number): ConflictSurvey {
    const { index, ids } = this;
    const shown = Array.from({ length: index.items }, (_, item) => item)
      .filter((item) => index.figuresOf(item).files > 0)
      .sort((a, b) => index.placeOf(a) - index.placeOf(b));
    const numberOf = new Map(shown.map((item, number) => [item, number]));
    this.fitting.sort((a, b) => (a.key < b.key ? -1 : Number(a.key > b.key)));
    return {
      items: shown.map((item) => ({
        id: ids[item]!,
        ...index.figuresOf(item),
        undecided: this.undecidedOf[item]!,
        covered: index.isCovered(item),
        copyOf: this.of === "files" ? copyOf(this.conflicts, item) : null,
      })),
      pairs: this.pairs.all().map(({ loser, winner, ...sums }) => ({
        loser: numberOf.get(loser)!,
        winner: numberOf.get(winner)!,
        ...sums,
        decided: this.isDecided(loser, winner),
      })),
      rows: this.fitting.slice(0, most).map(this.told),
      crowded: [...this.fitting]
        .sort((a, b) => b.providers.length - a.providers.length)
        .slice(0, mostCrowded)
        .map(this.told),
      count: this.fitting.length,
      counts: this.facets.counts(),
      contested: this.contested,
      open: this.open,
    };
  }
}

const facetNames = ["section", "kind", "tag", "item"] as const;
const switchNames = ["undecided", "unequal"] as const;
const isOn = ({ decided, equal }: Judged, name: (typeof switchNames)[number]): boolean =>
  name === "undecided" ? !decided : !equal;

/** What a file is called after its last dot, in small letters; `.` where there is none. */
export const kindOf = (path: string): string => extensionOf(path.slice(path.lastIndexOf("/") + 1)) || ".";

/** Decides what fits a question, and counts what each answer besides would leave. */
class FacetSums {
  private readonly sections: readonly string[];
  private readonly tags: readonly (readonly string[])[];
  private readonly sums = { section: new Count(), kind: new Count(), tag: new Count(), item: new Count() };
  private readonly switches = { undecided: 0, unequal: 0 };
  private readonly text: string;

  constructor(
    roster: Roster,
    private readonly of: Contested,
    private readonly ids: readonly string[],
    private readonly query: ConflictQuery,
  ) {
    const { itemOf } = roster.lists[contestedIn[of]];
    const items = ids.map((id): SeatedItem | undefined => itemOf.get(id));
    this.sections = items.map((item) => item?.entry.section ?? "");
    this.tags = items.map((item) => (item?.list === "plugins" ? item.mod?.mod?.tags : item?.mod?.tags) ?? []);
    this.text = query.text.trim().toLowerCase();
  }

  fits(judged: Judged): boolean {
    if (this.text && !judged.key.toLowerCase().includes(this.text)) return false;
    const values = this.valuesOf(judged);
    const { query, switches } = this;
    const missed = [
      ...switchNames.filter((name) => query[name] && !isOn(judged, name)),
      ...facetNames.filter((facet) => query[facet] !== null && !values[facet].has(query[facet])),
    ];
    if (missed.length > 1) return false;
    const counts = (name: string) => missed.length === 0 || missed[0] === name;
    for (const facet of facetNames)
      if (counts(facet)) for (const value of values[facet]) this.sums[facet].add(value);
    for (const name of switchNames) if (counts(name) && isOn(judged, name)) switches[name]++;
    return missed.length === 0;
  }

  private valuesOf({ key, providers }: Judged): Record<(typeof facetNames)[number], ReadonlySet<string>> {
    return {
      section: new Set(providers.map((item) => this.sections[item]!).filter(Boolean)),
      kind: new Set(this.of === "files" ? [kindOf(key)] : []),
      tag: new Set(providers.flatMap((item) => this.tags[item]!)),
      item: new Set(providers.map((item) => this.ids[item]!)),
    };
  }

  counts(): ConflictSurvey["counts"] {
    const { section, kind, tag, item } = this.sums;
    return {
      ...this.switches,
      section: section.all(),
      kind: kind.all(),
      tag: tag.all(),
      item: item.all(),
    };
  }
}

/** Of two items by their numbers; each pair is asked of the chains once. */
function decidedBy(chains: Chains, ids: readonly string[]): (one: number, other: number) => boolean {
  const known = new Map<number, boolean>();
  return (one, other) => {
    const pair = one * ids.length + other;
    const before = known.get(pair);
    if (before !== undefined) return before;
    const decided = chains.isDecided(ids[one]!, ids[other]!);
    known.set(pair, decided);
    return decided;
  };
}

class Count {
  private readonly counts = new Map<string, number>();
  add(value: string): void {
    this.counts.set(value, (this.counts.get(value) ?? 0) + 1);
  }
  all(): Record<string, number> {
    return Object.fromEntries(this.counts);
  }
}

class PairSums {
  private readonly sums = new Map<number, { files: number; unequal: number }>();
  constructor(private readonly items: number) {}

  add(loser: number, winner: number, equal: boolean): void {
    const pair = loser * this.items + winner;
    const sum = this.sums.get(pair);
    if (!sum) this.sums.set(pair, { files: 1, unequal: Number(!equal) });
    else {
      sum.files++;
      if (!equal) sum.unequal++;
    }
  }

  all = () =>
    [...this.sums].map(([pair, sum]) => ({
      loser: Math.floor(pair / this.items),
      winner: pair % this.items,
      ...sum,
    }));
}
