import type { FieldSpec } from "./field-specs";

const belowWhich: FieldSpec = {
  kind: "choice",
  key: "folder",
  label: "game.below",
  optional: true,
  choices: [
    ["game", "game.choice.settings-game"],
    ["order", "game.choice.settings-order"],
  ],
};

/** How the game is started, and what whoever starts it has to know. */
export const startFields: readonly FieldSpec[] = [
  {
    kind: "rows",
    key: "start",
    label: null,
    hint: "game.startHint",
    one: "game.one.startWay",
    start: { id: "", name: "", starts: "profile", program: "" },
    optional: true,
    fields: [
      { kind: "text", key: "id", label: "game.id" },
      { kind: "text", key: "name", label: "common.name" },
      {
        kind: "choice",
        key: "starts",
        label: "game.starts",
        choices: [
          ["profile", "game.choice.startsProfile"],
          ["bare", "game.choice.startsBare"],
        ],
      },
      { kind: "text", key: "program", label: "game.program", hint: "game.belowItsFolder", wide: true },
      {
        kind: "lines",
        key: "arguments",
        label: "game.arguments",
        hint: "game.argumentsHint",
        optional: true,
      },
      { kind: "text", key: "folder", label: "game.worksIn", hint: "game.worksInHint", optional: true },
      {
        kind: "rows",
        key: "environment",
        label: "game.environment",
        one: "game.one.variable",
        start: { name: "", value: "" },
        optional: true,
        fields: [
          { kind: "text", key: "name", label: "common.name" },
          { kind: "text", key: "value", label: "common.value", wide: true },
        ],
      },
    ],
  },
  {
    kind: "rows",
    key: "startNotes",
    label: "startNotes.notes",
    hint: "game.startNotesHint",
    one: "game.one.startNote",
    start: { id: "", kind: "normal", text: "" },
    optional: true,
    fields: [
      { kind: "text", key: "id", label: "game.id" },
      {
        kind: "choice",
        key: "kind",
        label: "startNotes.whatKind",
        choices: [
          ["condition", "startNotes.kind.condition"],
          ["normal", "startNotes.kind.normal"],
          ["look", "startNotes.kind.look"],
        ],
      },
      { kind: "text", key: "text", label: "startNotes.text", wide: true },
      { kind: "text", key: "how", label: "startNotes.how", wide: true, optional: true },
      {
        kind: "flag",
        key: "keeps",
        label: "startNotes.staysTicked",
        optional: true,
        when: ({ kind }) => kind === "condition",
      },
    ],
  },
  {
    kind: "rows",
    key: "purposes",
    label: "game.purposes",
    hint: "game.purposesHint",
    one: "game.one.purpose",
    start: { purpose: "make" },
    optional: true,
    fields: [
      { kind: "text", key: "purpose", label: "profiles.purpose", hint: "game.purposeHint" },
      {
        kind: "words",
        key: "expansionsOff",
        label: "game.expansionsOff",
        hint: "game.byIds",
        optional: true,
      },
      { kind: "words", key: "baseOff", label: "game.baseOff", hint: "game.byIds", optional: true },
    ],
  },
  {
    kind: "rows",
    key: "keptFiles",
    label: "keptFiles.title",
    hint: "game.keptFilesHint",
    one: "game.one.keptFile",
    start: { id: "", label: "", path: "" },
    optional: true,
    fields: [
      { kind: "text", key: "id", label: "game.id" },
      { kind: "text", key: "label", label: "common.name" },
      { kind: "text", key: "path", label: "game.path", wide: true },
      belowWhich,
    ],
  },
  {
    kind: "group",
    key: "log",
    label: "game.log",
    hint: "game.logHint",
    start: { path: "" },
    fields: [{ kind: "text", key: "path", label: "game.path", wide: true }, belowWhich],
  },
];
