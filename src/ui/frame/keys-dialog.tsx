"use client";

import { say } from "@/core/language/say";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { useKept } from "../kit/kept";
import { useScope } from "../workspace/scoped-commands";
import { useGo } from "../workspace/use-go";
import { commands } from "./commands";
import { changedKeys, keysOf, keyWords } from "./keys";

type Row = readonly [keys: string, what: string];

/** Keys of every list that are not commands of the whole application. */
const listKeys = (): readonly Row[] => [
  ["↑ ↓", say("frame.listKeys.walk")],
  ["Shift+↑ ↓", say("frame.listKeys.range")],
  ["Mod+A", say("frame.listKeys.all")],
  ["Mod+Space", say("frame.listKeys.oneMore")],
  [say("frame.listKeys.letters"), say("frame.listKeys.typeAhead")],
  ["Mod+C", say("frame.listKeys.copy")],
  ["Shift+F10", say("frame.listKeys.menu")],
  [say("frame.listKeys.upOnFirst"), say("frame.listKeys.headings")],
];

/** Besides these in the plan. */
const planKeys = (): readonly Row[] => [
  ["Space", say("frame.planKeys.pickUp")],
  [say("frame.planKeys.carrying"), say("frame.planKeys.carry")],
  ["Esc", say("frame.planKeys.putBack")],
  ["Alt+↑ ↓", say("frame.planKeys.step")],
  ["← →", say("frame.planKeys.fold")],
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
    <Dialog open={open} onClose={onClose} title={say("common.keys")} size="medium">
      <div className="grid gap-6 sm:grid-cols-2">
        <KeyList
          title={say("frame.everywhere")}
          rows={[["Mod+K", say("frame.searchOrTypeASeatOr")], ...everywhere]}
        />
        <div className="space-y-5">
          {scope && here.length > 0 && <KeyList title={scope.title} rows={here} />}
          <KeyList title={say("frame.inEveryList")} rows={listKeys()} />
          <KeyList title={say("frame.inThePlan")} rows={planKeys()} />
        </div>
      </div>
      <div className="mt-4 flex justify-end">
        <Button
          onClick={() => {
            onClose();
            go("/settings?part=keys");
          }}
        >
          {say("frame.changeKeys")}
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
