import type { Marks } from "../model/additive-list";
import { adviceIn } from "../roster/advice";
import { foldName } from "../roster/fold";
import type { Roster, SeatedPlugin } from "../roster/roster";

/** Who marks a plugin; what comes later in this list is heard instead of what comes earlier. */
type MarkSource =
  | { readonly by: "manifest" }
  | { readonly by: "book"; readonly book: string }
  | { readonly by: "curator" }
  /** In a file that was given for this once. */
  | { readonly by: "file" };

export interface Marked {
  readonly marks: Marks;
  readonly source: MarkSource;
}

/** Marks for this once, by the names of plugins. */
export type GivenMarks = Readonly<Record<string, Marks>>;

const ofManifest: Readonly<Record<string, Marks>> = {
  additions: ["adds"],
  all: ["adds", "removes", "changes"],
  never: "never",
};

/** What of a plugin's additive lists counts, and who says so; null where nobody does. */
export function markOf(roster: Roster, plugin: SeatedPlugin, given: GivenMarks = {}): Marked | null {
  const key = foldName(roster.game, plugin.id);
  const name = Object.keys(given).find((each) => foldName(roster.game, each) === key);
  if (name !== undefined) return { marks: given[name]!, source: { by: "file" } };
  return advisedMark(roster, plugin) ?? manifestMark(plugin);
}

/** The curator's own word goes before that of books, an earlier book's before a later one's; in one, what is said of this very file. */
function advisedMark(roster: Roster, plugin: SeatedPlugin): Marked | null {
  const told = adviceIn(roster)
    .of(plugin)
    .flatMap(({ book, advice }) => (advice.kind === "marks" ? [{ book, advice }] : []));
  const [first] = told;
  if (!first) return null;
  const ofThisFile = told.find(
    ({ book, advice: { on } }) => book === first.book && "plugin" in on && on.sha256 !== undefined,
  );
  const { book, advice } = ofThisFile ?? first;
  return { marks: advice.marks, source: book ? { by: "book", book: book.name } : { by: "curator" } };
}

function manifestMark({ mod }: SeatedPlugin): Marked | null {
  const marks = ofManifest[mod?.mod?.manifest?.blend ?? ""];
  return marks ? { marks, source: { by: "manifest" } } : null;
}
