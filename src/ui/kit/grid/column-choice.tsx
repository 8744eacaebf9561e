import { say } from "@/core/language/say";
import { ArrowLeft, ArrowRight } from "lucide-react";
import { Button } from "../button";
import { Drop } from "../drop";
import { moved, type GridColumn, type GridLayout } from "./columns";

/** Which columns a grid shows, and in which order. */
export function ColumnChoice<Row>({
  columns,
  layout,
  standard,
  onLayout,
}: {
  columns: readonly GridColumn<Row>[];
  layout: GridLayout;
  /** As it is before anything is chosen. */
  standard: GridLayout;
  onLayout: (layout: GridLayout) => void;
}) {
  const chosen = layout.flatMap(({ id }) => columns.filter((column) => column.id === id));
  const hidden = columns.filter(({ id, isFixed }) => !isFixed && !layout.some((each) => each.id === id));
  const steps = [
    { by: -1, words: say("kit.furtherLeft2"), Icon: ArrowLeft },
    { by: 1, words: say("kit.furtherRight2"), Icon: ArrowRight },
  ];
  return (
    <Drop label={say("kit.columns")} isOn={false}>
      <ul className="min-w-64">
        {chosen.map(({ id, label }, at) => (
          <li key={id} className="flex h-7 items-center gap-1">
            <Choice label={label} on onTurn={() => onLayout(layout.filter((each) => each.id !== id))} />
            {steps.map(({ by, words, Icon }) => (
              <Button
                key={words}
                small
                look="quiet"
                disabled={chosen[at + by] === undefined}
                aria-label={`${label} ${words}`}
                onClick={() => onLayout(moved(layout, id, by))}
              >
                <Icon size={13} aria-hidden />
              </Button>
            ))}
          </li>
        ))}
        {hidden.map(({ id, label, width }) => (
          <li key={id} className="flex h-7 items-center">
            <Choice label={label} on={false} onTurn={() => onLayout([{ id, width }, ...layout])} />
          </li>
        ))}
      </ul>
      <Button small look="quiet" className="mt-2" onClick={() => onLayout(standard)}>
        {say("common.reset")}
      </Button>
    </Drop>
  );
}

function Choice({ label, on, onTurn }: { label: string; on: boolean; onTurn: () => void }) {
  return (
    <label className="flex grow items-center gap-2">
      <input type="checkbox" checked={on} className="accent-pine" onChange={onTurn} />
      {label}
    </label>
  );
}
