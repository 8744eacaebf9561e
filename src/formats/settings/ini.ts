import { lineEndOf, linesOf, type SettingsLanguage } from "./language";

const sectionLine = /^\s*\[([^\]]*)\]/;
const keyLine = /^(\s*)([^=;#[\s][^=]*?)(\s*=[ \t]*)(.*?)(\s*)$/s;

/** By common practice neither counts upper and lower case. */
const fold = (name: string): string => name.trim().toLowerCase();

interface Line {
  readonly text: string;
  readonly section: string;
  readonly key: string | null;
}

/** The names of sections may hold slashes; keys do not. */
function placeOf(at: string): { readonly section: string; readonly key: string } {
  const slash = at.lastIndexOf("/");
  return { section: at.slice(0, Math.max(0, slash)), key: at.slice(slash + 1) };
}

function parsed(text: string): Line[] {
  let section = "";
  return linesOf(text).map((line) => {
    const head = sectionLine.exec(line)?.[1];
    if (head !== undefined) section = fold(head);
    const key = head === undefined ? keyLine.exec(line)?.[2] : undefined;
    return { text: line, section, key: key === undefined ? null : fold(key) };
  });
}

const isAt = (at: string) => {
  const { section, key } = placeOf(at);
  return (line: Line) => line.section === fold(section) && line.key === fold(key);
};

const withValue = (line: string, written: string): string => {
  const [, indent, key, equals, , end] = keyLine.exec(line)!;
  return `${indent}${key}${equals}${written}${end}`;
};

/** `key=value` below `[section]`. A key that stands twice is changed in both places: programs do not agree which one counts. */
export const ini: SettingsLanguage = {
  blank: "",
  written: String,
  read: (text, at) => {
    const line = parsed(text).find(isAt(at));
    return line ? keyLine.exec(line.text)![4]! : null;
  },
  write: (text, at, written) => {
    const lines = parsed(text);
    const isThere = isAt(at);
    if (lines.some(isThere))
      return lines
        .flatMap((line) =>
          !isThere(line) ? line.text : written === null ? [] : withValue(line.text, written),
        )
        .join("");
    return written === null ? text : withLine(text, lines, at, written);
  },
};

function withLine(text: string, lines: readonly Line[], at: string, written: string): string {
  const { section, key } = placeOf(at);
  const end = lineEndOf(text);
  const equals = / = /.test(text) ? " = " : "=";
  const added = `${key.trim()}${equals}${written}${end}`;
  const whole = lines.map((line) => line.text);
  const last = lines.findLastIndex((line) => line.section === fold(section) && line.text.trim() !== "");
  if (last < 0 && section === "") return `${added}${text}`;
  if (last < 0) {
    const gap = text === "" ? "" : /\n$/.test(text) ? end : `${end}${end}`;
    return `${text}${gap}[${section}]${end}${added}`;
  }
  if (!/\n$/.test(whole[last]!)) whole[last] += end;
  whole.splice(last + 1, 0, added);
  return whole.join("");
}
