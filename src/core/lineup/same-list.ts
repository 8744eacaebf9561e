import type { Claim } from "../model/claim";
import type { Lineup } from "../model/lineup";
import { compareVersions } from "../version/version";
import { digestsOf } from "./digests";
import { factsOfLineup } from "./fingerprint";
import { plainName } from "./names";
import { saidDifferences } from "./verdict";

/** By what a list is known in all its versions: the id that its author's Seating gave it, else title and author. */
export interface ListIdentity {
  readonly list?: string | undefined;
  readonly title: string;
  readonly author: string;
}

/** Whether two lists are versions of one. A list may name no author, as one that was pasted; two authors make two lists. */
export function isSameList(a: ListIdentity, b: ListIdentity): boolean {
  if (a.list !== undefined && b.list !== undefined) return a.list === b.list;
  const [author, other] = [plainName(a.author), plainName(b.author)];
  const title = plainName(a.title);
  return title !== "" && title === plainName(b.title) && (author === "" || other === "" || author === other);
}

/** What another version of a list is to the one that is there; `same-number`: it is called like it and holds something else. */
export type VersionRelation = "newer" | "older" | "same" | "same-number" | "other";

interface ListVersion {
  readonly lineup: Lineup;
  readonly claim: Claim;
}

/** By the number that their author gave them; where one has none, by contents and then by the day. */
export function versionRelation(here: ListVersion, next: ListVersion): VersionRelation {
  const [mine, theirs] = [here.lineup.listVersion.trim(), next.lineup.listVersion.trim()];
  if (mine !== "" && theirs !== "") {
    const newer = compareVersions(theirs, mine);
    if (newer !== 0) return newer > 0 ? "newer" : "older";
    return holdSame(here, next) ? "same" : "same-number";
  }
  if (holdSame(here, next)) return "same";
  const [then, now] = [Date.parse(here.lineup.date), Date.parse(next.lineup.date)];
  if (Number.isNaN(then) || Number.isNaN(now) || then === now) return "other";
  return now > then ? "newer" : "older";
}

/** As far as both say what they hold: by what their authors' Seating wrote, else by everything that both name. */
function holdSame(a: ListVersion, b: ListVersion): boolean {
  if (a.claim.altered.length + b.claim.altered.length === 0) {
    if ([a, b].every(isWhole)) return holdSameWhole(a.lineup, b.lineup);
    if (a.claim.fingerprint && b.claim.fingerprint) return a.claim.fingerprint === b.claim.fingerprint;
  }
  const unsaid = [...new Set([...a.claim.unsaid, ...b.claim.unsaid])];
  const implied = [...new Set([...a.claim.implied, ...b.claim.implied])];
  return saidDifferences(factsOfLineup(a.lineup), factsOfLineup(b.lineup), { unsaid, implied }).length === 0;
}

const isWhole = ({ claim }: ListVersion): boolean => claim.unsaid.length + claim.beside.length === 0;

/** Whether two whole lists decide the same, in everything but their words. */
export function holdSameWhole(a: Lineup, b: Lineup): boolean {
  const [mine, theirs] = [digestsOf(a), digestsOf(b)];
  return (Object.keys(mine) as (keyof typeof mine)[]).every((name) => mine[name] === theirs[name]);
}

/** The number that follows: its last part counted on, as 1.10 after 1.9; of one without a number at its end, with a 2 behind it. */
export function nextVersion(version: string): string {
  const last = /^(.*?)(\d+)(\D*)$/.exec(version.trim());
  if (!last) return [version.trim(), "2"].filter(Boolean).join(" ");
  const [, before = "", number = "", after = ""] = last;
  const next = String(BigInt(number) + 1n).padStart(number.length, "0");
  return `${before}${next}${after}`;
}
