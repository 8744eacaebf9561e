"use client";

import { Dialog } from "../kit/dialog";
import { commands } from "./commands";

/** Keys of every list that are not commands of the whole application. */
const listKeys: readonly (readonly [string, string])[] = [
  ["↑ ↓", "To the row before or after; PageUp, PageDown, Home, End"],
  ["Shift+↑ ↓", "Select from here to there; with Home and End too"],
  ["Mod+A", "Select all"],
  ["Mod+Space", "Select one row more or less; Ctrl+↑ ↓ walks without selecting"],
  ["letters", "To the next row whose name begins with them"],
  ["Mod+C", "Copy what is selected"],
  ["Shift+F10", "What can be done with it"],
  ["↑ on the first row", "To the headings: Enter sorts, Alt+← → width, Ctrl+← → place"],
];

/** Besides these in the plan. */
const planKeys: readonly (readonly [string, string])[] = [
  ["Space", "Pick up what is selected; again: drop it"],
  ["↑ ↓ while carrying", "Carry it up or down; PageUp and PageDown by ten"],
  ["Esc", "Put it back; or select nothing"],
  ["Alt+↑ ↓", "Move by one step"],
  ["← →", "Fold the section; unfold the next folded one"],
  ["Enter", "Switch on or off"],
];

export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title="Keys" size="medium">
      <div className="grid grid-cols-2 gap-6">
        <KeyList
          title="Everywhere"
          rows={[
            ["Mod+K", "Search, or type a seat or a command"],
            ...commands.filter((each) => each.keys).map((each) => [each.keys!, each.title] as const),
          ]}
        />
        <div className="space-y-5">
          <KeyList title="In every list" rows={listKeys} />
          <KeyList title="In the plan" rows={planKeys} />
        </div>
      </div>
    </Dialog>
  );
}

function KeyList({ title, rows }: { title: string; rows: readonly (readonly [string, string])[] }) {
  return (
    <section>
      <h3 className="text-ink2 mb-1 text-sm font-semibold">{title}</h3>
      <dl className="grid grid-cols-[max-content_1fr] gap-x-3 gap-y-1.5">
        {rows.map(([keys, what]) => (
          <div key={keys + what} className="contents">
            <dt className="font-mono text-sm">{keys.replace("Mod", "Ctrl")}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
