import type { ConflictSurvey } from "@/core/conflict/survey";

/** Two by their ids: the winner overrides the loser. */
export interface NamedPair {
  readonly loser: string;
  readonly winner: string;
  readonly files: number;
  readonly unequal: number;
  readonly decided: boolean;
}

/** What asks for a decision first, then what meets most. */
export const pairsOf = ({ items, pairs }: ConflictSurvey): NamedPair[] =>
  pairs
    .map(({ loser, winner, ...rest }) => ({
      loser: items[loser]!.id,
      winner: items[winner]!.id,
      ...rest,
    }))
    .sort((a, b) => Number(isOpenPair(b)) - Number(isOpenPair(a)) || b.files - a.files);

/** Nothing says who wins, and it makes a difference. */
export const isOpenPair = ({ decided, unequal }: Pick<NamedPair, "decided" | "unequal">): boolean =>
  !decided && unequal > 0;
