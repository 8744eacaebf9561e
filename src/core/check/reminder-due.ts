import type { Occasion } from "../model/reminder";
import type { ShelfMod } from "../model/shelf";
import { newestHere, type Roster, type Stock } from "../roster/roster";
import type { Check, CheckInput } from "./check";

/** What a curator wanted to be told has come about. */
export const reminderDue: Check = {
  reads: ["reminders", "stock", "game", "today"],
  find: ({ roster, today }) =>
    roster.profile.state.reminders
      .filter(({ when }) => isDue(when, roster, today))
      .map(({ id, text, when }) => ({
        check: "reminder-due",
        id: `reminder-${when.kind}` as const,
        data: { text, of: occasionIn(when, roster) },
        level: "hint" as const,
        subjects: [],
        besides: [{ kind: "rule" as const, id: `reminder:${id}` }],
        fixes: [{ id: "drop-reminder", data: {}, does: { act: "drop-reminder", reminder: id } } as const],
      })),
};

function isDue(when: Occasion, { stock, game }: Roster, today: CheckInput["today"]): boolean {
  switch (when.kind) {
    case "arrives":
      return arrived(when.mod, stock) !== undefined;
    case "updated":
      return game.version !== when.version;
    case "day":
      return today !== undefined && today >= when.date;
  }
}

/** By its id or its name: who waits for a mod may know no more of it. */
const arrived = (wanted: string, stock: Stock): ShelfMod | undefined =>
  newestHere(stock, wanted) ??
  stock.shelf.find(({ problem, name }) => !problem && name.toLowerCase() === wanted.toLowerCase());

function occasionIn(when: Occasion, { stock, game }: Roster): string {
  switch (when.kind) {
    case "arrives":
      return arrived(when.mod, stock)?.name ?? when.mod;
    case "updated":
      return game.version;
    case "day":
      return when.date;
  }
}
