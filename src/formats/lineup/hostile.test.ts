import { makeLineup } from "@/core/lineup/make-lineup";
import { shareSetup } from "@/core/lineup/share";
import { knownMods } from "@/core/lineup/known";
import { makeRandom } from "@/core/random";
import { testGame } from "@/core/testing/game";
import { hostileLists } from "@/core/testing/hostile-lists";
import { testRoster } from "@/core/testing/roster";
import { lineupFormats } from "./all";
import { writeCode } from "./code";
import { largestList, readList, type ListIn } from "./read";
import { resolveList } from "./resolve";

const roster = testRoster([
  { name: "Core.keel" },
  { name: "b.plank", masters: ["core.keel"] },
  { name: "p.plank", section: "patches" },
]);
const lineup = makeLineup(roster, {
  title: "Pond",
  author: "reed",
  note: "Calm.",
  listVersion: "1",
  date: "2026-11-01",
});
const known = knownMods(roster.stock.shelf, []);
const bytes = (text: string) => new TextEncoder().encode(text);
const samples = [
  ...lineupFormats.map((format) => [format.id, bytes(format.write(lineup, testGame))] as const),
  [
    "code",
    bytes(
      writeCode(
        shareSetup(
          lineup,
          testGame,
          () => null,
          () => true,
        ),
      ),
    ),
  ] as const,
  ["words", bytes("My list:\n1. Core v1.0.0 - needs b\n* [x] p (off)\n")] as const,
];

/** Reads, and where that goes well makes a lineup of it: neither may throw, whatever the bytes. */
function survives(name: string, data: Uint8Array): ListIn["kind"] | null {
  const list = readList(data, name, testGame);
  if (!list.ok) return null;
  resolveList(list.value, testGame, known, roster.stock, "List");
  return list.value.kind;
}

/** In the normal run a part of them; all of 20 seeds x 20,000 with SEATING_FUZZ=all. */
const runs =
  process.env.SEATING_FUZZ === "all" ? { seeds: 20, mutations: 20_000 } : { seeds: 20, mutations: 30 };

/** One to four changes: a byte turned, a piece taken out, doubled, or put elsewhere. */
function mutate(data: Uint8Array, random: ReturnType<typeof makeRandom>): Uint8Array {
  let result = [...data];
  for (let change = random.below(4); change >= 0; change--) {
    const at = random.below(result.length + 1);
    const piece = result.slice(at, at + random.below(40));
    const kind = random.below(4);
    if (kind === 0 && at < result.length) result[at] = random.below(256);
    else if (kind === 1) result.splice(at, piece.length);
    else if (kind === 2) result.splice(at, 0, ...piece);
    else
      result = [
        ...result.slice(0, at),
        ...bytes(
          random.pick(["<", '"', "\u0000", "{", "]]>", "&a;", "---", "\uFEFF", "9".repeat(30), "__proto__"]),
        ),
        ...result.slice(at),
      ];
  }
  return Uint8Array.from(result);
}

test.each(samples)(
  "%s: no change of its bytes makes a reader throw",
  (id, data) => {
    let read = 0;
    // What is no code any more is read as words.
    const isRead = (kind: ListIn["kind"] | null) => (id === "code" ? kind === "code" : kind !== null);
    for (let seed = 1; seed <= runs.seeds; seed++) {
      const random = makeRandom(seed);
      for (let run = 0; run < runs.mutations; run++)
        read += Number(isRead(survives(id, mutate(data, random))));
    }
    // A code has a check sum: any change is found. Of the others some changes do no harm.
    if (id === "code") expect(read).toBeLessThan(runs.seeds * runs.mutations * 0.2);
    else if (id !== "lineup" && id !== "yaml") expect(read).toBeGreaterThan(0);
  },
  3_600_000,
);

const refusedAs = (data: Uint8Array | string, name = "x") => {
  const list = readList(typeof data === "string" ? bytes(data) : data, name, testGame);
  return list.ok ? list.value.kind : list.refusal.code;
};

test.each<[string, () => Uint8Array | string, string]>([
  [
    "entities that multiply",
    () =>
      `<?xml version="1.0"?><!DOCTYPE l [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;&a;">]><lineup><item name="&b;"/></lineup>`,
    "list-broken",
  ],
  [
    "an entity from outside",
    () => `<!DOCTYPE l [<!ENTITY x SYSTEM "file:///etc/passwd">]><lineup><item name="&x;"/></lineup>`,
    "list-broken",
  ],
  [
    "aliases by the billion",
    () =>
      `format: seating-lineup/1\n${Array.from(
        { length: 12 },
        (_, at) =>
          `a${at}: &a${at} [${
            at === 0
              ? '"x"'
              : Array(10)
                  .fill(`*a${at - 1}`)
                  .join(",")
          }]`,
      ).join("\n")}`,
    "list-broken",
  ],
  ["nesting without end, JSON", () => "[".repeat(200_000), "list-empty"],
  ["nesting without end, YAML", () => `format: seating-lineup/1\nx: ${"[".repeat(100_000)}`, "list-broken"],
  ["nesting without end, XML", () => "<x>".repeat(50_000), "list-broken"],
  ["nesting without end, a page's remains", () => "<a>".repeat(50_000), "list-empty"],
  ["a code's mark without end", () => "S2-a ".repeat(30_000), "code-cut"],
  ["a code cut into pieces without end", () => `S2-a ${"b ".repeat(60_000)}.`, "listing"],
  ["lists in lists without end, Markdown", () => `- **a**\n${"- ".repeat(200_000)}x`, "list-broken"],
  ["a rule of many signs, Markdown", () => `- **a**\n\n${"- ".repeat(60)}\n`, "listing"],
  ["nesting without end, Markdown", () => `- **a**\n${"> ".repeat(20_000)}x`, "list-broken"],
  [
    "UTF-16 without a mark",
    () => Uint8Array.from([...bytes("Core\nb")].flatMap((byte) => [byte, 0])),
    "listing",
  ],
  ["bytes of no encoding", () => Uint8Array.of(0xff, 0xc0, 0x80, 0xfe, 0x00), "not-utf8"],
  ["nothing", () => "", "list-empty"],
  ["a page without a lineup", () => "<!doctype html><p>hello</p>", "not-a-lineup"],
])("%s: refused or read as what it is, and nothing more", (_, make, wanted) => {
  expect(refusedAs(make())).toBe(wanted);
});

test("UTF-16 with its mark is read", () => {
  const text = "\uFEFFCore\nb";
  const data = new Uint8Array(text.length * 2);
  [...text].forEach((sign, at) => new DataView(data.buffer).setUint16(at * 2, sign.charCodeAt(0), true));
  expect(refusedAs(data)).toBe("listing");
});

test("a line as long as a file may be is read in bounded time, and one byte more is refused", () => {
  const long = new Uint8Array(largestList).fill(0x61);
  expect(refusedAs(long)).toBe("listing");
  expect(refusedAs(new Uint8Array(largestList + 1))).toBe("too-large");
});

test("keys of the prototype stay words", () => {
  for (const text of [
    "list,name,__proto__,constructor\nmods,Core,x,y\n",
    '<l><item name="Core" __proto__="x"/></l>',
    '{"bomFormat":"CycloneDX","components":[{"name":"Core","properties":[{"name":"__proto__","value":"x"}]}]}',
  ])
    expect(refusedAs(text)).toBe("listing");
  expect(({} as Record<string, unknown>).x).toBeUndefined();
  expect(Object.prototype).not.toHaveProperty("list");
});

test("names that are paths name no file: they are matched, and match nothing", () => {
  const list = readList(bytes("../../saves/lading.lst\nC:\\Windows\\x.keel\n/etc/passwd\n"), "x", testGame);
  if (!list.ok) throw new Error(list.refusal.code);
  const { lineup: made, matches } = resolveList(list.value, testGame, known, roster.stock, "List");
  expect(matches.every(({ known: found }) => found === null)).toBe(true);
  expect(made.mods).toEqual([]);
});

/** What each costs is measured by `npm run bench:hostile`. */
test.each(hostileLists)("a list of 1 MB, %s: read or refused", (_, make) => {
  expect(refusedAs(make())).toMatch(
    /^(listing|code-cut|list-(broken|long|large|empty)|lineup-broken|not-a-lineup|not-json)$/,
  );
});
