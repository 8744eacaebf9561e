/**
 * Who provides what, and who wins. What the items of a list bring ("provisions") stands twice, by item and by key, and is
 * never rearranged: only which of it counts, and where the items stand, changes, and with it the winner of each key.
 *
 *     items        0   1       2            keys      a      b    c
 *     provisions   a   a b     b c          byKey     0 1    2 3  4      (numbers of provisions)
 *                  0   1 2     3 4          winner    1      3    4
 *
 * So an item that moves, or is switched, touches the keys that it brings and nothing else. The order of providers: first layer (the
 * game's own, packed, loose), then place, then part of the package. A container's files count while the container itself wins its path.
 */
import { hashDigits, unknownHash } from "../model/packed-files";
import type { Contents } from "./contents";

/** A key that another item provides than before; -1 where nobody does. */
export interface WinnerChange {
  readonly key: number;
  readonly from: number;
  readonly to: number;
}

/** Of what an item brings, by its number in the item's contents, what counts. */
export type Provides = (at: number) => boolean;

/** Figures of an item, all of keys: `files` = `wins` + `loses` + `alone`. */
interface Figures {
  readonly files: number;
  readonly wins: number;
  readonly loses: number;
  readonly alone: number;
}

const COUNTS = 1;
/** It would count if its container, where it lies in one, won its path. */
const WANTED = 2;

const layers = { own: 0, packed: 1, loose: 2 } as const;

export class ProviderIndex {
  readonly items: number;
  private readonly firstOf: Int32Array;
  private readonly keyOf: Int32Array;
  private readonly itemOf: Int32Array;
  private readonly layerOf: Uint8Array;
  private readonly firstByKey: Int32Array;
  private readonly byKey: Int32Array;
  private readonly state: Uint8Array;
  /** Of each key the provision that wins; -1 where none counts. */
  private readonly winner: Int32Array;
  private readonly places: Int32Array;
  private readonly files: Int32Array;
  private readonly wins: Int32Array;
  private readonly loses: Int32Array;
  /** What lies in each container, by the container's provision. */
  private readonly packed = new Map<number, number[]>();
  private readonly touchedAt: Int32Array;
  private round = 0;
  /** Keys that the last update looked at, with the provisions that won them before; null after the first. */
  private last: { readonly touched: readonly number[]; readonly winnersBefore: readonly number[] } | null =
    null;

  /** Nothing counts before `update` says so. `own`: the first item is the game itself. */
  constructor(
    private readonly contents: readonly Contents[],
    readonly keys: number,
    own: boolean,
  ) {
    const items = contents.length;
    this.items = items;
    this.firstOf = new Int32Array(items + 1);
    for (const [item, { keys: brought }] of contents.entries())
      this.firstOf[item + 1] = this.firstOf[item]! + brought.length;
    const all = this.firstOf[items]!;
    this.keyOf = new Int32Array(all);
    this.itemOf = new Int32Array(all);
    this.layerOf = new Uint8Array(all).fill(layers.loose);
    this.state = new Uint8Array(all);
    for (const [item, { keys: brought, inside }] of contents.entries()) {
      const first = this.firstOf[item]!;
      this.keyOf.set(brought, first);
      this.itemOf.fill(item, first, first + brought.length);
      if (inside) this.addPacked(first, inside);
      if (own && item === 0) this.layerOf.fill(layers.own, 0, brought.length);
    }
    this.firstByKey = startsOf(this.keyOf, keys);
    this.byKey = new Int32Array(all);
    const next = this.firstByKey.slice(0, keys);
    for (let each = 0; each < all; each++) this.byKey[next[this.keyOf[each]!]!++] = each;
    this.winner = new Int32Array(keys).fill(-1);
    this.touchedAt = new Int32Array(keys);
    this.places = Int32Array.from(contents, (_, item) => item);
    [this.files, this.wins, this.loses] = [
      new Int32Array(items),
      new Int32Array(items),
      new Int32Array(items),
    ];
  }

  private addPacked(first: number, inside: Int32Array): void {
    for (const [at, container] of inside.entries()) {
      if (container < 0) continue;
      this.layerOf[first + at] = layers.packed;
      const held = this.packed.get(first + container);
      if (held) held.push(first + at);
      else this.packed.set(first + container, [first + at]);
    }
  }

  /**
   * Brings the index to where the items stand at `places`, no two at one, and those in `changed` provide what is said of them;
   * `moved` are as many of the items as must be taken for moved so that all others keep their order. What changes hands thereby is told by
   * `changes`.
   */
  update(places: ArrayLike<number>, moved: Iterable<number>, changed: ReadonlyMap<number, Provides>): void {
    this.round++;
    if (this.round === 1) return this.updateFirst(places, changed);
    const touched: number[] = [];
    const winnersBefore: number[] = [];
    const toggled: number[] = [];
    const packedToggled: number[] = [];
    for (const [item, provides] of changed)
      this.forEachOf(item, (each, at) => {
        if (provides(at) === ((this.state[each]! & WANTED) !== 0)) return;
        (this.layerOf[each] === layers.packed ? packedToggled : toggled).push(each);
      });
    const touch = (each: number) => {
      const key = this.keyOf[each]!;
      if (this.touchedAt[key] === this.round) return;
      this.touchedAt[key] = this.round;
      touched.push(key);
      winnersBefore.push(this.winner[key]!);
    };
    toggled.forEach(touch);
    for (const item of moved) this.forEachOf(item, (each) => this.counts(each) && touch(each));
    for (const key of touched) this.tally(key, -1);
    for (const each of toggled) this.state[each]! ^= WANTED | COUNTS;
    this.places.set(places);
    for (const key of touched) this.decide(key);
    for (const each of packedToggled) this.state[each]! ^= WANTED;
    const repacked = this.repacked(touched, winnersBefore, packedToggled);
    const already = touched.length;
    repacked.forEach(touch);
    for (let at = already; at < touched.length; at++) this.tally(touched[at]!, -1);
    for (const each of repacked) this.state[each]! ^= COUNTS;
    for (const key of repacked.length > 0 ? touched : []) this.decide(key);
    for (const key of touched) this.tally(key, 1);
    this.last = { touched, winnersBefore };
  }

  /** Nothing counted before, so that every key is gone through once. */
  private updateFirst(places: ArrayLike<number>, changed: ReadonlyMap<number, Provides>): void {
    this.places.set(places);
    for (const [item, provides] of changed) {
      const first = this.firstOf[item]!;
      for (let each = first, end = this.firstOf[item + 1]!; each < end; each++)
        if (provides(each - first))
          this.state[each] = this.layerOf[each] === layers.packed ? WANTED : WANTED | COUNTS;
    }
    for (let key = 0; key < this.keys; key++) this.decide(key);
    const repacked = [...this.packed.values()].flat().filter((each) => this.wouldCount(each));
    for (const each of repacked) this.state[each]! |= COUNTS;
    for (const each of repacked) this.decide(this.keyOf[each]!);
    for (let key = 0; key < this.keys; key++) this.tally(key, 1);
  }

  /** What lies packed and counts, or no longer does, now that other containers win their paths. */
  private repacked(
    touched: readonly number[],
    winnersBefore: readonly number[],
    toggled: readonly number[],
  ): number[] {
    if (this.packed.size === 0) return [];
    const asked = new Set(toggled);
    for (const [at, key] of touched.entries()) {
      const [before, now] = [winnersBefore[at]!, this.winner[key]!];
      if (before === now) continue;
      for (const container of [before, now])
        for (const each of this.packed.get(container) ?? []) asked.add(each);
    }
    return [...asked].filter((each) => this.wouldCount(each) !== this.counts(each));
  }

  private wouldCount(packed: number): boolean {
    if ((this.state[packed]! & WANTED) === 0) return false;
    const first = this.firstOf[this.itemOf[packed]!]!;
    const container = first + this.contents[this.itemOf[packed]!]!.inside![packed - first]!;
    return this.winner[this.keyOf[container]!] === container;
  }

  /** What the last update made change hands; of the first one, everything came to somebody. */
  changes(): WinnerChange[] {
    const itemOf = (each: number) => (each < 0 ? -1 : this.itemOf[each]!);
    const { touched, winnersBefore } = this.last ?? { touched: [...this.provided()], winnersBefore: [] };
    return touched.flatMap((key, at): WinnerChange[] => {
      const [from, to] = [itemOf(winnersBefore[at] ?? -1), itemOf(this.winner[key]!)];
      return from === to ? [] : [{ key, from, to }];
    });
  }

  get hasPacked(): boolean {
    return this.packed.size > 0;
  }

  /** Whether what an item brings, by its number in the item's contents, counts. */
  isProvided = (item: number, at: number): boolean => this.counts(this.firstOf[item]! + at);

  private counts = (each: number): boolean => (this.state[each]! & COUNTS) !== 0;

  private forEachOf(item: number, visit: (each: number, at: number) => void): void {
    const first = this.firstOf[item]!;
    for (let each = first, end = this.firstOf[item + 1]!; each < end; each++) visit(each, each - first);
  }

  /** Whether `one` comes after `other`, and so wins over it. */
  private isLater(one: number, other: number): boolean {
    const layer = this.layerOf[one]! - this.layerOf[other]!;
    if (layer !== 0) return layer > 0;
    const place = this.places[this.itemOf[one]!]! - this.places[this.itemOf[other]!]!;
    if (place !== 0) return place > 0;
    const part = this.partOf(one) - this.partOf(other);
    return part === 0 ? one > other : part > 0;
  }

  private partOf(each: number): number {
    const item = this.itemOf[each]!;
    return this.contents[item]!.parts?.[each - this.firstOf[item]!] ?? -1;
  }

  private decide(key: number): void {
    let best = -1;
    for (let at = this.firstByKey[key]!, end = this.firstByKey[key + 1]!; at < end; at++) {
      const each = this.byKey[at]!;
      if (this.counts(each) && (best < 0 || this.isLater(each, best))) best = each;
    }
    this.winner[key] = best;
  }

  /** Adds what a key says to the figures of its providers, or takes it from them. */
  private tally(key: number, by: 1 | -1): void {
    const winner = this.winner[key]!;
    if (winner < 0) return;
    const winning = this.itemOf[winner]!;
    let last = -1;
    let providers = 0;
    for (let at = this.firstByKey[key]!, end = this.firstByKey[key + 1]!; at < end; at++) {
      const each = this.byKey[at]!;
      const item = this.itemOf[each]!;
      if (item === last || !this.counts(each)) continue;
      last = item;
      providers++;
      this.files[item]! += by;
      if (item !== winning) this.loses[item]! += by;
    }
    if (providers > 1) this.wins[winning]! += by;
  }

  /** The item that wins a key; -1 where nobody provides it. */
  winnerOf(key: number): number {
    const winner = this.winner[key]!;
    return winner < 0 ? -1 : this.itemOf[winner]!;
  }

  /** How an item comes to its figures is said at their type. */
  figuresOf(item: number): Figures {
    const [files, wins, loses] = [this.files[item]!, this.wins[item]!, this.loses[item]!];
    return { files, wins, loses, alone: files - wins - loses };
  }

  /** Whether all that an item brings loses: it does nothing. */
  isCovered = (item: number): boolean => this.files[item]! > 0 && this.files[item] === this.loses[item];

  /** The provisions of a key that count, of each item the one that it provides, first to last. */
  private provisionsOf(key: number): number[] {
    const found: number[] = [];
    for (let at = this.firstByKey[key]!, end = this.firstByKey[key + 1]!; at < end; at++) {
      const each = this.byKey[at]!;
      if (!this.counts(each)) continue;
      const before = found.at(-1);
      if (before === undefined || this.itemOf[before] !== this.itemOf[each]) found.push(each);
      else if (this.isLater(each, before)) found[found.length - 1] = each;
    }
    return found.sort((a, b) => (this.isLater(a, b) ? 1 : -1));
  }

  /** The items that provide a key, first to last: the last one wins. */
  providersOf = (key: number): number[] => this.provisionsOf(key).map((each) => this.itemOf[each]!);

  /** The same, with what is provided as its number in the item's contents. */
  providedBy = (key: number): { readonly item: number; readonly at: number; readonly packed: boolean }[] =>
    this.provisionsOf(key).map((each) => {
      const item = this.itemOf[each]!;
      return { item, at: each - this.firstOf[item]!, packed: this.layerOf[each] === layers.packed };
    });

  isContested(key: number): boolean {
    const winner = this.winnerOf(key);
    for (let at = this.firstByKey[key]!, end = this.firstByKey[key + 1]!; winner >= 0 && at < end; at++)
      if (this.counts(this.byKey[at]!) && this.itemOf[this.byKey[at]!] !== winner) return true;
    return false;
  }

  /** Whether all providers of a key have the same contents; of what was not read that is not known, and so not said. */
  isEqual(key: number): boolean {
    const [first, ...others] = this.provisionsOf(key);
    return first !== undefined && others.every((each) => this.sameHash(first, each));
  }

  /** The items that provide a key, first to last, each with whether its contents are those of one of them. */
  comparedTo(key: number, one: number): { readonly item: number; readonly equal: boolean }[] {
    const all = this.provisionsOf(key);
    const own = all.find((each) => this.itemOf[each] === one);
    return all.map((each) => ({
      item: this.itemOf[each]!,
      equal: each === own || (own !== undefined && this.sameHash(own, each)),
    }));
  }

  /** Whether two items that provide a key have the same contents for it. */
  areEqual = (key: number, one: number, other: number): boolean =>
    this.comparedTo(key, one).some(({ item, equal }) => item === other && equal);

  /** Where an item stands, among all of them. */
  placeOf = (item: number): number => this.places[item]!;

  private sameHash(one: number, other: number): boolean {
    const hash = this.hashOf(one);
    return hash !== null && hash !== unknownHash && hash === this.hashOf(other);
  }

  private hashOf(each: number): string | null {
    const item = this.itemOf[each]!;
    const from = (each - this.firstOf[item]!) * hashDigits;
    return this.contents[item]!.hashes?.slice(from, from + hashDigits) ?? null;
  }

  /** The keys that an item provides, each once, in the order of its contents. */
  keysOf(item: number): number[] {
    const keys = new Set<number>();
    this.forEachOf(item, (each) => this.counts(each) && keys.add(this.keyOf[each]!));
    return [...keys];
  }

  /** With which items one meets in contents that differ, and in how many keys: where they are equal it does not matter who wins. */
  differencesOf(item: number): Map<number, number> {
    const differing = new Map<number, number>();
    for (const key of this.keysOf(item)) {
      const all = this.provisionsOf(key);
      const own = all.find((each) => this.itemOf[each] === item)!;
      for (const each of all)
        if (each !== own && !this.sameHash(own, each)) {
          const other = this.itemOf[each]!;
          differing.set(other, (differing.get(other) ?? 0) + 1);
        }
    }
    return differing;
  }

  /** Every key that somebody provides. */
  *provided(): Generator<number> {
    for (let key = 0; key < this.keys; key++) if (this.winner[key]! >= 0) yield key;
  }
}

function startsOf(keyOf: Int32Array, keys: number): Int32Array {
  const starts = new Int32Array(keys + 1);
  for (const key of keyOf) starts[key + 1]!++;
  for (let key = 0; key < keys; key++) starts[key + 1]! += starts[key]!;
  return starts;
}
