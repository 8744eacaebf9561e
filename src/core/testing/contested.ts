import fc from "fast-check";
import { ContentLibrary } from "../conflict/content-library";
import { Conflicts } from "../conflict/conflicts";
import type { OrderRule } from "../model/problem";
import type { LeftOut } from "../model/profile";
import type { ContentFile } from "../model/shelf";
import type { Roster } from "../roster/roster";
import { aMod, aRule } from "./ids";
import { testRoster, withState } from "./roster";

export const aFile = (path: string, hash = "1", more: Partial<ContentFile> = {}): ContentFile => ({
  path,
  size: 1,
  hash: hash.padStart(32, "0"),
  part: null,
  ...more,
});

/** A roster of mods with a plugin each, and the index of what they bring: files and records by the mod's letter. */
export interface TestConflicts {
  readonly roster: Roster;
  readonly conflicts: Conflicts;
}

export function testConflicts(
  roster: Roster,
  files: Readonly<Record<string, readonly ContentFile[]>>,
  records: Readonly<Record<string, readonly string[]>> = {},
  own: readonly ContentFile[] = [],
): TestConflicts {
  const library = new ContentLibrary(roster.game);
  for (const { id, mod } of roster.mods)
    library.learn(
      {
        content: mod!.content!,
        files: files[id] ?? [],
        records: [{ plugin: `${id}.plank`, records: records[id] ?? [] }],
      },
      mod!.manifest,
    );
  library.learnOwn([{ expansion: null, files: own }], []);
  const conflicts = new Conflicts(library);
  conflicts.show(roster);
  return { roster, conflicts };
}

const paths = ["sky.tex", "reef.tex", "sound/surf.wav", "sound/gull.wav", "note"];
const containers = ["one.spool", "two.spool"];

const drawnFiles = fc
  .uniqueArray(
    fc.record({ path: fc.constantFrom(...paths), hash: fc.constantFrom("1", "2"), lies: fc.nat(5) }),
    {
      selector: ({ path }) => path,
      maxLength: 5,
    },
  )
  .map((files) => {
    const inside = files.map(({ path, hash, lies }) => {
      const container = containers[lies];
      return aFile(path, hash, container === undefined ? {} : { container });
    });
    const used = [...new Set(inside.flatMap(({ container }) => container ?? []))];
    return [...inside, ...used.map((path) => aFile(path, "9"))];
  });

/** Profiles of up to seven mods, tied by drawn needs of plugins and rules, some off, some files left out. */
export const drawnConflicts: fc.Arbitrary<TestConflicts> = fc.integer({ min: 2, max: 7 }).chain((count) => {
  const letters = Array.from({ length: count }, (_, at) => "abcdefg"[at]!);
  const pair = fc
    .tuple(fc.nat(count - 1), fc.nat(count - 1))
    .filter(([a, b]) => a !== b)
    .map(([a, b]) => [letters[a]!, letters[b]!] as const);
  return fc
    .record({
      needs: fc.array(
        pair.map(([a, b]) => (a < b ? [a, b] : [b, a])),
        { maxLength: 3 },
      ),
      rules: fc.array(fc.tuple(pair, fc.constantFrom("after" as const, "before" as const)), { maxLength: 3 }),
      modRules: fc.array(pair, { maxLength: 4 }),
      off: fc.subarray(letters, { maxLength: 2 }),
      leftOut: fc.array(fc.tuple(fc.constantFrom(...letters), fc.constantFrom("sky.tex", "sound/")), {
        maxLength: 2,
      }),
      files: fc.tuple(...letters.map(() => drawnFiles)),
      records: fc.tuple(...letters.map(() => fc.subarray(["tide", "reef", "lamp"]))),
      own: fc.subarray(["sky.tex", "note"]),
    })
    .map(({ needs, rules, modRules, off, leftOut, files, records, own }) => {
      const plain = testRoster(
        letters.map((letter) => ({
          name: `${letter}.plank`,
          masters: needs.filter(([, later]) => later === letter).map(([earlier]) => `${earlier!}.plank`),
          modOn: !off.includes(letter),
        })),
        rules.map(([[item, other], kind]): OrderRule => ({
          kind,
          item: `${item}.plank`,
          other: `${other}.plank`,
          strength: "prefer",
        })),
      );
      const { state } = plain.profile;
      const roster = withState(plain, {
        ...state,
        rules: [
          ...state.rules,
          ...modRules.map(([item, other], at) => ({
            ...ruleOf(`m${at}`),
            rule: { kind: "after" as const, item, other, strength: "prefer" as const },
            list: "mods" as const,
          })),
        ],
        leftOut: leftOut.map(([mod, path]): LeftOut => ({ mod: aMod(mod), path })),
      });
      const byLetter = <T>(values: readonly T[]) =>
        Object.fromEntries(letters.map((letter, at) => [letter, values[at]!]));
      const made = testConflicts(
        roster,
        byLetter(files),
        byLetter(records),
        own.map((path) => aFile(path, "7")),
      );
      const said = { needs, rules, modRules, off, leftOut, files, records, own };
      return { ...made, [fc.toStringMethod]: () => JSON.stringify(said) };
    });
});

const ruleOf = (id: string) => ({ id: aRule(id), note: "", made: "2026-01-01" });
