import { asPattern } from "@/core/as-pattern";
import { lineEndOf, linesOf, type SettingsLanguage } from "./language";

/** What stands before the value of a key, and the value. */
const matcherOf = (at: string): RegExp =>
  new RegExp(`^(\\s*${asPattern(at.trim())}(?:[ \\t]*[=:][ \\t]*|[ \\t]+|(?=\\s*$)))(.*?)(\\s*)$`, "s");

/** A key and its value in a line of its own, with blanks, `=` or `:` between them. */
export const lines: SettingsLanguage = {
  blank: "",
  written: String,
  read: (text, at) => {
    const matcher = matcherOf(at);
    for (const line of linesOf(text)) {
      const found = matcher.exec(line);
      if (found) return found[2]!;
    }
    return null;
  },
  write: (text, at, written) => {
    const matcher = matcherOf(at);
    const all = linesOf(text);
    if (all.some((line) => matcher.test(line)))
      return all
        .flatMap((line) => {
          const found = matcher.exec(line);
          if (!found) return line;
          const gap = /[\s=:]$/.test(found[1]!) ? "" : " ";
          return written === null ? [] : `${found[1]}${gap}${written}${found[3]}`;
        })
        .join("");
    if (written === null) return text;
    const end = lineEndOf(text);
    const gap = text === "" || text.endsWith("\n") ? "" : end;
    const between = all.some((line) => /^\s*[^#;=:\s]+\s*=/.test(line)) ? "=" : " ";
    return `${text}${gap}${at.trim()}${between}${written}${end}`;
  },
};
