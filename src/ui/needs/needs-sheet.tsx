"use client";

import { Printer } from "lucide-react";
import { useCallback, useDeferredValue, useMemo, useState } from "react";
import { say } from "@/core/language/say";
import { dayOf } from "@/core/day-of";
import { keyOfItem, needGraph } from "@/core/needs/need-graph";
import type { Explored } from "@/core/needs/explore";
import { mostDrawn } from "@/core/needs/surroundings";
import { findItem } from "@/core/roster/roster";
import { askForNeeds } from "../../work/ask";
import { Button } from "../kit/button";
import { Empty } from "../kit/empty";
import { inputLook } from "../kit/field";
import { WithInspector, type Inspecting } from "../kit/panes/inspector";
import { useNarrow } from "../kit/panes/use-narrow";
import { useAnswer } from "../workspace/use-answer";
import type { EditorState } from "../workspace/editor-state";
import { useEditor } from "../workspace/workspace.client";
import { IfSwitched } from "./if-switched";
import { NeedsGraph } from "./needs-graph";
import { NeedsList } from "./needs-list";
import { StandingMark, standingWord } from "./node-look";

interface Props {
  /** The key of what is looked at; null: what is selected, or the first that there is. */
  readonly of: string | null;
  readonly onOf: (key: string) => void;
  readonly inspecting: Inspecting;
}

/** What something needs, what needs it, what falls if it goes and what comes along if it comes. */
export function NeedsSheet({ of, onOf, inspecting }: Props) {
  const begin = useEditor(startOf);
  const key = of ?? begin;
  const explored = useExplored(key);
  const found = explored === "unknown" ? null : explored;
  const [trail, setTrail] = useState<readonly string[]>([]);
  const [text, setText] = useState("");
  // Where the arrow keys have led, of what was looked at then.
  const [cursor, setCursor] = useState({ of: key, at: key });
  const isNarrow = useNarrow();
  const hits = useHits(text);
  const explore = useCallback(
    (next: string) => {
      if (next === key) return;
      setTrail((now) => [...now, key]);
      setText("");
      onOf(next);
    },
    [key, onOf],
  );
  const back = () => {
    const last = trail.at(-1)!;
    setTrail(trail.slice(0, -1));
    onOf(last);
  };
  const around = found?.around.nodes ?? [];
  const at = cursor.of === key && around.some((node) => node.key === cursor.at) ? cursor.at : key;
  const setAt = useCallback((next: string) => setCursor({ of: key, at: next }), [key]);
  return (
    <WithInspector
      inspecting={inspecting}
      inspector={
        <div tabIndex={0} className="min-h-0 grow space-y-4 overflow-auto p-3.5">
          {found && <About explored={found} />}
        </div>
      }
    >
      <div className="border-line bg-sunk flex shrink-0 flex-wrap items-center gap-2 border-b px-3 py-1.5">
        <input
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder={say("needs.find")}
          aria-label={say("needs.find")}
          className={`${inputLook} !w-60`}
        />
        {trail.length > 0 && (
          <Button small look="quiet" onClick={back}>
            {say("needs.back")}
          </Button>
        )}
        <span className="ml-auto" />
        <Button small look="quiet" onClick={() => print()} disabled={!found}>
          <Printer size={14} aria-hidden /> {say("needs.print")}
        </Button>
      </div>
      {explored === "unknown" || key === "" ? (
        <Empty purpose={say("needs.unknown")} />
      ) : (
        <div data-print className={`flex min-h-0 min-w-0 grow ${isNarrow ? "flex-col" : ""}`}>
          <div
            className={`flex min-h-0 flex-col print:hidden ${isNarrow ? "max-h-[40%]" : "border-line w-[22rem] shrink-0 border-r"}`}
          >
            <NeedsList
              label={hits ? say("needs.found", { count: hits.length }) : say("needs.around")}
              nodes={hits ?? around}
              at={hits ? ((hits.find((node) => node.key === cursor.at) ?? hits[0])?.key ?? null) : at}
              onAt={setAt}
              onExplore={explore}
            />
          </div>
          {found && (
            <NeedsGraph drawing={found.drawing} nodes={around} at={at} onAt={setAt} onExplore={explore} />
          )}
          {found && <PrintedList nodes={around} />}
        </div>
      )}
    </WithInspector>
  );
}

/** What stands where nothing is asked for: what is selected, else what is told of first, else the first item. */
function startOf({ roster, selected, findings }: EditorState): string {
  const told = findings[0]?.subjects[0];
  const item =
    findItem(roster, selected[0] ?? "") ??
    (told && roster.lists[told.list].itemOf.get(told.id)) ??
    roster.plugins[0] ??
    roster.mods[0];
  return item ? keyOfItem(item) : "";
}

/** Null until it is known; the last answer stays meanwhile. */
function useExplored(key: string) {
  const roster = useEditor((state) => state.roster);
  const onDisk = useEditor((state) => state.onDisk);
  const question = useCallback(() => {
    const around = { onDisk, today: dayOf(new Date()) };
    return askForNeeds(roster.game, roster.stock, roster, around, key);
  }, [roster, onDisk, key]);
  return useAnswer(question).answer;
}

const mostHits = 200;

/** What is called so, of all that is known here; null where nothing is looked for. */
function useHits(text: string) {
  const roster = useEditor((state) => state.roster);
  const wanted = useDeferredValue(text.trim().toLowerCase());
  return useMemo(() => {
    if (wanted === "") return null;
    const nodes = [...needGraph(roster).nodes.values()];
    return nodes.filter(({ title }) => title.toLowerCase().includes(wanted)).slice(0, mostHits);
  }, [roster, wanted]);
}

function About({ explored }: { explored: Explored }) {
  const { node, around } = explored;
  const hidden = around.needed + around.needing + 1 - around.nodes.length;
  return (
    <>
      <header>
        <h2 className={`text-lg font-bold break-words ${node.kind === "plugin" ? "font-mono" : ""}`}>
          {node.title}
        </h2>
        <p className="text-ink2 mt-0.5 flex items-center gap-1.5">
          <StandingMark standing={node.standing} />
          {say(`needs.kind.${node.kind}`)}, {standingWord(node)}
        </p>
        <p className="mt-1.5">{say("needs.summary", { needed: around.needed, needing: around.needing })}</p>
        {hidden > 0 && (
          <p className="text-ink2 mt-1">{say("needs.notDrawn", { count: hidden, most: mostDrawn })}</p>
        )}
      </header>
      <IfSwitched explored={explored} />
    </>
  );
}

/** The grid holds only the rows that are in sight: on paper all of them stand. */
const PrintedList = ({ nodes }: { nodes: Explored["around"]["nodes"] }) => (
  <ul className="hidden columns-2 pt-4 print:block">
    {nodes.map((node) => (
      <li key={node.key}>
        <b>{node.title}</b>, {standingWord(node)}, {say(`needs.role.${node.role}`, { steps: node.steps })}
      </li>
    ))}
  </ul>
);
