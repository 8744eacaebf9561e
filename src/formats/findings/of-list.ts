import { say } from "@/core/language/say";
import { missingExpansions, missingMods, missingOwnPlugins, type Verdict } from "@/core/lineup/verdict";
import { differenceText, titlesFrom } from "@/core/messages/differences";
import { placeWords, verdictTitle } from "@/core/messages/verdict";
import { factsHere, factsOfLineup } from "@/core/lineup/fingerprint";
import type { Claim } from "@/core/model/claim";
import type { Subject } from "@/core/model/subject";
import type { Lineup } from "@/core/model/lineup";
import { newestHere, type Roster } from "@/core/roster/roster";
import type { Told } from "./report";

const theList: Subject = { kind: "list", id: "" };

interface Read {
  readonly lineup: Lineup;
  readonly claim: Claim;
}

/** What is to be found of a list itself, beside what the checks find of the profile that is made of it. */
export function toldOfList({ lineup, claim }: Read, roster: Roster, verdict: Verdict): Told[] {
  const problem = (check: Check, subjects: readonly Subject[], message: string): Told => ({
    check,
    title: say(`cli.check.title.${check}`),
    level: "problem",
    subjects,
    message,
  });
  return [
    ...(verdict.kind === "altered"
      ? [
          problem(
            "list-altered",
            [theList],
            say("cli.check.altered", { places: verdict.places.map((place) => placeWords[place]).join(", ") }),
          ),
        ]
      : []),
    ...missingMods(lineup, claim, roster.stock).map(({ id, name, version }) => {
      const here = newestHere(roster.stock, id);
      const subjects: Subject[] = [{ kind: "mod", id }];
      return here
        ? problem("list-version", subjects, say("cli.check.version", { name, version, here: here.version }))
        : problem("list-missing", subjects, say("cli.check.missing", { name, version: version || "none" }));
    }),
    ...missingExpansions(lineup, roster).map(({ id, name }) =>
      problem(
        "list-missing",
        [{ kind: "expansion", id }],
        say("cli.check.missing", { name, version: "none" }),
      ),
    ),
    ...missingOwnPlugins(lineup, roster).map((id) =>
      problem("list-missing", [{ kind: "plugin", id }], say("cli.check.missingOwn", { name: id })),
    ),
    ...claim.unmatched.map((line) =>
      problem("list-line-unknown", [{ kind: "mod", id: line }], say("cli.check.unknown", { line })),
    ),
    ...claim.unsure.map((line) =>
      problem("list-line-unsure", [{ kind: "mod", id: line }], say("cli.check.unsure", { line })),
    ),
    ...(verdict.kind === "differs"
      ? [
          problem(
            "list-differs",
            [theList],
            [`${verdictTitle(verdict)}.`, ...differing(lineup, roster, verdict)].join(" "),
          ),
        ]
      : []),
  ];
}

type Check =
  | "list-altered"
  | "list-missing"
  | "list-version"
  | "list-line-unknown"
  | "list-line-unsure"
  | "list-differs";

function differing(lineup: Lineup, roster: Roster, { differences }: Extract<Verdict, { kind: "differs" }>) {
  const [wanted, here] = [factsOfLineup(lineup), factsHere(roster)];
  const titleOf = titlesFrom([...roster.game.expansions, ...lineup.mods]);
  return differences.map((each) => differenceText(each, { wanted, here, titleOf }));
}
