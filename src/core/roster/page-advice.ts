import type { Advice, AdviceOn } from "../model/advice";
import type { Roster, SeatedItem } from "./roster";

/** What may be meant by a line of a page, to be looked at by somebody. */
interface Offered {
  readonly kind: "needs" | "clashes" | "recommended" | "outdated" | "note";
  /** What it names; null of a note. */
  readonly other: { readonly on: AdviceOn; readonly name: string } | null;
  /** As it stands on the page. */
  readonly line: string;
}

/** The first that fits, as people write on pages in the languages that Seating speaks. */
const words: readonly (readonly [Offered["kind"], RegExp])[] = [
  [
    "clashes",
    /incompatib|not compatible|conflicts? with|does(?:n.t| not) work with|unverträglich|nicht kompatibel|verträgt sich nicht/i,
  ],
  ["outdated", /outdated|obsolete|supersed|replaced by|veraltet|ersetzt durch|abgelöst/i],
  ["recommended", /recommend|goes well|works best with|empfohlen|empfiehl|passt gut/i],
  ["needs", /requir|\bneeds?\b|depends? on|prerequisite|benötig|brauch|voraussetz|erforderlich/i],
];

const notable =
  /\b(?:do not|don.t|never|must|make sure|new game|clean save|damages? saves|after (?:installing|updating)|before you)\b|niemals|unbedingt|neues Spiel|nach dem (?:Installieren|Aktualisieren)|beschädigt/i;

const shortest = 4;
const longestNote = 300;

/**
 * What a page says of an item, as far as a machine can tell: lines in which known mods and plugins are named beside words of
 * requiring, clashing and the like, or below a heading that has some; and warnings. Each is offered once.
 */
export function adviceInPage(roster: Roster, item: SeatedItem, text: string): Offered[] {
  const names = namesBut(roster, item);
  const found = new Map<string, Offered>();
  let below: Offered["kind"] | null = null;
  for (const raw of text.split(/\r?\n/)) {
    const line = raw.replace(/^[\s\-*•·#>]+/, "").trim();
    if (line === "") continue;
    const own = words.find(([, pattern]) => pattern.test(line))?.[0] ?? null;
    const named = namedIn(line, names);
    const isShort = line.length < 60 && !/[.!?]$/.test(line);
    // A heading speaks of the lines of a list below it, and not of the sentences that follow.
    const isListed = isShort || /^\s*[-*•·]/.test(raw);
    if (!isListed) below = null;
    if (named.length === 0) {
      if (isShort) below = own;
      else if (notable.test(line)) offer(found, { kind: "note", other: null, line });
      continue;
    }
    const kind = own ?? below;
    if (kind) for (const other of named) offer(found, { kind, other, line });
  }
  return [...found.values()];
}

const offer = (found: Map<string, Offered>, offered: Offered): void => {
  const key = `${offered.kind} ${offered.other ? JSON.stringify(offered.other.on) : offered.line}`;
  if (!found.has(key)) found.set(key, offered);
};

type Name = NonNullable<Offered["other"]> & { readonly folded: string };

/** What is known here by name, the longer names first: one may be part of another. */
function namesBut({ stock, mods, plugins }: Roster, item: SeatedItem): Name[] {
  const own = item.list === "mods" ? item.id : item.mod?.id;
  const all = new Map<string, Name>();
  const add = (name: string, on: AdviceOn) => {
    const folded = name.toLowerCase();
    if (folded.length >= shortest && !all.has(folded)) all.set(folded, { folded, name, on });
  };
  for (const { id, mod } of mods) if (id !== own) add(mod?.name ?? id, { mod: id });
  for (const { id, name, problem } of stock.shelf) if (!problem && id !== own) add(name, { mod: id });
  for (const { id, mod } of plugins) if (id !== item.id && mod?.id !== own) add(id, { plugin: id });
  return [...all.values()].sort((a, b) => b.folded.length - a.folded.length);
}

function namedIn(line: string, names: readonly Name[]): Name[] {
  let rest = line.toLowerCase();
  return names.filter(({ folded }) => {
    const at = rest.indexOf(folded);
    const isWhole = at >= 0 && !isLetter(rest[at - 1]) && !isLetter(rest[at + folded.length]);
    if (isWhole) rest = rest.slice(0, at) + " ".repeat(folded.length) + rest.slice(at + folded.length);
    return isWhole;
  });
}

const isLetter = (sign: string | undefined): boolean => sign !== undefined && /[\p{L}\p{N}]/u.test(sign);

/** The advice that it becomes, with where it was read and when. */
export function adviceOfOffered(
  on: AdviceOn,
  { kind, other, line }: Offered,
  told: Pick<Advice, "source" | "date">,
): Advice {
  const text = line.slice(0, longestNote);
  if (kind === "note" || !other) return { kind: "note", on, text, ...told };
  return { kind, on, other: other.on, text, ...told };
}
