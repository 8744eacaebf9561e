import { chooseMods } from "../incoming/choose-mods";
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
  /** Other words by which people look for it. */
  readonly other?: string;
  /** At first, as "Alt+O"; "Mod" is Ctrl, or Cmd on a Mac. Modifiers stand in the order Mod, Alt, Shift. */
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
    other: "multiplayer friends server same setup",
    title: "Compare setups before playing together…",
    run: ({ go }) => go("/lineups?part=together"),
  },
  {
    id: "list-in",
    other: "load open take in share modlist",
    title: "Import a list…",
    run: ({ go }) => go("/lineups?part=in"),
  },
  {
    id: "list-out",
    other: "share send save publish modlist load order backup",
    title: "Export this profile as a list…",
    run: ({ go }) => go("/lineups?part=out"),
  },
  {
    id: "add-mods",
    other: "install new download archive zip folder",
    title: "Add mods to the shelf…",
    run: () => chooseMods("archives"),
  },
  {
    id: "add-folder",
    other: "install new import directory",
    title: "Add a mod that is a folder…",
    run: () => chooseMods("folder"),
  },
  {
    id: "own-data",
    other: "backup export save restore import",
    title: "Archive of all of Seating’s data",
    run: ({ go }) => go("/settings?part=data"),
  },
  {
    id: "shelf-bin",
    other: "trash deleted removed recycle restore",
    title: "Bin of the shelf",
    run: ({ go }) => go("/shelf?bin=open"),
  },
  {
    id: "history",
    other: "journal past log earlier changes versions restore points",
    title: "Show the history of this profile",
    keys: "Alt+H",
    run: ({ workspace }) => workspace.panel.show("history"),
  },
  {
    id: "queue",
    other: "downloads transfers",
    title: "Show the queue",
    run: ({ workspace }) => workspace.panel.show("queue"),
  },
  {
    id: "messages",
    other: "notifications log told",
    title: "Show the messages",
    run: ({ workspace }) => workspace.panel.show("messages"),
  },
  {
    id: "panel",
    title: "Close the panel",
    keys: "Alt+J",
    run: ({ workspace }) => workspace.panel.close(),
    possible: ({ workspace }) => workspace.panel.tab !== null,
  },
  {
    id: "followed",
    other: "update upstream new version",
    title: "Compare with the list that it follows",
    run: ({ go }) => go("/lineups?part=following"),
    possible: ({ state }) => state.view.followed !== null,
  },
  {
    id: "propose",
    other: "sort order arrange automatic fix",
    title: "Propose an order",
    keys: "Alt+O",
    run: ({ workspace, state }) => void workspace.propose({ list: state.lens, how: "propose" }),
  },
  {
    id: "lens",
    other: "view load order",
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
    other: "apply deploy save",
    title: "Write the order where the game reads it",
    keys: "Mod+S",
    run: ({ workspace }) => void workspace.orderFile.write(),
  },
  {
    id: "trial",
    other: "run launch play test game",
    title: "Start a trial",
    keys: "Alt+T",
    run: ({ workspace }) => void workspace.trial.start(),
  },
  {
    id: "undo",
    other: "back revert",
    title: "Undo",
    keys: "Mod+Z",
    run: ({ workspace }) => void workspace.editor.travel("undo"),
    possible: ({ state }) => state.history.undo !== null,
  },
  {
    id: "redo",
    other: "again forward",
    title: "Redo",
    keys: "Mod+Shift+Z",
    run: ({ workspace }) => void workspace.editor.travel("redo"),
    possible: ({ state }) => state.history.redo !== null,
  },
  {
    id: "move-to",
    other: "place position put",
    title: "Move to a seat…",
    keys: "Alt+M",
    run: ({ openDialog }) => openDialog("move-to"),
    possible: ({ state }) => state.selected.length > 0,
  },
  {
    id: "read-shelf",
    other: "refresh rescan reload read new mods",
    title: "Scan the shelf for changes",
    keys: "Alt+R",
    run: ({ workspace }) => void workspace.shelfReading.read(),
    possible: ({ workspace }) => !workspace.shelfReading.busy,
  },
  {
    id: "switch-profile",
    other: "open change select load",
    title: "Work on another profile…",
    keys: "Alt+P",
    run: ({ openDialog }) => openDialog("switch-profile"),
  },
  {
    id: "new-profile",
    other: "create add copy duplicate",
    title: "New profile…",
    keys: "Alt+N",
    run: ({ openDialog }) => openDialog("new-profile"),
  },
  {
    id: "profile-facts",
    other: "rename edit details describe",
    title: "Name, purpose, colour and note of this profile…",
    run: ({ openDialog }) => openDialog("profile-facts"),
  },
  {
    id: "theme",
    other: "dark light night mode colours",
    title: "Switch between light and dark",
    keys: "Alt+L",
    run: ({ turnTheme }) => turnTheme(),
  },
  {
    id: "keys",
    other: "help shortcuts keyboard hotkeys bindings",
    title: "Show the keys",
    keys: "?",
    run: ({ openDialog }) => openDialog("keys"),
  },
];
