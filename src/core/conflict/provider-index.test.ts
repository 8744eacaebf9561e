import fc from "fast-check";
import { movedBetween } from "../graph/moved";
import { hashDigits } from "../model/packed-files";
import { noContents, type Contents } from "./contents";
import { ProviderIndex, type WinnerChange } from "./provider-index";

/** A file as a person would note it down. */
interface Noted {
  readonly key: number;
  readonly hash: number;
  readonly part: number;
  readonly inside: number;
}

interface Item {
  readonly files: readonly Noted[];
  on: boolean;
  parts: Set<number>;
  without: Set<number>;
}

const contentsOf = (files: readonly Noted[]): Contents => {
  return {
    keys: Int32Array.from(files, ({ key }) => key),
    hashes: files.map(({ hash }) => String(hash).padStart(hashDigits, "0")).join(""),
    parts: Int16Array.from(files, ({ part }) => part),
    partKeys: ["low", "high"],
    inside: Int32Array.from(files, ({ inside }) => inside),
  };
};

const isWanted = ({ on, parts, without }: Item, { key, part }: Noted): boolean =>
  on && (part < 0 || parts.has(part)) && !without.has(key);

interface Copy {
  readonly item: number;
  readonly file: Noted;
  readonly at: number;
}

/** What each key has, first to last, by copying one item's files after another's over what is there: no index, no typed array. */
function copyInOrder(items: readonly Item[], order: readonly number[]): Map<number, Copy[]> {
  const wanted = order.flatMap((item) =>
    items[item]!.files.map((file, at) => ({ item, file, at })).filter(({ file }) =>
      isWanted(items[item]!, file),
    ),
  );
  const byPart = (a: Copy, b: Copy) => a.file.part - b.file.part || a.at - b.at;
  const layersOf = (loose: boolean) =>
    order.flatMap((item) =>
      wanted.filter((each) => each.item === item && each.file.inside < 0 === loose).sort(byPart),
    );
  const put = (all: readonly Copy[]) => {
    const byKey = new Map<number, Copy[]>();
    for (const copy of all) {
      const there = (byKey.get(copy.file.key) ?? []).filter(({ item }) => item !== copy.item);
      byKey.set(copy.file.key, [...there, copy]);
    }
    return byKey;
  };
  const loose = put(layersOf(true));
  const opened = layersOf(false).filter(({ item, file }) => {
    const last = loose.get(items[item]!.files[file.inside]!.key)?.at(-1);
    return last?.item === item && last.at === file.inside;
  });
  return put([...opened, ...layersOf(true)]);
}

const keys = 12;
const everyKey = Array.from({ length: keys }, (_, key) => key);

const anItem = fc
  .array(
    fc.record({
      key: fc.nat(keys - 1),
      hash: fc.nat(2),
      part: fc.integer({ min: -1, max: 1 }),
      in: fc.nat(7),
    }),
    {
      maxLength: 9,
    },
  )
  .map((files): Item => {
    const noted = files.map(({ key, hash, part }) => ({ key, hash, part, inside: -1 }));
    // Every file may lie in one before it that lies loose.
    for (const [at, { in: container }] of files.entries())
      if (container < at && noted[container]!.inside < 0 && noted[container]!.key < 3)
        noted[at] = { ...noted[at]!, part: noted[container]!.part, inside: container };
    return { files: noted, on: false, parts: new Set(), without: new Set() };
  });

type Edit =
  | { readonly kind: "switch"; readonly item: number }
  | { readonly kind: "part"; readonly item: number; readonly part: number }
  | { readonly kind: "leave-out"; readonly item: number; readonly key: number }
  | { readonly kind: "move"; readonly item: number; readonly to: number }
  | { readonly kind: "shuffle"; readonly seed: number };

const item = fc.nat(30);
const anEdit: fc.Arbitrary<Edit> = fc.oneof(
  fc.record({ kind: fc.constant("switch" as const), item }),
  fc.record({ kind: fc.constant("part" as const), item, part: fc.nat(1) }),
  fc.record({ kind: fc.constant("leave-out" as const), item, key: fc.nat(keys - 1) }),
  fc.record({ kind: fc.constant("move" as const), item, to: item }),
  fc.record({ kind: fc.constant("shuffle" as const), seed: fc.nat(1000) }),
);

const flip = <T>(set: Set<T>, value: T) => void (set.delete(value) || set.add(value));

/** Makes an edit in the notes, and answers with the order after it. */
function note(items: Item[], order: readonly number[], edit: Edit): number[] {
  if (edit.kind === "shuffle")
    return [...order].sort(
      (a, b) => ((a * 7919 + edit.seed * 31) % 13) - ((b * 7919 + edit.seed * 31) % 13) || a - b,
    );
  const at = edit.item % items.length;
  const own = items[at]!;
  if (edit.kind === "switch") own.on = !own.on;
  if (edit.kind === "part") flip(own.parts, edit.part);
  if (edit.kind === "leave-out") flip(own.without, edit.key);
  if (edit.kind !== "move") return [...order];
  const others = order.filter((each) => each !== at);
  return others.toSpliced(edit.to % (others.length + 1), 0, at);
}

const placesIn = (order: readonly number[]): number[] => {
  const places: number[] = [];
  for (const [place, each] of order.entries()) places[each] = place;
  return places;
};

const provides = (own: Item) => (at: number) => isWanted(own, own.files[at]!);

/** All that can be asked of an index. */
const saidBy = (index: ProviderIndex, items: number) => ({
  keys: everyKey.map((key) => ({
    providers: index.providersOf(key),
    files: index.providedBy(key).map(({ at }) => at),
    winner: index.winnerOf(key),
    isContested: index.isContested(key),
    isEqual: index.isEqual(key),
  })),
  items: Array.from({ length: items }, (_, item) => ({
    ...index.figuresOf(item),
    isCovered: index.isCovered(item),
    differences: [...index.differencesOf(item)].sort(([a], [b]) => a - b),
  })),
});

/** The same as it follows from copying. */
function saidByCopying(items: readonly Item[], order: readonly number[]): ReturnType<typeof saidBy> {
  const copied = copyInOrder(items, order);
  const all = everyKey.map((key) => copied.get(key) ?? []);
  return {
    keys: all.map((copies) => {
      const hashes = new Set(copies.map(({ file }) => file.hash));
      return {
        providers: copies.map((copy) => copy.item),
        files: copies.map(({ at }) => at),
        winner: copies.at(-1)?.item ?? -1,
        isContested: copies.length > 1,
        isEqual: copies.length === 1 || (hashes.size === 1 && !hashes.has(0)),
      };
    }),
    items: items.map((_, item) => {
      const own = all.filter((copies) => copies.some((copy) => copy.item === item));
      const alone = own.filter((copies) => copies.length === 1).length;
      const wins = own.filter((copies) => copies.length > 1 && copies.at(-1)!.item === item).length;
      const loses = own.length - alone - wins;
      const differences = items.flatMap((__, other): [number, number][] => {
        const differ = own.filter((copies) => {
          const [mine, theirs] = [item, other].map((one) => copies.find((copy) => copy.item === one));
          return theirs && (mine!.file.hash === 0 || mine!.file.hash !== theirs.file.hash);
        }).length;
        return other !== item && differ > 0 ? [[other, differ]] : [];
      });
      const isCovered = own.length > 0 && loses === own.length;
      return { files: own.length, wins, loses, alone, isCovered, differences };
    }),
  };
}

/** By their texts first: thousands of states are compared, and looking into each takes long. */
function expectSame(index: ProviderIndex, items: readonly Item[], order: readonly number[]): void {
  const [said, expected] = [saidBy(index, items.length), saidByCopying(items, order)];
  if (JSON.stringify(said) !== JSON.stringify(expected)) expect(said).toEqual(expected);
}

const winnersIn = (index: ProviderIndex): number[] => everyKey.map((key) => index.winnerOf(key));

const changesBetween = (before: readonly number[], after: readonly number[]): WinnerChange[] =>
  after.flatMap((to, key) => (to === before[key] ? [] : [{ key, from: before[key]!, to }]));

const byKey = (changes: readonly WinnerChange[]) => [...changes].sort((a, b) => a.key - b.key);

// 700 runs of up to 25 edits each: some 10,000 edits, and as many taken back.
test("whatever is moved, switched, left out or chosen, all is as if the files were copied in order; so it is when that is taken back", () => {
  const setups = fc.array(anItem, { minLength: 1, maxLength: 7 });
  const allEdits = fc.array(anEdit, { minLength: 4, maxLength: 25 });
  fc.assert(fc.property(setups, allEdits, expectSameThroughout), { numRuns: 700 });
});

const copied = (items: readonly Item[]): Item[] =>
  items.map((own) => ({ ...own, parts: new Set(own.parts), without: new Set(own.without) }));

function expectSameThroughout(drawn: readonly Item[], edits: readonly Edit[]): void {
  const items = copied(drawn);
  const index = new ProviderIndex(
    items.map(({ files }) => contentsOf(files)),
    keys,
    false,
  );
  const provided = (all: readonly Item[]) => new Map(all.map((own, at) => [at, provides(own)]));
  let order = items.map((_, at) => at);
  for (const edit of edits) {
    const before = { order, winners: winnersIn(index), items: copied(items) };
    order = note(items, order, edit);
    const moved = movedBetween(before.order.map(String), order.map(String)).map(Number);
    index.update(placesIn(order), moved, provided(items));
    const changes = index.changes();
    const expected = changesBetween(before.winners, winnersIn(index));
    if (JSON.stringify(byKey(changes)) !== JSON.stringify(expected)) expect(byKey(changes)).toEqual(expected);
    expectSame(index, items, order);
    index.update(placesIn(before.order), moved, provided(before.items));
    expectSame(index, before.items, before.order);
    index.update(placesIn(order), moved, provided(items));
  }
}

test("the game's own files lose to everything, packed too, wherever the game stands", () => {
  const own: Item = {
    files: [{ key: 0, hash: 1, part: -1, inside: -1 }],
    on: true,
    parts: new Set(),
    without: new Set(),
  };
  const packs: Item = {
    ...own,
    files: [
      { key: 1, hash: 2, part: -1, inside: -1 },
      { key: 0, hash: 3, part: -1, inside: 0 },
    ],
  };
  const index = new ProviderIndex(
    [own, packs].map(({ files }) => contentsOf(files)),
    2,
    true,
  );
  const all = new Map([own, packs].map((each, at) => [at, provides(each)]));
  index.update([1, 0], [], all);
  expect(index.providersOf(0)).toEqual([0, 1]);
  expect(index.providedBy(0).map(({ packed }) => packed)).toEqual([false, true]);
});

test("nothing is known of what brings nothing", () => {
  const index = new ProviderIndex([noContents], 0, false);
  index.update([0], [], new Map([[0, () => true]]));
  expect(index.changes()).toEqual([]);
  expect(index.figuresOf(0)).toMatchObject({ files: 0, wins: 0, loses: 0, alone: 0 });
  expect(index.isCovered(0)).toBe(false);
});
