import type { PluginLaws, RiffLaws, TaggedLaws } from "./laws";
import { Unreadable } from "./stopped";

/** What the game needs to know of a plugin. */
export interface Header {
  readonly flags: number;
  readonly masters: readonly string[];
  /** What stands in its additive lists, by the record; of one that stands there twice the last. */
  readonly lists: ReadonlyMap<string, readonly string[]>;
}

/** Throws `Unreadable`. */
export function readHeader(bytes: Uint8Array, laws: PluginLaws): Header {
  const view = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const header = laws.container === "riff" ? readRiff(view, laws) : readTagged(view, laws);
  const odd = header.masters.find((name) => !isFileName(name));
  if (odd !== undefined)
    throw new Unreadable(`it names a master that is no file name: “${odd.slice(0, 80)}”`);
  return header;
}

const isFileName = (name: string): boolean =>
  name !== "" && name !== "." && name !== ".." && name.length < 256 && !/[/\\\p{Cc}]/u.test(name);

const cutShort = (what: string): Unreadable => new Unreadable(`it is cut short: ${what}`);

/** Texts are what the layout says, else UTF-8, else what every byte is some letter of. */
function textOf(bytes: Buffer, encoding: string | undefined): string {
  const read = (label: string) => new TextDecoder(label, { fatal: encoding === undefined }).decode(bytes);
  if (encoding !== undefined) return read(encoding);
  try {
    return read("utf-8");
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}

/** The chunks one after another, each padded to an even length (Multimedia Programming Interface and Data Specifications 1.0, 1991). */
function* chunksIn(bytes: Buffer): Generator<readonly [string, Buffer]> {
  for (let at = 0; at < bytes.length;) {
    if (bytes.length < at + 8) throw cutShort("a chunk's header");
    const name = bytes.toString("latin1", at, at + 4);
    const end = at + 8 + bytes.readUInt32LE(at + 4);
    if (end > bytes.length) throw cutShort(`the chunk “${name}” says more bytes than are left`);
    yield [name, bytes.subarray(at + 8, end)];
    at = end + ((end - at) % 2);
  }
}

function readRiff(file: Buffer, { formType, chunks, encoding }: RiffLaws): Header {
  if (file.length < 12 || file.toString("latin1", 0, 4) !== "RIFF")
    throw new Unreadable("it does not begin as a RIFF file");
  const [[, body] = []] = chunksIn(file);
  const end = 8 + body!.length;
  if (file.length > end + (end % 2)) throw new Unreadable("bytes follow after its end");
  if (body!.toString("latin1", 0, 4) !== formType) throw new Unreadable(`it is no “${formType}” file`);
  const inside = [...chunksIn(body!.subarray(4))];
  const flags = flagsIn(inside, chunks);
  const { list, item } = chunks?.masters ?? { list: "need", item: "mstr" };
  const masters: string[] = [];
  const lists = new Map<string, readonly string[]>();
  const adds = chunks ? chunks.lists : { list: "adds", item: "alst" };
  for (const [name, data] of inside) {
    if (name !== "LIST") continue;
    if (data.length < 4) throw cutShort("LIST");
    const type = data.toString("latin1", 0, 4);
    for (const [member, text] of chunksIn(data.subarray(4))) {
      if (type === adds?.list && member === adds.item) {
        const [record, ...entries] = namesInAdditive(text, member, encoding);
        lists.set(record!, entries);
      } else if (type === list && member === item)
        masters.push(textOf(zeroTerminated(text, member), encoding));
      else if (isText(type, member, chunks)) zeroTerminated(text, member);
    }
  }
  return { flags, masters, lists };
}

function flagsIn(inside: readonly (readonly [string, Buffer])[], chunks: RiffLaws["chunks"]): number {
  const { head, flagsAt } = chunks ?? { head: "head", flagsAt: 4 };
  const data = inside.find(([name]) => name === head)?.[1];
  if (!data || data.length < flagsAt + 4)
    throw new Unreadable(`it has no chunk “${head}” that is long enough`);
  if (!chunks && data.readUInt32LE(0) !== 1) throw new Unreadable("its layout version is not known");
  return data.readUInt32LE(flagsAt);
}

const infoTexts = ["INAM", "IART", "ICMT", "ICRD"];

function isText(type: string, member: string, chunks: RiffLaws["chunks"]): boolean {
  if (type === "INFO") return infoTexts.includes(member);
  const { list, item } = chunks?.records ?? { list: "recs", item: "recd" };
  return type === list && member === item;
}

function zeroTerminated(bytes: Buffer, what: string): Buffer {
  const end = bytes.indexOf(0);
  if (end < 0) throw new Unreadable(`a text in ${what} does not end`);
  return bytes.subarray(0, end);
}

/** A record's name, a count, and so many entries: two numbers of two bytes and a name, each name padded to an even length. */
function namesInAdditive(bytes: Buffer, chunk: string, encoding: string | undefined): string[] {
  const names: string[] = [];
  const afterName = (from: number) => {
    const name = zeroTerminated(bytes.subarray(from), chunk);
    names.push(textOf(name, encoding));
    return from + name.length + 1 + ((name.length + 1) % 2);
  };
  let at = afterName(0);
  if (at + 4 > bytes.length) throw cutShort("an additive list");
  const count = bytes.readUInt32LE(at);
  at += 4;
  for (let entry = 0; entry < count; entry++) {
    if (at + 4 > bytes.length) throw cutShort("an additive list");
    at = afterName(at + 4);
  }
  return names;
}

interface Field {
  readonly tag: string;
  readonly data: Buffer;
}

function readTagged(file: Buffer, laws: TaggedLaws): Header {
  const [head, ...others] = recordsIn(file, laws);
  const { file: first, name, ...described } = laws.tags;
  if (head?.tag !== first) throw new Unreadable(`it does not begin with a record “${first}”`);
  const texts = textsIn(head.data, laws, [...Object.values(described), name]);
  if (name !== undefined) for (const { data } of others) textsIn(data, laws, [name]);
  const masters = texts.filter(({ tag }) => tag === laws.tags.master);
  return {
    flags: head.flags,
    masters: masters.map(({ data }) => textOf(data, laws.encoding)),
    lists: listsIn(others, laws),
  };
}

/** A list that does not say of which record it is, is of none. */
function listsIn(records: readonly Field[], laws: TaggedLaws): Map<string, readonly string[]> {
  const lists = new Map<string, readonly string[]>();
  const { lists: law } = laws;
  if (!law) return lists;
  const least = Math.max(law.depthAt + law.numberBytes, law.shareAt + law.numberBytes, law.nameAt);
  for (const record of records.filter(({ tag }) => tag === law.tag)) {
    let name = "";
    const entries: string[] = [];
    for (const { tag, data } of fieldsIn(record.data, laws)) {
      if (tag !== law.record && tag !== law.entry) continue;
      const at = tag === law.record ? 0 : law.nameAt;
      if (tag === law.entry && data.length < least) throw cutShort("an entry of a list");
      const text = data.subarray(at);
      const read = textOf(laws.texts === "zero" ? zeroTerminated(text, tag) : text, laws.encoding);
      if (tag === law.record) name = read;
      else entries.push(read);
    }
    if (name !== "") lists.set(name, entries);
  }
  return lists;
}

/** The fields of these tags, without the zero byte that may end them. */
const textsIn = (bytes: Buffer, laws: TaggedLaws, tags: readonly (string | undefined)[]): Field[] =>
  [...fieldsIn(bytes, laws)]
    .filter(({ tag }) => tags.includes(tag))
    .map(({ tag, data }) => ({ tag, data: laws.texts === "zero" ? zeroTerminated(data, tag) : data }));

const numberAt = (bytes: Buffer, at: number, width: number, { byteOrder }: TaggedLaws): number =>
  byteOrder === "little" ? bytes.readUIntLE(at, width) : bytes.readUIntBE(at, width);

const tagAt = (bytes: Buffer, at: number, width: number): string =>
  bytes.toString("latin1", at, at + width).replace(/[\0 ]+$/, "");

/** Records of the whole file, those in groups too. */
function* recordsIn(bytes: Buffer, laws: TaggedLaws): Generator<Field & { readonly flags: number }> {
  const { record, groups } = laws;
  for (let at = 0; at < bytes.length;) {
    const tag = tagAt(bytes, at + record.tagAt, record.tagBytes);
    const { headerBytes, sizeCounts } = groups?.tag === tag ? groups : record;
    if (bytes.length < at + headerBytes) throw cutShort("the header of a record");
    const size = numberAt(bytes, at + record.sizeAt, record.sizeBytes, laws);
    const end = at + (sizeCounts === "record" ? size : headerBytes + size);
    if (end < at + headerBytes || end > bytes.length)
      throw cutShort(`the record “${tag}” says ${size} bytes`);
    const data = bytes.subarray(at + headerBytes, end);
    if (groups?.tag === tag) yield* recordsIn(data, laws);
    else yield { tag, data, flags: numberAt(bytes, at + record.flagsAt, record.flagsBytes, laws) };
    at = end;
  }
}

function* fieldsIn(bytes: Buffer, laws: TaggedLaws): Generator<Field> {
  const { tagBytes, sizeBytes } = laws.field;
  for (let at = 0; at < bytes.length;) {
    const start = at + tagBytes + sizeBytes;
    if (start > bytes.length) throw cutShort("a field");
    const end = start + numberAt(bytes, at + tagBytes, sizeBytes, laws);
    if (end > bytes.length) throw cutShort("a field");
    yield { tag: tagAt(bytes, at, tagBytes), data: bytes.subarray(start, end) };
    at = end;
  }
}
