"use client";

import { say } from "@/core/language/say";
import { useState } from "react";
import { dropAdvice } from "@/core/edit/advice";
import { adviceText } from "@/core/messages/advice";
import type { Advice } from "@/core/model/advice";
import { adviceIn, type Told } from "@/core/roster/advice";
import type { SeatedItem } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { Part } from "../kit/part";
import { Term } from "../kit/term";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { AdviceDialog, type AdviceStart } from "./advice-dialog";

/** What the curator and the rulebooks know of an item and of its parts, to be added to, changed and taken away. */
export function AdviceOfItem({ item }: { item: SeatedItem }) {
  const roster = useEditor((state) => state.roster);
  const [start, setStart] = useState<AdviceStart | null>(null);
  const all = adviceIn(roster).of(item);
  return (
    <>
      {all.length > 0 && (
        <Part title={<Term word="advice">{say("advice.title")}</Term>}>
          <ul className="space-y-2">
            {all.map((told, at) => (
              <Piece key={at} told={told} onChange={setStart} />
            ))}
          </ul>
        </Part>
      )}
      {!item.fixed && (
        <div className="-ml-2 flex flex-wrap">
          <Button small look="quiet" onClick={() => setStart("new")}>
            {say("advice.writeDown")}
          </Button>
          <Button small look="quiet" onClick={() => setStart("page")}>
            {say("advice.pasteAPage")}
          </Button>
        </div>
      )}
      <AdviceDialog item={item} start={start} onClose={() => setStart(null)} />
    </>
  );
}

function Piece({ told: { book, advice }, onChange }: { told: Told; onChange: (advice: Advice) => void }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const { text, source, date } = advice;
  const from = [book ? `${book.name} ${book.version}` : null, source, date].filter(Boolean).join(", ");
  const part = "part" in advice.on && advice.on.part;
  return (
    <li className="break-words">
      <p>
        {part && <span className="text-ink2">{say("advice.itsPart", { part })} </span>}
        {advice.kind === "marks" && (
          <span className="text-ink2">
            <Term word="blend">{say("advice.blend")}</Term>{" "}
          </span>
        )}
        {advice.kind === "note" ? text : `${adviceText(roster, advice)}${text ? `: ${text}` : ""}`}
      </p>
      {from && <p className="text-ink3 text-sm">{from}</p>}
      {!book && (
        <div className="-ml-2 flex">
          <Button small look="quiet" onClick={() => onChange(advice)}>
            {say("common.change")}
          </Button>
          <Button small look="quiet" onClick={() => editor.dispatch(dropAdvice(advice))}>
            {say("plan.takeAway")}
          </Button>
        </div>
      )}
    </li>
  );
}
