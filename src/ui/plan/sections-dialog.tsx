"use client";

import { ArrowDown, ArrowUp, Plus, Trash2 } from "lucide-react";
import { useState, type ReactNode } from "react";
import { sayRefusal } from "@/core/messages/refusals";
import type { Section } from "@/core/model/game";
import { SectionId } from "@/core/model/ids";
import {
  addSection,
  changeSection,
  dropSection,
  moveSection,
  seatArrivalsLater,
} from "@/core/edit/section-edits";
import { Dialog } from "../kit/dialog";
import { inputLook } from "../kit/field";
import { hueCount, sectionHue } from "../kit/hues";
import { SectionLetter } from "../kit/section-letter";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The sections of the plan: their names, guidance, tags and colours, and their order within a load rank. */
export function SectionsDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { name, sections } = useEditor((state) => state.roster.lists[state.lens]);
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={`Sections of the ${name}`}
      hint="New arrivals go to the section that has one of their mod’s tags, else to where arrivals wait, else to the first of their load rank."
      size="large"
    >
      <ol aria-label="Sections" className="space-y-1">
        {sections.map((section, index) => (
          <SectionLine
            key={`${section.id} ${section.name} ${section.guidance} ${section.tags?.join()}`}
            section={section}
            index={index}
          />
        ))}
      </ol>
    </Dialog>
  );
}

function SectionLine({ section, index }: { section: Section; index: number }) {
  const { editor, tell } = useWorkspace();
  const list = useEditor((state) => state.roster.lists[state.lens]);
  const rank = list.ranks.find((each) => each.id === section.rank);
  const count = list.items.filter((item) => item.entry.section === section.id).length;
  const change = (part: Partial<Section>) => {
    const edit = changeSection(list, { ...section, ...part });
    if (edit) editor.dispatch(edit);
  };
  const without = (key: "block" | "closed") => {
    const { [key]: _, ...rest } = section;
    const edit = changeSection(list, rest);
    if (edit) editor.dispatch(edit);
  };
  const rename = (name: string) => name.trim() !== "" && change({ name: name.trim() });
  const retag = (text: string) => {
    const tags = text
      .split(",")
      .map((tag) => tag.trim())
      .filter(Boolean);
    const { tags: _, ...rest } = section;
    const edit = changeSection(list, tags.length > 0 ? { ...rest, tags } : rest);
    if (edit) editor.dispatch(edit);
  };
  const move = (by: -1 | 1) => {
    const edit = moveSection(list, section.id, by);
    if (edit.ok) editor.dispatch(edit.value);
    else tell(sayRefusal(edit.refusal), "wrong");
  };
  const drop = () => {
    const edit = dropSection(list, section.id);
    if (edit.ok) editor.dispatch(edit.value);
    else tell(sayRefusal(edit.refusal), "wrong");
  };
  const add = () =>
    editor.dispatch(
      addSection(list, section.id, {
        id: SectionId.parse(crypto.randomUUID()),
        name: "New section",
        guidance: "",
      }),
    );
  const hue = section.hue ?? index % hueCount;
  return (
    <li className="border-line space-y-1 border-b py-1.5">
      <div className="flex items-center gap-2">
        <SectionLetter index={index} hue={section.hue} />
        <Line
          label={`Name of ${section.name}`}
          value={section.name}
          onStore={rename}
          className="!w-40 shrink-0 font-semibold"
        />
        <Line
          label={`Guidance of ${section.name}`}
          value={section.guidance}
          placeholder="What belongs here"
          onStore={(guidance) => change({ guidance: guidance.trim() })}
        />
        <Line
          label={`Tags of ${section.name}`}
          value={section.tags?.join(", ") ?? ""}
          placeholder="tags"
          onStore={retag}
          className="!w-28 shrink-0"
        />
        <span className="text-ink2 w-24 shrink-0 text-sm">
          {list.ranks.length > 1 && `${rank?.label}, `}
          <span className="font-mono">{count}</span>
        </span>
        <Tool
          label={`Another colour for ${section.name}`}
          onClick={() => change({ hue: (hue + 1) % hueCount })}
        >
          <span className="block h-3.5 w-3.5 rounded-[3px]" style={{ background: sectionHue(hue).fill }} />
        </Tool>
        <Tool label={`Move ${section.name} up`} onClick={() => move(-1)}>
          <ArrowUp size={15} aria-hidden />
        </Tool>
        <Tool label={`Move ${section.name} down`} onClick={() => move(1)}>
          <ArrowDown size={15} aria-hidden />
        </Tool>
        <Tool label={`Add a section after ${section.name}`} onClick={add}>
          <Plus size={15} aria-hidden />
        </Tool>
        <Tool label={`Remove ${section.name}; its ${count} ${list.name} go to its neighbour`} onClick={drop}>
          <Trash2 size={15} aria-hidden />
        </Tool>
      </div>
      <div className="text-ink2 flex items-center gap-5 pl-8 text-sm">
        <label className="flex items-center gap-1.5">
          Stands
          <select
            aria-label={`Where ${section.name} stands`}
            value={section.block ?? ""}
            onChange={({ target: { value } }) =>
              value === "" ? without("block") : change({ block: value as "top" | "bottom" })
            }
            className="border-line bg-surface h-6 rounded-md border px-1"
          >
            <option value="">where you put it</option>
            <option value="top">first of its rank: nothing before it</option>
            <option value="bottom">last of its rank: nothing after it</option>
          </select>
        </label>
        <Tick
          label={`Nothing more goes into ${section.name}`}
          checked={section.closed === true}
          onChange={(on) => (on ? change({ closed: true }) : without("closed"))}
        >
          closed: nothing more goes in
        </Tick>
        <Tick
          label={`Arrivals wait in ${section.name}`}
          checked={section.unseated === true}
          onChange={(on) => editor.dispatch(seatArrivalsLater(list, section, on))}
        >
          arrivals without a tag wait here
        </Tick>
      </div>
    </li>
  );
}

function Tool({ label, onClick, children }: { label: string; onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onClick={onClick}
      className="text-ink2 hover:bg-sunk hover:text-ink flex h-7 w-7 shrink-0 items-center justify-center rounded-md"
    >
      {children}
    </button>
  );
}

function Tick({
  label,
  checked,
  onChange,
  children,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="flex min-h-6 items-center gap-1.5">
      <input
        type="checkbox"
        aria-label={label}
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
        className="accent-pine"
      />
      {children}
    </label>
  );
}

/** Stored when it is left, or with Enter. */
function Line({
  label,
  value,
  placeholder,
  onStore,
  className = "",
}: {
  label: string;
  value: string;
  placeholder?: string;
  onStore: (value: string) => void;
  className?: string;
}) {
  const [text, setText] = useState(value);
  return (
    <input
      aria-label={label}
      value={text}
      placeholder={placeholder}
      maxLength={200}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => text !== value && onStore(text)}
      onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
      className={`${inputLook} !h-7 min-w-0 ${className}`}
    />
  );
}
