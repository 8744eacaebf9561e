"use client";

import { say } from "@/core/language/say";
import { rich } from "../../kit/rich";
import { Download } from "lucide-react";
import { useMemo, useState } from "react";
import { creditsText } from "@/core/lineup/credits";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import { lossesOf } from "@/core/lineup/losses";
import { sayLoss } from "@/core/messages/losses";
import type { Lineup } from "@/core/model/lineup";
import { formatOf, lineupFormats } from "@/formats/lineup/all";
import { SelectField } from "../../kit/select";
import { Term } from "../../kit/term";
import { Button } from "../../kit/button";

import { saveFrom, saveText } from "../../kit/save-text";
import { listAddress } from "../../workspace/address";
import { useEditor } from "../../workspace/workspace.client";
import { ShareCode } from "./share-code";
import type { SheetState } from "./use-sheet";
import { useCopy } from "./use-copy";
import { TakenDialog } from "./taken-dialog";
import { useNumbering } from "./use-numbering";
import { Versions } from "./versions";
import { ViewLink } from "../../workspace/view-link";

/** The ways out: a file in any format, a page, a code; with what each leaves behind, said before. */
export function Send({ lineup, sheet }: { lineup: Lineup; sheet: SheetState }) {
  const { note, noted, taken } = useNumbering(sheet);
  const game = useEditor((state) => state.view.game);
  const profile = useEditor((state) => state.profile.id);
  const findings = useEditor((state) => state.findings);
  const absent = useEditor((state) => state.roster.mods.filter((mod) => !mod.mod).length);
  const [format, setFormat] = useState("lineup");
  const losses = useMemo(() => lossesOf(lineup, game, formatOf(format)!.carries), [lineup, game, format]);
  const open = findings.filter(
    ({ level, check }) => level !== "hint" && check !== "order-file-differs",
  ).length;
  const token = useEditor((state) => state.view.token);
  const href = listAddress(profile, format, token);
  const copy = useCopy();
  const copyText = async () => {
    if (!(await note())) return;
    const answer = await fetch(href);
    if (answer.ok)
      await copy(
        await answer.text(),
        say("lineups.as", { title: lineup.title, label: formatOf(format)!.label }),
      );
  };
  const go = async (address: string, isPage: boolean) => {
    if (!(await note())) return;
    if (isPage) window.open(address, "_blank", "noopener");
    else saveFrom(address);
  };
  const terms = lineup.mods.filter((mod) => mod.terms);
  return (
    <section aria-labelledby="send" className="space-y-4">
      <h2 id="send" className="text-lg font-bold">
        {say("lineups.share")}
      </h2>
      <p className="text-ink2">
        <Term word="fingerprint">{say("lineups.fingerprint3")}</Term>
        <span className="text-ink font-mono font-semibold">{shortFingerprint(lineup.fingerprint ?? "")}</span>
      </p>
      {absent > 0 && (
        <p className="bg-saffron-soft rounded-md px-3 py-2">
          {say("lineups.modsOfThisProfileAreNot", { absent })}
        </p>
      )}
      {open > 0 && (
        <p className="bg-saffron-soft rounded-md px-3 py-2">
          <ViewLink href="/health" className="underline underline-offset-2">
            {say("lineups.findingsStillOpen", { open })}
          </ViewLink>
          {say("lineups.theListNamesThem", { open })}
        </p>
      )}
      {terms.length > 0 && (
        <p className="text-ink2">
          {say("lineups.namedWithTheirSourceAndNot", { terms: terms.map(({ name }) => name).join(", ") })}
        </p>
      )}
      <div className="space-y-2">
        <SelectField
          label={say("lineups.asAFile")}
          value={format}
          options={lineupFormats.map(({ id, label }) => ({ value: id, words: label }))}
          onChoose={setFormat}
        />
        {losses.length === 0 ? (
          <p className="text-ink2 text-sm">{say("lineups.itCarriesEverything")}</p>
        ) : (
          <div className="text-ink2 text-sm">
            {say("lineups.notIncluded2")}
            <ul className="list-disc pl-4">
              {losses.map((loss) => (
                <li key={loss.aspect}>{sayLoss(loss)}</li>
              ))}
            </ul>
          </div>
        )}
        <div className="flex flex-wrap gap-2">
          <a
            href={href}
            download
            onClick={(event) => {
              event.preventDefault();
              void go(href, false);
            }}
            className="bg-pine text-on-pine inline-flex h-8 items-center gap-1.5 rounded-md px-3 font-semibold hover:brightness-110"
          >
            {rich("lineups.exportTheLineup", { download: <Download size={14} aria-hidden /> })}
          </a>
          <Button onClick={() => void copyText()}>{say("lineups.copyText")}</Button>
          <Button onClick={() => void go(`/lineup/${encodeURIComponent(profile)}`, true)}>
            {say("lineups.openItsPage")}
          </Button>
        </div>
      </div>
      <ShareCode lineup={lineup} note={note} />
      <Versions note={note} noted={noted} />
      <TakenDialog taken={taken} />
      <Button
        look="quiet"
        className="-ml-3"
        onClick={() =>
          saveText(
            say("lineups.fileOfCredits", { title: lineup.title }),
            creditsText(lineup.title, lineup.credits ?? []),
          )
        }
      >
        {say("lineups.creditsOfAuthorsAsAText", {
          count: (lineup.credits ?? []).filter(({ author }) => author !== "").length,
        })}
      </Button>
    </section>
  );
}
