import { issueText } from "@/core/language/issue";
import { say } from "@/core/language/say";
import { MODS_RANK, type GameDefinition } from "@/core/model/game";
import type { ItemId, SectionId } from "@/core/model/ids";
import { Lineup } from "@/core/model/lineup";
import type { ListName } from "@/core/model/profile";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { foldName } from "@/core/roster/fold";
import { firstOutOfSection } from "@/core/edit/steps";
import { decodeText, parseJson } from "../text";
import { everything, type LineupFormat } from "./format";

const known = "seating-lineup/2";
const alsoRead = "seating-lineup/1";

/** Reads a lineup for a game and checks that a profile can be made of it; refuses it whole otherwise. */
export function readLineup(bytes: Uint8Array, name: string, game: GameDefinition): Outcome<Lineup> {
  const decoded = decodeText(bytes, name);
  if (!decoded.ok) return decoded;
  const json = parseJson(decoded.value.text, name);
  return json.ok ? lineupFrom(json.value, name, game) : json;
}

/** The same of a value, whatever it was written in. */
export function lineupFrom(value: unknown, name: string, game: GameDefinition): Outcome<Lineup> {
  const format = (value as { format?: unknown } | null)?.format;
  if (typeof format !== "string" || !format.startsWith("seating-lineup/"))
    return refuse("not-a-lineup", { name, detail: say("formats.itsFormatIsNot", { known }) });
  if (format !== known && format !== alsoRead)
    return refuse("lineup-version", { name, format: format.slice(0, 60), known });
  if (!isOfUsualSize(value)) return refuse("list-large", { name, most: mostValues });
  const parsed = Lineup.safeParse(value);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return refuse("lineup-broken", {
      name,
      path: issue.path.join(".") || say("common.theTop"),
      detail: issueText(issue),
    });
  }
  const lineup = parsed.data;
  if (lineup.game.id !== game.id)
    return refuse("lineup-game", { name, game: lineup.game.id, present: game.name });
  return checkLists(lineup, name, game) ?? done(lineup);
}

/** Objects and lists in a value; five thousand mods with all that they can have need a third of it. */
const mostValues = 250_000;

function isOfUsualSize(value: unknown): boolean {
  const waiting = [value];
  for (let count = 0; count < mostValues; count++) {
    const next = waiting.pop();
    if (next === undefined) return true;
    for (const each of Object.values(next as object) as unknown[])
      if (typeof each === "object" && each !== null) waiting.push(each);
  }
  return false;
}

function checkLists(lineup: Lineup, name: string, game: GameDefinition) {
  const broken = (path: string, detail: string) => refuse("lineup-broken", { name, path, detail });
  const mod = firstTwice(lineup.mods.map((each) => each.id));
  if (mod !== null) return broken("mods", say("formats.standsTwice", { mod }));
  const plugin = firstTwice(lineup.plugins.map((each) => foldName(game, each.name)));
  if (plugin !== null) return broken("plugins", say("formats.standsTwice2", { plugin }));
  const section = firstTwice(lineup.sections.map((each) => each.id));
  if (section !== null) return broken("sections", say("formats.standsTwice3", { section }));
  const ranks = new Set([...game.loadRanks.map((rank) => rank.id), MODS_RANK]);
  const foreign = lineup.sections.find((each) => !ranks.has(each.rank));
  if (lineup.sections.length === 0 || foreign)
    return broken(
      "sections",
      foreign
        ? say("formats.isNoLoadRankOf", { rank: foreign.rank, name: game.name })
        : say("formats.thereAreNone"),
    );
  const outside = (list: ListName, entries: readonly { id: ItemId; section: SectionId | null }[]) => {
    const own = lineup.sections.filter((each) => (each.rank === MODS_RANK) === (list === "mods"));
    const first = firstOutOfSection(own, entries);
    return first && broken(list, say("formats.standsOutsideItsSection", { id: first.id }));
  };
  return (
    outside(
      "plugins",
      lineup.plugins.map((each) => ({ id: each.name, section: each.section })),
    ) ??
    outside(
      "mods",
      lineup.mods.filter((each) => each.section !== null),
    )
  );
}

function firstTwice(ids: readonly string[]): string | null {
  const seen = new Set<string>();
  return ids.find((id) => seen.size === seen.add(id).size) ?? null;
}

/** Two spaces, for people read it and version control compares it. */
export const writeLineup = (lineup: Lineup): string => `${JSON.stringify(lineup, null, 2)}\n`;

export const json: LineupFormat = {
  id: "lineup",
  get label() {
    return say("formats.lineupJSON");
  },
  extension: ".lineup.json",
  mime: "application/json",
  carries: everything,
  write: writeLineup,
};
