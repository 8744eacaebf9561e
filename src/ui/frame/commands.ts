import { say } from "@/core/language/say";
import { openGuideApart, placeInQuestion } from "../guide/place-in-question";
import { firstStepsShown } from "../workspace/first-steps-kept";
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

type View =
  | "overview"
  | "shelf"
  | "plan"
  | "health"
  | "conflicts"
  | "rules"
  | "lineups"
  | "profiles"
  | "depot"
  | "blend"
  | "layout"
  | "settings";

const view = (id: View, path: string, keys: string): Command => ({
  id,
  get title() {
    return say("frame.goTo", { title: say(`frame.view.${id}`) });
  },
  keys,
  run: ({ go }) => go(path),
});

export const commands: readonly Command[] = [
  view("overview", "/overview", "Alt+1"),
  view("shelf", "/shelf", "Alt+2"),
  view("plan", "/plan", "Alt+3"),
  view("rules", "/rules", "Alt+4"),
  view("lineups", "/lineups", "Alt+5"),
  view("profiles", "/profiles", "Alt+6"),
  view("depot", "/depot", "Alt+7"),
  view("settings", "/settings", "Alt+8"),
  view("conflicts", "/conflicts", "Alt+9"),
  view("health", "/health", "Alt+0"),
  view("blend", "/blend", "Alt+B"),
  view("layout", "/layout", "Alt+U"),
  {
    id: "play-together",
    get other() {
      return say("frame.multiplayerFriendsServerSameSetup");
    },
    get title() {
      return say("frame.compareSetupsBeforePlayingTogether");
    },
    run: ({ go }) => go("/lineups?part=together"),
  },
  {
    id: "list-in",
    get other() {
      return say("frame.loadOpenTakeInShareModlist");
    },
    get title() {
      return say("frame.importAList");
    },
    run: ({ go }) => go("/lineups?part=in"),
  },
  {
    id: "list-out",
    get other() {
      return say("frame.shareSendSavePublishModlistLoad");
    },
    get title() {
      return say("frame.exportThisProfileAsAList");
    },
    run: ({ go }) => go("/lineups?part=out"),
  },
  {
    id: "add-mods",
    get other() {
      return say("frame.installNewDownloadArchiveZipFolder");
    },
    get title() {
      return say("frame.addModsToTheShelf");
    },
    run: () => chooseMods("archives"),
  },
  {
    id: "add-folder",
    get other() {
      return say("frame.installNewImportDirectory");
    },
    get title() {
      return say("frame.addAModThatIsA");
    },
    run: () => chooseMods("folder"),
  },
  {
    id: "own-data",
    get other() {
      return say("frame.backupExportSaveRestoreImport");
    },
    get title() {
      return say("frame.archiveOfAllOfSeatingS");
    },
    run: ({ go }) => go("/settings?part=data"),
  },
  {
    id: "shelf-bin",
    get other() {
      return say("frame.trashDeletedRemovedRecycleRestore");
    },
    get title() {
      return say("frame.binOfTheShelf");
    },
    run: ({ go }) => go("/shelf?bin=open"),
  },
  {
    id: "history",
    get other() {
      return say("frame.journalPastLogEarlierChangesVersions");
    },
    get title() {
      return say("frame.showTheHistoryOfThisProfile");
    },
    keys: "Alt+H",
    run: ({ workspace }) => workspace.panel.show("history"),
  },
  {
    id: "queue",
    get other() {
      return say("frame.downloadsTransfers");
    },
    get title() {
      return say("frame.showTheQueue");
    },
    run: ({ workspace }) => workspace.panel.show("queue"),
  },
  {
    id: "messages",
    get other() {
      return say("frame.notificationsLogTold");
    },
    get title() {
      return say("frame.showTheMessages");
    },
    run: ({ workspace }) => workspace.panel.show("messages"),
  },
  {
    id: "panel",
    get title() {
      return say("frame.closeThePanel");
    },
    keys: "Alt+J",
    run: ({ workspace }) => workspace.panel.close(),
    possible: ({ workspace }) => workspace.panel.tab !== null,
  },
  {
    id: "followed",
    get other() {
      return say("frame.updateUpstreamNewVersion");
    },
    get title() {
      return say("frame.compareWithTheListThatIt");
    },
    run: ({ go }) => go("/lineups?part=following"),
    possible: ({ state }) => state.view.followed !== null,
  },
  {
    id: "propose",
    get other() {
      return say("frame.sortOrderArrangeAutomaticFix");
    },
    get title() {
      return say("common.proposeAnOrder");
    },
    keys: "Alt+O",
    run: ({ workspace, state }) => void workspace.propose({ list: state.lens, how: "propose" }),
  },
  {
    id: "lens",
    get other() {
      return say("frame.viewLoadOrder");
    },
    possible: ({ state }) => state.view.game.lists.length > 1,
    get title() {
      return say("frame.turnFromPluginsToModsAnd");
    },
    keys: "Alt+G",
    run: ({ workspace, state, go }) => {
      workspace.editor.lookAt(state.lens === "mods" ? "plugins" : "mods");
      go("/plan");
    },
  },
  {
    id: "write-order",
    get other() {
      return say("frame.applyDeploySave");
    },
    get title() {
      return say("frame.writeTheOrderWhereTheGame");
    },
    keys: "Mod+S",
    run: ({ workspace }) => void workspace.orderFile.write(),
  },
  {
    id: "build-blend",
    get title() {
      return say("blend.build");
    },
    possible: ({ state }) => state.roster.overlaps.standing.blend !== "current",
    run: ({ workspace }) => void workspace.blend.build(),
  },
  {
    id: "trial",
    get other() {
      return say("frame.runLaunchPlayTestGame");
    },
    get title() {
      return say("frame.startATrial");
    },
    keys: "Alt+T",
    run: ({ workspace }) => void workspace.trial.start(),
  },
  {
    id: "undo",
    get other() {
      return say("frame.backRevert");
    },
    get title() {
      return say("common.undo");
    },
    keys: "Mod+Z",
    run: ({ workspace }) => void workspace.editor.travel("undo"),
    possible: ({ state }) => state.history.undo !== null,
  },
  {
    id: "redo",
    get other() {
      return say("frame.againForward");
    },
    get title() {
      return say("frame.redo");
    },
    keys: "Mod+Shift+Z",
    run: ({ workspace }) => void workspace.editor.travel("redo"),
    possible: ({ state }) => state.history.redo !== null,
  },
  {
    id: "move-to",
    get other() {
      return say("frame.placePositionPut");
    },
    get title() {
      return say("frame.moveToASeat");
    },
    keys: "Alt+M",
    run: ({ openDialog }) => openDialog("move-to"),
    possible: ({ state }) => state.selected.length > 0,
  },
  {
    id: "read-shelf",
    get other() {
      return say("frame.refreshRescanReloadReadNewMods");
    },
    get title() {
      return say("frame.scanTheShelfForChanges");
    },
    keys: "Alt+R",
    run: ({ workspace }) => void workspace.shelfReading.read(),
    possible: ({ workspace }) => !workspace.shelfReading.busy,
  },
  {
    id: "switch-profile",
    get other() {
      return say("frame.openChangeSelectLoad");
    },
    get title() {
      return say("frame.workOnAnotherProfile");
    },
    keys: "Alt+P",
    run: ({ openDialog }) => openDialog("switch-profile"),
  },
  {
    id: "new-profile",
    get other() {
      return say("frame.createAddCopyDuplicate");
    },
    get title() {
      return say("common.newProfile");
    },
    keys: "Alt+N",
    run: ({ openDialog }) => openDialog("new-profile"),
  },
  {
    id: "profile-facts",
    get other() {
      return say("frame.renameEditDetailsDescribe");
    },
    get title() {
      return say("frame.namePurposeColourAndNoteOf");
    },
    run: ({ openDialog }) => openDialog("profile-facts"),
  },
  {
    id: "theme",
    get other() {
      return say("frame.darkLightNightModeColours");
    },
    get title() {
      return say("frame.switchBetweenLightAndDark");
    },
    keys: "Alt+L",
    run: ({ turnTheme }) => turnTheme(),
  },
  {
    id: "guide",
    get other() {
      return say("guide.otherWords");
    },
    get title() {
      return say("guide.open");
    },
    keys: "F1",
    run: ({ workspace }) => {
      const place = placeInQuestion();
      if (document.querySelector("[role=dialog]")) openGuideApart(place);
      else workspace.panel.showGuide(place);
    },
  },
  {
    id: "first-steps",
    get other() {
      return say("frame.beginnerTutorialTourStart");
    },
    get title() {
      return say("frame.showTheFirstSteps");
    },
    run: ({ go }) => {
      firstStepsShown.set("always");
      go("/overview");
    },
  },
  {
    id: "keys",
    get other() {
      return say("frame.helpShortcutsKeyboardHotkeysBindings");
    },
    get title() {
      return say("frame.showTheKeys");
    },
    keys: "?",
    run: ({ openDialog }) => openDialog("keys"),
  },
];
