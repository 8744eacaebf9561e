"use client";

import { facetWord } from "@/core/messages/facets";
import { say } from "@/core/language/say";
import { sectionRuleTexts } from "@/core/messages/rules";
import type { Section } from "@/core/model/game";
import { changeSection } from "@/core/edit/section-edits";
import type { SeatedList } from "@/core/roster/roster";
import { letterOf } from "@/core/roster/seats";
import { Button } from "../kit/button";
import { SectionLetter } from "../kit/section-letter";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** What sections demand of the order: blocks at the ends, and sections that nothing more goes into. */
export function SectionRules() {
  const { plugins, mods } = useEditor((state) => state.roster.lists);
  const told = [plugins, mods].flatMap((list) =>
    list.sections
      .map((section, index) => ({ list, section, index, texts: sectionRuleTexts(section) }))
      .filter(({ texts }) => texts.length > 0),
  );
  if (told.length === 0) return null;
  return (
    <section aria-label={say("rules.rulesOfSections")}>
      <h2 className="border-line bg-sunk text-ink2 border-b px-4 py-1 text-sm font-semibold">
        {say("rules.rulesOfSections")}
      </h2>
      <ul>
        {told.map(({ list, section, index, texts }) => (
          <li
            key={`${list.name} ${section.id}`}
            className="border-line flex items-center gap-2.5 border-b px-4 py-2"
          >
            <SectionLetter index={index} hue={section.hue} />
            <span className="grow">{texts.join(". ")}.</span>
            <span className="text-ink2 shrink-0 text-sm">{facetWord(list.name, "many")}</span>
            <Lift list={list} section={section} letter={letterOf(index)} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Lift({ list, section, letter }: { list: SeatedList; section: Section; letter: string }) {
  const { editor } = useWorkspace();
  const lift = () => {
    const { block: _, closed: __, ...rest } = section;
    const edit = changeSection(list, rest);
    if (edit) editor.dispatch(edit);
  };
  return (
    <Button
      small
      look="quiet"
      onClick={lift}
      aria-label={say("rules.removeTheRuleOfSection", { letter, name: section.name })}
    >
      {say("rules.removeTheSectionSRule")}
    </Button>
  );
}
