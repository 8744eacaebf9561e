/**
 * A list that comes into a profile that is there. What the list does not say stays as it is here: its sections, its parts, its
 * settings, what is off. So one's own list, as it went out, changes nothing, in whichever format it went.
 */
import { takeInState } from "../compare/states";
import type { Claim } from "../model/claim";
import type { Section } from "../model/game";
import type { ItemId, SectionId } from "../model/ids";
import type { Lineup } from "../model/lineup";
import type { Choice, Entry, ListName, Order, ProfileState, SheetNumber } from "../model/profile";
import type { Roster, SeatedItem } from "../roster/roster";
import type { TakeInWay } from "../state/facet";
import { facets, mapFacets } from "../state/facets";
import { compareVersions } from "../version/version";
import { addAbsentPlugins } from "../edit/arrivals";
import { goesOutOn } from "./make-lineup";
import { stateFromLineup } from "./match";

interface ListIn {
  readonly lineup: Lineup;
  readonly claim: Claim;
  /** Mods of which the version that is here is kept. */
  readonly keepMine?: ReadonlySet<string>;
}

/** The state of the profile after it; the very same state where the list says nothing new. */
export function takeListIn(
  roster: Roster,
  { lineup, claim, keepMine }: ListIn,
  way: TakeInWay,
): ProfileState {
  const { game, stock, profile } = roster;
  const mine = profile.state;
  const told = new Told(roster, lineup, claim, way);
  const theirs = told.uponMine(stateFromLineup(game, lineup, stock, keepMine));
  const next = takeInState(mine, theirs, way === "order" ? "order" : "into");
  const all = told.withImplied(next);
  return sameAsMine(way === "alone" ? told.withoutOthers(all, theirs) : all, mine);
}

/** What decides the same is mine, so that nothing seems to have changed. */
const sameAsMine = (next: ProfileState, mine: ProfileState): ProfileState =>
  mapFacets(mine, (name, facet) => (facet.same(mine[name], next[name]) ? mine[name] : next[name]));

class Told {
  private readonly unsaid: ReadonlySet<string>;
  /** A list that says less than a profile keeps; its sections are known by their names alone. */
  private readonly isPartial: boolean;
  private readonly implied: ReadonlySet<string>;
  private readonly versionOf: ReadonlyMap<string, string>;

  constructor(
    private readonly roster: Roster,
    private readonly lineup: Lineup,
    claim: Claim,
    private readonly way: TakeInWay,
  ) {
    this.unsaid = new Set([...claim.unsaid, ...claim.beside]);
    this.isPartial = claim.beside.length > 0;
    this.implied = new Set(claim.implied);
    this.versionOf = new Map(lineup.mods.map(({ id, version }) => [id, version]));
  }

  /** What the list decides, with what is mine where it says nothing. */
  uponMine(theirs: ProfileState): ProfileState {
    const { mine } = this;
    const kept = (part: string) => this.unsaid.has(part);
    const base: ProfileState = {
      ...theirs,
      ...(kept("rules") && { rules: mine.rules, books: mine.books, broaderFirst: mine.broaderFirst }),
      ...(kept("notes") && {
        notes: mine.notes,
        advice: mine.advice,
        setAside: mine.setAside,
        reminders: mine.reminders,
        startNotes: mine.startNotes,
        blend: mine.blend,
      }),
      ...(kept("settings") && {
        expansions: mine.expansions,
        baseOff: mine.baseOff,
        launch: mine.launch,
        settings: mine.settings,
      }),
      choices: this.choices(theirs),
      leftOut: kept("left-out") ? this.leftOut(theirs) : theirs.leftOut,
      mods: this.order("mods", theirs),
      numbers: theirs.numbers.map((each) => this.number(each, theirs)),
    };
    return { ...base, plugins: this.plugins(base) };
  }

  /** Of a section as it is called among mine. */
  private number(each: SheetNumber, theirs: ProfileState): SheetNumber {
    if (each.of === "item") return each;
    const { idOf } = this.sections(theirs[each.list], this.mine[each.list]);
    return { ...each, id: idOf.get(each.id as SectionId) ?? each.id };
  }

  private get mine(): ProfileState {
    return this.roster.profile.state;
  }

  private isMine(mod: string): boolean {
    return this.roster.modOf.has(mod);
  }

  /** What is taken of a package stays as I have said it, and is not said where it is what its author proposes. */
  private choices({ choices }: ProfileState): Choice[] {
    const own = new Map<string, Choice>(this.mine.choices.map((choice) => [choice.mod, choice]));
    const isKept = (choice: Choice) => {
      const here = this.roster.modOf.get(choice.mod);
      return here !== undefined && (this.unsaid.has("parts") || facets.choices.same([here.choice], [choice]));
    };
    const told = choices.flatMap((choice) => {
      if (!isKept(choice)) return [choice];
      const mine = own.get(choice.mod);
      return mine ? [mine] : [];
    });
    const known = new Set(choices.map(({ mod }) => mod));
    const silent = this.unsaid.has("parts") ? this.mine.choices.filter(({ mod }) => !known.has(mod)) : [];
    return [...told, ...silent].sort((a, b) => (a.mod < b.mod ? -1 : 1));
  }

  private leftOut({ leftOut }: ProfileState): ProfileState["leftOut"] {
    return [...leftOut.filter(({ mod }) => !this.isMine(mod)), ...this.mine.leftOut];
  }

  private plugins(state: ProfileState): ProfileState["plugins"] {
    if (!this.unsaid.has("plugins")) return this.order("plugins", state);
    // Plugins of mods that come stand as arrivals do, and no other is moved: how their files are called is no order.
    const { game, stock } = this.roster;
    const coming = new Set(state.mods.entries.filter(({ id }) => !this.isMine(id)).map(({ id }) => id));
    const files = stock.shelf.filter(({ id, problem }) => !problem && coming.has(id));
    return addAbsentPlugins(game, { ...state, plugins: this.mine.plugins }, files, true).plugins;
  }

  private order<List extends ListName>(list: List, state: ProfileState): ProfileState[List] {
    const mine = this.mine[list] as Order;
    const theirs = state[list] as Order;
    const told =
      list === "mods" && this.unsaid.has("mods") ? this.onlyNew(theirs, mine) : this.listed(theirs);
    const { sections, idOf } = this.sections(told, mine);
    const entries = told.entries
      .map((entry) => this.entry(entry, idOf, sections))
      .filter((entry) => this.way !== "order" || this.itemOf(entry.id)?.entry.on !== false);
    const placed = this.isPartial || this.way === "order" ? bySection(entries, sections) : entries;
    return { sections, entries: placed } as ProfileState[List];
  }

  /** What comes besides the list, as a plugin that it does not name, or the mod of one that it does, stays where it is here. */
  private listed({ sections, entries }: Order): Order {
    const isBeside = ({ fresh, id }: Entry) => fresh === true || this.implied.has(id);
    return { sections, entries: entries.filter((entry) => !isBeside(entry) || !this.itemOf(entry.id)) };
  }

  /** The mods whose plugins the list has on are on. */
  withImplied(next: ProfileState): ProfileState {
    const comesOn = ({ id, on }: Entry) => !on && this.implied.has(id);
    if (this.way === "order" || !next.mods.entries.some(comesOn)) return next;
    const entries = next.mods.entries.map((entry) => (comesOn(entry) ? { ...entry, on: true } : entry));
    return { ...next, mods: { ...next.mods, entries } };
  }

  /** Of mods that the list does not order, those that it needs besides, behind what is here. */
  private onlyNew(theirs: Order, mine: Order): Order {
    const own = new Set<string>(mine.entries.map(({ id }) => id));
    const on = new Set<string>(theirs.entries.filter((entry) => entry.on).map(({ id }) => id));
    return {
      sections: theirs.sections,
      entries: [
        ...mine.entries.map((entry) =>
          on.has(entry.id) && this.way !== "order" ? { ...entry, on: true } : entry,
        ),
        ...theirs.entries.filter(({ id }) => !own.has(id)),
      ],
    };
  }

  private itemOf(id: string): SeatedItem | undefined {
    return this.roster.pluginOf.get(id) ?? this.roster.modOf.get(id);
  }

  /**
   * The sections of the list, each by its id, else by its name and rank, else by its name, as one of mine. Where the list only names
   * them, and where only its order comes, mine stay as they are, and what is new stands among them as in the list.
   */
  private sections(
    theirs: Order,
    mine: Order,
  ): { sections: Section[]; idOf: ReadonlyMap<SectionId, SectionId> } {
    const own = new Map(mine.sections.map((section) => [section.id, section]));
    const idOf = new Map<SectionId, SectionId>();
    const taken = new Set<SectionId>();
    const isOpen = ({ id }: Section) => !taken.has(id);
    const byName = ({ name, rank }: Section) =>
      mine.sections.find((each) => isOpen(each) && each.name === name && each.rank === rank) ??
      mine.sections.find((each) => isOpen(each) && each.name === name);
    const byId = ({ id }: Section) => own.get(id);
    // Of a list that only names them, an id is what was made of the name here.
    const ways = this.isPartial ? [byName, byId] : [byId, byName];
    for (const find of ways)
      for (const section of theirs.sections) {
        const like = idOf.has(section.id) ? undefined : find(section);
        if (!like || !isOpen(like)) continue;
        idOf.set(section.id, like.id);
        taken.add(like.id);
      }
    const renamed = theirs.sections.map((section) => ({
      ...section,
      id: idOf.get(section.id) ?? section.id,
    }));
    if (!this.isPartial && this.way !== "order") return { sections: renamed, idOf };
    const used = new Set(theirs.entries.map(({ section }) => idOf.get(section) ?? section));
    const isNew = ({ id }: Section) => !own.has(id) && used.has(id) && !this.unsaid.has("sections");
    const sections = [...mine.sections];
    let behind = -1;
    for (const section of renamed) {
      const at = sections.findIndex(({ id }) => id === section.id);
      if (at >= 0) behind = at;
      else if (isNew(section)) sections.splice(++behind, 0, section);
    }
    return { sections, idOf };
  }

  /** As the list has it, and as mine where it says nothing of it. */
  private entry(entry: Entry, idOf: ReadonlyMap<SectionId, SectionId>, sections: readonly Section[]): Entry {
    const { home: saidHome, ...rest } = entry;
    const mine = this.itemOf(entry.id);
    const section = idOf.get(entry.section) ?? entry.section;
    const home = saidHome && (idOf.get(saidHome) ?? saidHome);
    const seat = { section, ...(home === undefined ? {} : { home }) };
    if (!mine)
      return {
        ...rest,
        ...(sections.some(({ id }) => id === section) ? seat : this.arriving(entry, sections)),
      };
    const own = mine.entry;
    const staysInMine = this.unsaid.has("sections") || (this.isPartial && own.section === section);
    const content = this.content(entry, mine);
    return {
      ...rest,
      on: entry.on === goesOutOn(mine) ? own.on : entry.on,
      ...(staysInMine ? seatOf(own) : seat),
      ...(content === undefined ? {} : { content }),
    };
  }

  /** The section of mine of its rank, where the one that would take it is not among mine. */
  private arriving(entry: Entry, sections: readonly Section[]): { section: SectionId } {
    const rank = this.lineup.sections.find(({ id }) => id === entry.section)?.rank;
    return {
      section:
        (sections.findLast((section) => section.rank === rank) ?? sections.at(-1))?.id ?? entry.section,
    };
  }

  /** Of a list that names no contents those here stay, unless they are of another version than it names. */
  private content(entry: Entry, mine: SeatedItem): string | undefined {
    if (mine.list === "plugins" || !this.unsaid.has("hashes") || !mine.mod) return entry.content;
    const wanted = this.versionOf.get(entry.id);
    const fits =
      this.unsaid.has("versions") || wanted === undefined || compareVersions(wanted, mine.mod.version) === 0;
    return fits ? mine.entry.content : entry.content;
  }

  /** What loads besides is switched off, of each order that the list says. */
  withoutOthers(next: ProfileState, theirs: ProfileState): ProfileState {
    const off = <List extends ListName>(list: List): ProfileState[List] => {
      const order = next[list] as Order;
      if (this.unsaid.has(list)) return next[list];
      const listed = new Set<ItemId>((theirs[list] as Order).entries.map(({ id }) => id));
      const goes = ({ id, on }: Entry) =>
        on && !listed.has(id) && !this.implied.has(id) && this.itemOf(id)?.loads === true;
      if (!order.entries.some(goes)) return next[list];
      const entries = order.entries.map((entry) => (goes(entry) ? { ...entry, on: false } : entry));
      return { sections: order.sections, entries } as ProfileState[List];
    };
    const [mods, plugins] = [off("mods"), off("plugins")];
    return mods === next.mods && plugins === next.plugins ? next : { ...next, mods, plugins };
  }
}

const seatOf = ({ section, home }: Entry) => ({ section, ...(home === undefined ? {} : { home }) });

/** Stable: of one section the items stand as they did. */
const bySection = (entries: readonly Entry[], sections: readonly Section[]): Entry[] =>
  sections.flatMap(({ id }) => entries.filter(({ section }) => section === id));
