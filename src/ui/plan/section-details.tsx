"use client";

import { facetWord } from "@/core/messages/facets";
import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import type { Section } from "@/core/model/game";
import { changeSection, seatArrivalsLater } from "@/core/edit/section-edits";
import type { SeatedList } from "@/core/roster/roster";
import { Term } from "../kit/term";
import { Button } from "../kit/button";
import { Field } from "../kit/field";
import { HueChoice } from "../kit/hue-choice";
import { hueCount } from "../kit/hues";
import { SelectField } from "../kit/select";
import { useWorkspace } from "../workspace/workspace.client";

const blocks = [
  {
    value: "",
    get words() {
      return say("plan.whereYouPutIt");
    },
  },
  {
    value: "top",
    get words() {
      return say("plan.firstOfItsRankNothingBefore");
    },
  },
  {
    value: "bottom",
    get words() {
      return say("plan.lastOfItsRankNothingAfter");
    },
  },
];

/** All that can be said of a section, each of it an edit. */
export function SectionDetails({
  list,
  section,
  onAdd,
  onDrop,
}: {
  list: SeatedList;
  section: Section;
  onAdd: () => void;
  onDrop: () => void;
}) {
  const { editor } = useWorkspace();
  const { sections } = list;
  const index = sections.indexOf(section);
  const rank = list.ranks.find((each) => each.id === section.rank);
  const count = list.items.filter((item) => item.entry.section === section.id).length;
  const store = (next: Section) => {
    const edit = changeSection(list, next);
    if (edit) editor.dispatch(edit);
  };
  const change = (part: Partial<Section>) => store({ ...section, ...part });
  const without = (key: "block" | "closed" | "tags") => {
    const { [key]: _, ...rest } = section;
    store(rest);
  };
  const retag = (text: string) => {
    const tags = text
      .split(",")
      .map((tag) => tag.trim())
      .filter(Boolean);
    if (tags.length > 0) change({ tags });
    else without("tags");
  };
  return (
    <section
      aria-label={say("plan.section", { name: section.name })}
      className="min-w-0 grow-[2] basis-96 space-y-3"
    >
      <Typed
        label={say("common.name")}
        value={section.name}
        onStore={(name) => name !== "" && change({ name })}
      />
      <Typed
        label={say("plan.whatBelongsHere")}
        value={section.guidance}
        onStore={(guidance) => change({ guidance })}
      />
      <Typed
        label={say("plan.tagsOfModsThatArriveHere")}
        value={section.tags?.join(", ") ?? ""}
        onStore={retag}
      />
      <HueChoice
        value={section.hue ?? index % hueCount}
        onChoose={(hue) => hue !== null && change({ hue })}
      />
      <SelectField
        label={say("plan.stands")}
        value={section.block ?? ""}
        options={blocks}
        onChoose={(block) => (block === "" ? without("block") : change({ block: block as "top" | "bottom" }))}
      />
      <Tick
        words={say("plan.closedNothingMoreGoesIn")}
        checked={section.closed === true}
        onChange={(on) => (on ? change({ closed: true }) : without("closed"))}
      />
      <Tick
        words={say("plan.arrivalsWithoutATagWaitHere")}
        checked={section.unseated === true}
        onChange={(on) => editor.dispatch(seatArrivalsLater(list, section, on))}
      />
      <div className="border-line flex flex-wrap items-center gap-2 border-t pt-3">
        <span className="text-ink2 mr-auto">
          {list.ranks.length > 1 && (
            <Term word="load-rank">{say("plan.ofLoadRank", { label: rank?.label })}</Term>
          )}
          {rich("plan.standInIt", {
            text: <span className="font-mono">{count}</span>,
            name: facetWord(list.name, "many"),
          })}
        </span>
        <Button onClick={onAdd}>
          {rich("plan.addASectionAfterIt", { plus: <Plus size={14} aria-hidden /> })}
        </Button>
        <Button
          look="danger"
          onClick={onDrop}
          title={say("plan.itsGoToItsNeighbourUndo", { count, name: facetWord(list.name, "many") })}
        >
          {rich("plan.removeIt", { trash2: <Trash2 size={14} aria-hidden /> })}
        </Button>
      </div>
    </section>
  );
}

/** Stored when it is left, or with Enter. */
function Typed({
  label,
  value,
  onStore,
}: {
  label: string;
  value: string;
  onStore: (value: string) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const store = () => {
    setText(null);
    if (text !== null && text.trim() !== value) onStore(text.trim());
  };
  return (
    <Field
      label={label}
      value={text ?? value}
      maxLength={200}
      onChange={(event) => setText(event.target.value)}
      onBlur={store}
      onKeyDown={(event) => event.key === "Enter" && store()}
    />
  );
}

function Tick({
  words,
  checked,
  onChange,
}: {
  words: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex min-h-6 w-fit items-center gap-2">
      <input
        type="checkbox"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
        className="accent-pine"
      />
      {words}
    </label>
  );
}
