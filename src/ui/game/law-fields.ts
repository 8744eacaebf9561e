import { say } from "@/core/language/say";
import type { LaunchSetting } from "@/core/model/game";
import type { Draft, FieldSpec } from "./field-specs";

const id: FieldSpec = {
  kind: "text",
  key: "id",
  get label() {
    return say("game.id");
  },
};
const note: FieldSpec = {
  kind: "text",
  key: "note",
  get label() {
    return say("common.note");
  },
  optional: true,
  wide: true,
};
const mark: readonly FieldSpec[] = [
  {
    kind: "words",
    key: "extensions",
    get label() {
      return say("game.byExtension");
    },
    get hint() {
      return say("game.asKeel");
    },
    optional: true,
  },
  {
    kind: "number",
    key: "flag",
    get label() {
      return say("game.byFlag");
    },
    get hint() {
      return say("game.numberOfTheBit0To");
    },
    optional: true,
  },
];
const width = () => [1, 2, 4].map((count) => [count, say("game.byteCount", { count })] as const);
type Tag = "tag" | "file" | "master" | "title" | "author" | "description" | "date" | "name";

const tag = (key: Tag, optional = true): FieldSpec => ({
  kind: "text",
  key,
  get label() {
    return say(`game.tag.${key}`);
  },
  ...(optional ? { optional: true as const } : {}),
});
const chunks = (key: "masters" | "records"): FieldSpec => ({
  kind: "group",
  key,
  get label() {
    return say(`game.chunks.${key}`);
  },
  fields: [
    {
      kind: "text",
      key: "list",
      get label() {
        return say("common.list");
      },
    },
    {
      kind: "text",
      key: "item",
      get label() {
        return say("game.chunkOfEach");
      },
    },
  ],
});
const headerBytes: FieldSpec = {
  kind: "number",
  key: "headerBytes",
  get label() {
    return say("game.bytesInAll");
  },
};
const sizeCounts: FieldSpec = {
  kind: "choice",
  key: "sizeCounts",
  get label() {
    return say("game.theSizeCounts");
  },
  get choices() {
    return [
      ["contents", say("game.choice.contents")],
      ["record", say("game.choice.record")],
    ] as const;
  },
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
    get label() {
      return say("game.formType");
    },
    get hint() {
      return say("game.theFourLettersBehindRIFFAnd");
    },
    when: isContainer("riff"),
  },
  {
    kind: "group",
    key: "chunks",
    get label() {
      return say("game.chunksOfItsOwn");
    },
    get hint() {
      return say("game.leftOutThoseOfTheStand");
    },
    when: isContainer("riff"),
    start: {
      head: "head",
      flagsAt: 4,
      masters: { list: "need", item: "mstr" },
      records: { list: "recs", item: "recd" },
    },
    fields: [
      {
        kind: "text",
        key: "head",
        get label() {
          return say("game.chunkOfTheFlags");
        },
      },
      {
        kind: "number",
        key: "flagsAt",
        get label() {
          return say("game.flagsAtByte");
        },
      },
      chunks("masters"),
      chunks("records"),
    ],
  },
  {
    kind: "choice",
    key: "byteOrder",
    get label() {
      return say("common.numbers");
    },
    get choices() {
      return [
        ["little", say("game.choice.little")],
        ["big", say("game.choice.big")],
      ] as const;
    },
    when: isContainer("tagged"),
  },
  {
    kind: "choice",
    key: "texts",
    get label() {
      return say("game.textsEnd");
    },
    get choices() {
      return [
        ["zero", say("game.choice.zero")],
        ["field", say("game.choice.field")],
      ] as const;
    },
    when: isContainer("tagged"),
  },
  {
    kind: "group",
    key: "record",
    get label() {
      return say("game.headerOfARecord");
    },
    when: isContainer("tagged"),
    fields: [
      headerBytes,
      {
        kind: "number",
        key: "tagAt",
        get label() {
          return say("game.tagAtByte");
        },
      },
      {
        kind: "number",
        key: "tagBytes",
        get label() {
          return say("game.lettersOfTheTag");
        },
      },
      {
        kind: "number",
        key: "sizeAt",
        get label() {
          return say("game.sizeAtByte");
        },
      },
      {
        kind: "choice",
        key: "sizeBytes",
        get label() {
          return say("game.widthOfTheSize");
        },
        get choices() {
          return width();
        },
      },
      sizeCounts,
      {
        kind: "number",
        key: "flagsAt",
        get label() {
          return say("game.flagsAtByte");
        },
      },
      {
        kind: "choice",
        key: "flagsBytes",
        get label() {
          return say("game.widthOfTheFlags");
        },
        get choices() {
          return width();
        },
      },
    ],
  },
  {
    kind: "group",
    key: "groups",
    get label() {
      return say("game.groupsOfRecords");
    },
    get hint() {
      return say("game.recordsThatHoldRecordsInsteadOf");
    },
    when: isContainer("tagged"),
    start: { tag: "", headerBytes: 12, sizeCounts: "record" },
    fields: [tag("tag", false), headerBytes, sizeCounts],
  },
  {
    kind: "group",
    key: "field",
    get label() {
      return say("game.headOfAFieldInA");
    },
    when: isContainer("tagged"),
    fields: [
      {
        kind: "number",
        key: "tagBytes",
        get label() {
          return say("game.lettersOfTheTag");
        },
      },
      {
        kind: "choice",
        key: "sizeBytes",
        get label() {
          return say("game.widthOfTheSize");
        },
        get choices() {
          return width();
        },
      },
    ],
  },
  {
    kind: "group",
    key: "tags",
    get label() {
      return say("game.whatTheTagsMean");
    },
    when: isContainer("tagged"),
    fields: [
      tag("file", false),
      tag("master", false),
      tag("title"),
      tag("author"),
      tag("description"),
      tag("date"),
      tag("name"),
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
    get title() {
      return say("common.theGame");
    },
    fields: [
      {
        kind: "text",
        key: "id",
        get label() {
          return say("game.id");
        },
        get hint() {
          return say("game.smallLettersDigitsHyphens");
        },
      },
      {
        kind: "text",
        key: "name",
        get label() {
          return say("common.name");
        },
      },
      {
        kind: "text",
        key: "version",
        get label() {
          return say("common.version");
        },
      },
      {
        kind: "text",
        key: "sign",
        get label() {
          return say("game.fileThatIdentifiesTheGame");
        },
        get hint() {
          return say("game.belowItsFolder");
        },
      },
      {
        kind: "checks",
        key: "lists",
        get label() {
          return say("game.itOrders");
        },
        get choices() {
          return [
            ["mods", say("game.choice.mods")],
            ["plugins", say("game.choice.plugins")],
          ] as const;
        },
      },
      {
        kind: "group",
        key: "paths",
        get label() {
          return say("game.paths");
        },
        fields: [
          {
            kind: "flag",
            key: "ignoreCase",
            get label() {
              return say("game.ignoreUpperAndLowerCase");
            },
          },
        ],
      },
      {
        kind: "words",
        key: "contentFolders",
        get label() {
          return say("game.foldersOfContent");
        },
        get hint() {
          return say("game.byWhichAModIsKnown");
        },
      },
    ],
  },
  {
    get title() {
      return say("common.plugins2");
    },
    fields: [
      {
        kind: "words",
        key: "pluginExtensions",
        get label() {
          return say("game.extensions");
        },
        get hint() {
          return say("game.asKeelPlank");
        },
        when: hasPlugins,
      },
      {
        kind: "text",
        key: "baseFolder",
        get label() {
          return say("game.folderOfWhatIsBuiltIn");
        },
        when: hasPlugins,
      },
      {
        kind: "words",
        key: "builtIn",
        get label() {
          return say("game.builtInInThisOrder");
        },
        when: hasPlugins,
      },
      {
        kind: "rows",
        key: "loadRanks",
        get label() {
          return say("game.loadRanksTheFirstLoadsFirst");
        },
        get one() {
          return say("game.one.rank");
        },
        start: { id: "", label: "" },
        when: hasPlugins,
        fields: [
          id,
          {
            kind: "text",
            key: "label",
            get label() {
              return say("game.label");
            },
          },
          ...mark,
        ],
      },
      {
        kind: "rows",
        key: "counting",
        get label() {
          return say("game.classesThatTheGameHoldsOnly");
        },
        get one() {
          return say("game.one.class");
        },
        start: { id: "", label: "", cap: 255 },
        when: hasPlugins,
        fields: [
          id,
          {
            kind: "text",
            key: "label",
            get label() {
              return say("game.label");
            },
          },
          {
            kind: "number",
            key: "cap",
            get label() {
              return say("game.atMost");
            },
          },
          ...mark,
        ],
      },
    ],
  },
  {
    get title() {
      return say("game.howAPluginIsLaidOut");
    },
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
    get title() {
      return say("common.whatTheGameReads");
    },
    fields: [
      {
        kind: "group",
        key: "orderFile",
        get label() {
          return say("game.orderFile");
        },
        fields: [
          {
            kind: "text",
            key: "path",
            get label() {
              return say("game.path");
            },
          },
          {
            kind: "choice",
            key: "dialect",
            get label() {
              return say("game.writtenAs");
            },
            get choices() {
              return [
                ["lines", say("game.choice.lines")],
                ["marked", say("game.choice.marked")],
                ["keyed", "name=1"],
                ["json", say("game.choice.json")],
                ["xml", say("game.choice.xml")],
              ] as const;
            },
          },
        ],
      },
      {
        kind: "text",
        key: "holdsFile",
        get label() {
          return say("game.fileWithTheListOfMods");
        },
        get hint() {
          return say("game.whichSeatingWritesBesideIt");
        },
      },
      {
        kind: "rows",
        key: "launchSettings",
        get label() {
          return say("game.settingsAtItsStart");
        },
        get one() {
          return say("game.one.setting");
        },
        start: { kind: "switch", id: "", label: "", standard: false },
        optional: true,
        fields: [
          {
            kind: "choice",
            key: "kind",
            get label() {
              return say("common.kind");
            },
            get choices() {
              return [
                ["switch", say("game.choice.switch")],
                ["number", say("game.choice.number")],
                ["text", say("game.choice.text")],
                ["choice", say("game.choice.choice")],
                ["file", say("game.choice.file")],
              ] as const;
            },
          },
          id,
          {
            kind: "text",
            key: "label",
            get label() {
              return say("game.label");
            },
          },
          {
            kind: "text",
            key: "guidance",
            get label() {
              return say("game.guidance");
            },
            optional: true,
          },
          {
            kind: "flag",
            key: "standard",
            get label() {
              return say("game.onAtFirst");
            },
            when: isKind("switch"),
          },
          {
            kind: "number",
            key: "standard",
            get label() {
              return say("game.atFirst");
            },
            when: isKind("number"),
          },
          {
            kind: "number",
            key: "least",
            get label() {
              return say("game.least");
            },
            when: isKind("number"),
          },
          {
            kind: "number",
            key: "most",
            get label() {
              return say("game.most");
            },
            when: isKind("number"),
          },
          {
            kind: "text",
            key: "standard",
            get label() {
              return say("game.atFirst");
            },
            when: isKind("text", "choice"),
          },
          {
            kind: "words",
            key: "choices",
            get label() {
              return say("game.choices");
            },
            when: isKind("choice"),
          },
          {
            kind: "text",
            key: "folder",
            get label() {
              return say("game.folderOfTheFiles");
            },
            when: isKind("file"),
          },
        ],
      },
    ],
  },
  {
    get title() {
      return say("game.expansionsAndPartsOfTheGame");
    },
    fields: [
      {
        kind: "rows",
        key: "expansions",
        get label() {
          return say("common.expansions");
        },
        get one() {
          return say("game.one.expansion");
        },
        start: { id: "", name: "", folder: "", plugins: [] },
        fields: [
          id,
          {
            kind: "text",
            key: "name",
            get label() {
              return say("common.name");
            },
          },
          {
            kind: "text",
            key: "folder",
            get label() {
              return say("game.folder");
            },
            get hint() {
              return say("game.ownedWhereItIsThere");
            },
          },
          {
            kind: "words",
            key: "plugins",
            get label() {
              return say("common.itsPlugins");
            },
          },
        ],
      },
      {
        kind: "rows",
        key: "baseItems",
        get label() {
          return say("game.partsOfTheGameThatA");
        },
        get one() {
          return say("game.one.part");
        },
        start: { id: "", name: "" },
        optional: true,
        fields: [
          id,
          {
            kind: "text",
            key: "name",
            get label() {
              return say("common.name");
            },
          },
          note,
        ],
      },
    ],
  },
  {
    get title() {
      return say("game.sectionsThatANewProfileHas");
    },
    fields: [
      {
        kind: "rows",
        key: "sections",
        label: "",
        get one() {
          return say("game.one.section");
        },
        start: { id: "", name: "", rank: "mods", guidance: "" },
        fields: [
          id,
          {
            kind: "text",
            key: "name",
            get label() {
              return say("common.name");
            },
          },
          {
            kind: "text",
            key: "rank",
            get label() {
              return say("game.loadRank");
            },
            get hint() {
              return say("game.itsIdOrMods");
            },
          },
          {
            kind: "text",
            key: "guidance",
            get label() {
              return say("game.guidance");
            },
            wide: true,
          },
          {
            kind: "words",
            key: "tags",
            get label() {
              return say("game.takesTheTags");
            },
            optional: true,
          },
          {
            kind: "choice",
            key: "block",
            get label() {
              return say("game.staysAtThe");
            },
            get choices() {
              return [
                ["top", say("game.choice.top")],
                ["bottom", say("game.choice.bottom")],
              ] as const;
            },
            optional: true,
          },
          {
            kind: "flag",
            key: "unseated",
            get label() {
              return say("game.arrivalsWaitHere");
            },
            optional: true,
          },
          {
            kind: "flag",
            key: "closed",
            get label() {
              return say("game.nothingMoreGoesIn");
            },
            optional: true,
          },
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
