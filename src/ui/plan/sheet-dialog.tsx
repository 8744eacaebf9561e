"use client";

import { facetWord } from "@/core/messages/facets";
import { say } from "@/core/language/say";
import { useMemo, useState } from "react";
import { numberEdit, renumberEdit } from "@/core/edit/numbers";
import type { Section } from "@/core/model/game";
import { numbersOf, outgrown, renumbered, tiersOfSheet } from "@/core/roster/sheet";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { saveFrom } from "../kit/save-text";
import { SectionLetter } from "../kit/section-letter";
import { listAddress } from "../workspace/address";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { NumberField } from "../kit/number-field";

/** The order as a sheet: the number of each section's tier, what it holds, and room for more where one is full. */
export function SheetDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const list = useEditor((state) => state.roster.lists[state.lens]);
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={say("plan.numbersOfThe", { name: facetWord(list.name, "many") })}
      hint={say("plan.asInASheetEachSection")}
      size="medium"
      guide={{ page: "sheet" }}
    >
      <Tiers />
    </Dialog>
  );
}

function Tiers() {
  const { editor, tell } = useWorkspace();
  const list = useEditor((state) => state.roster.lists[state.lens]);
  const profile = useEditor((state) => state.profile.id);
  const [preview, setPreview] = useState(false);
  const tiers = useMemo(() => tiersOfSheet(list), [list]);
  const full = useMemo(() => new Set(outgrown(list).map(({ section }) => section)), [list]);
  const numbers = useMemo(() => new Map(numbersOf(list).map(({ id, number }) => [id, number])), [list]);
  const give = ({ id, name }: Section, index: number, number: number | null) => {
    const before = tiers[index - 1]?.value ?? 0;
    if (number === null || number > before)
      editor.dispatch(numberEdit({ list: list.name, of: "section", id }, number, name));
    else tell([say("plan.theNumberOfHasToBe", { name, before })], "wrong");
  };
  const exportSheet = async () => {
    await editor.settled();
    saveFrom(listAddress(profile, "csv", editor.getState().view.token));
  };
  return (
    <div className="space-y-3">
      <table className="w-full">
        <thead>
          <tr className="text-ink3 text-left text-sm">
            <th className="py-1 font-semibold">{say("common.section")}</th>
            <th className="text-right font-semibold">{say("plan.tier")}</th>
            <th className="text-right font-semibold">{say("plan.holds")}</th>
            <th className="text-right font-semibold">{say("common.numbers")}</th>
          </tr>
        </thead>
        <tbody>
          {tiers.map(({ section: id, value, isOwn }, index) => {
            const section = list.sections[index]!;
            const inside = list.items.flatMap((item) =>
              item.entry.section === id ? (numbers.get(item.id) ?? []) : [],
            );
            return (
              <tr key={id} className="border-line border-t">
                <td className="py-1">
                  <span className="flex items-center gap-2">
                    <SectionLetter index={index} hue={section.hue} />
                    <span className="truncate font-semibold">{section.name}</span>
                    {full.has(id) && <span className="text-saffron text-sm">{say("plan.outgrown")}</span>}
                  </span>
                </td>
                <td className="text-right">
                  <NumberField
                    label={say("plan.numberOf", { name: section.name })}
                    value={isOwn ? value : null}
                    placeholder={String(value)}
                    className="w-20"
                    onStore={(number) => give(section, index, number)}
                  />
                </td>
                <td className="text-right font-mono">{inside.length}</td>
                <td className="text-ink2 text-right font-mono text-sm">
                  {inside.length > 0 && say("plan.to", { inside: inside[0], at: inside.at(-1) })}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {full.size > 0 && (
        <p className="bg-saffron-soft rounded-md px-3 py-2">
          {say("plan.sectionsHaveMoreInThemThan", { count: full.size })}
        </p>
      )}
      {preview && <Preview onDone={() => setPreview(false)} />}
      <div className="flex gap-2">
        {!preview && <Button onClick={() => setPreview(true)}>{say("plan.renumber")}</Button>}
        <Button onClick={() => void exportSheet()}>{say("plan.exportTheSheet")}</Button>
      </div>
    </div>
  );
}

/** What numbering anew would change, before it does. */
function Preview({ onDone }: { onDone: () => void }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const list = useEditor((state) => state.roster.lists[state.lens]);
  const { tiers, numbers } = useMemo(() => renumbered(list), [list]);
  const edit = useMemo(() => renumberEdit(roster, list.name), [roster, list]);
  const weights = numbers.filter(({ of }) => of === "item").length;
  const accept = () => {
    if (edit) editor.dispatch(edit);
    onDone();
  };
  return (
    <section
      aria-label={say("plan.numberedAnew")}
      className="border-pine bg-pine-soft space-y-2 rounded-md border px-3 py-2"
    >
      <p className="flex flex-wrap gap-x-4 gap-y-1.5">
        {tiers.map(({ section, from, to }, index) => (
          <span key={section} className="inline-flex items-center gap-1.5">
            <SectionLetter index={index} hue={list.sections[index]!.hue} />
            <span className="font-mono">
              {from} → {to}
            </span>
          </span>
        ))}
      </p>
      <p className="text-ink2">
        {say("plan.theOrderStaysAsItIs")}
        {weights > 0 && say("plan.weightsBecomeWholeNumbersInThe", { weights })}
      </p>
      <div className="flex gap-2">
        <Button look="main" disabled={!edit} onClick={accept}>
          {say("plan.renumber2")}
        </Button>
        <Button look="quiet" onClick={onDone}>
          {say("common.cancel")}
        </Button>
      </div>
    </section>
  );
}
