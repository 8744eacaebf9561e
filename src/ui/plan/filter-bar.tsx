"use client";

import { useMemo } from "react";
import type { Level } from "@/core/model/finding";
import { switchItems } from "@/core/edit/edits";
import { narrows, noFilter, tagsOf, type PlanFilter, type PlanSort } from "@/core/roster/plan-filter";
import { letterOf } from "@/core/roster/seats";
import { changesSincePoint } from "../workspace/server";
import { Button } from "../kit/button";
import { Choose } from "../kit/choose";
import { inputLook } from "../kit/field";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

interface Props {
  filter: PlanFilter;
  onFilter: (filter: PlanFilter) => void;
  sortBy: PlanSort | null;
  onSort: (by: PlanSort | null) => void;
  /** Ids of what is shown; null where nothing is hidden. */
  shown: ReadonlySet<string> | null;
  total: number;
}

/** Narrows the plan in place, sorts it to be looked at, and switches exactly what is shown. */
export function FilterBar({ filter, onFilter, sortBy, onSort, shown, total }: Props) {
  const { unwrap } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const points = useEditor((state) => state.view.restorePoints);
  const list = useEditor((state) => state.roster.lists[state.lens]);
  const tags = useMemo(() => [...new Set(list.items.flatMap(tagsOf))].sort(), [list]);
  const kinds = list.name === "mods" ? [] : [...roster.game.loadRanks, ...roster.game.counting];
  const change = (part: Partial<PlanFilter>) => onFilter({ ...filter, ...part });
  const among = async (id: string) => {
    const name = points.find((point) => point.id === id)?.name;
    if (name === undefined) return change({ among: null });
    const changes = unwrap(await changesSincePoint(id));
    const moved = changes?.filter(
      ({ facet, kind }) => facet === list.name && (kind === "place" || kind === "section"),
    );
    if (moved)
      change({ among: { ids: new Set(moved.map(({ key }) => key)), words: `moved since “${name}”` } });
  };
  const isOn = narrows(filter) || sortBy !== null;
  return (
    <div
      role="search"
      aria-label="Filter of the plan"
      className={`flex shrink-0 flex-wrap items-center gap-2 border-b px-3 py-1.5 ${isOn ? "border-saffron bg-saffron-soft" : "border-line bg-sunk"}`}
    >
      <input
        value={filter.text}
        onChange={(event) => change({ text: event.target.value })}
        placeholder="Seat, name, mod or author"
        aria-label="Show what is called"
        autoFocus
        className={`${inputLook} !h-7 !w-44`}
      />
      <Choose label="Loads" value={word(filter.loads)} onChoose={(value) => change({ loads: truth(value) })}>
        <option value="yes">loads</option>
        <option value="no">does not load</option>
      </Choose>
      <Choose label="Section" value={filter.section} onChoose={(section) => change({ section })}>
        {list.sections.map((section, at) => (
          <option key={section.id} value={section.id}>
            {letterOf(at)} {section.name}
          </option>
        ))}
      </Choose>
      {kinds.length > 0 && (
        <Choose label="Class" value={filter.kind} onChoose={(kind) => change({ kind })}>
          {kinds.map(({ id, label }) => (
            <option key={id} value={id}>
              {label.toLowerCase()}
            </option>
          ))}
        </Choose>
      )}
      <Choose label="Tag" value={filter.tag} onChoose={(tag) => change({ tag })}>
        {tags.map((tag) => (
          <option key={tag}>{tag}</option>
        ))}
      </Choose>
      <Choose
        label="Finding"
        value={filter.finding}
        onChoose={(finding) => change({ finding: finding as Level | "any" | null })}
      >
        <option value="any">any finding</option>
        <option value="blocker">blockers</option>
        <option value="problem">problems</option>
        <option value="hint">hints</option>
      </Choose>
      <Choose label="Rule" value={word(filter.ruled)} onChoose={(value) => change({ ruled: truth(value) })}>
        <option value="yes">in a rule</option>
        <option value="no">in no rule</option>
      </Choose>
      <Choose label="Note" value={word(filter.noted)} onChoose={(value) => change({ noted: truth(value) })}>
        <option value="yes">with a note</option>
        <option value="no">without a note</option>
      </Choose>
      <Choose label="Moved" value={filter.among ? "chosen" : null} onChoose={(id) => void among(id ?? "")}>
        {filter.among && <option value="chosen">{filter.among.words}</option>}
        {points.map((point) => (
          <option key={point.id} value={point.id}>
            since “{point.name}”
          </option>
        ))}
      </Choose>
      <Choose label="Load order" value={sortBy} onChoose={(by) => onSort(by as PlanSort | null)}>
        <option value="name">by name</option>
        {list.name === "plugins" && <option value="kind">by class</option>}
        {list.name === "plugins" && <option value="mod">by mod</option>}
        <option value="size">by size</option>
      </Choose>
      <label className="flex items-center gap-1.5">
        <input
          type="checkbox"
          checked={filter.fresh}
          onChange={(event) => change({ fresh: event.target.checked })}
          className="accent-pine"
        />
        not placed yet
      </label>
      {isOn && (
        <div className="ml-auto flex items-center gap-2">
          {sortBy && (
            <>
              <b>Not the load order.</b>
              <Button small onClick={() => onSort(null)}>
                Back to the load order
              </Button>
            </>
          )}
          {shown && (
            <>
              <b role="status" className="font-mono">
                {shown.size} of {total}
              </b>
              <Bulk shown={shown} />
              <Button small onClick={() => onFilter(noFilter)}>
                Show all
              </Button>
            </>
          )}
        </div>
      )}
    </div>
  );
}

function Bulk({ shown }: { shown: ReadonlySet<string> }) {
  const { editor, tell, refresh } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const list = useEditor((state) => state.roster.lists[state.lens]);
  const items = list.items.filter((item) => shown.has(item.id) && !item.fixed);
  const count = (on: boolean) => items.filter((item) => item.loads !== on).length;
  const turn = (on: boolean) => {
    const edit = switchItems(roster, items, on);
    if (!edit) return;
    editor.dispatch({ ...edit, restorePoint: `Before switching ${count(on)} ${on ? "on" : "off"}` });
    tell([`${count(on)} switched ${on ? "on" : "off"}. Undo takes it back.`]);
    // The restore point that was made before it is listed by the server.
    void editor.settled().then(refresh);
  };
  return [true, false].map((on) => (
    <Button key={String(on)} small disabled={count(on) === 0} onClick={() => turn(on)}>
      Switch {count(on)} {on ? "on" : "off"}
    </Button>
  ));
}

const word = (value: boolean | null) => (value === null ? null : value ? "yes" : "no");
const truth = (value: string | null) => (value === null ? null : value === "yes");
