import type { Edit, Step } from "../model/edit";
import type { LaunchSetting } from "../model/game";
import type { LaunchValue } from "../model/launch";
import { addAbsentPlugins, arrivalSteps } from "./arrivals";
import { settingKey, type SettingChoice } from "../model/settings";
import { settingName } from "../roster/settings";
import { decisionIn } from "../state/facets";
import { foldName } from "../roster/fold";
import { fixedPlugins } from "../roster/laws";
import type { Roster } from "../roster/roster";
import { label } from "./steps";

/** Switches an expansion; its plugins come in at their fixed places, or leave. Null where it is so already. */
export function expansionEdit(roster: Roster, id: string, on: boolean): Edit | null {
  const { game, profile } = roster;
  const { expansions } = profile.state;
  const expansion = game.expansions.find((each) => each.id === id);
  if (!expansion || expansions.includes(id) === on) return null;
  const next = game.expansions
    .map((each) => each.id)
    .filter((each) => (each === id ? on : expansions.includes(each)));
  const steps: Step[] = [{ kind: "decide", facet: "expansions", key: id, item: on ? id : null }];
  if (on) {
    const state = addAbsentPlugins(game, { ...profile.state, expansions: next }, []);
    const mine = new Set(fixedPlugins(game, next).map((name) => foldName(game, name)));
    const fixed = state.plugins.entries.filter((entry) => mine.has(foldName(game, entry.id)));
    const rest = state.plugins.entries.filter((entry) => !mine.has(foldName(game, entry.id)));
    const order = new Map([...mine].map((name, at) => [name, at]));
    fixed.sort((a, b) => order.get(foldName(game, a.id))! - order.get(foldName(game, b.id))!);
    const whole = { ...state, plugins: { ...state.plugins, entries: [...fixed, ...rest] } };
    steps.push(...arrivalSteps("plugins", profile.state, whole));
  } else {
    const names = new Set(expansion.plugins.map((name) => foldName(game, name)));
    const gone = roster.plugins.filter((plugin) => plugin.fixed && names.has(foldName(game, plugin.id)));
    if (gone.length > 0) steps.push({ kind: "drop", list: "plugins", ids: gone.map((each) => each.id) });
  }
  return { label: label(on ? "expansion-on" : "expansion-off", { name: expansion.name }), steps };
}

/** Switches a part of the game itself. */
export function baseItemEdit({ game, profile }: Roster, id: string, on: boolean): Edit | null {
  const item = game.baseItems?.find((each) => each.id === id);
  const present = profile.state.baseOff;
  if (!item || present.includes(id) !== on) return null;
  return {
    label: label(on ? "base-on" : "base-off", { name: item.name }),
    steps: [{ kind: "decide", facet: "baseOff", key: id, item: on ? null : id }],
  };
}

/** The value that the game would have by itself is not kept. Null where nothing changes. */
export function launchEdit({ profile }: Roster, setting: LaunchSetting, value: LaunchValue): Edit | null {
  const { id, standard } = setting;
  if ((profile.state.launch[id] ?? standard) === value) return null;
  return {
    label: label("launch", { name: setting.label }),
    steps: [{ kind: "decide", facet: "launch", key: id, item: value === standard ? null : [id, value] }],
  };
}

/** Decides what is to stand at a place, null that it stays as it is; undefined decides nothing any more. Null where nothing changes. */
export function settingEdit(
  { game, profile }: Roster,
  place: Pick<SettingChoice, "file" | "at">,
  value: SettingChoice["value"] | undefined,
): Edit | null {
  const key = settingKey(place);
  if (decisionIn(profile.state, "settings", key)?.value === value) return null;
  const item = value === undefined ? null : { file: place.file, at: place.at, value };
  return {
    label: label("setting", { name: settingName(game, place) }),
    steps: [{ kind: "decide", facet: "settings", key, item }],
  };
}

export const launchValue = ({ profile }: Roster, setting: LaunchSetting): LaunchValue =>
  profile.state.launch[setting.id] ?? setting.standard;
