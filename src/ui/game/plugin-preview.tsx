"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useState } from "react";
import type { Flaw } from "@/core/game/definition-flaws";
import { sayProblem } from "@/core/messages/problems";
import { GameDefinition } from "@/core/model/game";
import { PluginLayout } from "@/core/model/plugin-layout";
import { countingOf, loadRankOf } from "@/core/roster/laws";
import { foldName } from "@/core/roster/fold";
import { headerOf } from "@/formats/plugin-facts";
import { readPluginFacts } from "@/formats/plugin-layout";
import { FileButton } from "../kit/file-button";
import type { Draft } from "./field-specs";

interface Tried {
  readonly name: string;
  readonly bytes: Uint8Array;
}

const mostShown = 30;

/** Reads a file that the user gives by the laws as they stand in the draft, and shows what it found. */
export function PluginPreview({ draft, flaws }: { draft: Draft; flaws: readonly Flaw[] }) {
  const [tried, setTried] = useState<Tried | null>(null);
  const [over, setOver] = useState(false);
  const take = async (file: File | undefined) => {
    if (file) setTried({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) });
  };
  return (
    <div
      onDragOver={(event) => {
        event.preventDefault();
        event.stopPropagation();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        event.stopPropagation();
        setOver(false);
        void take(event.dataTransfer.files[0]);
      }}
      className={`rounded-md border border-dashed p-3 ${over ? "border-pine bg-pine-soft" : "border-line"}`}
    >
      <div className="flex flex-wrap items-center gap-2">
        <span className="font-semibold">{say("game.tryItOnAPlugin")}</span>
        <span className="text-ink2">{say("game.dropOneHereOr")}</span>
        <FileButton small of={say("game.aPluginToTry")} onFile={(file) => void take(file)}>
          {say("game.chooseOne")}
        </FileButton>
      </div>
      {tried && <Found tried={tried} draft={draft} flaws={flaws} />}
    </div>
  );
}

function Found({
  tried: { name, bytes },
  draft,
  flaws,
}: {
  tried: Tried;
  draft: Draft;
  flaws: readonly Flaw[];
}) {
  const layout = PluginLayout.safeParse(draft.pluginLayout);
  if (!layout.success)
    return <p className="text-ink2 mt-2">{say("game.theLayoutIsNotWholeYet", { name })}</p>;
  const facts = readPluginFacts(bytes, layout.data);
  if (!facts.ok)
    return (
      <p role="status" className="text-brick mt-2">
        {say("game.cannotBeReadSo", { name, problem: sayProblem(facts.refusal) })}
      </p>
    );
  const { title, author, description, date, masters, flags, recordCount, records, lists } = facts.value;
  const laws = flaws.length === 0 ? GameDefinition.safeParse(draft).data : undefined;
  const plugin = { name, header: headerOf(facts.value) };
  const rows: readonly (readonly [string, string])[] = [
    [
      say("common.masters"),
      masters.length > 0 ? `${masters.length}: ${masters.join(", ")}` : say("common.none"),
    ],
    [say("game.title"), title ?? ""],
    [say("common.author"), author ?? ""],
    [say("game.description"), description ?? ""],
    [say("common.date"), date ?? ""],
    [say("game.flags"), flagWords(flags)],
    [say("game.loadRank"), laws ? rankOf(laws, plugin).label : ""],
    [say("common.class"), laws ? (countingOf(laws, plugin)?.label ?? "") : ""],
    [say("game.records"), [String(recordCount), ...records.slice(0, mostShown)].join(" · ")],
    [say("game.additiveLists"), lists > 0 ? String(lists) : ""],
  ];
  return (
    <div role="status" className="mt-2">
      <p>{rich("game.bytesThisIsWhatWasRead", { name: <b>{name}</b>, count: bytes.length })}</p>
      <dl className="mt-1 grid grid-cols-[6.875rem_minmax(0,1fr)] gap-y-0.5">
        {rows
          .filter(([, value]) => value !== "")
          .map(([label, value]) => (
            <div key={label} className="contents">
              <dt className="text-ink3">{label}</dt>
              <dd className="font-mono text-sm break-words">{value}</dd>
            </div>
          ))}
      </dl>
    </div>
  );
}

function rankOf(laws: GameDefinition, plugin: Parameters<typeof loadRankOf>[1]) {
  return loadRankOf(laws, plugin, new Set(laws.builtIn.map((each) => foldName(laws, each))));
}

function flagWords(flags: number): string {
  const set = Array.from({ length: 32 }, (_, bit) => bit).filter((bit) => (flags >>> bit) & 1);
  return `${flags}${set.length > 0 ? say("game.bits", { set: set.join(", ") }) : say("game.noBitSet")}`;
}
