import { say } from "@/core/language/say";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProfileId } from "@/core/model/ids";
import type { OfferedWay, OfferedWays } from "@/core/model/start";
import type { Trial } from "@/core/model/trial";
import { openConditions, type StartNotes } from "@/core/start/start-notes";
import type { Answer } from "./answer";
import { chosenProfile } from "./kept";
import { withSeating, type Seating } from "./running";
import { orThrow, WrongUse } from "./wrong-use";

interface StartOptions {
  readonly game?: string | undefined;
  readonly way?: string | undefined;
  readonly asWritten?: boolean | undefined;
  readonly shortcut?: boolean | undefined;
  readonly conditionsMet?: boolean | undefined;
}

/**
 * Makes the order current, starts the game with a profile, and waits for its end; what the game says goes to the standard error. With
 * `shortcut`: answers a file that does just this, and starts nothing.
 */
export const start = (wanted: string, options: StartOptions): Promise<Answer> =>
  withSeating(async (seating) => {
    const { id, name } = await chosenProfile(seating, options, wanted);
    const { ways, usual, elsewhere } = await seating.ask<OfferedWays>("readWays", [], id);
    if (options.shortcut)
      return { json: elsewhere, text: elsewhere!.text, raw: elsewhere!.text, findings: false };
    const way = usableWay(ways, options.way ?? usual);
    if (way.starts === "profile" && !options.conditionsMet) await refuseUnmet(seating, id);
    if (!options.asWritten && way.starts === "profile")
      await lastOf(seating, "/api/order", { profile: id }, id);
    const query = { way: way.id, ...(options.conditionsMet && { unmet: "" }) };
    const trial = await lastOf<Trial>(seating, "/api/trial", query, id);
    const { began, ended, code, fingerprint } = trial;
    return {
      json: { format: "seating-trial/1", profile: id, way: way.id, began, ended, code, fingerprint },
      text: say("cli.trialEnded", { name, way: way.name, code: code ?? "?" }),
      findings: code !== 0,
    };
  });

/** Refused before anything is written where it would not run. */
function usableWay(ways: readonly OfferedWay[], wanted: string): OfferedWay {
  const way = ways.find(({ id }) => id === wanted);
  if (!way) throw new WrongUse(say("cli.noSuchWay", { ways: ways.map(({ id }) => id).join(", ") }));
  return orThrow(way.isConfirmed ? done(way) : refuse("start-unconfirmed", { way: way.name }));
}

/** Before anything is written; all of them are said. */
async function refuseUnmet(seating: Seating, profile: ProfileId): Promise<void> {
  const { told, ticked } = await seating.ask<StartNotes>("readStartNotes", [], profile);
  const open = openConditions(told, new Set(ticked));
  const words = open.map(({ note: { text, how } }, at) => `${at + 1}. ${text}${how ? ` (${how})` : ""}`);
  if (open.length > 0) throw new WrongUse(say("cli.conditions", { conditions: words.join("\n") }));
}

/** What a route that answers line by line ends with; what the game says is said as it comes. */
async function lastOf<T>(
  seating: Seating,
  path: string,
  query: Record<string, string>,
  profile: ProfileId,
): Promise<T> {
  const answer = await seating.post(`${path}?${new URLSearchParams(query)}`, "", { profile });
  let rest = "";
  for await (const part of answer.body!.pipeThrough(new TextDecoderStream())) {
    const lines = (rest + part).split("\n");
    rest = lines.pop()!;
    for (const line of lines) {
      const value = JSON.parse(line) as { line?: string } | Outcome<T>;
      if ("ok" in value) return orThrow(value);
      if (value.line !== undefined) process.stderr.write(`${value.line}\n`);
    }
  }
  throw new WrongUse(say("cli.fault", { detail: path }));
}
