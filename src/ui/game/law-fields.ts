import type { LaunchSetting } from "@/core/model/game";
import type { Draft, FieldSpec } from "./field-specs";

const id: FieldSpec = { kind: "text", key: "id", label: "Id" };
const note: FieldSpec = { kind: "text", key: "note", label: "Note", optional: true, wide: true };
const mark: readonly FieldSpec[] = [
  {
    kind: "words",
    key: "extensions",
    label: "By extension",
    hint: "as .keel",
    optional: true,
  },
  { kind: "number", key: "flag", label: "By flag", hint: "number of the bit, 0 to 31", optional: true },
];
const width = [
  [1, "1 byte"],
  [2, "2 bytes"],
  [4, "4 bytes"],
] as const;
const tag = (key: string, label: string, optional = true): FieldSpec => ({
  kind: "text",
  key,
  label,
  ...(optional ? { optional: true as const } : {}),
});
const chunks = (key: string, label: string): FieldSpec => ({
  kind: "group",
  key,
  label,
  fields: [
    { kind: "text", key: "list", label: "List" },
    { kind: "text", key: "item", label: "Chunk of each" },
  ],
});
const headerBytes: FieldSpec = { kind: "number", key: "headerBytes", label: "Bytes in all" };
const sizeCounts: FieldSpec = {
  kind: "choice",
  key: "sizeCounts",
  label: "The size counts",
  choices: [
    ["contents", "its contents only"],
    ["record", "the header too"],
  ],
};
const isContainer = (container: string) => (beside: Draft) => beside.container === container;

/** A layout to begin with, by its container. */
export const layoutStarts: Readonly<Record<string, Draft>> = {
  riff: { container: "riff", formType: "" },
  tagged: {
    container: "tagged",
    byteOrder: "little",
    record: {
      headerBytes: 12,
      tagAt: 0,
      tagBytes: 4,
      sizeAt: 4,
      sizeBytes: 4,
      sizeCounts: "contents",
      flagsAt: 8,
      flagsBytes: 4,
    },
    field: { tagBytes: 4, sizeBytes: 2 },
    texts: "zero",
    tags: { file: "", master: "" },
  },
};

const layoutFields: readonly FieldSpec[] = [
  {
    kind: "text",
    key: "formType",
    label: "Form type",
    hint: "the four letters behind RIFF and the size",
    when: isContainer("riff"),
  },
  {
    kind: "group",
    key: "chunks",
    label: "Chunks of its own",
    hint: "Left out, those of the stand-in games: head, need, recs.",
    when: isContainer("riff"),
    start: {
      head: "head",
      flagsAt: 4,
      masters: { list: "need", item: "mstr" },
      records: { list: "recs", item: "recd" },
    },
    fields: [
      { kind: "text", key: "head", label: "Chunk of the flags" },
      { kind: "number", key: "flagsAt", label: "Flags at byte" },
      chunks("masters", "Masters"),
      chunks("records", "Records"),
    ],
  },
  {
    kind: "choice",
    key: "byteOrder",
    label: "Numbers",
    choices: [
      ["little", "low byte first"],
      ["big", "high byte first"],
    ],
    when: isContainer("tagged"),
  },
  {
    kind: "choice",
    key: "texts",
    label: "Texts end",
    choices: [
      ["zero", "with a zero byte"],
      ["field", "with their field"],
    ],
    when: isContainer("tagged"),
  },
  {
    kind: "group",
    key: "record",
    label: "Header of a record",
    when: isContainer("tagged"),
    fields: [
      headerBytes,
      { kind: "number", key: "tagAt", label: "Tag at byte" },
      { kind: "number", key: "tagBytes", label: "Letters of the tag" },
      { kind: "number", key: "sizeAt", label: "Size at byte" },
      { kind: "choice", key: "sizeBytes", label: "Width of the size", choices: width },
      sizeCounts,
      { kind: "number", key: "flagsAt", label: "Flags at byte" },
      { kind: "choice", key: "flagsBytes", label: "Width of the flags", choices: width },
    ],
  },
  {
    kind: "group",
    key: "groups",
    label: "Groups of records",
    hint: "Records that hold records instead of fields; left out where there are none.",
    when: isContainer("tagged"),
    start: { tag: "", headerBytes: 12, sizeCounts: "record" },
    fields: [tag("tag", "Tag", false), headerBytes, sizeCounts],
  },
  {
    kind: "group",
    key: "field",
    label: "Head of a field in a record",
    when: isContainer("tagged"),
    fields: [
      { kind: "number", key: "tagBytes", label: "Letters of the tag" },
      { kind: "choice", key: "sizeBytes", label: "Width of the size", choices: width },
    ],
  },
  {
    kind: "group",
    key: "tags",
    label: "What the tags mean",
    when: isContainer("tagged"),
    fields: [
      tag("file", "First record", false),
      tag("master", "Master", false),
      tag("title", "Title"),
      tag("author", "Author"),
      tag("description", "Description"),
      tag("date", "Date"),
      tag("name", "Name of a record"),
    ],
  },
];

const isKind =
  (...kinds: readonly LaunchSetting["kind"][]) =>
  (beside: Draft) =>
    kinds.some((kind) => kind === beside.kind);
const hasPlugins = ({ lists }: Draft): boolean => Array.isArray(lists) && lists.includes("plugins");

/** A heading of the form with the laws below it. */
interface LawGroup {
  readonly title: string;
  readonly fields: readonly FieldSpec[];
}

/** Every law of a game, in the order in which one thinks of them. */
export const lawGroups: readonly LawGroup[] = [
  {
    title: "The game",
    fields: [
      { ...id, hint: "small letters, digits, hyphens" },
      { kind: "text", key: "name", label: "Name" },
      { kind: "text", key: "version", label: "Version" },
      { kind: "text", key: "sign", label: "File that identifies the game", hint: "below its folder" },
      {
        kind: "checks",
        key: "lists",
        label: "It orders",
        choices: [
          ["mods", "mods"],
          ["plugins", "plugins"],
        ],
      },
      {
        kind: "group",
        key: "paths",
        label: "Paths",
        fields: [{ kind: "flag", key: "ignoreCase", label: "Ignore upper and lower case" }],
      },
      {
        kind: "words",
        key: "contentFolders",
        label: "Folders of content",
        hint: "by which a mod is known, in small letters",
      },
    ],
  },
  {
    title: "Plugins",
    fields: [
      {
        kind: "words",
        key: "pluginExtensions",
        label: "Extensions",
        hint: "as .keel, .plank",
        when: hasPlugins,
      },
      { kind: "text", key: "baseFolder", label: "Folder of what is built in", when: hasPlugins },
      { kind: "words", key: "builtIn", label: "Built in, in this order", when: hasPlugins },
      {
        kind: "rows",
        key: "loadRanks",
        label: "Load ranks, the first loads first",
        one: "rank",
        start: { id: "", label: "" },
        when: hasPlugins,
        fields: [id, { kind: "text", key: "label", label: "Label" }, ...mark],
      },
      {
        kind: "rows",
        key: "counting",
        label: "Classes that the game holds only so many of",
        one: "class",
        start: { id: "", label: "", cap: 255 },
        when: hasPlugins,
        fields: [
          id,
          { kind: "text", key: "label", label: "Label" },
          { kind: "number", key: "cap", label: "At most" },
          ...mark,
        ],
      },
    ],
  },
  {
    title: "How a plugin is laid out",
    fields: [
      {
        kind: "group",
        key: "pluginLayout",
        label: "",
        when: hasPlugins,
        fields: layoutFields,
      },
    ],
  },
  {
    title: "What the game reads",
    fields: [
      {
        kind: "group",
        key: "orderFile",
        label: "Order file",
        fields: [
          { kind: "text", key: "path", label: "Path" },
          {
            kind: "choice",
            key: "dialect",
            label: "Written as",
            choices: [
              ["lines", "one name a line"],
              ["marked", "[x] name"],
              ["keyed", "name=1"],
              ["json", "JSON list"],
              ["xml", "XML elements"],
            ],
          },
        ],
      },
      {
        kind: "text",
        key: "holdsFile",
        label: "File with the list of mods",
        hint: "which Seating writes beside it",
      },
      {
        kind: "rows",
        key: "launchSettings",
        label: "Settings at its start",
        one: "setting",
        start: { kind: "switch", id: "", label: "", standard: false },
        optional: true,
        fields: [
          {
            kind: "choice",
            key: "kind",
            label: "Kind",
            choices: [
              ["switch", "on or off"],
              ["number", "number"],
              ["text", "text"],
              ["choice", "one of several"],
              ["file", "file of the game"],
            ],
          },
          id,
          { kind: "text", key: "label", label: "Label" },
          { kind: "text", key: "guidance", label: "Guidance", optional: true },
          { kind: "flag", key: "standard", label: "On at first", when: isKind("switch") },
          { kind: "number", key: "standard", label: "At first", when: isKind("number") },
          { kind: "number", key: "least", label: "Least", when: isKind("number") },
          { kind: "number", key: "most", label: "Most", when: isKind("number") },
          { kind: "text", key: "standard", label: "At first", when: isKind("text", "choice") },
          { kind: "words", key: "choices", label: "Choices", when: isKind("choice") },
          { kind: "text", key: "folder", label: "Folder of the files", when: isKind("file") },
        ],
      },
    ],
  },
  {
    title: "Expansions and parts of the game",
    fields: [
      {
        kind: "rows",
        key: "expansions",
        label: "Expansions",
        one: "expansion",
        start: { id: "", name: "", folder: "", plugins: [] },
        fields: [
          id,
          { kind: "text", key: "name", label: "Name" },
          { kind: "text", key: "folder", label: "Folder", hint: "owned where it is there" },
          { kind: "words", key: "plugins", label: "Its plugins" },
        ],
      },
      {
        kind: "rows",
        key: "baseItems",
        label: "Parts of the game that a profile can do without",
        one: "part",
        start: { id: "", name: "" },
        optional: true,
        fields: [id, { kind: "text", key: "name", label: "Name" }, note],
      },
    ],
  },
  {
    title: "Sections that a new profile has",
    fields: [
      {
        kind: "rows",
        key: "sections",
        label: "",
        one: "section",
        start: { id: "", name: "", rank: "mods", guidance: "" },
        fields: [
          id,
          { kind: "text", key: "name", label: "Name" },
          { kind: "text", key: "rank", label: "Load rank", hint: "its id, or mods" },
          { kind: "text", key: "guidance", label: "Guidance", wide: true },
          { kind: "words", key: "tags", label: "Takes the tags", optional: true },
          {
            kind: "choice",
            key: "block",
            label: "Stays at the",
            choices: [
              ["top", "top of its rank"],
              ["bottom", "bottom of its rank"],
            ],
            optional: true,
          },
          { kind: "flag", key: "unseated", label: "Arrivals wait here", optional: true },
          { kind: "flag", key: "closed", label: "Nothing more goes in", optional: true },
        ],
      },
    ],
  },
];

/** What else changes with a value: another kind of setting, or of layout, has other fields. */
export function settle(path: string, draft: Draft): Draft {
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
