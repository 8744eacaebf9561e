import { withBookMarks } from "../blend/marks";
import type { Lineup, LineupMod, LineupRole, LineupTerms } from "../model/lineup";
import type { KeyedName, Note, ProfileState } from "../model/profile";
import type { ModManifest } from "../model/shelf";
import { chosenParts, partsOf } from "../roster/parts";
import { notesOf } from "../roster/notes";
import type { Roster, SeatedItem, SeatedMod } from "../roster/roster";
import { creditsOf } from "./credits";
import { digestsOf } from "./digests";
import { factsOfRoster, fingerprintOf } from "./fingerprint";

/** What a curator says of a list: of the whole, and of single mods by their ids. */
interface LineupFacts extends Pick<
  Lineup,
  | "title"
  | "author"
  | "note"
  | "listVersion"
  | "date"
  | "list"
  | "keys"
  | "readMe"
  | "pictures"
  | "changelog"
  | "open"
> {
  readonly roles?: Readonly<Record<string, LineupRole>>;
  readonly terms?: Readonly<Record<string, LineupTerms>>;
}

/** What a list says of each facet beside its mods and plugins; choices and what is left out stand with the mods. */
const partsOfLineup: {
  readonly [Name in Exclude<KeyedName, "choices" | "leftOut">]: (
    state: ProfileState,
    roster: Roster,
  ) => Partial<Lineup>;
} = {
  rules: ({ rules }) => ({ rules: [...rules] }),
  launch: ({ launch }) => ({ launch: { ...launch } }),
  expansions: ({ expansions }) => ({ expansions: [...expansions] }),
  baseOff: ({ baseOff }) => ({ baseOff: [...baseOff] }),
  broaderFirst: ({ broaderFirst }) => (broaderFirst ? {} : { broaderFirst }),
  books: ({ books }) => (books.length > 0 ? { books: [...books] } : {}),
  numbers: ({ numbers }) => (numbers.length > 0 ? { numbers: [...numbers] } : {}),
  advice: ({ advice }) => (advice.length > 0 ? { advice: [...advice] } : {}),
  setAside: ({ setAside }) => (setAside.length > 0 ? { setAside: [...setAside] } : {}),
  blend: ({ blend }, roster) =>
    blend.length > 0
      ? { blend: blend.map((each) => (each.kind === "recipe" ? withBookMarks(roster, each) : each)) }
      : {},
  settings: ({ settings }) => (settings.length > 0 ? { settings: [...settings] } : {}),
  reminders: ({ reminders }) => (reminders.length > 0 ? { reminders: [...reminders] } : {}),
  startNotes: ({ startNotes }) => (startNotes.length > 0 ? { startNotes: [...startNotes] } : {}),
  notes: ({ notes }) => (notes.length > 0 ? { notes: [...notes] } : {}),
};

const besideOrders = (roster: Roster) =>
  Object.assign(
    {},
    ...Object.values(partsOfLineup).map((part) => part(roster.profile.state, roster)),
  ) as Pick<Lineup, "rules" | "expansions" | "baseOff" | "launch">;

/** The whole profile as a lineup. Mods that lie nowhere on the shelf have no content to name and are left out. */
export function makeLineup(roster: Roster, { roles = {}, terms = {}, ...facts }: LineupFacts): Lineup {
  const { game, profile } = roster;
  const notes = notesOf(roster, "mods");
  const lineup: Lineup = {
    format: "seating-lineup/2",
    game: { id: game.id, version: game.version },
    ...facts,
    sections: [...profile.state.plugins.sections, ...profile.state.mods.sections],
    mods: roster.mods
      .filter((each) => each.mod?.content)
      .map((mod) => ({
        ...lineupMod(mod, notes.get(mod.id)),
        ...(roles[mod.id] ? { role: roles[mod.id] } : {}),
        ...(terms[mod.id] ? { terms: terms[mod.id] } : {}),
      })),
    plugins: roster.plugins.map((plugin) => {
      const { id, entry, file, mod } = plugin;
      return {
        name: id,
        sha256: file?.sha256 ?? null,
        on: goesOutOn(plugin),
        section: entry.section,
        ...(entry.home === undefined ? {} : { home: entry.home }),
        mod: mod?.id ?? null,
        ...(file?.header?.masters.length ? { masters: file.header.masters } : {}),
      };
    }),
    ...besideOrders(roster),
    followUps: roster.mods.filter(({ id }) => roles[id] === "once").map(({ id }) => id),
    credits: creditsOf(roster),
    fingerprint: fingerprintOf(factsOfRoster(roster)),
  };
  return { ...lineup, digests: digestsOf(lineup) };
}

/** Of what is chosen, as its author calls it. */
function labelsOf(manifest: ModManifest | null, choice: SeatedMod["choice"]): Pick<LineupMod, "labels"> {
  const chosen = chosenParts(choice);
  const questions = (manifest?.options ?? []).filter(({ id }) => choice.options[id] !== undefined);
  const parts = partsOf(manifest).filter(({ key }) => chosen.has(key));
  const labels = Object.fromEntries([
    ...questions.map(({ id, label }) => [id, label] as const),
    ...parts.map(({ key, part }) => [key, part.label] as const),
  ]);
  return Object.keys(labels).length > 0 ? { labels } : {};
}

/**
 * Whether a list that goes out says that an item is on. Who reads it knows nothing of packages: what no chosen part brings, or is left
 * out, does not load there either.
 */
export const goesOutOn = (item: SeatedItem): boolean =>
  item.list === "mods"
    ? item.loads
    : item.fixed || (item.entry.on && (item.withheld === null || item.withheld === "gone"));

function lineupMod({ id, entry, loads, mod, choice, leftOut }: SeatedMod, note: Note | undefined): LineupMod {
  return {
    id,
    name: mod!.name,
    version: mod!.version,
    source: mod!.manifest?.page ?? "local",
    size: mod!.size,
    content: mod!.content!,
    archive: mod!.archiveSha256,
    on: loads,
    section: entry.section,
    ...(entry.home === undefined ? {} : { home: entry.home }),
    options: choice.options,
    components: choice.components,
    ...labelsOf(mod!.manifest, choice),
    hidden: [...leftOut],
    note: note?.text ?? "",
    ...(mod!.manifest?.requires?.length ? { requires: mod!.manifest.requires.map((each) => each.mod) } : {}),
  };
}
