import "server-only";
import type { SettingLine, SettingsFile } from "@/core/model/settings";
import { done, type Outcome } from "@/core/model/outcome";
import type { ProfileId } from "@/core/model/ids";
import { settingPlaces } from "@/core/roster/settings";
import { sha256Of } from "@/disk/game-files";
import { lookAtSettings, putSettings, settingsPath, type SettingsThere } from "@/disk/settings-files";
import { readSettings, writeSettings, writtenAs } from "@/formats/settings/settings-text";
import {
  haveWrittenSettings,
  listSettings,
  willWriteSettings,
  type WrittenLine,
  type WrittenSettings,
} from "@/store/settings-files";
import type { Db } from "@/store/sql";
import type { Context } from "../context";
import { asMeant, type MeantGame } from "./profile-of-game";
import { readSituation } from "./situation";

/** What is to become of a file of settings. */
interface SettingsAct {
  readonly record: WrittenSettings;
  readonly contents: Uint8Array | null;
  /** When it was last changed, in milliseconds, where it is to be what it was before. */
  readonly changed: number | null;
}

const nameOf = (contents: Uint8Array | null): string => (contents === null ? "absent" : sha256Of(contents));

/** What has to be written so that just these lines of Seating's stand in the game's files of settings, and all else as it was. */
export async function planSettings(
  db: Db,
  game: MeantGame,
  wanted: readonly SettingLine[],
): Promise<Outcome<SettingsAct[]>> {
  const records = new Map((await listSettings(db, game.id)).map((record) => [record.path, record]));
  const acts: SettingsAct[] = [];
  for (const file of filesOf(game, [...records.values()])) {
    const path = settingsPath(file, game.folders);
    const there = await lookAtSettings(file, game.folders);
    if (!there.ok) return there;
    const lines = wanted
      .filter((line) => line.file === file.id)
      .map((line) => ({ ...line, written: writtenAs(file.format, line.value) }));
    const act = planOne(file, path, there.value, records.get(path), lines);
    if (!act.ok) return act;
    if (act.value) acts.push(act.value);
  }
  return done(acts);
}

/** Those of the definition, and those that were written before it said otherwise; none of another of the game's own profiles. */
function filesOf(
  { definition, folders, profilesIn }: MeantGame,
  records: readonly WrittenSettings[],
): SettingsFile[] {
  const files = definition.settings ?? [];
  const known = new Set(files.map((file) => settingsPath(file, folders)));
  const isBelow = (path: string, folder: string) => path.startsWith(`${folder}/`);
  const isOfAnother = (path: string) =>
    profilesIn !== undefined && isBelow(path, profilesIn) && !isBelow(path, folders.order);
  const left = records.flatMap(({ path, file, format }): SettingsFile[] => {
    const folder = (["game", "order"] as const).find((each) => isBelow(path, folders[each]));
    if (known.has(path) || !folder || isOfAnother(path)) return [];
    return [
      { id: `${file} before`, label: file, path: path.slice(folders[folder].length + 1), folder, format },
    ];
  });
  return [...files, ...left];
}

function planOne(
  file: SettingsFile,
  path: string,
  there: SettingsThere,
  record: WrittenSettings | undefined,
  lines: readonly WrittenLine[],
): Outcome<SettingsAct | null> {
  if (!record && lines.length === 0) return done(null);
  const before = record
    ? withoutOurs(file, there, record)
    : done({ base: there.contents, baseChanged: there.changed });
  if (!before.ok) return before;
  const { base, baseChanged } = before.value;
  const contents = lines.length === 0 ? done(base) : writeSettings(file, base, lines);
  if (!contents.ok) return contents;
  const name = nameOf(contents.value);
  const isSame =
    record && !record.pending && name === nameOf(there.contents) && sameLines(record.lines, lines);
  if (isSame) return done(null);
  return done({
    record: {
      path,
      file: file.id,
      format: file.format,
      base,
      baseChanged,
      made: record?.made ?? there.missing,
      lines: record?.lines ?? [],
      sha256: record?.sha256 ?? null,
      pending: { sha256: name, lines },
    },
    contents: contents.value,
    changed: lines.length === 0 ? baseChanged : null,
  });
}

const sameLines = (a: readonly WrittenLine[], b: readonly WrittenLine[]): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/**
 * What would be there without what Seating wrote: the very file of before where nobody has changed it since, else the present one, in
 * which the lines that still say what Seating wrote say again what they said before.
 */
function withoutOurs(
  file: SettingsFile,
  { contents, changed }: SettingsThere,
  { base, baseChanged, lines, sha256, pending }: WrittenSettings,
): Outcome<Pick<WrittenSettings, "base" | "baseChanged">> {
  const name = nameOf(contents);
  if (name === sha256 || name === pending?.sha256 || name === nameOf(base))
    return done({ base, baseChanged });
  if (contents === null) return done({ base: null, baseChanged: null });
  const ours = [...lines, ...(pending?.lines ?? [])];
  const places = ours.map(({ at }) => at);
  const now = readSettings(file, contents, places);
  if (!now.ok) return now;
  const was = readSettings(file, base, places);
  if (!was.ok) return was;
  const standing = was.value.filter((_, at) => now.value[at]!.written === ours[at]!.written);
  const without = writeSettings(file, contents, standing);
  return without.ok ? done({ base: without.value, baseChanged: changed }) : without;
}

/** Has just these lines stand in the files, one after the other; whatever ends it midway, what is there is known for what it is. */
export async function setLines(
  { db }: Context,
  game: MeantGame,
  wanted: readonly SettingLine[],
): Promise<Outcome<null>> {
  const acts = await planSettings(db, game, wanted);
  if (!acts.ok) return acts;
  for (const { record, contents, changed } of acts.value) {
    await db.transaction((tx) => willWriteSettings(tx, game.id, record));
    const put = await putSettings(record.path, contents, changed, record.made);
    if (!put.ok) return put;
    await db.transaction((tx) => haveWrittenSettings(tx, game.id, record.path));
  }
  return done(null);
}

/** What stands at a place now. */
export interface SettingNow {
  readonly file: string;
  readonly at: string;
  /** As it is written there; null where nothing is. */
  readonly written: string | null;
}

/** What stands at the places of which mods or a profile want something; refused where a file cannot be read for what it is to be. */
export async function readSettingsNow(
  context: Context,
  profileId: ProfileId,
): Promise<Outcome<SettingNow[]>> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  const { roster } = situation.value;
  const meant = await asMeant(situation.value.game);
  if (!meant.ok) return meant;
  const game = meant.value;
  const places = settingPlaces(roster);
  const now: SettingNow[] = [];
  for (const file of game.definition.settings ?? []) {
    const ats = places.filter((place) => place.file === file.id).map(({ at }) => at);
    const there = await lookAtSettings(file, game.folders);
    if (!there.ok) return there;
    const read = readSettings(file, there.value.contents, ats);
    if (!read.ok) return read;
    now.push(...read.value.map((standing) => ({ file: file.id, ...standing })));
  }
  return done(now);
}

/** The lines of Seating's that stand in the game's files of settings; undefined for a game of which none are known. */
export async function standingSettings(db: Db, game: MeantGame): Promise<SettingLine[] | undefined> {
  const records = await listSettings(db, game.id);
  if (records.length === 0) return game.definition.settings && [];
  const standing: SettingLine[] = [];
  for (const file of filesOf(game, records)) {
    const record = records.find(({ path }) => path === settingsPath(file, game.folders));
    if (!record) continue;
    const there = await lookAtSettings(file, game.folders);
    const ours = record.pending?.lines ?? record.lines;
    const now =
      there.ok &&
      readSettings(
        file,
        there.value.contents,
        ours.map(({ at }) => at),
      );
    if (!now || !now.ok) continue;
    standing.push(
      ...ours
        .filter(({ written }, at) => now.value[at]!.written === written)
        .map(({ at, value }) => ({ file: record.file, at, value })),
    );
  }
  return standing;
}
