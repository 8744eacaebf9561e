import { say } from "@/core/language/say";
import { openConditions, startNotesOfKind } from "@/core/start/start-notes";
import { Button } from "../kit/button";
import { useWorkspace } from "../workspace/workspace.client";
import { StartNoteText } from "./start-note-text";
import { useStartNotes } from "./use-start-notes";

/** What is to be done before the start, ticked off one after the other. */
export function Conditions({ way, onAnswer }: { way: string; onAnswer: () => void }) {
  const { trial } = useWorkspace();
  const { notes, tick } = useStartNotes();
  if (notes === null) return null;
  const ticked = new Set(notes.ticked);
  const conditions = startNotesOfKind(notes.told, "condition");
  const open = openConditions(notes.told, ticked);
  const start = (isUnmet: boolean) => {
    onAnswer();
    void trial.start(undefined, way, isUnmet);
  };
  return (
    <div
      role="group"
      aria-label={say("startNotes.conditions")}
      className="bg-saffron-soft shrink-0 space-y-2 px-3 py-2.5"
    >
      <p className="font-semibold">{say("startNotes.conditionsFirst", { count: open.length })}</p>
      <ol className="space-y-1">
        {conditions.map(({ key, note, from }, at) => (
          <li key={key}>
            <label className="flex items-baseline gap-2">
              <input
                type="checkbox"
                className="accent-pine"
                checked={ticked.has(key)}
                // One after the other; what is ticked can be taken back.
                disabled={!ticked.has(key) && open[0]?.key !== key}
                autoFocus={open[0]?.key === key}
                onChange={({ target }) => void tick(key, target.checked)}
              />
              <span className="tabular-nums">{at + 1}.</span>
              <StartNoteText note={note} from={from} />
            </label>
          </li>
        ))}
      </ol>
      <div className="flex gap-2">
        <Button look="main" disabled={open.length > 0} onClick={() => start(false)}>
          {say("startNotes.allMet")}
        </Button>
        {open.length > 0 && (
          <Button look="quiet" onClick={() => start(true)}>
            {say("startNotes.startUnmet")}
          </Button>
        )}
      </div>
    </div>
  );
}
