"use client";

import { facetWord } from "@/core/messages/facets";
import { say } from "@/core/language/say";
import { useState } from "react";
import { sayRefusal } from "@/core/messages/refusals";
import type { Outcome } from "@/core/model/outcome";
import type { Edit } from "@/core/model/edit";
import { SectionId } from "@/core/model/ids";
import { addSection, dropSection, moveSection } from "@/core/edit/section-edits";
import { Dialog } from "../kit/dialog";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { SectionDetails } from "./section-details";
import { SectionList } from "./section-list";

/** The sections of the plan in their order, and beside them all that can be said of the one that is chosen. */
export function SectionsDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { name } = useEditor((state) => state.roster.lists[state.lens]);
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={say("plan.sectionsOfThe", { name: facetWord(name, "many") })}
      hint={say("plan.newArrivalsGoToTheSection")}
      size="large"
      guide={{ page: "glossary", part: "section" }}
    >
      <Sections />
    </Dialog>
  );
}

function Sections() {
  const { editor, tell } = useWorkspace();
  const list = useEditor((state) => state.roster.lists[state.lens]);
  const { sections } = list;
  const [wanted, choose] = useState<string | null>(null);
  const chosen = sections.find(({ id }) => id === wanted) ?? sections[0]!;
  const dispatch = (edit: Outcome<Edit>) => {
    if (edit.ok) editor.dispatch(edit.value);
    else tell(sayRefusal(edit.refusal), "wrong");
    return edit.ok;
  };
  const add = () => {
    const id = SectionId.parse(crypto.randomUUID());
    editor.dispatch(addSection(list, chosen.id, { id, name: say("plan.newSection"), guidance: "" }));
    choose(id);
  };
  const drop = () => {
    const at = sections.indexOf(chosen);
    const heir = [sections[at - 1], sections[at + 1]].find((each) => each?.rank === chosen.rank);
    if (dispatch(dropSection(list, chosen.id))) choose(heir?.id ?? null);
  };
  return (
    <div className="flex flex-wrap gap-4">
      <SectionList
        list={list}
        chosen={chosen}
        onChoose={choose}
        onMove={(id, by) => void dispatch(moveSection(list, id, by))}
      />
      <SectionDetails key={chosen.id} list={list} section={chosen} onAdd={add} onDrop={drop} />
    </div>
  );
}
