import { z } from "zod";
import { Claim } from "@/core/model/claim";
import { Step } from "@/core/model/edit";
import { presentStep } from "@/core/model/first-steps";
import { Lineup, LineupSheet } from "@/core/model/lineup";
import { ProfileState } from "@/core/model/profile";

type Upgrade = (value: unknown) => unknown;

/** How values of a kind are kept: with the number of their form, which grows by one with each upgrade that leads to the next. */
class KeptForm<T> {
  readonly format: number;

  constructor(
    private readonly name: string,
    private readonly schema: z.ZodType<T>,
    private readonly upgrades: readonly Upgrade[] = [],
  ) {
    this.format = upgrades.length + 1;
  }

  /** The value in the present form. Throws where it is none, or one of a later Seating. */
  read(value: unknown, format: number): T {
    if (format > this.format)
      throw new Error(`a newer Seating has kept ${this.name}; this one cannot read it. Start the newer one.`);
    const read = this.schema.safeParse(
      this.upgrades.slice(format - 1).reduce((present, upgrade) => upgrade(present), value),
    );
    if (!read.success) throw new Error(`${this.name} in the database is not sound: ${read.error.message}`);
    return read.data;
  }
}

export const keptSteps = new KeptForm("the steps of an edit", z.array(Step), [
  (steps) => z.array(z.unknown()).parse(steps).map(presentStep),
]);
export const keptState = new KeptForm("the state of a restore point", ProfileState);
export const keptLineup = new KeptForm("a list", Lineup);
export const keptSheet = new KeptForm("what is said of a list", LineupSheet);
/** Of lists that came in before claims were kept there is none. */
export const keptClaim = new KeptForm("what a list claims", Claim.nullable());
