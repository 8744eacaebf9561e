import { acceptEdit, proposeOrder } from "../edit/accept";
import { prepareEdit } from "../edit/prepare-edit";
import { label } from "../edit/steps";
import { say } from "../language/say";
import type { Edit, Step } from "../model/edit";
import type { EditingAct, Finding, Fix } from "../model/finding";
import { runToEnd } from "../run-to-end";
import { makeRoster, type Roster } from "../roster/roster";
import { alignOrder } from "../roster/two-orders";
import { allTies, indexTies } from "../roster/ties";
import type { CheckInput } from "./check";
import { fixEdit, isEditing } from "./fix-edit";
import { findingId } from "./identity";
import { sureWay } from "./sure";
import { checking } from "./run-checks";

/** What a way out comes to. */
export interface WayOut {
  readonly edit: Edit;
  /** What is told now and would not be any more, and the other way round. */
  readonly goes: readonly Finding[];
  readonly comes: readonly Finding[];
}

export interface SureWays extends WayOut {
  /** How many ways out are taken. */
  readonly count: number;
}

/** A profile as it would be, with what is found in it. */
interface Tried {
  readonly roster: Roster;
  readonly findings: readonly Finding[];
  readonly steps: readonly Step[];
}

const told = (input: CheckInput): readonly Finding[] => runToEnd(checking(input)).told;

/** The edit that a way out is, in a profile as it is now; null of one that is no edit, or would change nothing. */
function editOf(roster: Roster, { does }: Pick<Fix, "does">): Edit | null {
  if (isEditing(does)) return fixEdit(roster, does);
  if (does.act === "propose") return acceptEdit(roster, proposeOrder(roster, does.list));
  if (does.act === "align") return acceptEdit(roster, alignOrder(roster, does.list));
  return null;
}

/** What would go and come by each way out; null of one that is no edit, would change nothing, or cannot be taken. */
export function previewWays(input: CheckInput, fixes: readonly Pick<Fix, "does">[]): (WayOut | null)[] {
  return previewEdits(
    input,
    fixes.map((fix) => editOf(input.roster, fix)),
  );
}

/** What would go and come by each edit; null of one that is refused, and of none. */
export function previewEdits(input: CheckInput, edits: readonly (Edit | null)[]): (WayOut | null)[] {
  const before = startOf(input);
  return edits.map((edit) => {
    const after = edit && stepped(before, edit);
    return after && { edit, ...changed(before, checked(input, after)) };
  });
}

const startOf = (input: CheckInput): Tried => ({ roster: input.roster, findings: told(input), steps: [] });

/** With what is found in it. */
const checked = (input: CheckInput, { roster, steps }: Tried): Tried => ({
  roster,
  steps,
  findings: told({ ...input, roster, ties: allTies(roster) }),
});

function beyond(roster: Roster, findings: readonly Finding[], others: readonly Finding[]): Finding[] {
  const known = new Set(others.map((each) => findingId(roster, each)));
  return findings.filter((each) => !known.has(findingId(roster, each)));
}

const changed = (before: Tried, after: Tried): Omit<WayOut, "edit"> => ({
  goes: beyond(before.roster, before.findings, after.findings),
  comes: beyond(before.roster, after.findings, before.findings),
});

const keyOf = (act: EditingAct): string => JSON.stringify(act);

/** So many rounds at most: each takes something in that was not there. */
const mostRounds = 100;

/**
 * All that is sure, taken together, and what that needs, until nothing is left that is; null where nothing is sure. One that brings a
 * blocker which nothing sure ends is not taken.
 */
export function sureWays(input: CheckInput): SureWays | null {
  const start = startOf(input);
  const refused = new Set<string>();
  const seen = new Set<string>([stateKey(start)]);
  let present = start;
  let count = 0;
  for (let round = 0; round < mostRounds; round++) {
    const acts = sureActs(present).filter((act) => !refused.has(keyOf(act)));
    if (acts.length === 0) break;
    const together = closure(input, present, acts, refused);
    if (together && !seen.has(stateKey(together.tried))) {
      seen.add(stateKey(together.tried));
      present = together.tried;
      count += together.count;
      continue;
    }
    // Together they bring what none of them ends: each by itself, then.
    const [first] = acts;
    const alone = acts.length > 1 ? closure(input, present, [first!], refused) : null;
    if (alone && !seen.has(stateKey(alone.tried))) {
      seen.add(stateKey(alone.tried));
      present = alone.tried;
      count += alone.count;
    } else refused.add(keyOf(first!));
  }
  if (present === start) return null;
  const edit: Edit = {
    label: label("sure-ways", { count }),
    steps: [...present.steps],
    restorePoint: say("edit.beforeTheSureWays"),
  };
  return { edit, count, ...changed(start, present) };
}

const stateKey = ({ roster }: Tried): string => JSON.stringify(roster.profile.state);

function sureActs({ findings }: Tried): EditingAct[] {
  const acts = findings.flatMap((finding) => sureWay(finding) ?? []);
  return [...new Map(acts.map((act) => [keyOf(act), act])).values()];
}

/** Ways out, and what is sure of the blockers that they bring; null where some of these stay, or nothing changes. */
function closure(
  input: CheckInput,
  from: Tried,
  acts: readonly EditingAct[],
  refused: ReadonlySet<string>,
): { readonly tried: Tried; readonly count: number } | null {
  let present = from;
  let count = 0;
  let open: readonly EditingAct[] = acts;
  for (let round = 0; open.length > 0 && round < mostRounds; round++) {
    const before = present;
    for (const act of open) {
      const edit = fixEdit(present.roster, act);
      const next = edit && stepped(present, edit);
      if (!next) continue;
      present = next;
      count++;
    }
    if (present === before) return null;
    present = checked(input, present);
    const brought = beyond(from.roster, present.findings, from.findings).filter(
      ({ level }) => level === "blocker",
    );
    const ends = brought.map(sureWay);
    if (ends.some((act) => act === null || refused.has(keyOf(act)))) return null;
    open = [...new Map(ends.map((act) => [keyOf(act!), act!])).values()];
  }
  return present === from || open.length > 0 ? null : { tried: present, count };
}

/** The state after an edit, with what was found before it; null where the edit is refused. */
function stepped(before: Tried, edit: Edit): Tried | null {
  const applied = prepareEdit(before.roster, (list) => indexTies(before.roster, list), edit);
  if (!applied.ok) return null;
  const { game, profile, stock } = before.roster;
  const roster = makeRoster(game, { ...profile, state: applied.value.state }, stock, before.roster);
  return { roster, findings: before.findings, steps: [...before.steps, ...edit.steps] };
}
