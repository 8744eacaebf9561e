import { say } from "../language/say";
import type { VersionRelation } from "../lineup/same-list";

const called = (version: string) =>
  version.trim() === ""
    ? say("listVersions.aVersionWithoutANumber")
    : say("listVersions.version", { version });

/** What a list that came in is to the version of it that a profile follows. */
export const relationText: Readonly<
  Record<VersionRelation, (profile: string, mine: string, theirs: string) => string>
> = {
  newer: (profile, mine, theirs) =>
    say("listVersions.relationText.newer", { profile, called: called(mine), called2: called(theirs) }),
  older: (profile, mine, theirs) =>
    say("listVersions.relationText.older", { profile, called: called(mine), called2: called(theirs) }),
  same: (profile, mine) => say("listVersions.relationText.same", { profile, called: called(mine) }),
  "same-number": (profile, mine) =>
    say("listVersions.relationText.same-number", { profile, called: called(mine) }),
  other: (profile) => say("listVersions.relationText.other", { profile }),
};
