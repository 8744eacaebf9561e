import type { GameDefinition } from "../model/game";
import type { ModId } from "../model/ids";
import { inOrder, settingKey, type SettingChoice, type SettingLine } from "../model/settings";
import { chosenParts } from "./parts";
import type { Roster } from "./roster";

/** A line that is to stand in a file of settings. */
interface WantedSetting extends SettingLine {
  /** The mod that asks for it; null where the profile decides it. */
  readonly by: ModId | null;
}

/** A place of which mods or the profile want something. */
export interface SettingPlace {
  readonly file: string;
  readonly at: string;
  /** What mods that load ask for, in their order; the last one's is written where the profile decides nothing. */
  readonly asked: readonly {
    readonly mod: ModId;
    readonly value: SettingLine["value"];
    readonly reason: string;
  }[];
  readonly decided: SettingChoice | null;
}

/** Every place of the game's own files of which anything is wanted, by file and place. */
export function settingPlaces({ game, mods, profile }: Roster): SettingPlace[] {
  const files = new Set((game.settings ?? []).map(({ id }) => id));
  const places = new Map<string, SettingPlace>();
  const placeOf = (line: Pick<SettingLine, "file" | "at">): SettingPlace => {
    const { file, at } = line;
    return places.get(settingKey(line)) ?? { file, at, asked: [], decided: null };
  };
  for (const { id, loads, gone, mod, taken } of mods) {
    const lines = mod?.manifest?.settings;
    if (!lines || !loads || gone) continue;
    const parts = chosenParts(taken);
    for (const line of lines) {
      if (!files.has(line.file) || (line.part !== undefined && !parts.has(line.part))) continue;
      const place = placeOf(line);
      const asked = [...place.asked, { mod: id, value: line.value, reason: line.reason ?? "" }];
      places.set(settingKey(line), { ...place, asked });
    }
  }
  for (const decided of profile.state.settings)
    if (files.has(decided.file)) places.set(settingKey(decided), { ...placeOf(decided), decided });
  return inOrder([...places.values()]);
}

/** What of a place is to stand there; null where nothing is. */
export function wantedAt({ file, at, asked, decided }: SettingPlace): WantedSetting | null {
  const last = asked.at(-1);
  const value = decided ? decided.value : (last?.value ?? null);
  return value === null ? null : { file, at, value, by: decided ? null : last!.mod };
}

/** The lines that are to stand in the game's files of settings, by file and place. */
export const wantedSettings = (roster: Roster): WantedSetting[] =>
  settingPlaces(roster).flatMap((place) => wantedAt(place) ?? []);

/** A place as it is told. */
export function settingName(
  game: Pick<GameDefinition, "settings">,
  { file, at }: Pick<SettingLine, "file" | "at">,
): string {
  return `${game.settings?.find(({ id }) => id === file)?.label ?? file}: ${at}`;
}
