import type { LaunchSetting } from "../model/game";
import { done, refuse, type Outcome } from "../model/outcome";
import type { LaunchValues } from "../model/launch";
import type { Command, OwnWay, StartWay } from "../model/start";

/** What is put into the arguments of a way. */
export interface StartPlace {
  /** Absolute folders. */
  readonly game: string;
  readonly order: string;
  /** Which of the game's own profiles plays; null where it keeps none. */
  readonly player: string | null;
  readonly settings: readonly LaunchSetting[];
  readonly launch: LaunchValues;
}

/** What a way comes to. A value of a profile, which may be from a list, never begins an argument as an option does, and is never more than a part of one. */
export function commandOf(way: StartWay | OwnWay, place: StartPlace): Outcome<Command> {
  const words: string[] = [];
  for (const argument of way.arguments ?? []) {
    const word = filledIn(way, argument, place);
    if (!word.ok) return word;
    words.push(word.value);
  }
  return done({
    ...placeOfWay(way, place.game),
    arguments: words,
    environment: Object.fromEntries((way.environment ?? []).map(({ name, value }) => [name, value])),
  });
}

/** Where the program of a way is, and in which folder it works; `game`: the game's own. */
export function placeOfWay(way: StartWay | OwnWay, game: string): Pick<Command, "program" | "folder"> {
  const program = isWhole(way.program) ? way.program : `${game}/${way.program}`;
  return { program, folder: way.folder === undefined ? folderOf(program) : `${game}/${way.folder}` };
}

/** By what its owner has confirmed a way: where any of it changes it is another one. */
export const wayKey = ({
  program,
  arguments: words = [],
  folder,
  environment = [],
}: StartWay | OwnWay): string =>
  JSON.stringify([program, words, folder ?? null, environment.map(({ name, value }) => [name, value])]);

const isWhole = (path: string): boolean => /^(?:\/|[A-Za-z]:[\\/]|\\\\)/.test(path);

const folderOf = (path: string): string =>
  path.slice(0, Math.max(path.lastIndexOf("/"), path.lastIndexOf("\\")));

const hole = /\{(game|order|player|launch\.[a-z0-9-]+)\}/g;

function filledIn(way: StartWay | OwnWay, argument: string, place: StartPlace): Outcome<string> {
  let unknown: string | null = null;
  const word = argument.replace(hole, (whole, key: string) => {
    const value = valueOf(key, place);
    if (value === null) unknown = whole;
    return value ?? "";
  });
  if (unknown !== null) return refuse("start-unknown-value", { way: way.name, value: unknown });
  if (word.includes("\0")) return refuse("start-like-option", { way: way.name, argument, value: word });
  const isOfProfile = /^\{(?:launch\.|player)/.test(argument);
  return isOfProfile && /^[-+/@]/.test(word)
    ? refuse("start-like-option", { way: way.name, argument, value: word })
    : done(word);
}

function valueOf(key: string, { game, order, player, settings, launch }: StartPlace): string | null {
  if (key === "game") return game;
  if (key === "order") return order;
  if (key === "player") return player;
  const setting = settings.find(({ id }) => id === key.slice("launch.".length));
  return setting ? String(launch[setting.id] ?? setting.standard) : null;
}
