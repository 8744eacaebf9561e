"use client";

import { say } from "@/core/language/say";
import { CircleDashed, Equal, EqualNot, FilePenLine, Hourglass, type LucideIcon } from "lucide-react";
import { useMemo } from "react";
import { factsHere, factsOfLineup, fingerprintOf, shortFingerprint } from "@/core/lineup/fingerprint";
import { missingMods, type Verdict } from "@/core/lineup/verdict";
import type { Want } from "@/core/model/want";
import type { SetupDifference } from "@/core/lineup/compare";
import { wayBack } from "@/core/lineup/way-back";
import { takeOver } from "@/core/compare/rosters";
import type { Roster, Stock } from "@/core/roster/roster";
import {
  differenceEffect,
  differenceElsewhere,
  differenceText,
  titlesFrom,
} from "@/core/messages/differences";
import { unsaidText, verdictReasons, verdictText, verdictTitle } from "@/core/messages/verdict";
import { recipeOf } from "@/core/blend/decisions";
import { BuildButton } from "../../blend/blend-standing";
import { GetMissing } from "../../depot/get-missing";
import { Button } from "../../kit/button";
import type { GridColumn } from "../../kit/grid/columns";
import type { GridCommand } from "../../kit/grid/commands";
import { ListGrid } from "../../workspace/list-grid";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";
import { useVerdict, type Followed } from "./use-followed";

const looks: Readonly<Record<Verdict["kind"], readonly [LucideIcon, back: string, ink: string]>> = {
  exact: [Equal, "bg-pine-soft", "text-pine"],
  "as-far": [CircleDashed, "bg-sunk", "text-ink2"],
  differs: [EqualNot, "bg-saffron-soft", "text-saffron"],
  "not-yet": [Hourglass, "bg-saffron-soft", "text-saffron"],
  altered: [FilePenLine, "bg-saffron-soft", "text-saffron"],
};

/** The verdict on the list that the profile follows: what it is, why, and each thing that stands in its way. */
export function Proof({ followed }: { followed: Followed }) {
  const { claim } = followed;
  const verdict = useVerdict(followed);
  const here = useEditor((state) => state.roster);
  const fingerprint = useMemo(() => fingerprintOf(factsHere(here)), [here]);
  const wants = useMemo(() => wantsOfList(followed, here.stock), [followed, here]);
  const [Icon, back, ink] = looks[verdict.kind];
  return (
    <div className="space-y-3">
      <div role="status" className={`flex gap-3 rounded-md p-3 ${back}`}>
        <Icon size={22} aria-hidden className={`shrink-0 ${ink}`} />
        <div>
          <p className="text-lg font-bold">{verdictTitle(verdict)}</p>
          <dl className="mt-1 grid grid-cols-[5.625rem_1fr] gap-y-0.5">
            <dt className="text-ink2">{say("lineups.itsAuthorS")}</dt>
            <dd className="font-mono">
              {claim.fingerprint === null ? (
                <span className="text-ink2 font-sans">{say("lineups.theListCarriesNoFingerprint")}</span>
              ) : (
                shortFingerprint(claim.fingerprint)
              )}
            </dd>
            <dt className="text-ink2">{say("common.here")}</dt>
            <dd className="font-mono">{shortFingerprint(fingerprint)}</dd>
          </dl>
          <p className="mt-2">{verdictText(verdict, claim)}</p>
          <Reasons verdict={verdict} />
          {verdict.kind === "not-yet" && (
            <div className="mt-2">
              <GetMissing wants={wants} />
              <BuildListed verdict={verdict} />
            </div>
          )}
        </div>
      </div>
      {verdict.kind === "differs" && verdict.differences.length > 0 && (
        <DifferenceList followed={followed} differences={verdict.differences} />
      )}
    </div>
  );
}

/** Where nothing of the list is missing but its blend, that is built here, by the list's recipe. */
function BuildListed({ verdict: { lacks } }: { verdict: Extract<Verdict, { kind: "not-yet" }> }) {
  const isMissing = useEditor(({ roster }) => {
    const recipe = recipeOf(roster.profile.state);
    return recipe !== null && roster.modOf.get(recipe.mod)?.gone === true;
  });
  return isMissing && lacks.length === 1 ? <BuildButton isFirst small /> : null;
}

/** Where the list names no contents, the version that it names will do. */
const wantsOfList = ({ lineup, claim }: Followed, stock: Stock): Want[] =>
  missingMods(lineup, claim, stock).map(({ id, version, content }) =>
    claim.unsaid.includes("hashes")
      ? { kind: "mod", id, content: null, versions: null, version }
      : { kind: "mod", id, content, versions: null },
  );

/** What the sentence above it introduces, one by one. */
function Reasons({ verdict }: { verdict: Verdict }) {
  const roster = useEditor((state) => state.roster);
  const all = verdictReasons(verdict, (part) => unsaidText(part, roster));
  if (all.length === 0) return null;
  return (
    <ul className="mt-1 max-h-64 list-disc overflow-auto pl-5">
      {all.map((reason, at) => (
        <li key={at}>{reason}</li>
      ))}
    </ul>
  );
}

/** One edit that makes it as in the list; where none does, what would. */
function WayOut({
  pure,
  difference,
  text,
  name,
}: {
  pure: Roster;
  difference: SetupDifference;
  text: string;
  name: string;
}) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const edit = useMemo(
    () => takeOver(roster, pure, wayBack(roster, pure.profile.state, difference), name),
    [roster, pure, difference, name],
  );
  if (!edit) return <>{differenceElsewhere(difference)}</>;
  return (
    <Button
      small
      tabIndex={-1}
      aria-label={say("lineups.asInTheList", { text })}
      onClick={() => editor.dispatch(edit)}
    >
      {say("lineups.asInTheList2")}
    </Button>
  );
}

const keyOfSetup = ({ facet, kind, key }: SetupDifference): string => `${facet} ${kind} ${key}`;

function DifferenceList({
  followed: { lineup, pure },
  differences,
}: {
  followed: Followed;
  differences: Extract<Verdict, { kind: "differs" }>["differences"];
}) {
  const { editor } = useWorkspace();
  const { game, stock } = useEditor((state) => state.view);
  const roster = useEditor((state) => state.roster);
  const setups = useMemo(
    () => ({ wanted: factsOfLineup(lineup), here: factsHere(roster) }),
    [lineup, roster],
  );
  const titleOf = useMemo(
    () => titlesFrom([...game.expansions, ...stock.shelf, ...lineup.mods]),
    [game, stock, lineup],
  );
  const columns = useMemo((): readonly GridColumn<SetupDifference>[] => {
    const textOf = (difference: SetupDifference) => differenceText(difference, { ...setups, titleOf });
    return [
      { id: "text", label: say("lineups.difference"), width: 150, isFixed: true, isMain: true, text: textOf },
      { id: "effect", label: say("lineups.whatFollows"), width: 230, text: differenceEffect },
      {
        id: "way-out",
        label: say("lineups.wayOut"),
        width: 230,
        text: differenceElsewhere,
        sortBy: null,
        cell: (difference) => (
          <WayOut pure={pure} difference={difference} text={textOf(difference)} name={lineup.title} />
        ),
      },
    ];
  }, [setups, titleOf, pure, lineup]);
  const commands = useMemo((): readonly GridCommand<SetupDifference>[] => {
    const editOf = (rows: readonly SetupDifference[]) => {
      const ways = rows.flatMap((each) => wayBack(roster, pure.profile.state, each));
      return takeOver(roster, pure, ways, lineup.title);
    };
    return [
      {
        id: "as-in-the-list",
        title: () => say("lineups.asInTheList2"),
        isPossible: (rows) => editOf(rows) !== null,
        run: (rows) => {
          const edit = editOf(rows);
          if (edit) editor.dispatch(edit);
        },
      },
    ];
  }, [roster, pure, lineup, editor]);
  return (
    <ListGrid
      kind="list-differences"
      label={say("lineups.differencesFromTheList")}
      rows={differences}
      keyOf={keyOfSetup}
      columns={columns}
      commands={commands}
      className="border-line max-h-80 rounded-md border"
    />
  );
}
