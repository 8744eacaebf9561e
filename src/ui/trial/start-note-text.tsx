import { say } from "@/core/language/say";
import type { ToldAtStart } from "@/core/start/start-notes";

/** A note for the start, how it is done, and who says so. */
export function StartNoteText({ note: { text, how, keeps }, from }: Pick<ToldAtStart, "note" | "from">) {
  return (
    <span className="min-w-0">
      {text} {how && <span className="text-ink2">{how}</span>}{" "}
      <span className="text-ink3 text-sm">
        {say("startNotes.from", { kind: from.kind, name: from.name })}
        {keeps && ` ${say("startNotes.keeps")}`}
      </span>
    </span>
  );
}
