"use client";

import { say } from "@/core/language/say";
import { useState } from "react";
import { Select } from "../kit/select";
import { itemCount } from "@/core/messages/counts";
import type { ListName } from "@/core/model/profile";
import { placeEdit } from "@/core/edit/place";
import { findSeat } from "@/core/roster/seat-target";
import { letterOf } from "@/core/roster/seats";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import type { ShelfRow } from "./shelf-rows";

interface Props {
  open: boolean;
  onClose: () => void;
  rows: readonly ShelfRow[];
}

export function SectionDialog({ rows, ...props }: Props) {
  return (
    <Dialog {...props} title={say("shelf.moveToASection")} hint={say("shelf.theyTakeTheLastSeatsOf")}>
      <SectionForm rows={rows} onClose={props.onClose} />
    </Dialog>
  );
}

function SectionForm({ rows, onClose }: Omit<Props, "open">) {
  const { editor, unwrap } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const ties = useEditor((state) => state.ties);
  const { game, lists } = roster;
  const [chosen, setChosen] = useState("");
  const [list, id] = (chosen || `${game.lists[0]} `).split(" ", 2) as [ListName, string];
  const at = chosen ? lists[list].sections.findIndex((section) => section.id === id) : -1;
  const movable = (to: ListName, rank: string): string[] =>
    to === "mods"
      ? rows.map((row) => row.id)
      : lists.plugins.items
          .filter(
            (item) => item.rank.id === rank && !item.fixed && rows.some(({ id }) => id === item.mod?.id),
          )
          .map((item) => item.id);
  const ids = at < 0 ? [] : movable(list, lists[list].sections[at]!.rank);
  const move = () => {
    const target = unwrap(findSeat(lists[list], letterOf(at), ids));
    const edit = target && unwrap(placeEdit(lists[list], ties[list], ids, target.gap, target.section));
    if (edit) editor.dispatch(edit);
    if (target) onClose();
  };
  return (
    <div className="space-y-3">
      <Select
        label={say("common.section")}
        value={chosen}
        options={[
          { value: "", words: say("common.choose") },
          ...game.lists.map((name) => ({
            title: name === "mods" ? say("shelf.ofTheMods") : say("shelf.ofThePlugins"),
            options: lists[name].sections.map((section, index) => ({
              value: `${name} ${section.id}`,
              words: `${letterOf(index)} ${section.name}`,
              disabled: section.closed === true,
            })),
          })),
        ]}
        onChoose={setChosen}
      />
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" disabled={ids.length === 0} onClick={move}>
          {say("shelf.move", { count: itemCount(list, ids.length) })}
        </Button>
      </div>
    </div>
  );
}
