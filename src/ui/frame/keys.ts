import { z } from "zod";
import { Kept } from "../kit/kept";
import type { Command } from "./commands";

/** The keys that were changed, by the id of the command; empty: it has none now. */
export type ChangedKeys = Readonly<Record<string, string>>;

export const changedKeys = new Kept<ChangedKeys>(
  "seating-keys",
  z.record(z.string(), z.string().max(40)),
  {},
);

/** The keys of a command as they are now; null: none. */
export const keysOf = ({ id, keys }: Command, changed: ChangedKeys): string | null =>
  (changed[id] ?? keys ?? "") || null;

/** For people, to whom "Mod" is Ctrl. */
export const keyWords = (keys: string): string => keys.replace("Mod", "Ctrl");

/** What lists and the browser do with keys of their own. */
const taken: readonly string[] = ["Mod+A", "Mod+C", "Mod+X", "Mod+V", "Mod+K", "Mod+W", "Mod+T", "Mod+R"];

/** Why keys can't be given to a command: the title of what has them, or a reason. */
export type KeyProblem =
  { readonly why: "used"; readonly by: string; readonly id: string } | { readonly why: "plain" | "taken" };

export function keyProblem(
  keys: string,
  command: Command,
  commands: readonly Command[],
  changed: ChangedKeys,
): KeyProblem | null {
  const isFunction = /(?:^|\+)F\d+$/.test(keys);
  if (!isFunction && keys !== "?" && !/^(?:Mod|Alt)\+/.test(keys)) return { why: "plain" };
  if (taken.includes(keys)) return { why: "taken" };
  const other = commands.find((each) => each.id !== command.id && keysOf(each, changed) === keys);
  return other ? { why: "used", by: other.title, id: other.id } : null;
}

type Pressed = Pick<KeyboardEvent, "key" | "code" | "ctrlKey" | "metaKey" | "altKey" | "shiftKey">;

/** What was pressed, as `keys` of a command names it; null where it is a modifier alone, or no letter, figure or function key. */
export function keysPressed({ key, code, ctrlKey, metaKey, altKey, shiftKey }: Pressed): string | null {
  const isMod = ctrlKey || metaKey;
  if (key === "?" && !isMod && !altKey) return "?";
  const name = /^(?:Key([A-Z])|Digit(\d)|(F\d{1,2}))$/.exec(code)?.slice(1).find(Boolean);
  if (name === undefined) return null;
  return [isMod && "Mod", altKey && "Alt", shiftKey && "Shift", name].filter(Boolean).join("+");
}
