"use client";

import { Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import type { Section } from "@/core/model/game";
import { changeSection, seatArrivalsLater } from "@/core/edit/section-edits";
import type { SeatedList } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { Field } from "../kit/field";
import { HueChoice } from "../kit/hue-choice";
import { hueCount } from "../kit/hues";
import { SelectField } from "../kit/select";
import { useWorkspace } from "../workspace/workspace.client";

const blocks = [
  { value: "", words: "where you put it" },
  { value: "top", words: "first of its rank: nothing before it" },
  { value: "bottom", words: "last of its rank: nothing after it" },
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
    <section aria-label={`Section ${section.name}`} className="min-w-0 grow-[2] basis-96 space-y-3">
      <Typed label="Name" value={section.name} onStore={(name) => name !== "" && change({ name })} />
      <Typed
        label="What belongs here"
        value={section.guidance}
        onStore={(guidance) => change({ guidance })}
      />
      <Typed
        label="Tags of mods that arrive here, with commas between them"
        value={section.tags?.join(", ") ?? ""}
        onStore={retag}
      />
      <HueChoice
        value={section.hue ?? index % hueCount}
        onChoose={(hue) => hue !== null && change({ hue })}
      />
      <SelectField
        label="Stands"
        value={section.block ?? ""}
        options={blocks}
        onChoose={(block) => (block === "" ? without("block") : change({ block: block as "top" | "bottom" }))}
      />
      <Tick
        words="Closed: nothing more goes in"
        checked={section.closed === true}
        onChange={(on) => (on ? change({ closed: true }) : without("closed"))}
      />
      <Tick
        words="Arrivals without a tag wait here"
        checked={section.unseated === true}
        onChange={(on) => editor.dispatch(seatArrivalsLater(list, section, on))}
      />
      <div className="border-line flex flex-wrap items-center gap-2 border-t pt-3">
        <span className="text-ink2 mr-auto">
          {list.ranks.length > 1 && `Of load rank ${rank?.label}. `}
          <span className="font-mono">{count}</span> {list.name} stand in it.
        </span>
        <Button onClick={onAdd}>
          <Plus size={14} aria-hidden /> Add a section after it
        </Button>
        <Button
          look="danger"
          onClick={onDrop}
          title={`Its ${count} ${list.name} go to its neighbour; undo brings it back`}
        >
          <Trash2 size={14} aria-hidden /> Remove it
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
