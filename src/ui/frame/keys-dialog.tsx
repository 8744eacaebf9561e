"use client";

import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { useKept } from "../kit/kept";
import { useScope } from "../workspace/scoped-commands";
import { useGo } from "../workspace/use-go";
import { commands } from "./commands";
import { changedKeys, keysOf, keyWords } from "./keys";

type Row = readonly [keys: string, what: string];

/** Keys of every list that are not commands of the whole application. */
const listKeys: readonly Row[] = [
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
const planKeys: readonly Row[] = [
  ["Space", "Pick up what is selected; again: drop it"],
  ["↑ ↓ while carrying", "Carry it up or down; PageUp and PageDown by ten"],
  ["Esc", "Put it back; or select nothing"],
  ["Alt+↑ ↓", "Move by one step"],
  ["← →", "Fold the section; unfold the next folded one"],
];

export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [changed] = useKept(changedKeys);
  const scope = useScope();
  const go = useGo();
  const everywhere = commands.flatMap((command): Row[] => {
    const keys = keysOf(command, changed);
    return keys ? [[keys, command.title]] : [];
  });
  const here = (scope?.commands ?? []).flatMap(({ keys, title }): Row[] => (keys ? [[keys, title]] : []));
  return (
    <Dialog open={open} onClose={onClose} title="Keys" size="medium">
      <div className="grid gap-6 sm:grid-cols-2">
        <KeyList
          title="Everywhere"
          rows={[["Mod+K", "Search, or type a seat or a command"], ...everywhere]}
        />
        <div className="space-y-5">
          {scope && here.length > 0 && <KeyList title={scope.title} rows={here} />}
          <KeyList title="In every list" rows={listKeys} />
          <KeyList title="In the plan" rows={planKeys} />
        </div>
      </div>
      <div className="mt-4 flex justify-end">
        <Button
          onClick={() => {
            onClose();
            go("/settings?part=keys");
          }}
        >
          Change keys…
        </Button>
      </div>
    </Dialog>
  );
}

function KeyList({ title, rows }: { title: string; rows: readonly Row[] }) {
  return (
    <section>
      <h3 className="text-ink2 mb-1 text-sm font-semibold">{title}</h3>
      <dl className="grid grid-cols-[max-content_1fr] gap-x-3 gap-y-1.5">
        {rows.map(([keys, what]) => (
          <div key={keys + what} className="contents">
            <dt className="font-mono text-sm">{keyWords(keys)}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
