"use client";

import { say } from "@/core/language/say";
import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from "@dnd-kit/core";
import { Hourglass, Lock, PanelBottom, PanelTop } from "lucide-react";
import { useEffect, useRef, type KeyboardEvent } from "react";
import type { Section } from "@/core/model/game";
import type { SeatedList } from "@/core/roster/roster";
import { useTypeAhead } from "../kit/grid/use-type-ahead";
import { SectionLetter } from "../kit/section-letter";

interface Props {
  readonly list: SeatedList;
  readonly chosen: Section;
  readonly onChoose: (id: string) => void;
  /** Past so many others, up where it is negative. */
  readonly onMove: (id: string, by: number) => void;
}

const optionId = (id: string): string => `section-${encodeURIComponent(id)}`;

/** The sections in their order: one stop of the tab key. Arrows choose, with Alt they move; a row is dragged to where it shall stand. */
export function SectionList({ list, chosen, onChoose, onMove }: Props) {
  const { sections, items } = list;
  const ground = useRef<HTMLUListElement>(null);
  const typeAhead = useTypeAhead();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const at = sections.indexOf(chosen);
  useEffect(() => {
    // It answers with a promise in some browsers, which is no way to end an effect.
    document.getElementById(optionId(chosen.id))?.scrollIntoView({ block: "nearest" });
  }, [chosen.id, at]);
  const onKeyDown = (event: KeyboardEvent) => {
    const { key, altKey, ctrlKey, metaKey } = event;
    const to = { ArrowUp: at - 1, ArrowDown: at + 1, Home: 0, End: sections.length - 1 }[key];
    if (to !== undefined && altKey) onMove(chosen.id, to - at);
    else if (to !== undefined && sections[to]) onChoose(sections[to].id);
    else if (to === undefined) {
      const typed =
        ctrlKey || metaKey || altKey ? null : typeAhead(key, () => sections.map(({ name }) => name), at);
      if (typed === null) return;
      onChoose(sections[typed]!.id);
    }
    event.preventDefault();
  };
  return (
    <div className="w-72 min-w-0 grow basis-72">
      <DndContext
        id="sections"
        sensors={sensors}
        accessibility={{ screenReaderInstructions: { draggable: "" } }}
        onDragStart={({ active }) => onChoose(String(active.id))}
        onDragEnd={({ active, over }) => {
          if (!over || over.id === active.id) return;
          const place = (id: string | number) => sections.findIndex((section) => section.id === id);
          onMove(String(active.id), place(over.id) - place(active.id));
        }}
      >
        <ul
          ref={ground}
          role="listbox"
          aria-label={say("common.sections")}
          aria-activedescendant={optionId(chosen.id)}
          tabIndex={0}
          onKeyDown={onKeyDown}
          className="border-line relative max-h-[26rem] overflow-auto rounded-md border"
        >
          {sections.map((section, index) => (
            <SectionRow
              key={section.id}
              section={section}
              index={index}
              count={items.filter(({ entry }) => entry.section === section.id).length}
              rank={
                list.ranks.length > 1 && sections[index - 1]?.rank !== section.rank
                  ? (list.ranks.find(({ id }) => id === section.rank)?.label ?? null)
                  : null
              }
              isChosen={section === chosen}
              onChoose={onChoose}
            />
          ))}
        </ul>
      </DndContext>
      <p className="text-ink2 mt-1 text-sm">{say("plan.dragASectionToWhereIt")}</p>
    </div>
  );
}

const marks = [
  {
    is: ({ block }: Section) => block === "top",
    Icon: PanelTop,
    get words() {
      return say("plan.firstOfItsRank");
    },
  },
  {
    is: ({ block }: Section) => block === "bottom",
    Icon: PanelBottom,
    get words() {
      return say("plan.lastOfItsRank");
    },
  },
  {
    is: ({ closed }: Section) => closed === true,
    Icon: Lock,
    get words() {
      return say("plan.closedWord");
    },
  },
  {
    is: ({ unseated }: Section) => unseated === true,
    Icon: Hourglass,
    get words() {
      return say("plan.arrivalsWaitHere");
    },
  },
];

function SectionRow({
  section,
  index,
  count,
  rank,
  isChosen,
  onChoose,
}: {
  section: Section;
  index: number;
  count: number;
  /** Of the first section of a load rank where there are several. */
  rank: string | null;
  isChosen: boolean;
  onChoose: (id: string) => void;
}) {
  const { setNodeRef: setDragged, listeners, isDragging } = useDraggable({ id: section.id });
  const { setNodeRef: setOver, isOver } = useDroppable({ id: section.id });
  return (
    <li
      id={optionId(section.id)}
      ref={(element) => {
        setDragged(element);
        setOver(element);
      }}
      role="option"
      aria-selected={isChosen}
      {...listeners}
      onClick={() => onChoose(section.id)}
      className={`border-line flex h-7 cursor-default items-center gap-2 border-b px-2 select-none last:border-b-0 ${isChosen ? "bg-pine-soft shadow-[inset_3px_0_0_var(--pine)] forced-colors:outline-2 forced-colors:-outline-offset-2" : "hover:bg-sunk"} ${isDragging ? "opacity-50" : ""} ${isOver && !isDragging ? "outline-saffron outline-2 -outline-offset-2" : ""}`}
    >
      <SectionLetter index={index} hue={section.hue} />
      <span className={`truncate ${isChosen ? "font-semibold" : ""}`}>{section.name}</span>
      {marks
        .filter(({ is }) => is(section))
        .map(({ Icon, words }) => (
          <Icon key={words} size={13} aria-label={words} className="text-ink2 shrink-0" />
        ))}
      {rank && <span className="text-ink2 ml-auto shrink-0 text-sm">{rank}</span>}
      <span className={`text-ink2 w-9 shrink-0 text-right font-mono text-sm ${rank ? "" : "ml-auto"}`}>
        {count}
      </span>
    </li>
  );
}
