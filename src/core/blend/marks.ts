import type { BookMark, Marks } from "../model/additive-list";
import type { Rulebook } from "../model/rulebook";
import { adviceIn } from "../roster/advice";
import { openBooks } from "../roster/books";
import { foldName } from "../roster/fold";
import type { Roster, SeatedPlugin } from "../roster/roster";
import { recipeOf, type BlendRecipe } from "./decisions";

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
  const told = advisedMark(roster, plugin);
  if (told && !told.book) return { marks: told.marks, source: { by: "curator" } };
  const gone = markOfAbsentBook(roster, plugin);
  if (gone) return { marks: gone.marks, source: { by: "book", book: gone.title } };
  if (told?.book) return { marks: told.marks, source: { by: "book", book: told.book.name } };
  return manifestMark(plugin);
}

/** The curator's own word goes before that of books, an earlier book's before a later one's; in one, what is said of this very file. */
function advisedMark(
  roster: Roster,
  plugin: SeatedPlugin,
): { readonly marks: Marks; readonly book: Rulebook | null } | null {
  const told = adviceIn(roster)
    .of(plugin)
    .flatMap(({ book, advice }) => (advice.kind === "marks" ? [{ book, advice }] : []));
  const [first] = told;
  if (!first) return null;
  const ofThisFile = told.find(
    ({ book, advice: { on } }) => book === first.book && "plugin" in on && on.sha256 !== undefined,
  );
  const { book, advice } = ofThisFile ?? first;
  return { marks: advice.marks, book };
}

/** What a book by which the profile goes and that is not here said when the blend was built: there it won. */
function markOfAbsentBook(roster: Roster, { id }: SeatedPlugin): BookMark | null {
  const { game, profile } = roster;
  const { state } = profile;
  const key = foldName(game, id);
  const mark = recipeOf(state)?.marks?.find(({ plugin }) => foldName(game, plugin) === key);
  const isGone =
    mark !== undefined &&
    state.books.some((book) => book.id === mark.book) &&
    !openBooks(roster).some(({ book }) => book.id === mark.book);
  return isGone ? mark : null;
}

/** The recipe with all that counts by the word of books, so that it comes to the same where these are not. */
export function withBookMarks(roster: Roster, { marks: _before, ...recipe }: BlendRecipe): BlendRecipe {
  const marks = roster.plugins.flatMap((plugin): BookMark[] => {
    if (!plugin.loads) return [];
    const gone = markOfAbsentBook(roster, plugin);
    if (gone) return [gone];
    const told = advisedMark(roster, plugin);
    return told?.book
      ? [{ plugin: plugin.id, marks: told.marks, book: told.book.id, title: told.book.name }]
      : [];
  });
  return marks.length > 0 ? { ...recipe, marks } : recipe;
}

function manifestMark({ mod }: SeatedPlugin): Marked | null {
  const marks = ofManifest[mod?.mod?.manifest?.blend ?? ""];
  return marks ? { marks, source: { by: "manifest" } } : null;
}
