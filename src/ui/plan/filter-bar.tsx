"use client";

import { midSentence } from "@/core/language/mid-sentence";
import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { ChevronDown, Plus, X } from "lucide-react";
import { DropdownMenu as Menu } from "radix-ui";
import { useMemo, useRef, type ReactNode } from "react";
import { switchItems } from "@/core/edit/edits";
import { narrows, noFilter, type PlanFilter } from "@/core/roster/plan-filter";
import { changesSincePoint } from "../workspace/server";
import { Button } from "../kit/button";
import { inputLook } from "../kit/field";
import { menuItemLook, menuLook } from "../kit/menu-look";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { filterFacets, type FilterFacet } from "./filter-facets";

interface Props {
  /** It was asked for, to be typed into. */
  isAsked: boolean;
  filter: PlanFilter;
  onFilter: (filter: PlanFilter) => void;
  /** The heading that the list is sorted by, to be looked at. */
  sortedBy: string | null;
  onUnsort: () => void;
  /** Ids of what is shown; null where nothing is hidden. */
  shown: ReadonlySet<string> | null;
  total: number;
}

/** Narrows the plan in place and switches exactly what is shown: a chip for each that is on. */
export function FilterBar({ isAsked, filter, onFilter, sortedBy, onUnsort, shown, total }: Props) {
  const roster = useEditor((state) => state.roster);
  const list = useEditor((state) => state.roster.lists[state.lens]);
  const facets = useMemo(() => filterFacets(roster, list, filter), [roster, list, filter]);
  const change = (part: Partial<PlanFilter>) => onFilter({ ...filter, ...part });
  const add = useRef<HTMLButtonElement>(null);
  const remove = (act: () => void) => () => {
    act();
    // The chip that had the focus is gone.
    add.current?.focus();
  };
  const among = useMovedSince(change);
  const isOn = narrows(filter) || sortedBy !== null;
  return (
    <div
      role="search"
      aria-label={say("plan.filterOfThePlan")}
      className={`flex shrink-0 flex-wrap items-center gap-2 border-b px-3 py-1.5 ${isOn ? "border-saffron bg-saffron-soft" : "border-line bg-sunk"}`}
    >
      <input
        value={filter.text}
        onChange={(event) => change({ text: event.target.value })}
        placeholder={say("plan.seatNameModOrAuthor")}
        aria-label={say("plan.showWhatIsCalled")}
        // Not where a heading has sorted the list: the keyboard stays there.
        autoFocus={isAsked}
        className={`${inputLook} !h-7 !w-44`}
      />
      {facets
        .filter(({ value }) => value !== null)
        .map((facet) => (
          <FacetChip
            key={facet.label}
            facet={facet}
            onPart={change}
            onRemove={remove(() => change(facet.part(null)))}
          />
        ))}
      {filter.among && (
        <Chip
          words={filter.among.words}
          remove={say("plan.removeFilterMoved")}
          onRemove={remove(() => change({ among: null }))}
        />
      )}
      {sortedBy && (
        <Chip
          words={say("plan.sortedBy", { sortedBy: midSentence(sortedBy) })}
          remove={say("plan.backToTheLoadOrder")}
          onRemove={remove(onUnsort)}
        />
      )}
      <Menu.Root>
        <Menu.Trigger
          ref={add}
          className="border-line bg-surface text-ink2 hover:text-ink flex h-7 items-center gap-1 rounded-md border px-2 font-semibold"
        >
          {rich("plan.addFilter", { plus: <Plus size={13} aria-hidden /> })}
        </Menu.Trigger>
        <Menu.Portal>
          <Menu.Content align="start" sideOffset={4} className={`${menuLook} min-w-44`}>
            {facets.map((facet) => (
              <SubMenu key={facet.label} label={facet.label}>
                <FacetItems facet={facet} onPart={change} />
              </SubMenu>
            ))}
            {among.points.length > 0 && (
              <SubMenu label={say("plan.movedSince")}>
                {among.points.map(({ id, name }) => (
                  <Menu.Item key={id} className={menuItemLook} onSelect={() => void among.narrow(id)}>
                    “{name}”
                  </Menu.Item>
                ))}
              </SubMenu>
            )}
          </Menu.Content>
        </Menu.Portal>
      </Menu.Root>
      {isOn && (
        <div className="ml-auto flex flex-wrap items-center gap-2">
          {sortedBy && <b>{say("plan.notTheLoadOrder")}</b>}
          {shown && (
            <>
              <b role="status" className="font-mono">
                {say("plan.of", { count: shown.size, total })}
              </b>
              <Bulk shown={shown} />
              <Button small onClick={() => onFilter(noFilter)}>
                {say("common.showAll")}
              </Button>
            </>
          )}
        </div>
      )}
    </div>
  );
}

type OnPart = (part: Partial<PlanFilter>) => void;

/** What is on: another value is chosen from it, or it is taken off. */
function FacetChip({
  facet,
  onPart,
  onRemove,
}: {
  facet: FilterFacet;
  onPart: OnPart;
  onRemove: () => void;
}) {
  const { label, options, value } = facet;
  const words = `${label}: ${options.find((each) => each.value === value)?.label ?? value}`;
  return (
    <Chip words={words} remove={say("plan.removeFilter", { label })} onRemove={onRemove}>
      <Menu.Root>
        <Menu.Trigger className="flex h-6 items-center gap-1">
          {words} <ChevronDown size={12} aria-hidden />
        </Menu.Trigger>
        <Menu.Portal>
          <Menu.Content align="start" sideOffset={4} className={menuLook}>
            <FacetItems facet={facet} onPart={onPart} />
          </Menu.Content>
        </Menu.Portal>
      </Menu.Root>
    </Chip>
  );
}

function Chip({
  words,
  remove,
  onRemove,
  children,
}: {
  words: string;
  remove: string;
  onRemove: () => void;
  children?: ReactNode;
}) {
  return (
    <span className="border-saffron bg-surface flex h-7 items-center rounded-md border pl-2 font-semibold">
      {children ?? words}
      <button
        type="button"
        aria-label={remove}
        title={remove}
        onClick={onRemove}
        className="text-ink2 hover:text-ink ml-1 flex h-6 w-6 items-center justify-center"
      >
        <X size={13} aria-hidden />
      </button>
    </span>
  );
}

const FacetItems = ({ facet: { options, value, part }, onPart }: { facet: FilterFacet; onPart: OnPart }) =>
  options.map((each) => (
    <Menu.Item key={each.value} className={menuItemLook} onSelect={() => onPart(part(each.value))}>
      <span className={each.value === value ? "font-semibold" : ""}>{each.label}</span>
    </Menu.Item>
  ));

function SubMenu({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Menu.Sub>
      <Menu.SubTrigger className={`${menuItemLook} justify-between`}>
        {label} <ChevronDown size={12} aria-hidden className="-rotate-90" />
      </Menu.SubTrigger>
      <Menu.Portal>
        <Menu.SubContent sideOffset={4} className={menuLook}>
          {children}
        </Menu.SubContent>
      </Menu.Portal>
    </Menu.Sub>
  );
}

/** Narrows to what has moved since a restore point. */
function useMovedSince(change: OnPart) {
  const { unwrap } = useWorkspace();
  const points = useEditor((state) => state.view.restorePoints);
  const lens = useEditor((state) => state.lens);
  const narrow = async (id: string) => {
    const name = points.find((point) => point.id === id)?.name;
    const changes = unwrap(await changesSincePoint(id));
    const moved = changes?.filter(
      ({ facet, kind }) => facet === lens && (kind === "place" || kind === "section"),
    );
    if (moved)
      change({
        among: { ids: new Set(moved.map(({ key }) => key)), words: say("plan.movedSince2", { name }) },
      });
  };
  return { points, narrow };
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
    editor.dispatch({
      ...edit,
      restorePoint: say("plan.beforeSwitching", { on: count(on), on2: String(on) }),
    });
    tell([say("plan.switchedUndoTakesItBack", { on: count(on), on2: String(on) })]);
    // The restore point that was made before it is listed by the server.
    void editor.settled().then(refresh);
  };
  return [true, false].map((on) => (
    <Button key={String(on)} small disabled={count(on) === 0} onClick={() => turn(on)}>
      {say("plan.switch", { on: count(on), on2: String(on) })}
    </Button>
  ));
}
