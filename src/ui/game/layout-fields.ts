import type { Draft, FieldSpec } from "./field-specs";

const width = [
  [1, "game.bytes.1"],
  [2, "game.bytes.2"],
  [4, "game.bytes.4"],
] as const;
type Tag = "tag" | "file" | "master" | "title" | "author" | "description" | "date" | "name";

const tag = (key: Tag, optional = true): FieldSpec => ({
  kind: "text",
  key,
  label: `game.tag.${key}`,
  ...(optional ? { optional: true as const } : {}),
});
const chunks = (key: "masters" | "records" | "lists"): FieldSpec => ({
  kind: "group",
  key,
  label: `game.chunks.${key}`,
  ...(key === "lists" && { start: { list: "adds", item: "alst" } }),
  fields: [
    { kind: "text", key: "list", label: "common.list" },
    { kind: "text", key: "item", label: "game.chunkOfEach" },
  ],
});
const headerBytes: FieldSpec = { kind: "number", key: "headerBytes", label: "game.bytesInAll" };
const sizeCounts: FieldSpec = {
  kind: "choice",
  key: "sizeCounts",
  label: "game.theSizeCounts",
  choices: [
    ["contents", "game.choice.contents"],
    ["record", "game.choice.record"],
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

/** How a plugin is laid out. */
export const layoutFields: readonly FieldSpec[] = [
  {
    kind: "text",
    key: "formType",
    label: "game.formType",
    hint: "game.theFourLettersBehindRIFFAnd",
    when: isContainer("riff"),
  },
  {
    kind: "group",
    key: "chunks",
    label: "game.chunksOfItsOwn",
    hint: "game.leftOutThoseOfTheStand",
    when: isContainer("riff"),
    start: {
      head: "head",
      flagsAt: 4,
      masters: { list: "need", item: "mstr" },
      records: { list: "recs", item: "recd" },
    },
    fields: [
      { kind: "text", key: "head", label: "game.chunkOfTheFlags" },
      { kind: "number", key: "flagsAt", label: "game.flagsAtByte" },
      chunks("masters"),
      chunks("records"),
      chunks("lists"),
    ],
  },
  {
    kind: "choice",
    key: "byteOrder",
    label: "common.numbers",
    choices: [
      ["little", "game.choice.little"],
      ["big", "game.choice.big"],
    ],
    when: isContainer("tagged"),
  },
  {
    kind: "choice",
    key: "texts",
    label: "game.textsEnd",
    choices: [
      ["zero", "game.choice.zero"],
      ["field", "game.choice.field"],
    ],
    when: isContainer("tagged"),
  },
  {
    kind: "group",
    key: "record",
    label: "game.headerOfARecord",
    when: isContainer("tagged"),
    fields: [
      headerBytes,
      { kind: "number", key: "tagAt", label: "game.tagAtByte" },
      { kind: "number", key: "tagBytes", label: "game.lettersOfTheTag" },
      { kind: "number", key: "sizeAt", label: "game.sizeAtByte" },
      { kind: "choice", key: "sizeBytes", label: "game.widthOfTheSize", choices: width },
      sizeCounts,
      { kind: "number", key: "flagsAt", label: "game.flagsAtByte" },
      { kind: "choice", key: "flagsBytes", label: "game.widthOfTheFlags", choices: width },
    ],
  },
  {
    kind: "group",
    key: "groups",
    label: "game.groupsOfRecords",
    hint: "game.recordsThatHoldRecordsInsteadOf",
    when: isContainer("tagged"),
    start: { tag: "", headerBytes: 12, sizeCounts: "record" },
    fields: [tag("tag", false), headerBytes, sizeCounts],
  },
  {
    kind: "group",
    key: "field",
    label: "game.headOfAFieldInA",
    when: isContainer("tagged"),
    fields: [
      { kind: "number", key: "tagBytes", label: "game.lettersOfTheTag" },
      { kind: "choice", key: "sizeBytes", label: "game.widthOfTheSize", choices: width },
    ],
  },
  {
    kind: "group",
    key: "tags",
    label: "game.whatTheTagsMean",
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
  {
    kind: "group",
    key: "lists",
    label: "game.additiveLists",
    hint: "game.additiveListsHint",
    when: isContainer("tagged"),
    start: { tag: "", record: "", entry: "", depthAt: 0, shareAt: 2, numberBytes: 2, nameAt: 4 },
    fields: [
      tag("tag", false),
      { kind: "text", key: "record", label: "game.fieldOfTheRecord" },
      { kind: "text", key: "entry", label: "game.fieldOfAnEntry" },
      { kind: "number", key: "depthAt", label: "game.depthAtByte" },
      { kind: "number", key: "shareAt", label: "game.shareAtByte" },
      {
        kind: "choice",
        key: "numberBytes",
        label: "game.widthOfTheNumbers",
        choices: width.filter(([bytes]) => bytes < 4),
      },
      { kind: "number", key: "nameAt", label: "game.nameAtByte" },
    ],
  },
];
