import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { AdditiveList } from "@/core/model/additive-list";
import type { TaggedLayout } from "@/core/model/plugin-layout";
import type { PluginFacts } from "./plugin-facts";
import { isFileName } from "./plugin-facts";
import { PluginTexts } from "./plugin-text";
import type { ProblemCode } from "@/core/model/refusal";

interface TaggedRecord {
  readonly tag: string;
  readonly flags: number;
  readonly contents: Uint8Array;
}

/** Reads a plugin of tagged records defensively: any bytes give its facts, or say what is wrong with them and where. */
export function readTagged(bytes: Uint8Array, layout: TaggedLayout): Outcome<PluginFacts, ProblemCode> {
  const records = readRecords(bytes, layout);
  if (!records.ok) return records;
  const [head, ...others] = records.value;
  if (head?.tag !== layout.tags.file)
    return refuse("tagged-not", { tag: head?.tag ?? "nothing", wanted: layout.tags.file });
  const texts = new PluginTexts(layout.encoding);
  const fields = readFields(head, layout, texts);
  if (!fields.ok) return fields;
  const { tags } = layout;
  const find = (wanted: string | undefined) =>
    fields.value.find((field) => field.tag === wanted)?.text ?? null;
  const masters = fields.value.filter((field) => field.tag === tags.master).map((field) => field.text);
  const odd = masters.find((name) => !isFileName(name));
  if (odd !== undefined) return refuse("riff-master", { name: odd.slice(0, 80) });
  const names = recordNames(others, layout, texts);
  if (!names.ok) return names;
  const lists = additiveLists(others, layout, texts);
  if (!lists.ok) return lists;
  return done({
    flags: head.flags,
    title: find(tags.title),
    author: find(tags.author),
    description: find(tags.description),
    date: find(tags.date),
    masters,
    recordCount: others.length,
    records: names.value,
    lists: lists.value.length,
    additiveLists: lists.value,
    ...(texts.guessed && { guessedTexts: true as const }),
  });
}

/** The records in the order in which they stand, whichever groups they lie in. */
function readRecords(bytes: Uint8Array, layout: TaggedLayout): Outcome<TaggedRecord[], ProblemCode> {
  const { byteOrder, record, groups } = layout;
  const { tagAt, tagBytes, sizeAt, sizeBytes, flagsAt, flagsBytes } = record;
  const records: TaggedRecord[] = [];
  /** Where the groups end that are open, the innermost last; all lies in the file. */
  const ends = [bytes.length];
  for (let at = 0; at < bytes.length;) {
    while (at === ends.at(-1)) ends.pop();
    const left = ends.at(-1)! - at;
    const least = Math.min(record.headerBytes, groups?.headerBytes ?? Infinity);
    if (left < least) return refuse("tagged-header", { at, size: least, left });
    const tag = tagOf(bytes.subarray(at + tagAt, at + tagAt + tagBytes));
    const kind = tag === groups?.tag ? groups : record;
    const { headerBytes } = kind;
    if (left < headerBytes) return refuse("tagged-header", { at, size: headerBytes, left });
    const stated = numberAt(bytes, at + sizeAt, sizeBytes, byteOrder);
    const counted = kind.sizeCounts === "record" ? headerBytes : 0;
    const size = headerBytes + stated - counted;
    if (size < headerBytes || size > left)
      return refuse("tagged-size", { tag, at, size: stated, left: left - headerBytes + counted });
    if (kind === groups) {
      ends.push(at + size);
      at += headerBytes;
      continue;
    }
    const contents = bytes.subarray(at + headerBytes, at + size);
    records.push({ tag, flags: numberAt(bytes, at + flagsAt, flagsBytes, byteOrder), contents });
    at += size;
  }
  return done(records);
}

interface Field {
  readonly tag: string;
  readonly text: string;
}

/** The fields that the layout gives a meaning to, as texts; all others are passed over. */
function readFields(
  record: TaggedRecord,
  layout: TaggedLayout,
  texts: PluginTexts,
): Outcome<Field[], ProblemCode> {
  const { file: _, ...meant } = layout.tags;
  const raw = rawFields(record, layout, new Set(Object.values(meant)));
  if (!raw.ok) return raw;
  const fields: Field[] = [];
  for (const { tag, value } of raw.value) {
    const text = textIn(value, 0, layout, texts);
    if (text === null) return refuse("tagged-text", { record: record.tag, tag });
    fields.push({ tag, text });
  }
  return done(fields);
}

interface RawField {
  readonly tag: string;
  readonly value: Uint8Array;
}

/** The fields of a record with one of some tags, in the order in which they stand. */
function rawFields(
  { tag: record, contents }: TaggedRecord,
  layout: TaggedLayout,
  wanted: ReadonlySet<string | undefined>,
): Outcome<RawField[], ProblemCode> {
  const { tagBytes, sizeBytes } = layout.field;
  const fields: RawField[] = [];
  for (let at = 0; at < contents.length;) {
    const start = at + tagBytes + sizeBytes;
    const left = contents.length - at;
    if (start > contents.length)
      return refuse("tagged-field", { record, tag: "?", size: tagBytes + sizeBytes, left });
    const tag = tagOf(contents.subarray(at, at + tagBytes));
    const size = numberAt(contents, at + tagBytes, sizeBytes, layout.byteOrder);
    if (size > contents.length - start)
      return refuse("tagged-field", { record, tag, size, left: contents.length - start });
    if (wanted.has(tag)) fields.push({ tag, value: contents.subarray(start, start + size) });
    at = start + size;
  }
  return done(fields);
}

/** The text that begins at a byte of a field; null where it has no end. */
function textIn(value: Uint8Array, at: number, layout: TaggedLayout, texts: PluginTexts): string | null {
  const end = layout.texts === "zero" ? value.indexOf(0, at) : value.length;
  return end < 0 ? null : texts.read(value.subarray(at, end));
}

/** Those of the records that are additive lists; one that does not say of which record it is, is of none. */
function additiveLists(
  records: readonly TaggedRecord[],
  layout: TaggedLayout,
  texts: PluginTexts,
): Outcome<AdditiveList[], ProblemCode> {
  const lists: AdditiveList[] = [];
  for (const record of records) {
    if (!layout.lists || record.tag !== layout.lists.tag) continue;
    const list = additiveList(record, layout, layout.lists, texts);
    if (!list.ok) return list;
    if (list.value.record !== "") lists.push(list.value);
  }
  return done(lists);
}

function additiveList(
  record: TaggedRecord,
  layout: TaggedLayout,
  { record: of, entry, depthAt, shareAt, numberBytes, nameAt }: NonNullable<TaggedLayout["lists"]>,
  texts: PluginTexts,
): Outcome<AdditiveList, ProblemCode> {
  const fields = rawFields(record, layout, new Set<string | undefined>([of, entry]));
  if (!fields.ok) return fields;
  const list: AdditiveList = { record: "", entries: [] };
  for (const { tag, value } of fields.value) {
    const least = tag === of ? 0 : Math.max(depthAt + numberBytes, shareAt + numberBytes, nameAt);
    if (value.length < least)
      return refuse("tagged-field", { record: record.tag, tag, size: least, left: value.length });
    const text = textIn(value, tag === of ? 0 : nameAt, layout, texts);
    if (text === null) return refuse("tagged-text", { record: record.tag, tag });
    if (tag === of) list.record = text;
    else {
      const numberIn = (at: number) => numberAt(value, at, numberBytes, layout.byteOrder);
      list.entries.push({ name: text, depth: numberIn(depthAt), share: numberIn(shareAt) });
    }
  }
  return done(list);
}

function recordNames(
  records: readonly TaggedRecord[],
  layout: TaggedLayout,
  texts: PluginTexts,
): Outcome<string[], ProblemCode> {
  if (layout.tags.name === undefined) return done([]);
  const names: string[] = [];
  for (const record of records) {
    const fields = readFields(record, layout, texts);
    if (!fields.ok) return fields;
    const name = fields.value.find((field) => field.tag === layout.tags.name)?.text;
    if (name !== undefined) names.push(name);
  }
  return done(names);
}

/** Tags are padded with zeros or spaces where a layout has room for more letters. */
const tagOf = (bytes: Uint8Array): string =>
  String.fromCharCode(...bytes)
    .replace(/[\0 ]+$/, "")
    .replace(/[^\x20-\x7e]/g, "?");

function numberAt(bytes: Uint8Array, at: number, width: 1 | 2 | 4, order: "little" | "big"): number {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const little = order === "little";
  return width === 1
    ? view.getUint8(at)
    : width === 2
      ? view.getUint16(at, little)
      : view.getUint32(at, little);
}
