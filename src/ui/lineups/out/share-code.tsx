"use client";

import { say } from "@/core/language/say";
import { useDeferredValue, useMemo, useState } from "react";
import { lossesOf } from "@/core/lineup/losses";
import { shareSetup } from "@/core/lineup/share";
import { sayLoss } from "@/core/messages/losses";
import type { Lineup } from "@/core/model/lineup";
import { carriedByCode, writeCode } from "@/formats/lineup/code";
import { Button } from "../../kit/button";
import { inputLook } from "../../kit/field";
import { useDepot } from "../../depot/depot.client";
import { useEditor } from "../../workspace/workspace.client";
import { qrModules, qrPath } from "./qr";
import { useCopy } from "./use-copy";
import type { Numbering } from "./use-numbering";

/** The setup as one word to be sent, as a link with it, and as a picture. */
export function ShareCode({ lineup, note }: { lineup: Lineup } & Pick<Numbering, "note">) {
  const roster = useEditor((state) => state.roster);
  const { mods } = useDepot();
  const copy = useCopy();
  const [shown, setShown] = useState(false);
  const offered = useMemo(() => new Set(mods?.map(({ mod }) => mod.content)), [mods]);
  const settled = useDeferredValue(lineup);
  const code = useMemo(
    () =>
      writeCode(
        shareSetup(
          settled,
          roster.game,
          ({ id }) => roster.modOf.get(id)?.mod ?? null,
          ({ content }) => offered.has(content),
        ),
      ),
    [settled, roster, offered],
  );
  const unknown = settled.mods.filter(({ on, content }) => on && !offered.has(content)).length;
  const losses = lossesOf(settled, roster.game, carriedByCode);
  const send = async (text: string, what: string) => {
    if (await note()) await copy(text, what);
  };
  const link = () => `${window.location.origin}/lineups?part=in#code=${code}`;
  return (
    <section aria-labelledby="code" className="space-y-2">
      <h3 id="code" className="font-bold">
        {say("lineups.asAShareCode")}
      </h3>
      <textarea
        readOnly
        aria-label={say("lineups.shareCode")}
        value={code}
        rows={4}
        className={`${inputLook} !h-auto py-1.5 font-mono text-sm break-all`}
        onFocus={(event) => event.target.select()}
      />
      <p className="text-ink2 text-sm">
        {say("lineups.characters", { count: code.length })}
        {unknown > 0 && say("lineups.modsThatTheDepotDoesNot", { unknown })}
        {say("lineups.notIncluded", { losses: losses.map(sayLoss).join("; ") || "nothing" })}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button small onClick={() => void send(code, say("lineups.theCode"))}>
          {say("lineups.copyTheCode")}
        </Button>
        <Button small onClick={() => void send(link(), say("lineups.aLinkWithTheCode"))}>
          {say("lineups.copyLink")}
        </Button>
        <Button small aria-expanded={shown} onClick={() => setShown(!shown)}>
          {shown ? say("lineups.hideThePicture") : say("lineups.showItAsAPicture")}
        </Button>
      </div>
      {shown && <Picture text={code} />}
    </section>
  );
}

function Picture({ text }: { text: string }) {
  const modules = useMemo(() => qrModules(text), [text]);
  if (!modules) return <p className="text-ink2">{say("lineups.theCodeIsTooLongFor")}</p>;
  const size = modules.length + 8;
  return (
    <svg
      role="img"
      aria-label={say("lineups.shareCodeAsAPictureFor")}
      viewBox={`-4 -4 ${size} ${size}`}
      shapeRendering="crispEdges"
      className="w-full max-w-80 rounded-md bg-[#fff]"
    >
      <path d={qrPath(modules)} fill="#000" />
    </svg>
  );
}
