import type { Advice, AdviceOn } from "../model/advice";
import { MODS_RANK, type GameDefinition } from "../model/game";
import type { ModId, PluginId, SectionId } from "../model/ids";
import type { Lineup, LineupMod } from "../model/lineup";
import type { Entry, FacetName, Note, Order, ProfileState, SheetNumber } from "../model/profile";
import { sectionsOf } from "../roster/laws";

/**
 * What a list decides, whatever lies here. `idOf` is what a mod of it is called here.
 */
export function stateOfLineup(
  game: Pick<GameDefinition, "sections">,
  lineup: Lineup,
  idOf: (mod: LineupMod) => ModId = ({ id }) => id,
): ProfileState {
  const told: Told = { game, lineup, idOf };
  return Object.fromEntries(
    Object.entries(facetsOfLineup).map(([name, read]) => [name, read(told)]),
  ) as unknown as ProfileState;
}

interface Told {
  readonly game: Pick<GameDefinition, "sections">;
  readonly lineup: Lineup;
  readonly idOf: (mod: LineupMod) => ModId;
}

/** What a list says of each facet; a facet of which it could say nothing does not compile. */
const facetsOfLineup: { readonly [Name in FacetName]: (told: Told) => ProfileState[Name] } = {
  mods: modsOf,
  plugins: pluginsOf,
  // What its author shares between profiles is the list's own here.
  rules: ({ lineup }) => lineup.rules.map(({ shared: _, ...rule }) => rule),
  expansions: ({ lineup }) => lineup.expansions,
  broaderFirst: ({ lineup }) => lineup.broaderFirst ?? true,
  books: ({ lineup }) => lineup.books ?? [],
  notes: notesOf,
  numbers: numbersOf,
  advice: adviceOf,
  setAside: ({ lineup }) => lineup.setAside ?? [],
  reminders: ({ lineup }) => lineup.reminders ?? [],
  startNotes: ({ lineup }) => lineup.startNotes ?? [],
  blend: ({ lineup }) => lineup.blend ?? [],
  choices: ({ lineup, idOf }) =>
    lineup.mods
      .filter(({ options, components }) => components.length + Object.keys(options).length > 0)
      .map((mod) => ({ mod: idOf(mod), options: mod.options, components: mod.components })),
  baseOff: ({ lineup }) => lineup.baseOff,
  launch: ({ lineup }) => lineup.launch,
  settings: ({ lineup }) => lineup.settings ?? [],
  leftOut: ({ lineup, idOf }) =>
    lineup.mods.flatMap((mod) => mod.hidden.map((path) => ({ mod: idOf(mod), path }))),
};

/** A list that says nothing of sections of mods has them all in the one that this game gives them at least. */
function modsOf({ game, lineup, idOf }: Told): Order<ModId> {
  const own = lineup.sections.filter((each) => each.rank === MODS_RANK);
  const known = new Set<SectionId | null>(own.map(({ id }) => id));
  const told = lineup.mods.every(({ section }) => known.has(section));
  const sections = told ? own : sectionsOf(game, "mods").slice(0, 1);
  return {
    sections,
    entries: lineup.mods.map((mod): Entry<ModId> => ({
      id: idOf(mod),
      on: mod.on,
      section: (told ? mod.section : null) ?? sections[0]!.id,
      ...(told && mod.home !== undefined ? { home: mod.home } : {}),
      content: mod.content,
    })),
  };
}

/** One of which no section is told joins the one before it. */
function pluginsOf({ lineup }: Told): Order<PluginId> {
  const sections = lineup.sections.filter((each) => each.rank !== MODS_RANK);
  let last = sections[0]?.id ?? ("" as SectionId);
  return {
    sections,
    entries: lineup.plugins.map(({ name, on, section, home }): Entry<PluginId> => {
      last = section ?? last;
      return { id: name, on, section: last, ...(home === undefined ? {} : { home }) };
    }),
  };
}

function numbersOf({ lineup, idOf }: Told): SheetNumber[] {
  const here = new Map<string, ModId>(lineup.mods.map((mod) => [mod.id, idOf(mod)]));
  return (lineup.numbers ?? []).map((each) =>
    each.list === "mods" && each.of === "item" ? { ...each, id: here.get(each.id) ?? each.id } : each,
  );
}

function adviceOf({ lineup, idOf }: Told): Advice[] {
  const here = new Map<string, ModId>(lineup.mods.map((mod) => [mod.id, idOf(mod)]));
  const ofMine = <On extends AdviceOn | undefined>(on: On): On =>
    on && "mod" in on ? { ...on, mod: here.get(on.mod) ?? on.mod } : on;
  return (lineup.advice ?? []).map((advice) => ({
    ...advice,
    on: ofMine(advice.on),
    ...("other" in advice && { other: ofMine(advice.other) }),
  })) as Advice[];
}

function notesOf({ lineup, idOf }: Told): Note[] {
  const here = new Map<string, ModId>(lineup.mods.map((mod) => [mod.id, idOf(mod)]));
  if (lineup.notes)
    return lineup.notes.map((note) =>
      note.list === "mods" ? { ...note, item: here.get(note.item) ?? note.item } : note,
    );
  return lineup.mods
    .filter(({ note }) => note.trim() !== "")
    .map((mod) => ({
      list: "mods",
      item: idOf(mod),
      text: mod.note.trim().slice(0, 2000),
      author: lineup.author.slice(0, 120),
      at: lineup.date,
    }));
}
