import { z } from "zod";
import { issueText } from "@/core/language/issue";
import { say } from "@/core/language/say";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { FirstRulebook, presentRulebook, Rulebook } from "@/core/model/rulebook";
import { MODS_RANK, type GameDefinition } from "@/core/model/game";
import { decodeText, parseJson } from "./text";

const known = z.discriminatedUnion("format", [Rulebook, FirstRulebook]);

/** Reads a rulebook of either version for a game; refuses it whole where anything in it is not sound. */
export function readRulebook(bytes: Uint8Array, name: string, game: GameDefinition): Outcome<Rulebook> {
  const decoded = decodeText(bytes, name);
  if (!decoded.ok) return decoded;
  const json = parseJson(decoded.value.text, name);
  if (!json.ok) return json;
  const format = (json.value as { format?: unknown } | null)?.format;
  if (format !== "seating-rulebook/2" && format !== "seating-rulebook/1")
    return refuse("not-a-rulebook", {
      name,
      detail: say("formats.itsFormatIsNot", { known: "seating-rulebook/2" }),
    });
  const parsed = known.safeParse(json.value);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return refuse("rulebook-broken", {
      name,
      path: issue.path.join(".") || say("common.theTop"),
      detail: issueText(issue),
    });
  }
  const book = presentRulebook(parsed.data, say("formats.itsListsWantToBeBlended"));
  return checkBook(book, name, game) ?? done(book);
}

function checkBook(book: Rulebook, name: string, game: GameDefinition) {
  const broken = (path: string, detail: string) => refuse("rulebook-broken", { name, path, detail });
  if (book.game !== game.id) return refuse("rulebook-game", { name, game: book.game, present: game.name });
  const seen = new Set<string>();
  const twice = book.rules.find(({ id }) => seen.size === seen.add(id).size);
  if (twice) return broken("rules", say("formats.standsTwice4", { id: twice.id }));
  const ranks = new Set([...game.loadRanks.map((rank) => rank.id), MODS_RANK]);
  const foreign = book.sections.find((section) => !ranks.has(section.rank));
  return foreign
    ? broken("sections", say("formats.isNoLoadRankOf", { rank: foreign.rank, name: game.name }))
    : null;
}

/** Two spaces, for people read it and version control compares it. */
export const writeRulebook = (book: Rulebook): string => `${JSON.stringify(book, null, 2)}\n`;
