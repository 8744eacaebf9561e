"use client";

import type { BlendClash } from "@/core/blend/clashes";
import { decideBlend } from "@/core/blend/decisions";
import { say } from "@/core/language/say";
import { acceptMarks } from "@/core/edit/advice";
import type { MarkSuggestion } from "@/core/blend/suggestions";
import { marksText, suggestionText } from "@/core/messages/blend";
import type { ListEntry } from "@/core/model/additive-list";
import type { BlendPart } from "@/formats/blend-view";
import { Button } from "../kit/button";
import { Choice } from "../kit/choice";
import { Part } from "../kit/part";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { clashKey } from "./blend-grids";
import { listName, type ListRow } from "./list-rows";
import { markChoices, sourceText, useMark } from "./marks";

const placesText = ({ depth, share }: ListEntry): string => say("blend.places", { depth, share });

function Entries({ title, entries }: { title: string; entries: readonly (ListEntry & { by?: string })[] }) {
  if (entries.length === 0) return null;
  return (
    <Part title={title}>
      <ul className="space-y-0.5">
        {entries.map((entry, at) => (
          <li key={at} className="break-words">
            <b>{entry.name}</b> <span className="text-ink2">{placesText(entry)}</span>
            {entry.by && <span className="text-ink2 block pl-3 font-mono text-sm">{entry.by}</span>}
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** What comes into a list and goes out of it by the blend, and whether it is to be blended at all. */
export function AboutList({ row: { record, blended, left } }: { row: ListRow }) {
  const { editor } = useWorkspace();
  const decided = (kind: "over" | "leave", on: boolean) => editor.dispatch(decideBlend({ kind, record }, on));
  const isOver = useEditor((state) =>
    state.roster.profile.state.blend.some((each) => each.kind === "over" && each.record === record),
  );
  return (
    <>
      <header>
        <h2 className="font-mono text-lg font-bold break-words">{listName(record)}</h2>
        <p className="text-ink2 break-words">{record}</p>
        <p className="mt-1">
          {blended
            ? say("blend.withoutIt", { last: blended.last })
            : left && say(`blend.leftBecause.${left}`, { record: listName(record) })}
        </p>
      </header>
      {blended && (
        <>
          <Entries title={say("blend.comesIn", { count: blended.comes.length })} entries={blended.comes} />
          <Entries title={say("blend.goesOut", { count: blended.goes.length })} entries={blended.goes} />
          <Entries title={say("blend.all", { count: blended.entries.length })} entries={blended.entries} />
        </>
      )}
      <div className="flex flex-wrap gap-2">
        {left === "never-last" && (
          <Button small onClick={() => decided("over", true)}>
            {say("blend.over")}
          </Button>
        )}
        {isOver && (
          <Button small onClick={() => decided("over", false)}>
            {say("blend.notOver")}
          </Button>
        )}
        {left === "decided" ? (
          <Button small onClick={() => decided("leave", false)}>
            {say("blend.blendIt")}
          </Button>
        ) : (
          blended && (
            <Button small onClick={() => decided("leave", true)}>
              {say("blend.leave")}
            </Button>
          )
        )}
      </div>
    </>
  );
}

/** What of a plugin's lists counts, and who says so. */
export function AboutPart({
  part: { plugin, marked: mark },
  suggestion,
}: {
  part: BlendPart;
  suggestion: MarkSuggestion | undefined;
}) {
  const { editor } = useWorkspace();
  const write = useMark();
  const isOwn = mark?.source.by === "curator";
  return (
    <>
      <header>
        <h2 className="font-mono text-lg font-bold break-words">{plugin}</h2>
        <p className="mt-1">{marksText(mark?.marks ?? null)}</p>
        {mark && <p className="text-ink2">{sourceText(mark)}</p>}
      </header>
      {suggestion && (
        <div className="bg-sunk space-y-2 rounded-md p-3">
          <p>{suggestionText(suggestion)}</p>
          <Button small onClick={() => editor.dispatch(acceptMarks([suggestion]))}>
            {say("blend.letCount", { marks: marksText(suggestion.marks) })}
          </Button>
        </div>
      )}
      <Part title={say("blend.whatCounts")}>
        <div role="radiogroup" aria-label={say("blend.whatCounts")} className="flex flex-col gap-1">
          {markChoices.map(({ id, marks }) => (
            <Choice
              key={id}
              name="blend-mark"
              checked={id === "told" ? !isOwn : isOwn && String(mark?.marks) === String(marks)}
              onChoose={() => write(plugin, marks)}
            >
              {say(`blend.mark.${id}`)}
            </Choice>
          ))}
        </div>
      </Part>
    </>
  );
}

/** Who wants what of a name, and who wins. */
export function AboutClash({ clash }: { clash: BlendClash }) {
  const { editor } = useWorkspace();
  const { record, name, by, won } = clash;
  const decided = useEditor((state) =>
    state.roster.profile.state.blend.find(
      (each) => each.kind === "winner" && clashKey(each) === clashKey(clash),
    ),
  );
  return (
    <>
      <header>
        <h2 className="text-lg font-bold break-words">{name}</h2>
        <p className="text-ink2 font-mono break-words">{listName(record)}</p>
        <p className="mt-1">{say("blend.clashHint")}</p>
      </header>
      <Part title={say("blend.whoWins")}>
        <div role="radiogroup" aria-label={say("blend.whoWins")} className="flex flex-col gap-1">
          {by.map((plugin) => (
            <Choice
              key={plugin}
              name="blend-winner"
              checked={plugin === won}
              onChoose={() => editor.dispatch(decideBlend({ kind: "winner", record, name, plugin }))}
            >
              <span className="font-mono break-words">{plugin}</span>
            </Choice>
          ))}
        </div>
        {decided && (
          <Button small className="mt-2" onClick={() => editor.dispatch(decideBlend(decided, false))}>
            {say("blend.undecide")}
          </Button>
        )}
      </Part>
    </>
  );
}
