import { allTies } from "../roster/ties";
import type { Roster } from "../roster/roster";
import { checkCases } from "../testing/check-cases";
import type { CheckedPart, CheckInput } from "./check";
import { holdsToWrite, namesToWrite } from "./order-file";
import { checks } from "./run-checks";

/** Which part of what is checked a field of a roster belongs to. */
const partOfField: Readonly<Record<string, CheckedPart>> = {
  mods: "mods",
  modOf: "mods",
  plugins: "plugins",
  pluginOf: "plugins",
  idOfName: "plugins",
  stock: "stock",
  game: "game",
  overlaps: "overlaps",
};

/** The same, and every look at a field is told of. */
const watched = <T extends object>(of: T, look: (field: string) => unknown): T =>
  new Proxy(of, {
    get: (target, field) =>
      typeof field === "string" ? (look(field) ?? target[field as keyof T]) : target[field as keyof T],
  });

/** What of an input is read. */
function watchedInput(input: CheckInput): { readonly input: CheckInput; readonly read: Set<string> } {
  const read = new Set<string>();
  const told = (field: string) => void read.add(field);
  const { roster } = input;
  const state = watched(roster.profile.state, told);
  const lists = watched(roster.lists, told);
  const profile = watched(roster.profile, (field) => {
    if (field === "state") return state;
    return told(field === "purpose" ? field : `profile.${field}`);
  });
  const seen: Roster = watched(roster, (field) => {
    if (field === "profile") return profile;
    if (field === "lists") return lists;
    return told(partOfField[field] ?? field);
  });
  const onDisk = watched(input.onDisk, (field) =>
    told(["drift", "installed", "ofGame"].includes(String(field)) ? String(field) : "onDisk"),
  );
  const rest = watched(input, (field) => {
    if (field === "roster") return seen;
    return field === "onDisk" ? onDisk : told(field);
  });
  return { input: rest, read };
}

const inputOf = (roster: Roster, onDisk?: CheckInput["onDisk"]): CheckInput => ({
  roster,
  ties: allTies(roster),
  onDisk: onDisk ?? { order: namesToWrite(roster), holds: holdsToWrite(roster), start: roster.profile.state },
  today: "2026-12-12",
});

test("a check reads what it says that it reads, and nothing else", () => {
  const everRead = new Map(checks.map((check) => [check, new Set<string>()]));
  for (const { bad, good, onDisk } of checkCases)
    for (const input of [inputOf(bad, onDisk), inputOf(good), inputOf(bad)])
      for (const check of checks) {
        const { input: seen, read } = watchedInput(input);
        check.find(seen);
        for (const part of read) everRead.get(check)!.add(part);
      }
  const sorted = (parts: Iterable<string>) => [...parts].sort();
  expect(checks.map((check) => sorted(everRead.get(check)!))).toEqual(
    checks.map(({ reads }) => sorted(reads)),
  );
});
