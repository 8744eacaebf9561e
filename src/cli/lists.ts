import { say } from "@/core/language/say";
import { changesBetween } from "@/core/lineup/changelog";
import { factsOfLineup, fingerprintOf, shortFingerprint } from "@/core/lineup/fingerprint";
import { lossesOf } from "@/core/lineup/losses";
import { shareSetup } from "@/core/lineup/share";
import { lacksOfClaim, saidDifferences, type Verdict } from "@/core/lineup/verdict";
import { differenceEffect, differenceText, titlesFrom } from "@/core/messages/differences";
import { sayLoss } from "@/core/messages/losses";
import { unsaidWords, verdictReasons, verdictTitle } from "@/core/messages/verdict";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { formatOf, lineupFormats } from "@/formats/lineup/all";
import { carriedByCode, writeCode } from "@/formats/lineup/code";
import type { Answer } from "./answer";
import { readListed, type ListFile, type ListOptions, type ListRead } from "./list-input";

/** What a verdict is, for programs: `lacks` also names what a list does not say. */
export function verdictJson(verdict: Verdict) {
  const differences = verdict.kind === "differs" ? verdict.differences : [];
  const lacks = [
    ...(verdict.kind === "not-yet" ? verdict.lacks : []),
    ...(verdict.kind === "as-far" || verdict.kind === "differs"
      ? verdict.unsaid.map((part) => ({ what: "unsaid", item: unsaidWords[part] }))
      : []),
  ];
  return {
    verdict: verdict.kind,
    differences: differences.map(({ facet, kind, key }) => ({ code: `${facet}-${kind}`, data: { key } })),
    lacks,
    ...(verdict.kind === "altered" ? { altered: [...verdict.places] } : {}),
  };
}

export const verdictLines = (verdict: Verdict): string[] => [
  `${verdictTitle(verdict)}.`,
  ...verdictReasons(verdict, (part) => say("cli.notSaid", { unsaidWord: unsaidWords[part] })).map(
    (line) => `  ${line}`,
  ),
];

const answer = (verdict: Verdict, json: object, lines: readonly string[]): Answer => ({
  json: { ...json, ...verdictJson(verdict) },
  text: lines.join("\n"),
  findings: verdict.kind !== "exact" && verdict.kind !== "as-far",
});

/** Where the game's own plugins are not known, what only they may decide is not decided. */
export function withoutGame(verdict: Verdict, { hasGame, game }: ListRead): Verdict {
  const isOpen = verdict.kind === "differs" && verdict.differences.length === 0;
  return isOpen && !hasGame && game.builtIn.length > 0
    ? { kind: "as-far", unsaid: [...verdict.unsaid, "base"] }
    : verdict;
}

/** What a list says of itself: altered, or as exact as its author's fingerprint makes it. */
function verdictOfList(read: ListRead): Verdict {
  const { lineup, claim } = read.list;
  if (claim.altered.length > 0) return { kind: "altered", places: claim.altered };
  const lacks = lacksOfClaim(claim);
  if (lacks.length > 0) return { kind: "not-yet", lacks };
  if (claim.fingerprint === null) return { kind: "as-far", unsaid: claim.unsaid };
  return fingerprintOf(factsOfLineup(lineup)) === claim.fingerprint
    ? { kind: "exact" }
    : withoutGame({ kind: "differs", differences: [], unsaid: claim.unsaid }, read);
}

/** The fingerprint that a list has, and whether it is the one that its author's Seating wrote. */
export async function fingerprint(
  bytes: Uint8Array,
  name: string,
  options: ListOptions,
): Promise<Outcome<Answer>> {
  const got = await readListed(bytes, name, options);
  if (!got.ok) return got;
  const { lineup, claim } = got.value.list;
  const own = fingerprintOf(factsOfLineup(lineup));
  const verdict = verdictOfList(got.value);
  return done(
    answer(verdict, { fingerprint: own, named: claim.fingerprint }, [
      own,
      ...(verdict.kind === "exact" ? [shortFingerprint(own)] : verdictLines(verdict)),
    ]),
  );
}

/** In what two lists behave differently, and what else became of the first in the second. */
export async function compare(a: ListFile, b: ListFile, options: ListOptions): Promise<Outcome<Answer>> {
  const first = await readListed(a.bytes, a.name, options);
  if (!first.ok) return first;
  const second = await readListed(b.bytes, b.name, options, first.value.game);
  if (!second.ok) return second;
  const [one, two] = [first.value.list.lineup, second.value.list.lineup];
  const [wanted, here] = [factsOfLineup(one), factsOfLineup(two)];
  const verdict = verdictOfTwo(first.value, second.value);
  const differences = verdict.kind === "differs" ? verdict.differences : [];
  const changes = changesBetween(first.value.game, one, two);
  const titleOf = titlesFrom([...first.value.game.expansions, ...one.mods, ...two.mods]);
  return done(
    answer(verdict, { equal: verdict.kind === "exact", changes }, [
      ...(verdict.kind === "exact" ? [say("cli.theSameSetup")] : verdictLines(verdict)),
      ...differences.map(
        (each) => `${differenceText(each, { wanted, here, titleOf })} ${differenceEffect(each)}`,
      ),
      ...(changes.length > 0 ? ["", ...changes] : []),
    ]),
  );
}

function verdictOfTwo(a: ListRead, b: ListRead): Verdict {
  const own = [verdictOfList(a), verdictOfList(b)];
  const first = (kind: Verdict["kind"]) => own.find((each) => each.kind === kind);
  const stopped = first("altered") ?? first("not-yet");
  if (stopped) return stopped;
  const unsaid = [...new Set([...a.list.claim.unsaid, ...b.list.claim.unsaid])];
  const differences = saidDifferences(factsOfLineup(a.list.lineup), factsOfLineup(b.list.lineup), {
    unsaid,
    implied: [...a.list.claim.implied, ...b.list.claim.implied],
  });
  if (differences.length > 0) return { kind: "differs", differences, unsaid };
  return own.every(({ kind }) => kind === "exact") ? { kind: "exact" } : { kind: "as-far", unsaid };
}

/** A list in another format; what that leaves behind is said on the side. */
export async function convert(
  bytes: Uint8Array,
  name: string,
  options: ListOptions,
): Promise<Outcome<Answer>> {
  const format = formatOf(options.to ?? "");
  if (!format && options.to !== "code")
    return refuse("list-format", { known: [...lineupFormats.map(({ id }) => id), "code"].join(", ") });
  const got = await readListed(bytes, name, options);
  if (!got.ok) return got;
  const { game, list } = got.value;
  const { lineup } = list;
  const text = format
    ? format.write(lineup, game)
    : `${writeCode(
        shareSetup(
          lineup,
          game,
          () => null,
          () => false,
        ),
      )}\n`;
  const losses = lossesOf(lineup, game, format?.carries ?? carriedByCode).map(sayLoss);
  return done({
    json: text,
    text,
    raw: text,
    aside: losses.map((loss) => say("cli.leftBehind", { loss })),
    findings: false,
  });
}
