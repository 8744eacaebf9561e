import { say } from "@/core/language/say";
import { seatAndTitle, type Roster } from "@/core/roster/roster";
import { ItemName } from "../kit/sentence";

/** Who provides something; `""` is the game itself, null: nobody. */
export function Holder({ id }: { id: string | null }) {
  if (id === null) return say("conflicts.nobody");
  return id === "" ? say("conflicts.theGame") : <ItemName id={id} />;
}

/** The same as plain text. */
export function holderText(roster: Roster, id: string | null): string {
  if (id === null) return say("conflicts.nobody");
  return id === "" ? say("conflicts.theGame") : seatAndTitle(roster, id);
}

export const standingText = (decided: boolean): string =>
  say(decided ? "conflicts.decided" : "conflicts.undecided");

/** Whether a pair or what it contests is decided, in colour and in words. */
export const Standing = ({ decided }: { decided: boolean }) => (
  <span className={decided ? "text-ink2" : "text-saffron font-semibold"}>{standingText(decided)}</span>
);
