/** Which rows of a list are selected, by key; what a click or a key makes of it, given the keys of the rows as they are shown. */
export interface Selection {
  readonly selected: readonly string[];
  /** The row that the keyboard stands on. */
  readonly active: string | null;
  /** The row from which a range is taken; it stays where it is while the range grows and shrinks, either way. */
  readonly anchor: string | null;
}

export const nothingSelected: Selection = { selected: [], active: null, anchor: null };

export const selectOne = (key: string): Selection => ({ selected: [key], active: key, anchor: key });

/** What of it is still shown. */
export function keepShown(keys: Pick<ReadonlySet<string>, "has">, now: Selection): Selection {
  const shown = (key: string | null) => (key !== null && keys.has(key) ? key : null);
  const selected = now.selected.filter((key) => keys.has(key));
  if (selected.length === now.selected.length && shown(now.active) === now.active) return now;
  return { selected, active: shown(now.active), anchor: shown(now.anchor) };
}

export interface Modifiers {
  readonly shiftKey: boolean;
  /** Ctrl, or Cmd on a Mac. */
  readonly ctrlKey: boolean;
}

/** With Ctrl one row more or less, with Shift all from the anchor on, with both these besides what was selected. */
export function afterClick(keys: readonly string[], now: Selection, key: string, held: Modifiers): Selection {
  if (held.shiftKey && now.anchor !== null) return rangeTo(keys, now, key, held.ctrlKey);
  if (!held.ctrlKey) return selectOne(key);
  const selected = now.selected.includes(key)
    ? now.selected.filter((each) => each !== key)
    : [...now.selected, key];
  return { selected, active: key, anchor: key };
}

/** A click with the other button acts on what is selected, if it was on that. */
export const afterMenuClick = (now: Selection, key: string): Selection =>
  now.selected.includes(key) ? { ...now, active: key } : selectOne(key);

interface Pressed extends Modifiers {
  readonly key: string;
}

/** What a key makes of it; null where it is none of those that walk or select. `page`: how many rows are in sight. */
export function afterKey(
  keys: readonly string[],
  now: Selection,
  { key, shiftKey, ctrlKey }: Pressed,
  page: number,
): Selection | null {
  if (keys.length === 0) return null;
  if (ctrlKey && !shiftKey && key.toLowerCase() === "a")
    return { selected: keys, active: now.active ?? keys[0]!, anchor: now.anchor ?? keys[0]! };
  if (key === "Escape") return now.selected.length > 0 ? { ...now, selected: [] } : null;
  if (ctrlKey && key === " " && now.active !== null)
    return afterClick(keys, now, now.active, { shiftKey, ctrlKey });
  const to = targetOf(keys, now, key, page);
  if (to === null) return null;
  if (shiftKey) return rangeTo(keys, { ...now, anchor: now.anchor ?? to }, to, ctrlKey);
  return ctrlKey ? { ...now, active: to } : selectOne(to);
}

function targetOf(keys: readonly string[], { active }: Selection, key: string, page: number): string | null {
  const last = keys.length - 1;
  const at = active === null ? -1 : keys.indexOf(active);
  const to = {
    ArrowDown: at + 1,
    ArrowUp: at < 0 ? last : at - 1,
    PageDown: at + page,
    PageUp: at - page,
    Home: 0,
    End: last,
  }[key];
  return to === undefined ? null : keys[Math.max(0, Math.min(last, to))]!;
}

function rangeTo(keys: readonly string[], now: Selection, to: string, besides: boolean): Selection {
  const anchor = now.anchor !== null && keys.includes(now.anchor) ? now.anchor : to;
  const [from, end] = [keys.indexOf(anchor), keys.indexOf(to)].sort((a, b) => a - b);
  const range = keys.slice(from, end! + 1);
  const selected = besides ? [...new Set([...now.selected, ...range])] : range;
  return { selected, active: to, anchor };
}

/**
 * The next row after the active one whose text begins with what was typed, from the start again after the last. The same sign typed
 * again and again leads from one row that begins with it to the next; else what was typed before still counts, with the row itself.
 */
export function findTyped(texts: readonly string[], active: number, typed: string): number | null {
  const folded = typed.toLowerCase();
  const isOneSign = [...folded].every((sign) => sign === folded[0]);
  const wanted = isOneSign ? folded[0]! : folded;
  const first = isOneSign ? active + 1 : Math.max(0, active);
  for (let step = 0; step < texts.length; step++) {
    const at = (first + step) % texts.length;
    if (texts[at]!.toLowerCase().startsWith(wanted)) return at;
  }
  return null;
}
