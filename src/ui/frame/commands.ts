import type { EditorState } from "../workspace/editor-state";
import type { Workspace } from "../workspace/workspace.client";

export interface CommandContext {
  readonly workspace: Workspace;
  readonly state: EditorState;
  readonly go: (path: string) => void;
  readonly openDialog: (name: DialogName) => void;
  readonly turnTheme: () => void;
}

export type DialogName = "new-profile" | "profile-facts" | "switch-profile" | "keys" | "move-to";

/** One thing that can be done from anywhere; the command field, the keyboard and the list of keys all read this. */
export interface Command {
  readonly id: string;
  readonly title: string;
  /** As it is shown; `matchKeys` reads it. "Mod" is Ctrl, or Cmd on a Mac. */
  readonly keys?: string;
  readonly run: (context: CommandContext) => void;
  readonly possible?: (context: CommandContext) => boolean;
}

const view = (id: string, title: string, path: string, keys: string): Command => ({
  id,
  title: `Go to ${title}`,
  keys,
  run: ({ go }) => go(path),
});

export const commands: readonly Command[] = [
  view("overview", "Overview", "/overview", "Alt+1"),
  view("shelf", "Shelf", "/shelf", "Alt+2"),
  view("plan", "Plan", "/plan", "Alt+3"),
  view("rules", "Rules", "/rules", "Alt+4"),
  view("lineups", "Lineups", "/lineups", "Alt+5"),
  view("profiles", "Profiles", "/profiles", "Alt+6"),
  view("depot", "Depot", "/depot", "Alt+7"),
  view("settings", "Settings", "/settings", "Alt+8"),
  {
    id: "play-together",
    title: "Compare setups before playing together…",
    run: ({ go }) => go("/lineups?part=together"),
  },
  { id: "list-in", title: "Take a list in…", run: ({ go }) => go("/lineups?part=in") },
  {
    id: "followed",
    title: "Compare with the list that it follows",
    run: ({ go }) => go("/lineups?part=following"),
    possible: ({ state }) => state.view.followed !== null,
  },
  {
    id: "propose",
    title: "Propose an order",
    keys: "Alt+O",
    run: ({ workspace, state }) => void workspace.propose({ list: state.lens, how: "propose" }),
  },
  {
    id: "lens",
    possible: ({ state }) => state.view.game.lists.length > 1,
    title: "Turn from plugins to mods, and back",
    keys: "Alt+G",
    run: ({ workspace, state, go }) => {
      workspace.editor.lookAt(state.lens === "mods" ? "plugins" : "mods");
      go("/plan");
    },
  },
  {
    id: "write-order",
    title: "Write the order where the game reads it",
    keys: "Mod+S",
    run: ({ workspace }) => void workspace.orderFile.write(),
  },
  {
    id: "trial",
    title: "Start a trial",
    keys: "Alt+T",
    run: ({ workspace }) => void workspace.trial.start(),
  },
  {
    id: "undo",
    title: "Undo",
    keys: "Mod+Z",
    run: ({ workspace }) => void workspace.editor.travel("undo"),
    possible: ({ state }) => state.history.undo !== null,
  },
  {
    id: "redo",
    title: "Redo",
    keys: "Mod+Shift+Z",
    run: ({ workspace }) => void workspace.editor.travel("redo"),
    possible: ({ state }) => state.history.redo !== null,
  },
  {
    id: "move-to",
    title: "Move to a seat…",
    keys: "Alt+M",
    run: ({ openDialog }) => openDialog("move-to"),
    possible: ({ state }) => state.selected.length > 0,
  },
  {
    id: "read-shelf",
    title: "Read the shelf",
    keys: "Alt+R",
    run: ({ workspace }) => void workspace.shelfReading.read(),
    possible: ({ workspace }) => !workspace.shelfReading.busy,
  },
  {
    id: "switch-profile",
    title: "Work on another profile…",
    keys: "Alt+P",
    run: ({ openDialog }) => openDialog("switch-profile"),
  },
  {
    id: "new-profile",
    title: "New profile…",
    keys: "Alt+N",
    run: ({ openDialog }) => openDialog("new-profile"),
  },
  {
    id: "profile-facts",
    title: "Name, purpose, colour and note of this profile…",
    run: ({ openDialog }) => openDialog("profile-facts"),
  },
  {
    id: "theme",
    title: "Turn the light on or off (theme)",
    keys: "Alt+L",
    run: ({ turnTheme }) => turnTheme(),
  },
  { id: "keys", title: "Show the keys", keys: "?", run: ({ openDialog }) => openDialog("keys") },
];

/** Whether a key press is the one that `keys` names. */
export function matchKeys(keys: string, event: KeyboardEvent): boolean {
  const parts = keys.split("+");
  const key = parts.at(-1)!;
  if (key === "?") return event.key === "?" && !event.ctrlKey && !event.metaKey;
  const wants = (name: string) => parts.includes(name);
  const mod = event.ctrlKey || event.metaKey;
  if (wants("Mod") !== mod || wants("Alt") !== event.altKey || wants("Shift") !== event.shiftKey)
    return false;
  return event.code === (/^\d$/.test(key) ? `Digit${key}` : `Key${key}`);
}
