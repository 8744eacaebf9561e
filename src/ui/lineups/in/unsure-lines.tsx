"use client";

import { say } from "@/core/language/say";
import { rich } from "../../kit/rich";
import { versionText } from "@/core/version/version";
import { useMemo, useRef, type KeyboardEvent } from "react";
import { certaintyWords } from "@/core/messages/matching";
import type { KnownMod } from "@/core/lineup/known";
import type { MatchedLine } from "@/core/lineup/match-lines";
import type { GridColumn } from "../../kit/grid/columns";
import { ListGrid } from "../../workspace/list-grid";

/** So many are asked at a time; as they are answered, the next come up. */
const mostAtOnce = 100;

/** Lines of which it is not sure what they mean, asked in one list: arrows go from line to line, digits choose. */
export function UnsureLines({
  lines,
  onAnswer,
}: {
  lines: readonly MatchedLine[];
  onAnswer: (line: string, id: string | null) => void;
}) {
  const list = useRef<HTMLUListElement>(null);
  if (lines.length === 0) return null;
  const go = (from: Element, by: number) => {
    const rows = [...list.current!.children];
    const next = rows[rows.indexOf(from) + by];
    if (next instanceof HTMLElement) next.focus();
  };
  return (
    <section aria-labelledby="unsure">
      <h3 id="unsure" className="font-bold">
        {rich("lineups.whatDoTheseMean", {
          text: <span className="text-ink2 font-mono font-normal">{lines.length}</span>,
        })}
      </h3>
      <p className="text-ink2 mb-1 text-sm">{say("lineups.arrowsGoFromLineToLine")}</p>
      <ul
        ref={list}
        className="border-line max-h-72 overflow-auto border-t"
        aria-label={say("lineups.linesToBeAnswered")}
      >
        {lines.slice(0, mostAtOnce).map((each, at) => (
          <Line key={`${at} ${each.line.text}`} match={each} onAnswer={onAnswer} onGo={go} />
        ))}
      </ul>
    </section>
  );
}

function Line({
  match,
  onAnswer,
  onGo,
}: {
  match: MatchedLine;
  onAnswer: (line: string, id: string | null) => void;
  onGo: (from: Element, by: number) => void;
}) {
  const { line, known, others, how, likeness } = match;
  const choices: readonly KnownMod[] = [...(known ? [known] : []), ...others];
  const onKeyDown = (event: KeyboardEvent<HTMLLIElement>) => {
    if (event.key === "ArrowDown" || event.key === "ArrowUp")
      onGo(event.currentTarget, event.key === "ArrowDown" ? 1 : -1);
    else if (/^\d$/.test(event.key)) {
      const chosen = choices[Number(event.key) - 1];
      if (event.key !== "0" && !chosen) return;
      onGo(event.currentTarget, 1);
      onAnswer(line.name, chosen?.mod.id ?? null);
    } else return;
    event.preventDefault();
  };
  return (
    <li
      tabIndex={0}
      onKeyDown={onKeyDown}
      className="border-line flex flex-wrap items-start gap-x-3 gap-y-1 border-b px-1 py-1"
    >
      <span className="w-64 max-w-full truncate font-mono text-sm" title={line.text}>
        {line.text}
      </span>
      <span className="text-ink2 w-32 shrink-0 text-sm">
        {certaintyWords[how]}
        {how === "similar" && ` ${Math.round(likeness * 100)} %`}
      </span>
      <span className="flex min-w-0 grow basis-80 flex-wrap gap-1.5">
        {choices.map(({ mod, from }, at) => (
          <button
            key={mod.id}
            type="button"
            onClick={() => onAnswer(line.name, mod.id)}
            className={`border-line hover:bg-sunk flex min-h-6 items-center gap-1.5 rounded-md border px-1.5 ${at === 0 && known ? "border-saffron bg-saffron-soft" : ""}`}
          >
            <span className="text-ink2 font-mono text-sm">{at + 1}</span>
            {mod.name}
            <span className="text-ink2 font-mono text-sm">{versionText(mod.version)}</span>
            {from === "depot" && <span className="text-ink2 text-sm">{say("lineups.depot")}</span>}
          </button>
        ))}
        <button
          type="button"
          onClick={() => onAnswer(line.name, null)}
          className="text-ink2 hover:bg-sunk flex min-h-6 items-center gap-1.5 rounded-md px-1.5"
        >
          {rich("lineups.noneOfThem", { text: <span className="font-mono text-sm">0</span> })}
        </button>
      </span>
    </li>
  );
}

/** What was taken for talk, a heading or a remark: nothing that somebody wrote goes without being told. */
export function NoNames({ matches }: { matches: readonly MatchedLine[] }) {
  const talk = matches.filter(({ how }) => how === "talk");
  if (talk.length === 0) return null;
  return (
    <section aria-labelledby="no-names">
      <h3 id="no-names" className="font-bold">
        {rich("lineups.takenForNoNames", {
          text: <span className="text-ink2 font-mono font-normal">{talk.length}</span>,
        })}
      </h3>
      <ul className="text-ink2 max-h-40 list-disc overflow-auto pl-5">
        {talk.slice(0, mostAtOnce).map(({ line }, at) => (
          <li key={at}>{line.text}</li>
        ))}
        {talk.length > mostAtOnce && (
          <li>{say("lineups.andMoreInHowItsLines", { count: talk.length - mostAtOnce })}</li>
        )}
      </ul>
    </section>
  );
}

interface NumberedLine {
  readonly match: MatchedLine;
  readonly at: number;
}

const keyOfLine = ({ at }: NumberedLine): string => String(at);

const lineColumns: readonly GridColumn<NumberedLine>[] = [
  {
    id: "line",
    get label() {
      return say("lineups.line");
    },
    width: 44,
    isFixed: true,
    isFigure: true,
    text: ({ at }) => String(at + 1),
    sortBy: ({ at }) => at,
  },
  {
    id: "text",
    get label() {
      return say("lineups.text");
    },
    width: 150,
    isFixed: true,
    isMain: true,
    text: ({ match }) => match.line.text,
  },
  {
    id: "how",
    get label() {
      return say("lineups.recognisedBy");
    },
    width: 150,
    text: ({ match: { how, likeness } }) =>
      how === "similar" ? `${certaintyWords[how]} ${Math.round(likeness * 100)} %` : certaintyWords[how],
  },
  {
    id: "as",
    get label() {
      return say("lineups.takenFor");
    },
    width: 180,
    text: ({ match: { plugin, known } }) => plugin ?? known?.mod.name ?? "",
  },
  {
    id: "version",
    get label() {
      return say("common.version");
    },
    width: 70,
    isMono: true,
    text: ({ match: { known } }) => versionText(known?.mod.version ?? ""),
  },
  {
    id: "needs",
    get label() {
      return say("lineups.saysThatItNeeds");
    },
    width: 150,
    text: ({ match: { line } }) => line.needs ?? "",
  },
];

/** Every line with what it was taken for. */
export function AllLines({ matches }: { matches: readonly MatchedLine[] }) {
  const rows = useMemo(() => matches.map((match, at): NumberedLine => ({ match, at })), [matches]);
  if (matches.length === 0) return null;
  const taken = matches.filter(({ known, how }) => known !== null || how === "game").length;
  return (
    <details>
      <summary className="cursor-pointer font-semibold">
        {say("lineups.howItsLinesWereTaken", { count: matches.length })}
        <span className="text-ink2 font-mono font-normal">{say("lineups.forSomething", { taken })}</span>
      </summary>
      <ListGrid
        kind="import-lines"
        label={say("lineups.linesOfTheList")}
        rows={rows}
        keyOf={keyOfLine}
        columns={lineColumns}
        className="border-line mt-1 max-h-72 rounded-md border"
      />
    </details>
  );
}
