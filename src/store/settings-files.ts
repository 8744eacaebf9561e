import type { SettingLine, SettingsFormat } from "@/core/model/settings";
import type { Sql, Tx } from "./sql";

/** A line that Seating wrote, and how it stands in the file. */
export interface WrittenLine extends SettingLine {
  readonly written: string;
}

export interface WrittenSettings {
  readonly path: string;
  /** The id of the file in the game's definition. */
  readonly file: string;
  readonly format: SettingsFormat;
  /** What was there before; null where nothing was. */
  readonly base: Uint8Array | null;
  /** When that was last changed, in milliseconds. */
  readonly baseChanged: number | null;
  /** Folders that were made for it. */
  readonly made: readonly string[];
  readonly lines: readonly WrittenLine[];
  /** Of the whole file as it was written; null where it never was. */
  readonly sha256: string | null;
  /** What was about to be written when the server ended. */
  readonly pending: { readonly sha256: string; readonly lines: readonly WrittenLine[] } | null;
}

export const listSettings = (db: Sql, gameId: string) =>
  db.query<WrittenSettings>(
    `select path, file, format, base, base_changed as "baseChanged", made, lines, sha256, pending
     from settings_file where game_id = $1 order by path`,
    [gameId],
  );

/** To be said before the file is written. */
export const willWriteSettings = (tx: Tx, gameId: string, settings: WrittenSettings) =>
  tx.query(
    `insert into settings_file (game_id, path, file, format, base, base_changed, made, lines, sha256, pending)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
     on conflict (game_id, path) do update set file = excluded.file, format = excluded.format, base = excluded.base,
       base_changed = excluded.base_changed, made = excluded.made, lines = excluded.lines, sha256 = excluded.sha256,
       pending = excluded.pending`,
    [
      gameId,
      settings.path,
      settings.file,
      settings.format,
      settings.base,
      settings.baseChanged,
      JSON.stringify(settings.made),
      JSON.stringify(settings.lines),
      settings.sha256,
      JSON.stringify(settings.pending),
    ],
  );

/** What was about to be written is; where no line of Seating's is left, nothing of the file is kept. */
export async function haveWrittenSettings(tx: Tx, gameId: string, path: string): Promise<void> {
  await tx.query(
    `update settings_file set lines = pending->'lines', sha256 = pending->>'sha256', pending = null
     where game_id = $1 and path = $2`,
    [gameId, path],
  );
  await tx.query("delete from settings_file where game_id = $1 and path = $2 and lines = '[]'", [
    gameId,
    path,
  ]);
}
