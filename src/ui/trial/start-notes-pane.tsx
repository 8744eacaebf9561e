import { say } from "@/core/language/say";
import { startNotesOfKind, type ToldAtStart } from "@/core/start/start-notes";
import { StartNoteText } from "./start-note-text";
import { useStartNotes } from "./use-start-notes";

/** Beside the log: what is normal, and what to look at, first what was changed since it ran well. */
export function StartNotesPane() {
  const { notes } = useStartNotes();
  if (notes === null) return null;
  const [normal, look] = (["normal", "look"] as const).map((kind) => startNotesOfKind(notes.told, kind));
  if (normal!.length + look!.length === 0) return null;
  return (
    <aside
      aria-label={say("startNotes.notes")}
      tabIndex={0}
      className="border-line w-80 shrink-0 space-y-2 overflow-auto border-t border-l px-3 py-2 text-sm"
    >
      <Told title={say("startNotes.lookAt")} told={look!} />
      <Told title={say("startNotes.isNormal")} told={normal!} />
    </aside>
  );
}

function Told({ title, told }: { title: string; told: readonly ToldAtStart[] }) {
  if (told.length === 0) return null;
  return (
    <section>
      <h3 className="font-semibold">{title}</h3>
      <ul className="mt-1 space-y-1">
        {told.map(({ key, note, from, isChanged }) => (
          <li key={key}>
            {isChanged && <b className="text-pine">{say("startNotes.changed")} </b>}
            <StartNoteText note={note} from={from} />
          </li>
        ))}
      </ul>
    </section>
  );
}
