import type { AdditiveList, ListEntry } from "@/core/model/additive-list";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { RiffChunks, RiffLayout } from "@/core/model/plugin-layout";
import { isFileName, type PluginFacts } from "./plugin-facts";
import { PluginTexts } from "./plugin-text";
import { concatBytes, readList, readRiff, writeChunk, writeContainer, type Chunk } from "./riff";
import type { ProblemCode } from "@/core/model/refusal";

/** A plugin of the stand-in games in full: its header and what it changes. */
export interface Plugin {
  readonly flags: number;
  readonly info: Readonly<Partial<Record<InfoTag, string>>>;
  readonly masters: readonly string[];
  readonly records: readonly string[];
  readonly lists: readonly AdditiveList[];
  /** Its texts are not UTF-8, and were read as something else. */
  readonly guessedTexts?: true;
}

/** Tags of RIFF's INFO list: title, artist, comment, creation date. */
type InfoTag = "INAM" | "IART" | "ICMT" | "ICRD";
const infoTags: readonly InfoTag[] = ["INAM", "IART", "ICMT", "ICRD"];

const layoutVersion = 1;

/** Of the stand-in games. The first number of their head is the version of the layout. */
const standardChunks: RiffChunks = {
  head: "head",
  flagsAt: 4,
  masters: { list: "need", item: "mstr" },
  records: { list: "recs", item: "recd" },
  lists: { list: "adds", item: "alst" },
};

/** Reads a plugin defensively: any bytes give a plugin or say what is wrong with them. Unknown chunks are passed over. */
export function readPlugin(
  bytes: Uint8Array,
  { formType, chunks = standardChunks, encoding }: Omit<RiffLayout, "container">,
): Outcome<Plugin, ProblemCode> {
  const texts = new PluginTexts(encoding);
  const riff = readRiff(bytes, formType);
  if (!riff.ok) return riff;
  const head = riff.value.find((chunk) => chunk.name === chunks.head);
  if (!head || head.data.length < chunks.flagsAt + 4) return refuse("riff-no-head", { chunk: chunks.head });
  const view = new DataView(head.data.buffer, head.data.byteOffset, head.data.byteLength);
  if (chunks === standardChunks && view.getUint32(0, true) !== layoutVersion)
    return refuse("riff-head", { version: view.getUint32(0, true) });
  const plugin = {
    flags: view.getUint32(chunks.flagsAt, true),
    info: {} as Partial<Record<InfoTag, string>>,
    masters: [] as string[],
    records: [] as string[],
    lists: [] as AdditiveList[],
  };
  for (const chunk of riff.value) {
    if (chunk.name !== "LIST") continue;
    const refusal = readInto(plugin, chunk.data, chunks, texts);
    if (refusal) return refusal;
  }
  const odd = plugin.masters.find((name) => !isFileName(name));
  if (odd !== undefined) return refuse("riff-master", { name: odd.slice(0, 80) });
  return done(texts.guessed ? { ...plugin, guessedTexts: true } : plugin);
}

type Draft = { -readonly [K in keyof Plugin]: Plugin[K] extends readonly (infer E)[] ? E[] : Plugin[K] };

function readInto(plugin: Draft, data: Uint8Array, chunks: RiffChunks, texts: PluginTexts) {
  const list = readList(data);
  if (!list.ok) return list;
  for (const chunk of list.value.chunks) {
    const outcome = readPart(plugin, list.value.type, chunk, chunks, texts);
    if (!outcome.ok) return outcome;
  }
  return null;
}

function readPart(
  plugin: Draft,
  type: string,
  chunk: Chunk,
  { masters, records, lists }: RiffChunks,
  texts: PluginTexts,
): Outcome<unknown, ProblemCode> {
  if (type === lists?.list && chunk.name === lists.item) {
    const list = readAdditiveList(chunk, texts);
    if (list.ok) plugin.lists.push(list.value);
    return list;
  }
  const isInfo = type === "INFO" && infoTags.some((tag) => tag === chunk.name);
  const isMaster = type === masters.list && chunk.name === masters.item;
  const isRecord = type === records.list && chunk.name === records.item;
  if (!isInfo && !isMaster && !isRecord) return done(null);
  const text = readText(chunk.data, 0, chunk.name, texts);
  if (!text.ok) return text;
  if (isMaster) plugin.masters.push(text.value.text);
  else if (isRecord) plugin.records.push(text.value.text);
  else plugin.info = { ...plugin.info, [chunk.name]: text.value.text };
  return text;
}

/** The zero-terminated text at `start`, and where it ends after padding to an even length. */
function readText(
  data: Uint8Array,
  start: number,
  chunk: string,
  texts: PluginTexts,
): Outcome<{ text: string; end: number }, ProblemCode> {
  const end = data.indexOf(0, start);
  if (end < 0) return refuse("riff-text", { chunk });
  const length = end + 1 - start;
  return done({ text: texts.read(data.subarray(start, end)), end: start + length + (length & 1) });
}

function readAdditiveList(
  { name: chunk, data }: Chunk,
  texts: PluginTexts,
): Outcome<AdditiveList, ProblemCode> {
  const record = readText(data, 0, chunk, texts);
  if (!record.ok) return record;
  const view = new DataView(data.buffer, data.byteOffset, data.byteLength);
  let at = record.value.end;
  if (at + 4 > data.length) return refuse("riff-list", { count: 0 });
  const count = view.getUint32(at, true);
  at += 4;
  const entries: ListEntry[] = [];
  for (let n = 0; n < count; n++) {
    if (at + 4 > data.length) return refuse("riff-list", { count });
    const name = readText(data, at + 4, chunk, texts);
    if (!name.ok) return name;
    entries.push({
      depth: view.getUint16(at, true),
      share: view.getUint16(at + 2, true),
      name: name.value.text,
    });
    at = name.value.end;
  }
  return done({ record: record.value.text, entries });
}

export function factsOfPlugin(bytes: Uint8Array, layout: RiffLayout): Outcome<PluginFacts, ProblemCode> {
  const plugin = readPlugin(bytes, layout);
  if (!plugin.ok) return plugin;
  const { info, flags, masters, records, lists, guessedTexts } = plugin.value;
  return done({
    flags,
    title: info.INAM ?? null,
    author: info.IART ?? null,
    description: info.ICMT ?? null,
    date: info.ICRD ?? null,
    masters: [...masters],
    recordCount: records.length,
    records,
    lists: lists.length,
    additiveLists: lists,
    ...(guessedTexts && { guessedTexts }),
  });
}

const encoder = new TextEncoder();

/** A text with its terminating zero, padded with another one where the length would be odd. */
function evenText(text: string): Uint8Array {
  const bytes = encoder.encode(`${text}\0`);
  return bytes.length & 1 ? concatBytes([bytes, new Uint8Array(1)]) : bytes;
}

const textChunk = (name: string, text: string): Uint8Array => writeChunk(name, encoder.encode(`${text}\0`));

export function writePlugin(plugin: Plugin, formType: string): Uint8Array {
  const head = new DataView(new ArrayBuffer(8));
  head.setUint32(0, layoutVersion, true);
  head.setUint32(4, plugin.flags, true);
  const info = infoTags.flatMap((tag) =>
    plugin.info[tag] === undefined ? [] : [textChunk(tag, plugin.info[tag])],
  );
  const parts = [writeChunk("head", new Uint8Array(head.buffer)), writeContainer("LIST", "INFO", info)];
  const add = (type: string, chunks: Uint8Array[]) => {
    if (chunks.length > 0) parts.push(writeContainer("LIST", type, chunks));
  };
  add(
    "need",
    plugin.masters.map((name) => textChunk("mstr", name)),
  );
  add(
    "recs",
    plugin.records.map((name) => textChunk("recd", name)),
  );
  add("adds", plugin.lists.map(writeAdditiveList));
  return writeContainer("RIFF", formType, parts);
}

function writeAdditiveList({ record, entries }: AdditiveList): Uint8Array {
  const count = new DataView(new ArrayBuffer(4));
  count.setUint32(0, entries.length, true);
  const rows = entries.flatMap(({ depth, share, name }) => {
    const numbers = new DataView(new ArrayBuffer(4));
    numbers.setUint16(0, depth, true);
    numbers.setUint16(2, share, true);
    return [new Uint8Array(numbers.buffer), evenText(name)];
  });
  return writeChunk("alst", concatBytes([evenText(record), new Uint8Array(count.buffer), ...rows]));
}
