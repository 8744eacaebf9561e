"use client";

import { say } from "@/core/language/say";
import { rich } from "../../kit/rich";
import { X } from "lucide-react";
import { useMemo, useState } from "react";
import { factsHere, factsOfLineup, fingerprintOf, shortFingerprint } from "@/core/lineup/fingerprint";
import { saidDifferences, verdictOf, type Verdict } from "@/core/lineup/verdict";
import { titlesFrom } from "@/core/messages/differences";
import { waysTogether } from "@/core/messages/together";
import { placeWords, unsaidWords } from "@/core/messages/verdict";
import type { ResolvedList } from "@/formats/lineup/resolve";
import { askForList } from "../../../work/ask";
import { useDepot } from "../../depot/depot.client";
import { Button } from "../../kit/button";
import { Field } from "../../kit/field";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";
import { Chooser } from "../in/chooser";
import type { ListSource } from "../in/use-list-in";

/** Somebody whose setup is compared: by their list, or by no more than the first digits of its fingerprint. */
type Guest = { readonly name: string } & ({ readonly list: ResolvedList } | { readonly digits: string });

const mostShown = 200;

/** Before playing together: lists, codes or read-out digits of others beside the present profile; nothing is taken in. */
export function PlayTogether() {
  const { unwrap } = useWorkspace();
  const { game, stock } = useEditor((state) => state.view);
  const roster = useEditor((state) => state.roster);
  const { mods } = useDepot();
  const [guests, setGuests] = useState<readonly Guest[]>([]);
  const [digits, setDigits] = useState("");
  const [busy, setBusy] = useState(false);
  const fingerprint = useMemo(() => fingerprintOf(factsHere(roster)), [roster]);
  const add = (guest: Guest) => setGuests((all) => [...all, guest]);
  const open = async (source: ListSource) => {
    setBusy(true);
    const outcome = await askForList(
      game,
      stock,
      source,
      (mods ?? []).map(({ mod }) => mod),
      {},
    );
    setBusy(false);
    const list = outcome && unwrap(outcome);
    if (list) add({ name: list.lineup.title, list });
  };
  const plain = digits.replace(/[^0-9a-f]/gi, "").toLowerCase();
  return (
    <div className="min-h-0 grow space-y-5 overflow-auto p-5">
      <p>
        {rich("lineups.yoursIsFingerprint", { name: <b>{roster.profile.name}</b> })}
        {rich("lineups.whoHasTheSameTwelveDigits", {
          text: <span className="font-mono font-semibold">{shortFingerprint(fingerprint)}</span>,
        })}
      </p>
      {guests.length > 0 && (
        <section aria-label={say("lineups.thoseWhoPlayAlong")} className="max-w-4xl space-y-3">
          {guests.map((guest, at) => (
            <GuestCard
              key={at}
              guest={guest}
              fingerprint={fingerprint}
              onLeave={() => setGuests(guests.filter((_, place) => place !== at))}
            />
          ))}
        </section>
      )}
      <Chooser busy={busy} onSource={(source) => void open(source)} />
      <form
        className="flex max-w-4xl items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          add({ name: say("lineups.digits", { shortFingerprint: shortFingerprint(plain) }), digits: plain });
          setDigits("");
        }}
      >
        <Field
          label={say("lineups.orTheFirstTwelveDigitsThat")}
          value={digits}
          onChange={(event) => setDigits(event.target.value)}
          maxLength={20}
        />
        <Button type="submit" disabled={plain.length !== 12}>
          {say("common.compare")}
        </Button>
      </form>
    </div>
  );
}

function GuestCard({
  guest,
  fingerprint,
  onLeave,
}: {
  guest: Guest;
  fingerprint: string;
  onLeave: () => void;
}) {
  const isSame = "digits" in guest && fingerprint.startsWith(guest.digits);
  return (
    <article aria-label={guest.name} className="border-line rounded-md border p-3">
      <header className="flex items-center gap-2">
        <h2 className="grow text-lg font-bold">{guest.name}</h2>
        <Button look="quiet" aria-label={say("lineups.leaveOut", { name: guest.name })} onClick={onLeave}>
          <X size={14} aria-hidden />
        </Button>
      </header>
      {"digits" in guest ? (
        <p>{isSame ? say("lineups.theSameSetupAsYoursBy") : say("lineups.notTheSameSetupAsYours")}</p>
      ) : (
        <Compared list={guest.list} />
      )}
    </article>
  );
}

function Compared({ list: { lineup, claim } }: { list: ResolvedList }) {
  const roster = useEditor((state) => state.roster);
  const { game, stock } = useEditor((state) => state.view);
  const { verdict, differences, ways } = useMemo(() => {
    const [theirs, mine] = [factsOfLineup(lineup), factsHere(roster)];
    const titleOf = titlesFrom([...game.expansions, ...stock.shelf, ...lineup.mods]);
    const differences = saidDifferences(theirs, mine, claim);
    return {
      verdict: verdictOf(lineup, claim, roster),
      differences,
      ways: differences.slice(0, mostShown).map((each) => waysTogether(each, { mine, theirs, titleOf })),
    };
  }, [lineup, claim, roster, game, stock]);
  return (
    <>
      <p>{togetherTitle(verdict, differences.length)}</p>
      {verdict.kind === "altered" && (
        <p className="text-ink2">
          {say("lineups.changedWere", {
            places: verdict.places.map((place) => placeWords[place]).join("; "),
          })}
        </p>
      )}
      {verdict.kind !== "exact" && claim.unsaid.length > 0 && (
        <p className="text-ink2">
          {say("lineups.itDoesNotSay", { unsaid: claim.unsaid.map((part) => unsaidWords[part]).join("; ") })}
        </p>
      )}
      {ways.length > 0 && (
        <div className="mt-2 max-h-72 overflow-auto">
          <table className="w-full text-left">
            <thead>
              <tr className="text-ink2 text-sm">
                <th className="font-semibold">{say("lineups.eitherYou")}</th>
                <th className="font-semibold">{say("lineups.orThey")}</th>
              </tr>
            </thead>
            <tbody>
              {ways.map(([you, they], at) => (
                <tr key={at} className="border-line border-t">
                  <td className="py-0.5 pr-3">{you}</td>
                  <td>{they}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {differences.length > mostShown && (
            <p className="text-ink2">{say("common.andMore", { count: differences.length - mostShown })}</p>
          )}
        </div>
      )}
    </>
  );
}

function togetherTitle(verdict: Verdict, differences: number): string {
  if (verdict.kind === "exact") return say("lineups.theSameSetupAsYoursProved");
  if (verdict.kind === "altered") return say("lineups.thisListWasChangedAfterIt");
  if (differences > 0) return say("lineups.notTheSameSetupAsYours2", { differences });
  if (verdict.kind === "as-far") return say("lineups.theSameAsYoursAsFar");
  if (verdict.kind === "not-yet")
    return say("lineups.thingsOfItAreNotUnderstood", { count: verdict.lacks.length });
  return say("lineups.notTheSameSetupAsYours3");
}
