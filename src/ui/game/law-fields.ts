import type { TextKey } from "@/core/language/say";
import type { LaunchSetting } from "@/core/model/game";
import type { Placement } from "@/core/model/placement";
import type { Draft, FieldSpec } from "./field-specs";
import { layoutFields } from "./layout-fields";
import { startFields } from "./start-fields";

const id: FieldSpec = { kind: "text", key: "id", label: "game.id" };
const note: FieldSpec = { kind: "text", key: "note", label: "common.note", optional: true, wide: true };
const mark: readonly FieldSpec[] = [
  { kind: "words", key: "extensions", label: "game.byExtension", hint: "game.asKeel", optional: true },
  { kind: "number", key: "flag", label: "game.byFlag", hint: "game.numberOfTheBit0To", optional: true },
];
const isKind =
  (...kinds: readonly (LaunchSetting | Placement)["kind"][]) =>
  (beside: Draft) =>
    kinds.some((kind) => kind === beside.kind);
const hasPlugins = ({ lists }: Draft): boolean => Array.isArray(lists) && lists.includes("plugins");

/** A heading of the form with the laws below it. */
interface LawGroup {
  readonly title: TextKey;
  readonly fields: readonly FieldSpec[];
}

/** Every law of a game, in the order in which one thinks of them. */
export const lawGroups: readonly LawGroup[] = [
  {
    title: "common.theGame",
    fields: [
      { kind: "text", key: "id", label: "game.id", hint: "game.smallLettersDigitsHyphens" },
      { kind: "text", key: "name", label: "common.name" },
      { kind: "text", key: "version", label: "common.version" },
      { kind: "text", key: "sign", label: "game.fileThatIdentifiesTheGame", hint: "game.belowItsFolder" },
      {
        kind: "group",
        key: "edition",
        label: "game.edition",
        hint: "game.editionHint",
        start: { file: "", pattern: "" },
        fields: [
          { kind: "text", key: "file", label: "common.file", hint: "game.belowItsFolder" },
          { kind: "text", key: "pattern", label: "game.editionPattern", hint: "game.editionPatternHint" },
        ],
      },
      {
        kind: "checks",
        key: "lists",
        label: "game.itOrders",
        choices: [
          ["mods", "game.choice.mods"],
          ["plugins", "game.choice.plugins"],
        ],
      },
      {
        kind: "group",
        key: "paths",
        label: "game.paths",
        fields: [{ kind: "flag", key: "ignoreCase", label: "game.ignoreUpperAndLowerCase" }],
      },
      {
        kind: "words",
        key: "contentFolders",
        label: "game.foldersOfContent",
        hint: "game.byWhichAModIsKnown",
      },
      {
        kind: "rows",
        key: "containers",
        label: "game.packedFiles",
        one: "game.one.container",
        start: { extension: "", format: "zip" },
        optional: true,
        fields: [
          { kind: "text", key: "extension", label: "game.extension" },
          { kind: "choice", key: "format", label: "game.format", choices: [["zip", "game.choice.zip"]] },
        ],
      },
      {
        kind: "rows",
        key: "prerequisites",
        label: "game.prerequisites",
        hint: "game.prerequisitesHint",
        one: "game.one.prerequisite",
        start: { id: "", name: "", file: "", purpose: "", source: "" },
        optional: true,
        fields: [
          id,
          { kind: "text", key: "name", label: "common.name" },
          { kind: "text", key: "file", label: "common.file", hint: "game.belowItsFolder" },
          { kind: "text", key: "purpose", label: "game.purposeOfFile", wide: true },
          { kind: "text", key: "source", label: "game.whereFrom", wide: true },
        ],
      },
    ],
  },
  {
    title: "common.plugins2",
    fields: [
      {
        kind: "words",
        key: "pluginExtensions",
        label: "game.extensions",
        hint: "game.asKeelPlank",
        when: hasPlugins,
      },
      { kind: "text", key: "baseFolder", label: "game.folderOfWhatIsBuiltIn", when: hasPlugins },
      { kind: "number", key: "maxMasters", label: "game.maxMasters", optional: true, when: hasPlugins },
      { kind: "words", key: "builtIn", label: "game.builtInInThisOrder", when: hasPlugins },
      {
        kind: "rows",
        key: "loadRanks",
        label: "game.loadRanksTheFirstLoadsFirst",
        one: "game.one.rank",
        start: { id: "", label: "" },
        when: hasPlugins,
        fields: [id, { kind: "text", key: "label", label: "game.label" }, ...mark],
      },
      {
        kind: "rows",
        key: "counting",
        label: "game.classesThatTheGameHoldsOnly",
        one: "game.one.class",
        start: { id: "", label: "", cap: 255 },
        when: hasPlugins,
        fields: [
          id,
          { kind: "text", key: "label", label: "game.label" },
          { kind: "number", key: "cap", label: "game.atMost" },
          ...mark,
        ],
      },
    ],
  },
  {
    title: "game.howAPluginIsLaidOut",
    fields: [{ kind: "group", key: "pluginLayout", label: null, when: hasPlugins, fields: layoutFields }],
  },
  {
    title: "common.whatTheGameReads",
    fields: [
      {
        kind: "group",
        key: "orderFile",
        label: "game.orderFile",
        fields: [
          { kind: "text", key: "path", label: "game.path" },
          {
            kind: "choice",
            key: "dialect",
            label: "game.writtenAs",
            choices: [
              ["lines", "game.choice.lines"],
              ["marked", "game.choice.marked"],
              ["keyed", "game.choice.keyed"],
              ["json", "game.choice.json"],
              ["xml", "game.choice.xml"],
            ],
          },
        ],
      },
      {
        kind: "text",
        key: "holdsFile",
        label: "game.fileWithTheListOfMods",
        hint: "game.whichSeatingWritesBesideIt",
      },
      {
        kind: "group",
        key: "profilesOfGame",
        label: "game.profilesOfGame",
        hint: "game.profilesOfGameHint",
        start: { folder: "" },
        fields: [{ kind: "text", key: "folder", label: "game.folder" }],
      },
      {
        kind: "rows",
        key: "launchSettings",
        label: "game.settingsAtItsStart",
        one: "game.one.setting",
        start: { kind: "switch", id: "", label: "", standard: false },
        optional: true,
        fields: [
          {
            kind: "choice",
            key: "kind",
            label: "common.kind",
            choices: [
              ["switch", "game.choice.switch"],
              ["number", "game.choice.number"],
              ["text", "game.choice.text"],
              ["choice", "game.choice.choice"],
              ["file", "game.choice.file"],
            ],
          },
          id,
          { kind: "text", key: "label", label: "game.label" },
          { kind: "text", key: "guidance", label: "game.guidance", optional: true },
          { kind: "flag", key: "standard", label: "game.onAtFirst", when: isKind("switch") },
          { kind: "number", key: "standard", label: "game.atFirst", when: isKind("number") },
          { kind: "number", key: "least", label: "game.least", when: isKind("number") },
          { kind: "number", key: "most", label: "game.most", when: isKind("number") },
          { kind: "text", key: "standard", label: "game.atFirst", when: isKind("text", "choice") },
          { kind: "words", key: "choices", label: "game.choices", when: isKind("choice") },
          { kind: "text", key: "folder", label: "game.folderOfTheFiles", when: isKind("file") },
        ],
      },
    ],
  },
  { title: "game.start", fields: startFields },
  {
    title: "game.settings",
    fields: [
      {
        kind: "rows",
        key: "settings",
        label: null,
        hint: "game.settingsHint",
        one: "game.one.settingsFile",
        start: { id: "", label: "", path: "", format: "ini" },
        optional: true,
        fields: [
          id,
          { kind: "text", key: "label", label: "game.label" },
          { kind: "text", key: "path", label: "game.path" },
          {
            kind: "choice",
            key: "folder",
            label: "game.below",
            choices: [
              ["game", "game.choice.settings-game"],
              ["order", "game.choice.settings-order"],
            ],
            optional: true,
          },
          {
            kind: "choice",
            key: "format",
            label: "game.writtenAs",
            choices: [
              ["ini", "game.choice.settings-ini"],
              ["json", "game.choice.settings-json"],
              ["xml", "game.choice.settings-xml"],
              ["lines", "game.choice.settings-lines"],
            ],
          },
        ],
      },
    ],
  },
  {
    title: "game.howItFindsMods",
    fields: [
      {
        kind: "group",
        key: "placement",
        label: null,
        hint: "game.placementHint",
        start: { kind: "list" },
        fields: [
          {
            kind: "choice",
            key: "kind",
            label: "common.kind",
            choices: [
              ["list", "game.choice.placement-list"],
              ["folders", "game.choice.placement-folders"],
              ["merged", "game.choice.placement-merged"],
            ],
          },
          {
            kind: "text",
            key: "folder",
            label: "game.folder",
            hint: "game.belowItsFolder",
            when: isKind("folders", "merged"),
          },
          {
            kind: "text",
            key: "name",
            label: "game.nameOfAModsFolder",
            hint: "game.nameOfAModsFolderHint",
            when: isKind("folders"),
          },
          {
            kind: "rows",
            key: "elsewhere",
            label: "game.foldersElsewhere",
            one: "game.one.elsewhere",
            start: { from: "", to: "" },
            optional: true,
            when: isKind("folders", "merged"),
            fields: [
              { kind: "text", key: "from", label: "game.folderOfAMod", hint: "game.withASlash" },
              { kind: "text", key: "to", label: "game.goesTo", hint: "game.belowItsFolder" },
            ],
          },
          {
            kind: "words",
            key: "written",
            label: "game.writtenTo",
            hint: "game.writtenToHint",
            optional: true,
            when: isKind("folders", "merged"),
          },
          {
            kind: "flag",
            key: "datesByOrder",
            label: "game.datesByOrder",
            optional: true,
            when: isKind("folders", "merged"),
          },
        ],
      },
    ],
  },
  {
    title: "game.expansionsAndPartsOfTheGame",
    fields: [
      {
        kind: "rows",
        key: "expansions",
        label: "common.expansions",
        one: "game.one.expansion",
        start: { id: "", name: "", folder: "", plugins: [] },
        fields: [
          id,
          { kind: "text", key: "name", label: "common.name" },
          { kind: "text", key: "folder", label: "game.folder", hint: "game.ownedWhereItIsThere" },
          { kind: "words", key: "plugins", label: "common.itsPlugins" },
        ],
      },
      {
        kind: "rows",
        key: "baseItems",
        label: "game.partsOfTheGameThatA",
        one: "game.one.part",
        start: { id: "", name: "" },
        optional: true,
        fields: [id, { kind: "text", key: "name", label: "common.name" }, note],
      },
    ],
  },
  {
    title: "game.sectionsThatANewProfileHas",
    fields: [
      {
        kind: "rows",
        key: "sections",
        label: null,
        one: "game.one.section",
        start: { id: "", name: "", rank: "mods", guidance: "" },
        fields: [
          id,
          { kind: "text", key: "name", label: "common.name" },
          { kind: "text", key: "rank", label: "game.loadRank", hint: "game.itsIdOrMods" },
          { kind: "text", key: "guidance", label: "game.guidance", wide: true },
          { kind: "words", key: "tags", label: "game.takesTheTags", optional: true },
          {
            kind: "choice",
            key: "block",
            label: "game.staysAtThe",
            choices: [
              ["top", "game.choice.top"],
              ["bottom", "game.choice.bottom"],
            ],
            optional: true,
          },
          { kind: "flag", key: "unseated", label: "game.arrivalsWaitHere", optional: true },
          { kind: "flag", key: "closed", label: "game.nothingMoreGoesIn", optional: true },
        ],
      },
    ],
  },
];

/** What else changes with a value: another kind of setting, or of layout, has other fields. */
export function settle(path: string, draft: Draft): Draft {
  if (path === "placement.") return settlePlacement(draft);
  if (!path.startsWith("launchSettings")) return draft;
  const { kind, id: own, label, guidance } = draft;
  const named = { kind, id: own, label, ...(guidance === undefined ? {} : { guidance }) };
  const starts: Readonly<Record<LaunchSetting["kind"], Draft>> = {
    switch: { standard: false },
    number: { standard: 0, least: 0, most: 100 },
    text: { standard: "" },
    choice: { standard: "", choices: [] },
    file: { folder: "", standard: "" },
  };
  const start = starts[kind as LaunchSetting["kind"]];
  const kept = Object.keys(start).every((key) => typeof draft[key] === typeof start[key]);
  return kept ? draft : { ...named, ...start };
}

function settlePlacement({ kind, ...rest }: Draft): Draft {
  if (kind === "list") return { kind };
  const { name = "{id}", folder = "", ...others } = rest;
  return { kind, folder, ...(kind === "folders" && { name }), ...others };
}
