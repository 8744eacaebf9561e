"use client";

import { say } from "@/core/language/say";
import { useMemo, type ReactNode } from "react";
import { Button } from "../kit/button";
import { NumberField } from "../kit/number-field";
import { NarrowBy } from "../kit/narrow-by";
import { formatSize } from "../kit/format-size";
import { Drop } from "../kit/drop";
import { useEditor } from "../workspace/workspace.client";
import { facetWords, type FacetWords } from "./facet-words";
import { SavedFilters } from "./saved-filters";
import {
  isNarrow,
  noShelfFilter,
  type Counts,
  type Narrowed,
  type Ranged,
  type ShelfFilter,
} from "./shelf-filter";
import type { Facet } from "./shelf-rows";

interface Props {
  narrowed: Narrowed;
  filter: ShelfFilter;
  onFilter: (part: Partial<ShelfFilter>) => void;
  /** What can be done with exactly what is shown, or selected. */
  bulk: ReactNode;
}

/** Always in sight; the others stand behind "More". */
const chief: readonly Facet[] = ["state", "use", "level"];

/** Narrows the shelf, with how many each choice would show. */
export function ShelfFilterBar({ narrowed: { shown, counts }, filter, onFilter, bulk }: Props) {
  const roster = useEditor((state) => state.roster);
  const words = useMemo(() => facetWords(roster), [roster]);
  const choose = (facet: Facet, value: string | null) => {
    const { [facet]: _, ...others } = filter.facets;
    onFilter({ facets: value === null ? others : { ...others, [facet]: value } });
  };
  const chooser = (each: FacetWords) => (
    <FacetChoice
      key={each.facet}
      words={each}
      counts={counts[each.facet]}
      value={filter.facets[each.facet] ?? null}
      onChoose={(value) => choose(each.facet, value)}
    />
  );
  const others = words.filter(({ facet }) => !chief.includes(facet));
  const behind =
    others.filter(({ facet }) => filter.facets[facet]).length + Object.keys(filter.ranges).length;
  const isOn = isNarrow(filter);
  const size = shown.reduce((sum, { mod }) => sum + (mod?.size ?? 0), 0);
  return (
    <div
      role="search"
      aria-label={say("shelf.filterOfTheShelf")}
      className={`flex shrink-0 flex-wrap items-center gap-2 border-b px-3 py-1.5 ${isOn ? "border-saffron bg-saffron-soft" : "border-line bg-sunk"}`}
    >
      {words.filter(({ facet }) => chief.includes(facet)).map(chooser)}
      <TagChoice counts={counts.tag} filter={filter} onFilter={onFilter} />
      <Drop label={behind > 0 ? say("shelf.more", { behind }) : say("shelf.more2")} isOn={behind > 0}>
        <div className="grid w-64 gap-2">
          {others.map(chooser)}
          <RangeFields
            label={say("common.added")}
            range="added"
            type="date"
            filter={filter}
            onFilter={onFilter}
          />
          <RangeFields
            label={say("shelf.updated")}
            range="updated"
            type="date"
            filter={filter}
            onFilter={onFilter}
          />
          <RangeFields
            label={say("shelf.sizeInKB")}
            range="size"
            type="number"
            filter={filter}
            onFilter={onFilter}
          />
        </div>
      </Drop>
      <SavedFilters filter={filter} onFilter={onFilter} />
      <span className="text-ink2 ml-auto font-mono text-sm">{formatSize(size)}</span>
      {bulk}
      {isOn && (
        <Button small onClick={() => onFilter(noShelfFilter)}>
          {say("common.showAll")}
        </Button>
      )}
    </div>
  );
}

function FacetChoice({
  words: { label, values },
  counts,
  value,
  onChoose,
}: {
  words: FacetWords;
  counts: Counts;
  value: string | null;
  onChoose: (value: string | null) => void;
}) {
  return (
    <NarrowBy
      label={label}
      value={value}
      options={values
        .filter(([each]) => counts.has(each) || each === value)
        .map(([each, said]) => ({ value: each, words: `${said} (${counts.get(each) ?? 0})` }))}
      onChoose={onChoose}
    />
  );
}

function TagChoice({
  counts,
  filter: { tags, anyTag },
  onFilter,
}: {
  counts: Counts;
  filter: ShelfFilter;
  onFilter: (part: Partial<ShelfFilter>) => void;
}) {
  const offered = [...new Set([...tags, ...counts.keys()])].sort();
  const turn = (tag: string) =>
    onFilter({ tags: tags.includes(tag) ? tags.filter((each) => each !== tag) : [...tags, tag] });
  return (
    <Drop
      label={tags.length > 0 ? tags.join(anyTag ? " or " : " and ") : say("common.tags")}
      isOn={tags.length > 0}
    >
      <div className="flex gap-3 pb-2" role="radiogroup" aria-label={say("shelf.howTagsCombine")}>
        {[false, true].map((any) => (
          <label key={String(any)} className="flex items-center gap-1.5">
            <input
              type="radio"
              name="tags-combine"
              className="accent-pine"
              checked={anyTag === any}
              onChange={() => onFilter({ anyTag: any })}
            />
            {any ? say("common.anyOfThem") : say("common.allOfThem")}
          </label>
        ))}
      </div>
      <ul className="max-h-72 min-w-52 overflow-auto" tabIndex={-1}>
        {offered.map((tag) => (
          <li key={tag}>
            <label className="hover:bg-sunk flex h-7 items-center gap-2 rounded px-1">
              <input
                type="checkbox"
                className="accent-pine"
                checked={tags.includes(tag)}
                onChange={() => turn(tag)}
              />
              <span className="grow">{tag}</span>
              <span className="text-ink2 font-mono text-sm">{counts.get(tag) ?? 0}</span>
            </label>
          </li>
        ))}
      </ul>
    </Drop>
  );
}

function RangeFields({
  label,
  range,
  type,
  filter: { ranges },
  onFilter,
}: {
  label: string;
  range: Ranged;
  type: "date" | "number";
  filter: ShelfFilter;
  onFilter: (part: Partial<ShelfFilter>) => void;
}) {
  const { from, to } = ranges[range] ?? { from: "", to: "" };
  const set = (next: { from: string; to: string }) => {
    const { [range]: _, ...others } = ranges;
    onFilter({ ranges: next.from || next.to ? { ...others, [range]: next } : others });
  };
  return (
    <fieldset>
      <legend className="text-ink2 mb-0.5 text-sm font-semibold">{label}</legend>
      <div className="flex items-center gap-1.5">
        <RangeEnd
          type={type}
          label={say("shelf.from", { label })}
          value={from}
          onEnd={(next) => set({ from: next, to })}
        />
        <span className="text-ink3">{say("common.to")}</span>
        <RangeEnd
          type={type}
          label={say("shelf.to", { label })}
          value={to}
          onEnd={(next) => set({ from, to: next })}
        />
      </div>
    </fieldset>
  );
}

interface RangeEndProps {
  type: "date" | "number";
  label: string;
  /** Empty where there is no end. */
  value: string;
  onEnd: (value: string) => void;
}

function RangeEnd({ type, label, value, onEnd }: RangeEndProps) {
  if (type === "number")
    return (
      <NumberField
        label={label}
        value={value === "" ? null : Number(value)}
        least={0}
        isLive
        onStore={(number) => onEnd(number === null ? "" : String(number))}
        className="min-w-0 grow basis-0"
      />
    );
  return (
    <input
      type="date"
      value={value}
      aria-label={label}
      onChange={(event) => onEnd(event.target.value)}
      className="border-line bg-surface h-7 min-w-0 grow basis-0 rounded-md border px-1.5 text-sm"
    />
  );
}
