import type { ProfileId } from "./ids";

/** What whoever played says of a start. */
export type Verdict = "well" | "faulty" | "unsure";

/** A start of the game with a profile. */
export interface Trial {
  readonly id: string;
  readonly profile: ProfileId;
  /** What the way was called by which it was started; empty of one that is older than ways. */
  readonly way: string;
  /** In ISO 8601; `ended` is null as long as it runs. */
  readonly began: string;
  readonly ended: string | null;
  /** What its program ended with; null as long as it runs, and where nobody saw its end. */
  readonly code: number | null;
  /** Of the set that the game read; null where it read another order than the profile's. */
  readonly fingerprint: string | null;
  readonly verdict: Verdict | null;
  readonly note: string;
  /** Of a long one the end. */
  readonly log: readonly string[];
}

/** Whether it went well, as far as is known: what is said of it counts more than what its program ended with. */
export const wentWell = ({
  verdict,
  code,
  ended,
}: Pick<Trial, "verdict" | "code" | "ended">): boolean | null => {
  if (verdict !== null) return verdict === "unsure" ? null : verdict === "well";
  return ended === null || code === null ? null : code === 0;
};

/** How a profile is started by another program. */
export interface Elsewhere {
  /** To be pasted where a command is asked for. */
  readonly line: string;
  /** A file that does it when it is opened, and what it is called. */
  readonly file: string;
  readonly text: string;
}

export interface OfferedWays {
  readonly ways: readonly OfferedWay[];
  /** The id of the one by which the profile was started last. */
  readonly last: string | null;
  readonly elsewhere: Elsewhere | null;
}

/** A way to start a game, as it is offered. */
export interface OfferedWay {
  readonly id: string;
  readonly name: string;
  readonly starts: "profile" | "bare";
  /** Who says so: the definition, the owner of the machine; `stand-in`: the one that ships, for a game of which nobody says it. */
  readonly from: "definition" | "owner" | "stand-in";
  /** Its digest as it stands, by which it is confirmed. */
  readonly digest: string;
  readonly isConfirmed: boolean;
  /** Whether its program is where it is said to be. */
  readonly isThere: boolean;
  readonly program: string;
  readonly arguments: readonly string[];
  readonly folder: string;
  readonly environment: readonly { readonly name: string; readonly value: string }[];
}
