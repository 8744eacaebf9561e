import { readFileSync } from "node:fs";
import { basename, resolve } from "node:path";
import { compareFacts } from "@/core/lineup/compare";
import { changesBetween } from "@/core/lineup/changelog";
import { factsOfLineup, fingerprintOf, shortFingerprint } from "@/core/lineup/fingerprint";
import { knownMods } from "@/core/lineup/known";
import { lossesOf } from "@/core/lineup/losses";
import { planImport } from "@/core/lineup/plan";
import { shareSetup } from "@/core/lineup/share";
import { differenceEffect, differenceText, titlesFrom } from "@/core/messages/differences";
import { sayLoss } from "@/core/messages/losses";
import { planWords } from "@/core/messages/matching";
import { plural } from "@/core/messages/parts";
import { readDefinition } from "@/core/game/definition-flaws";
import type { GameDefinition } from "@/core/model/game";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { emptyStock, type Stock } from "@/core/roster/roster";
import { readShelf } from "@/disk/read-shelf";
import { formatOf, lineupFormats } from "@/formats/lineup/all";
import { carriedByCode, writeCode } from "@/formats/lineup/code";
import { readList } from "@/formats/lineup/read";
import { resolveList, type ResolvedList } from "@/formats/lineup/resolve";
import { games } from "@/standin/games";
import { parseJson } from "@/formats/text";
import type { Answer } from "./commands";

export interface ListOptions {
  /** Id of a game that ships, or the file of a definition. */
  readonly game?: string | undefined;
  readonly shelf?: string | undefined;
  readonly to?: string | undefined;
}

/** The game of a list: the one that is named, or the one that the list names. */
function gameOf(bytes: Uint8Array, wanted: string | undefined): Outcome<GameDefinition> {
  if (wanted !== undefined) {
    const known = games.find(({ id }) => id === wanted);
    if (known) return done(known);
    const json = parseJson(readFileSync(wanted, "utf8"), basename(wanted));
    if (!json.ok) return json;
    const read = readDefinition(json.value);
    return "definition" in read
      ? done(read.definition)
      : refuse("definition-flaw", { path: wanted, text: "is no sound definition" });
  }
  for (const game of games) {
    const list = readList(bytes, "list", game);
    if (list.ok && (list.value.kind !== "listing" || list.value.listing.game?.id === game.id))
      return done(game);
  }
  return refuse("list-game", { known: games.map(({ id }) => id).join(", ") });
}

async function stockOf(game: GameDefinition, shelf: string | undefined): Promise<Outcome<Stock>> {
  const bare: Stock = { ...emptyStock, owned: game.expansions.map(({ id }) => id) };
  if (shelf === undefined) return done(bare);
  try {
    const { mods } = await readShelf(game, [resolve(shelf)], []);
    return done({ ...bare, shelf: mods });
  } catch {
    return refuse("folder-missing", { path: shelf });
  }
}

interface Read {
  readonly game: GameDefinition;
  readonly stock: Stock;
  readonly list: ResolvedList;
}

async function read(bytes: Uint8Array, name: string, options: ListOptions): Promise<Outcome<Read>> {
  const game = gameOf(bytes, options.game);
  if (!game.ok) return game;
  const list = readList(bytes, name, game.value);
  if (!list.ok) return list;
  const stock = await stockOf(game.value, options.shelf);
  if (!stock.ok) return stock;
  if (list.value.kind !== "lineup" && options.shelf === undefined)
    return refuse("list-needs-shelf", { name });
  const known = knownMods(stock.value.shelf, []);
  return done({
    game: game.value,
    stock: stock.value,
    list: resolveList(list.value, game.value, known, stock.value, name),
  });
}

/** The fingerprint that a list has, and whether it is the one that it names. */
export async function fingerprint(
  bytes: Uint8Array,
  name: string,
  options: ListOptions,
): Promise<Outcome<Answer>> {
  const got = await read(bytes, name, options);
  if (!got.ok) return got;
  const { lineup, proof } = got.value.list;
  const own = fingerprintOf(factsOfLineup(lineup));
  const altered = proof === "altered" || proof === "short";
  return done({
    json: { fingerprint: own, named: lineup.fingerprint, equal: !altered },
    text: altered
      ? `${own}\nIt names another one, ${lineup.fingerprint}: the list was changed, or not all of it is known here.`
      : `${own}\n${shortFingerprint(own)}`,
    findings: altered,
  });
}

/** In what two lists behave differently, and what else became of the first in the second. */
export async function compare(
  a: { readonly bytes: Uint8Array; readonly name: string },
  b: { readonly bytes: Uint8Array; readonly name: string },
  options: ListOptions,
): Promise<Outcome<Answer>> {
  const first = await read(a.bytes, a.name, options);
  if (!first.ok) return first;
  const second = await read(b.bytes, b.name, { ...options, game: options.game ?? first.value.game.id });
  if (!second.ok) return second;
  const [one, other] = [first.value.list.lineup, second.value.list.lineup];
  const [wanted, here] = [factsOfLineup(one), factsOfLineup(other)];
  const differences = compareFacts(wanted, here);
  const changes = changesBetween(first.value.game, one, other);
  const titleOf = titlesFrom([...first.value.game.expansions, ...one.mods, ...other.mods]);
  return done({
    json: { equal: differences.length === 0, differences, changes },
    text:
      differences.length === 0
        ? ["The same setup.", ...changes].join("\n")
        : [
            `${plural(differences.length, "difference")}:`,
            ...differences.map(
              (each) => `${differenceText(each, { wanted, here, titleOf })} ${differenceEffect(each)}`,
            ),
            "",
            ...changes,
          ].join("\n"),
    findings: differences.length > 0,
  });
}

/** A list in another format; what that leaves behind is said on the side. */
export async function convert(
  bytes: Uint8Array,
  name: string,
  options: ListOptions,
): Promise<Outcome<Answer>> {
  const format = formatOf(options.to ?? "");
  if (!format && options.to !== "code")
    return refuse("list-format", { known: [...lineupFormats.map(({ id }) => id), "code"].join(", ") });
  const got = await read(bytes, name, options);
  if (!got.ok) return got;
  const { game, list } = got.value;
  const { lineup } = list;
  const text = format
    ? format.write(lineup, game)
    : `${writeCode(
        shareSetup(
          lineup,
          game,
          () => null,
          () => false,
        ),
      )}\n`;
  const losses = lossesOf(lineup, game, format?.carries ?? carriedByCode).map(sayLoss);
  return done({
    json: text,
    text,
    raw: text,
    aside: losses.map((loss) => `Left behind: ${loss}.`),
    findings: false,
  });
}

/** Whether a list can be reproduced from a shelf: everything is there in its version, and nothing of it is unknown. */
export async function check(bytes: Uint8Array, name: string, options: ListOptions): Promise<Outcome<Answer>> {
  if (options.shelf === undefined) return refuse("list-needs-shelf", { name });
  const got = await read(bytes, name, options);
  if (!got.ok) return got;
  const { game, stock, list } = got.value;
  const plan = planImport(game, list.lineup, stock, []);
  const lacking = plan.mods.filter(({ status, wanted }) => status !== "found" && wanted.on);
  const unmatched = list.matches.filter(({ known, how }) => !known && how !== "game" && how !== "talk");
  const unsure = list.matches.filter(({ known, sure }) => known && !sure);
  const fine =
    lacking.length + unmatched.length + unsure.length + list.unknown.length === 0 && list.proof !== "altered";
  const said = [
    ...(list.proof === "altered" ? ["The list was changed after it had been exported."] : []),
    ...lacking.map(({ wanted, status, here }) =>
      status === "other"
        ? `${wanted.name}: the list has ${wanted.version}, the shelf ${here!.version}.`
        : `${wanted.name} ${wanted.version}: ${planWords[status][0].toLowerCase()}.`,
    ),
    ...unmatched.map(({ line }) => `“${line.text}”: nothing on the shelf is called so.`),
    ...unsure.map(({ line, known }) => `“${line.text}”: perhaps ${known!.mod.name}.`),
    ...list.unknown.map(
      ({ named, start }) => `A mod of the code is not on the shelf: ${named?.name ?? start}.`,
    ),
  ];
  return done({
    json: { fine, problems: said },
    text: fine ? `Fine: ${plural(plan.mods.length, "mod")}, all on the shelf.` : said.join("\n"),
    findings: !fine,
  });
}
