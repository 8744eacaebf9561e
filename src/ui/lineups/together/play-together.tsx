"use client";

import { X } from "lucide-react";
import { useMemo, useState } from "react";
import { factsHere, factsOfLineup, fingerprintOf, shortFingerprint } from "@/core/lineup/fingerprint";
import { saidDifferences, verdictOf, type Verdict } from "@/core/lineup/verdict";
import { titlesFrom } from "@/core/messages/differences";
import { plural } from "@/core/messages/parts";
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
        Yours is <b>{roster.profile.name}</b>, fingerprint{" "}
        <span className="font-mono font-semibold">{shortFingerprint(fingerprint)}</span>. Who has the same
        twelve digits has the same setup. Lists are only compared: nothing is taken in.
      </p>
      {guests.length > 0 && (
        <section aria-label="Those who play along" className="max-w-4xl space-y-3">
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
          add({ name: `Digits ${shortFingerprint(plain)}`, digits: plain });
          setDigits("");
        }}
      >
        <Field
          label="Or the first twelve digits that somebody reads out"
          value={digits}
          onChange={(event) => setDigits(event.target.value)}
          maxLength={20}
        />
        <Button type="submit" disabled={plain.length !== 12}>
          Compare
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
        <Button look="quiet" aria-label={`Leave ${guest.name} out`} onClick={onLeave}>
          <X size={14} aria-hidden />
        </Button>
      </header>
      {"digits" in guest ? (
        <p>
          {isSame
            ? "The same setup as yours, by the first twelve digits."
            : "Not the same setup as yours. Digits do not say in what: ask for their list or code."}
        </p>
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
          Changed were: {verdict.places.map((place) => placeWords[place]).join("; ")}.
        </p>
      )}
      {verdict.kind !== "exact" && claim.unsaid.length > 0 && (
        <p className="text-ink2">
          It does not say: {claim.unsaid.map((part) => unsaidWords[part]).join("; ")}.
        </p>
      )}
      {ways.length > 0 && (
        <div className="mt-2 max-h-72 overflow-auto">
          <table className="w-full text-left">
            <thead>
              <tr className="text-ink2 text-sm">
                <th className="font-semibold">Either you</th>
                <th className="font-semibold">or they</th>
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
            <p className="text-ink2">and {differences.length - mostShown} more</p>
          )}
        </div>
      )}
    </>
  );
}

function togetherTitle(verdict: Verdict, differences: number): string {
  if (verdict.kind === "exact") return "The same setup as yours, proved by its fingerprint.";
  if (verdict.kind === "altered") return "This list was changed after it went out; it proves nothing.";
  if (differences > 0) return `Not the same setup as yours: ${plural(differences, "difference")}.`;
  if (verdict.kind === "as-far") return "The same as yours, as far as it says.";
  if (verdict.kind === "not-yet")
    return `${plural(verdict.lacks.length, "thing")} of it ${verdict.lacks.length === 1 ? "is" : "are"} not understood or not here; all else is the same.`;
  return "Not the same setup as yours, in something that this list does not carry: ask for the JSON.";
}
