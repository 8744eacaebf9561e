"use client";

import { Dialog } from "../kit/dialog";
import { commands } from "./commands";

/** Keys of the plan that are not commands of the whole application. */
const planKeys: readonly (readonly [string, string])[] = [
  ["↑ ↓", "To the row before or after"],
  ["Shift+↑ ↓", "Select more rows"],
  ["Space", "Pick up what is selected; again: drop it"],
  ["↑ ↓ while carrying", "Carry it up or down; PageUp and PageDown by ten"],
  ["Esc", "Put it back; or select nothing"],
  ["Alt+↑ ↓", "Move by one step"],
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
        <KeyList title="In the plan" rows={planKeys} />
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
