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
  /** What its program said; of a long one the end. */
  readonly log: readonly string[];
  /** What the game wrote into the log that its definition names; of a long one the end. */
  readonly fileLog: readonly string[];
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
