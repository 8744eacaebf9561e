import { GameDefinition, type LaunchSetting } from "../model/game";

/** A small game for tests: one built-in plugin, foundations by extension or flag, light plugins, four sections. */
export const testGame = GameDefinition.parse({
  format: "seating-game/1",
  id: "pond",
  name: "Pond",
  version: "1.0.0",
  lists: ["mods", "plugins"],
  sign: "base/Pond.keel",
  paths: { ignoreCase: true },
  contentFolders: ["textures"],
  pluginExtensions: [".keel", ".plank", ".skiff"],
  pluginLayout: { container: "riff", formType: "SEAP" },
  loadRanks: [
    { id: "builtin", label: "built in" },
    { id: "foundation", label: "foundation", extensions: [".keel"], flag: 0 },
    { id: "ordinary", label: "ordinary" },
  ],
  counting: [
    { id: "full", label: "Full", cap: 5 },
    { id: "light", label: "Light", cap: 3, extensions: [".skiff"], flag: 1 },
  ],
  baseFolder: "base",
  builtIn: ["Pond.keel"],
  expansions: [{ id: "island", name: "The Island", folder: "expansions/island", plugins: ["Island.keel"] }],
  orderFile: { path: "saves/lading.lst", dialect: "lines" },
  holdsFile: "saves/holds.json",
  sections: [
    { id: "game", name: "Game", rank: "builtin", guidance: "" },
    { id: "base", name: "Foundations", rank: "foundation", guidance: "" },
    { id: "world", name: "World", rank: "ordinary", guidance: "" },
    { id: "patches", name: "Patches", rank: "ordinary", guidance: "", tags: ["patch"] },
  ],
});

export const drawSetting: LaunchSetting = {
  kind: "number",
  id: "draw",
  label: "Draw",
  standard: 8,
  least: 1,
  most: 20,
};

/** The same with two expansions, parts that it can do without, and a setting at its start. */
export const gameOfSettings = GameDefinition.parse({
  ...testGame,
  expansions: [
    { id: "island", name: "Island", folder: "x/island", plugins: ["Island.keel"] },
    { id: "north", name: "North", folder: "x/north", plugins: ["North.keel", "Ice.keel"] },
  ],
  baseItems: [
    { id: "sheep", name: "Sheep" },
    { id: "carts", name: "Carts" },
  ],
  launchSettings: [drawSetting],
  settings: [{ id: "options", label: "Options", path: "setup/options.ini", format: "ini" }],
});
