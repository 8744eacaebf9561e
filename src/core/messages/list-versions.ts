import type { VersionRelation } from "../lineup/same-list";

const called = (version: string) =>
  version.trim() === "" ? "a version without a number" : `version ${version}`;

/** What a list that came in is to the version of it that a profile follows. */
export const relationText: Readonly<
  Record<VersionRelation, (profile: string, mine: string, theirs: string) => string>
> = {
  newer: (profile, mine, theirs) =>
    `${profile} follows ${called(mine)} of this list. This is ${called(theirs)}: newer.`,
  older: (profile, mine, theirs) =>
    `${profile} follows ${called(mine)} of this list. This is ${called(theirs)}: older.`,
  same: (profile, mine) =>
    `${profile} follows this list, ${called(mine)}. This is the same, with the same contents.`,
  "same-number": (profile, mine) =>
    `${profile} follows ${called(mine)} of this list. This one has the same number and other contents: ask its author which of the two holds.`,
  other: (profile) =>
    `${profile} follows another version of this list. Nothing in the two says which is newer.`,
};
