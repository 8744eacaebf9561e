/**
 * A list as a table: rows of mods and plugins, and a head that says of the whole list what no row does. A format writes both as it
 * likes, and reads them back.
 */
import canonicalize from "canonicalize";
import { z } from "zod";
import { digestNames, type AlteredPlace, type DigestName } from "../model/claim";
import type { Lineup } from "../model/lineup";
import { inOrder, SettingChoice } from "../model/settings";
import type { Listing, ListLine, ListSettings } from "../model/listing";
import { LaunchValues } from "../model/launch";
import { sha256Hex } from "./fingerprint";
import { jsonIn, lineOfRow, type LineupRow, type rowColumns } from "./rows";

/** What stands at the head, each a text, empty where there is none; `settings` and `digests` are JSON (RFC 8259). */
export const headFields = ["game", "game-version", "settings", "fingerprint", "digests"] as const;
export type TableHead = Readonly<Record<(typeof headFields)[number], string>>;

type SomeText = Readonly<Partial<Record<string, string>>>;
const textIn = (record: SomeText, key: string): string =>
  Object.hasOwn(record, key) ? (record[key] ?? "").trim() : "";

const tableDigestNames = digestNames.filter((name) => name !== "rules");
type TableDigestName = Exclude<DigestName, "rules">;

type SettingsOfLineup = Pick<Lineup, keyof ListSettings>;

const settingsOf = ({ expansions, baseOff, launch, settings = [] }: SettingsOfLineup): ListSettings => ({
  expansions: [...expansions].sort(),
  baseOff: [...baseOff].sort(),
  launch,
  ...(settings.length > 0 && { settings: inOrder(settings) }),
});

/** What a list says of the game rather than of its mods, as canonical JSON (RFC 8785), in one line. */
export const settingsText = (lineup: SettingsOfLineup): string => canonicalize(settingsOf(lineup))!;

export function headOf(lineup: Lineup, rows: readonly LineupRow[]): TableHead {
  return {
    game: lineup.game.id,
    "game-version": lineup.game.version,
    settings: settingsText(lineup),
    fingerprint: lineup.fingerprint ?? "",
    digests: canonicalize(digestsOfTable(rows, settingsOf(lineup)))!,
  };
}

/** Besides the columns, where a format says what a row needs. */
export const dependsOn = "depends-on";

const pick = (row: SomeText, ...columns: readonly ((typeof rowColumns)[number] | typeof dependsOn)[]) =>
  columns.map((column) => textIn(row, column));

/** What each digest is made of: arrays of cells. See docs/FORMATS.md. */
const cellsOf: {
  readonly [Name in TableDigestName]: (rows: readonly SomeText[], settings: ListSettings) => unknown;
} = {
  mods: (rows) => ofMods(rows).map((row) => pick(row, "id", "version", "content", "sha256", "on", dependsOn)),
  plugins: (rows) =>
    rows
      .filter((row) => !isMod(row))
      .map((row) => pick(row, "list", "name", "id", "sha256", "on", dependsOn)),
  options: (rows) =>
    ofMods(rows)
      .filter((row) => textIn(row, "parts"))
      .map((row) => pick(row, "id", "parts")),
  leftOut: (rows) =>
    ofMods(rows)
      .filter((row) => textIn(row, "left-out"))
      .map((row) => pick(row, "id", "left-out")),
  expansions: (_, { expansions }) => expansions,
  baseItems: (_, { baseOff }) => baseOff,
  launch: (_, { launch, settings }) => (settings ? { launch, settings } : launch),
  sections: (rows) => rows.map((row) => textIn(row, "section")),
};

const isMod = (row: SomeText): boolean => textIn(row, "list") === "mods";
const ofMods = (rows: readonly SomeText[]) => rows.filter(isMod);

const digestsOfTable = (rows: readonly SomeText[], settings: ListSettings) =>
  Object.fromEntries(
    tableDigestNames.map((name) => [name, sha256Hex(canonicalize(cellsOf[name](rows, settings))!)]),
  );

const Settings = z.strictObject({
  expansions: z.array(z.string()),
  baseOff: z.array(z.string()),
  launch: LaunchValues,
  settings: z.array(SettingChoice).optional(),
});
const Digests = z.record(z.string(), z.string());

const wholeFingerprint = /^[0-9a-f]{64}$/;

/** What a head says of the whole list; of what is not sound in it, nothing. */
export function saidByHead(head: SomeText): Pick<Listing, "game" | "fingerprint" | "settings"> {
  const [game, fingerprint] = [textIn(head, "game"), textIn(head, "fingerprint").toLowerCase()];
  const settings = jsonIn(Settings, textIn(head, "settings"));
  return {
    game: game ? { id: game, version: textIn(head, "game-version") } : null,
    ...(wholeFingerprint.test(fingerprint) && { fingerprint }),
    ...(settings && { settings }),
  };
}

/** The list that a head and rows are of, whose empty cells were not written; `rows` as they stand. */
export function listingOfTable(title: string, head: SomeText, rows: readonly SomeText[]): Listing {
  const said = saidByHead(head);
  // One that says what the setup is besides its rows was written with all columns.
  const whole =
    said.settings === undefined ? rows : rows.map((row) => ({ parts: "", "left-out": "", ...row }));
  const altered = alteredInTable(head, rows, said.settings);
  return {
    title,
    ...said,
    lines: whole.map(lineOfRow).filter((line): line is ListLine => line !== null),
    ...(altered.length > 0 && { altered }),
  };
}

function alteredInTable(
  head: SomeText,
  rows: readonly SomeText[],
  settings: ListSettings | undefined,
): AlteredPlace[] {
  const digests = jsonIn(Digests, textIn(head, "digests"));
  if (settings === undefined) return digests ? ["expansions", "baseItems", "launch"] : [];
  if (digests === undefined) return ["digests"];
  const own = digestsOfTable(rows, settings);
  return tableDigestNames.filter((name) => digests[name] !== own[name]);
}
