import { SettingChoice } from "@/core/model/settings";
import { sha256 } from "@noble/hashes/sha2";
import { bytesToHex, hexToBytes } from "@noble/hashes/utils";
import { base64urlnopad } from "@scure/base";
import { deflateSync, inflateSync } from "fflate";
import { z } from "zod";
import type { Aspect } from "@/core/lineup/losses";
import type { SharedSetup } from "@/core/lineup/share";
import { done, refuse, type Outcome } from "@/core/model/outcome";

/** The first form has eight bytes of the fingerprint, the second the whole of it. */
const marks = ["S2-", "S1-"] as const;
const partOfFirst = 8;
const sumLength = 4;
/** Characters; far more than any setup that fits a picture. */
const longest = 40_000;

/** Everything that decides how a setup behaves, and its sections where they fit. */
export const carriedByCode: readonly Aspect[] = [
  "versions",
  "hashes",
  "mods",
  "plugins",
  "parts",
  "settings",
  "sections",
];

/** A code on its own, or at the end of a link. */
export const codePattern = /(?:^|[#=\s])(S[12]-[A-Za-z0-9_-]+)\s*$/;

const strings = z.array(z.string().max(200)).max(5000);
const SectionRun = z.tuple([
  z.string().max(80),
  z.number().int().min(1).max(20_000),
  z.string().max(80).optional(),
  z.string().max(80).optional(),
]);
/** What of a setup is words. Keys are short, for each of them counts, and what is empty is left out. */
const Words = z.strictObject({
  g: z.tuple([z.string().max(80), z.string().max(80)]),
  t: z.string().min(1).max(200),
  a: z.string().max(200).default(""),
  n: z.string().max(100).default(""),
  e: strings.default([]),
  b: strings.default([]),
  l: z.record(z.string(), z.union([z.string(), z.number(), z.boolean()])).default({}),
  /** What is to stand in files of settings; absent where that is nothing. */
  f: z.array(SettingChoice).max(5000).optional(),
  /** Options and components by the place of their mod. */
  p: z.record(z.string().regex(/^\d{1,5}$/), z.tuple([z.record(z.string(), strings), strings])).default({}),
  /** Mods that are named, by their place: id, name, version. */
  u: z
    .record(
      z.string().regex(/^\d{1,5}$/),
      z.tuple([z.string().max(255), z.string().max(500), z.string().max(100)]),
    )
    .default({}),
  s: z
    .tuple([z.array(SectionRun).max(500), z.array(SectionRun).max(500)])
    .nullable()
    .default(null),
});

/** The code; with `limit` without its sections where they would make it longer than that. See docs/FORMATS.md. */
export function writeCode(setup: SharedSetup, limit = 1900): string {
  const whole = encode(setup);
  return whole.length <= limit || !setup.sections ? whole : encode({ ...setup, sections: null });
}

function encode(setup: SharedSetup): string {
  const packed = deflateSync(bytesOf(setup), { level: 9 });
  return marks[0] + base64urlnopad.encode(joined([packed, sumOf(packed)]));
}

const sumOf = (bytes: Uint8Array): Uint8Array => sha256(bytes).slice(0, sumLength);

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

function bytesOf(setup: SharedSetup): Uint8Array {
  const words: z.infer<typeof Words> = {
    g: [setup.game.id, setup.game.version],
    t: setup.title,
    a: setup.author,
    n: setup.listVersion,
    e: [...setup.expansions],
    b: [...setup.baseOff],
    l: setup.launch,
    ...(setup.settings.length > 0 && { f: [...setup.settings] }),
    p: {},
    u: {},
    s: setup.sections && [setup.sections.mods.map(runOf), setup.sections.plugins.map(runOf)],
  };
  setup.mods.forEach(({ options, components, named }, at) => {
    if (Object.keys(options).length + components.length > 0)
      words.p[at] = [
        Object.fromEntries(Object.entries(options).map(([key, parts]) => [key, [...parts]])),
        [...components],
      ];
    if (named) words.u[at] = [named.id, named.name, named.version];
  });
  const said = Object.entries(words).filter(([, value]) => value && Object.keys(value).length > 0);
  const text = new TextEncoder().encode(JSON.stringify(Object.fromEntries(said)));
  const bits = new Uint8Array(Math.ceil(setup.on.length / 8));
  setup.on.forEach((on, at) => on && (bits[at >> 3]! |= 1 << (at & 7)));
  const total = setup.mods.reduce((sum, { plugins }) => sum + plugins, 0);
  const order = orderBytes(setup.order, total);
  return joined([
    number(text.length),
    text,
    number(setup.fingerprint.length / 2),
    hexToBytes(setup.fingerprint),
    number(setup.mods.length),
    ...setup.mods.map(({ start }) => hexToBytes(start)),
    ...setup.mods.map(({ plugins }) => number(plugins)),
    number(setup.order.length),
    bits,
    number(order.length),
    order,
  ]);
}

type Runs = NonNullable<SharedSetup["sections"]>["mods"];
const runOf = ({ id, count, name, rank }: Runs[number]): z.infer<typeof SectionRun> =>
  name === undefined ? [id, count] : [id, count, name, rank];

/** Base 128, the lowest digits first (LEB128). */
function number(value: number): Uint8Array {
  const digits: number[] = [];
  for (let rest = value; ; rest = Math.floor(rest / 128)) {
    digits.push((rest % 128) | (rest >= 128 ? 128 : 0));
    if (rest < 128) return Uint8Array.from(digits);
  }
}

/** A selection of `total` things in an order as one number in mixed radix, each digit a place among what is left. */
function orderBytes(order: readonly number[], total: number): Uint8Array {
  const left = Array.from({ length: total }, (_, at) => at);
  let value = 0n;
  let weight = 1n;
  for (const place of order) {
    const at = left.indexOf(place);
    value += BigInt(at) * weight;
    weight *= BigInt(left.length);
    left.splice(at, 1);
  }
  const hex = value.toString(16);
  return hexToBytes(hex.length % 2 === 0 ? hex : `0${hex}`);
}

function orderOf(bytes: Uint8Array, count: number, total: number): number[] {
  const left = Array.from({ length: total }, (_, at) => at);
  let value = BigInt(`0x${bytesToHex(bytes) || "0"}`);
  return Array.from({ length: count }, () => {
    const radix = BigInt(left.length);
    const at = Number(value % radix);
    value /= radix;
    return left.splice(at, 1)[0]!;
  });
}

class Cut extends Error {}

/** Takes bytes one field after another; throws where there are no more. */
class Taker {
  private at = 0;
  constructor(private readonly bytes: Uint8Array) {}

  take(length: number): Uint8Array {
    if (this.at + length > this.bytes.length) throw new Cut();
    this.at += length;
    return this.bytes.subarray(this.at - length, this.at);
  }

  number(most: number): number {
    let value = 0;
    for (let weight = 1; weight <= 128 ** 3; weight *= 128) {
      const digit = this.take(1)[0]!;
      value += (digit & 127) * weight;
      if (value > most) throw new Cut();
      if (digit < 128) return value;
    }
    throw new Cut();
  }
}

/** A code within words, or broken over lines: the signs up to its end, as its own sum tells; null where there is none. */
export function codeIn(text: string): string | null {
  const starts = [...text.matchAll(/(?<![A-Za-z0-9_-])S[12]-(?=[A-Za-z0-9_-])/g)].map(({ index }) => index);
  for (const start of starts.slice(0, mostStarts)) {
    const code = codeAt(text.slice(start, start + 2 * longest));
    if (code !== null) return code;
  }
  return null;
}
/** Words that only begin like a code are few; into so many pieces a line breaker or a person may have cut one. */
const mostStarts = 20;
const mostPieces = 200;

function codeAt(text: string): string | null {
  let code = "";
  for (const word of text.split(/[\s>|"'`]+/, mostPieces)) {
    if (code !== "" && /^S[12]-/.test(word)) return null;
    const signs = /^[A-Za-z0-9_-]*/.exec(word)![0];
    code += signs;
    const read = readCode(code);
    if (read.ok || read.refusal.code === "code-unsound") return code;
    if (signs.length < word.length) return null;
  }
  return null;
}

/** Reads a code, alone or at the end of a link; says whether it was cut short or changed. */
export function readCode(text: string): Outcome<SharedSetup> {
  const code = codePattern.exec(text)?.[1];
  if (code === undefined || code.length > longest) return refuse("code-not");
  let bytes: Uint8Array;
  try {
    bytes = base64urlnopad.decode(code.slice(marks[0].length));
  } catch {
    return refuse("code-cut");
  }
  const packed = bytes.subarray(0, Math.max(0, bytes.length - sumLength));
  if (bytes.length <= sumLength || bytesToHex(sumOf(packed)) !== bytesToHex(bytes.subarray(packed.length)))
    return refuse("code-cut");
  try {
    return done(setupOf(new Taker(inflateSync(packed)), code.startsWith(marks[1])));
  } catch {
    return refuse("code-unsound");
  }
}

function setupOf(taker: Taker, isFirst: boolean): SharedSetup {
  const utf8 = new TextDecoder("utf-8", { fatal: true });
  const words = Words.parse(JSON.parse(utf8.decode(taker.take(taker.number(200_000)))));
  const fingerprint = bytesToHex(taker.take(isFirst ? partOfFirst : taker.number(32)));
  const count = taker.number(20_000);
  const starts = Array.from({ length: count }, () => bytesToHex(taker.take(3)));
  const plugins = starts.map(() => taker.number(1000));
  const total = plugins.reduce((sum, each) => sum + each, 0);
  const length = taker.number(Math.min(total, 20_000));
  const bits = taker.take(Math.ceil(length / 8));
  const order = orderOf(taker.take(taker.number(100_000)), length, total);
  const runs = (list: readonly z.infer<typeof SectionRun>[]) =>
    list.map(([id, size, name, rank]) => ({
      id,
      count: size,
      ...(name === undefined ? {} : { name }),
      ...(rank === undefined ? {} : { rank }),
    }));
  return {
    game: { id: words.g[0], version: words.g[1] },
    title: words.t,
    author: words.a,
    listVersion: words.n,
    expansions: words.e,
    baseOff: words.b,
    launch: words.l,
    settings: words.f ?? [],
    mods: starts.map((start, at) => {
      const [options, components] = words.p[at] ?? [{}, []];
      const named = words.u[at];
      return {
        start,
        plugins: plugins[at]!,
        options,
        components,
        named: named ? { id: named[0], name: named[1], version: named[2] } : null,
      };
    }),
    order,
    on: order.map((_, at) => (bits[at >> 3]! & (1 << (at & 7))) !== 0),
    sections: words.s && { mods: runs(words.s[0]), plugins: runs(words.s[1]) },
    fingerprint,
  };
}
